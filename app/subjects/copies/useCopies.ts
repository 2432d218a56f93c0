import { transfer } from 'comlink'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { newId } from '~/db/newId'
import { settingsOfLocale } from '#core/catalog'
import { type ListedSet, type OnScreen, type Reading, salvage } from '#core/exchange'
import { dayOf } from '#core/units'
import { type LastCopy, SCREEN_TABLES, watch } from '~/db'
import { act, lastCopyNow } from '~/data/act'
import { copyWords } from './words'
import { useDescribe } from '~/data/useDescribe'
import { useUses } from '~/data/useUses'
import { useCatalogue } from '~/data/useCatalogue'
import { addressOf, isPlainFiles } from '~/data/host'
import { troubleOf } from '~/data/storageTrouble'
import { type Progress, type WorkerHandle, workerHandle, withProgress, WorkStopped } from '~/data/worker'
import { offerFile } from '~/kit/offerFile'
import { plainly } from '~/kit/plainly'
import type { StorageUse } from '~/db/commands'
import type { Checked, CopiesApi, PackedCopy, RestoreOutcome } from './copies.worker'
import { useAside } from './useAside'

/** Whether the demo room is in: it may not have been wanted, or could not be fetched; or it did not fit. */
type DemoOutcome = 'loaded' | 'missing' | 'full'

/** Copies of the catalogue: saving, reading back, beginning anew. */
export const useCopies = defineStore('copies', () => {
  const catalogue = useCatalogue()
  const describe = useDescribe()
  const uses = useUses()
  const aside = useAside()
  const progress = shallowRef<Progress | null>(null)
  const lastCopy = shallowRef<LastCopy | null>(null)
  let current: WorkerHandle<CopiesApi> | null = null
  watch(lastCopyNow, found => (lastCopy.value = found))

  /** Steps done (or undone) since the last copy. */
  const stepsSince = computed(() => {
    const copy = lastCopy.value
    const after = catalogue.steps.filter(step => !copy || step.seq > copy.seq || (step.seq === copy.seq && step.swings > copy.swings))
    return after.length
  })
  /** Sets of the person's own that no copy holds as they are now. The demo room is nobody's own. */
  const unsaved = computed(() => {
    if (
      catalogue.settings.isDemo &&
      !catalogue.steps.some(step => step.state === 'done' && !['loadDemo', 'startEmpty'].includes(step.command))
    )
      return 0
    return stepsSince.value > 0 ? (catalogue.tables?.holdings.size ?? 0) : 0
  })

  const newWorker = () => workerHandle<CopiesApi>(() => new Worker(new URL('./copies.worker.ts', import.meta.url), { type: 'module' }))
  /** One long piece of work, in a worker of its own: cancelling it ends nothing else. */
  async function work<R>(call: (worker: WorkerHandle<CopiesApi>, tell: (told: Progress) => void) => Promise<R>): Promise<R> {
    const worker = newWorker()
    current = worker
    try {
      return await withProgress(
        told => {
          progress.value = told
        },
        tell => call(worker, tell),
      )
    } finally {
      worker.end()
      if (current === worker) current = null
    }
  }
  const cancel = (): void => current?.cancel()

  /** Saves everything as one file. The answer is what was packed; where it has a fault it would not be read back. */
  async function saveCopy(): Promise<PackedCopy> {
    const copy = await work((worker, tell) => worker.run(api => api.saveArchive(tell)))
    offerFile(copy.file, copyWords.fileName(catalogue.settings.roomName, dayOf(new Date())))
    await aside.take(copy.sifted)
    // Only the note of it: the file is saved, also where the browser has no room for a note.
    await act.noteCopySaved({ at: new Date().toISOString(), ...copy.step }).catch(() => undefined)
    return copy
  }

  /** Saves all that is found in the database, whatever state it is in. null: there is none. */
  async function saveRescue(): Promise<{ readonly records: number; readonly unread: number } | null> {
    const found = await work((worker, tell) => worker.run(api => api.saveRescue(tell)))
    if (found) offerFile(found.file, copyWords.rescueName(dayOf(new Date())))
    return found
  }

  /** Work that nobody watches: it has a worker to itself, and shows nothing. null: it broke off. */
  async function quietly<R>(call: (worker: WorkerHandle<CopiesApi>) => Promise<R>): Promise<R | null> {
    const worker = newWorker()
    const answer = await call(worker).catch(() => null)
    worker.end()
    return answer
  }
  /** Lets go of what nobody needs: files of earlier copies, and pictures that nothing has named for long. */
  const sweepForgotten = (): Promise<void | null> => quietly(worker => worker.run(api => api.sweepForgotten()))
  /** How much room pictures and steps take. */
  const storageUse = (): Promise<StorageUse | null> => quietly(worker => worker.run(api => api.storageUse()))

  /** Looks through the whole room. */
  async function check(): Promise<Checked> {
    const checked = await work((worker, tell) => worker.run(api => api.check(tell)))
    await aside.take(checked.sifted)
    return checked
  }

  /** Mends all that can be mended, as one step. How many things. */
  async function mend(): Promise<number> {
    const count = await work((worker, tell) => worker.run(api => api.mend(tell)))
    await catalogue.caughtUp()
    return count
  }

  /** Saves what the screen still has, after the storage of the browser was cleared. */
  async function saveScreen(): Promise<void> {
    const { tables } = catalogue
    if (!tables) return
    const screen = Object.fromEntries(SCREEN_TABLES.map(name => [name, [...tables[name].values()]])) as unknown as OnScreen
    const now = new Date().toISOString()
    const data = plainly(salvage({ ...screen, settings: [{ ...catalogue.settings }] }, catalogue.nextNumbers, now, newId))
    const file = await work((worker, tell) => worker.run(api => api.packData(data, tell)))
    offerFile(file, copyWords.fileName(catalogue.settings.roomName, dayOf(new Date())))
  }

  /** The screen has followed once this is answered: what is saved or listed then is of the catalogue that was read. */
  async function restore(bytes: ArrayBuffer, wanted: Reading = 'whole'): Promise<RestoreOutcome> {
    const outcome = await work((worker, tell) =>
      worker.run(api => api.restoreArchive(transfer(bytes, [bytes]), 'restoreArchive', wanted, tell)),
    )
    if (outcome.ok) await catalogue.caughtUp()
    return outcome
  }

  async function isDemoStart(): Promise<boolean> {
    // On a host of plain files everybody's first look is the welcome.
    if (isPlainFiles()) return false
    try {
      const answer = (await (await fetch('/api/start')).json()) as { demo?: boolean }
      return answer.demo === true
    } catch {
      return false
    }
  }
  /** Puts the demo room in, if that is what is wanted: the worker starts up while the answer, and the archive, are on their way. */
  async function loadDemo(isWanted: Promise<boolean> = Promise.resolve(true)): Promise<DemoOutcome> {
    try {
      const archive = isWanted
        .then(is => (is ? fetch(isPlainFiles() ? addressOf('letter-room.zip') : '/api/demo-room') : null))
        .then(response => (response?.ok ? response.arrayBuffer() : null))
      const outcome = await work(async (worker, tell) => {
        const bytes = await archive
        return bytes ? worker.run(api => api.restoreArchive(transfer(bytes, [bytes]), 'loadDemo', 'whole', tell)) : null
      })
      if (!outcome?.ok) return 'missing'
      await catalogue.caughtUp()
      return 'loaded'
    } catch (problem) {
      if (problem instanceof WorkStopped && problem.code === 'cancelled') throw problem
      return troubleOf(problem) === 'full' ? 'full' : 'missing'
    }
  }
  /** What an empty room begins with where this browser's owner lives. */
  const locale = settingsOfLocale(navigator.language)
  async function startEmpty(roomName?: string): Promise<void> {
    await act.startEmpty({ ...locale, ...(roomName ? { roomName } : {}) })
    await catalogue.caughtUp()
  }

  async function saveList(): Promise<void> {
    await uses.ready()
    const csv = await work(worker => worker.run(api => api.saveList(listedSets())))
    // A byte-order mark, so that spreadsheets read the letters right.
    offerFile(new Blob(['\ufeff', csv], { type: 'text/csv' }), copyWords.listName(catalogue.settings.roomName, dayOf(new Date())))
  }

  /** All sets by number, each with what its records and its place are called. */
  function listedSets(): readonly ListedSet[] {
    const named = (table: 'brands' | 'kinds' | 'categories' | 'themes', id: string | null): string => describe.lookUp(table, id)?.name ?? ''
    const holdings = [...(catalogue.tables?.holdings.values() ?? [])].sort((a, b) => a.number - b.number || (a.id < b.id ? -1 : 1))
    return holdings.map(holding => ({
      holding,
      code: describe.code(holding),
      brand: named('brands', holding.brandId),
      kind: named('kinds', holding.kindId),
      category: named('categories', holding.categoryId),
      themes: holding.themeIds.map(id => named('themes', id)).filter(Boolean),
      address: describe.addressOf(holding),
      used: uses.tallies.get(holding.id),
    }))
  }

  return {
    progress,
    lastCopy,
    stepsSince,
    unsaved,
    cancel,
    saveCopy,
    saveRescue,
    saveScreen,
    check,
    mend,
    storageUse,
    sweepForgotten,
    restore,
    isDemoStart,
    loadDemo,
    locale,
    startEmpty,
    saveList,
  }
})
