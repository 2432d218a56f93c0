import { useDebounceFn } from '@vueuse/core'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import type { Labelled, LabelSheet, Printer } from '#core/catalog'
import { usePile } from '~/areas/takeIn/pile/usePile'
import { type Crew, hire, plainly, type Progress, withProgress, WorkStopped } from '~/data/call'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/shell/useNotices'
import type { LabelLine, LabelOrder, LabelsApi, WaitingLabels } from './labels.worker'
import type { MachineOutcome, MachineState } from './machine'
import type { LabelThings } from './things'
import { useLabelThings } from './useLabelThings'
import { labelWords } from './words'

/** Changes rest for so long before labels are set anew. */
const RESTS_MS = 200

export interface MadeLabels {
  readonly url: string
  readonly blob: Blob
  readonly count: number
}

/** Labels of one kind in the hands of the one who sets and prints them: a worker of its own, that can be stopped. */
export function useLabelWork(kind: () => Exclude<Labelled, 'shared'>, sheet: () => LabelSheet | null) {
  const [catalogue, notices, pile] = [useCatalogue(), useNotices(), usePile()]
  const thingsOf = useLabelThings()
  const lines = shallowRef<readonly LabelLine[] | null>(null)
  const found = shallowRef<LabelThings | null>(null)
  const progress = shallowRef<Progress | null>(null)
  const made = shallowRef<MadeLabels | null>(null)
  const waiting = shallowRef<WaitingLabels | null>(null)
  const machine = shallowRef<MachineState | null>(null)
  const strip = shallowRef<{ readonly outcome: MachineOutcome; readonly url: string | null } | null>(null)
  const stopped = shallowRef<WorkStopped['code'] | null>(null)
  const summon = (): Crew<LabelsApi> => hire<LabelsApi>(new Worker(new URL('./labels.worker.ts', import.meta.url), { type: 'module' }))
  let crew = summon()
  let asked = 0
  /** Something changed that is not set yet. */
  let isBehind = false

  async function orderOf(): Promise<{ readonly order: LabelOrder; readonly things: LabelThings }> {
    const things = await thingsOf(kind())
    const order = { kind: kind(), things: things.things, written: things.written, habits: catalogue.settings.labels, sheet: sheet() }
    return { things, order: { ...order, habits: plainly(order.habits), sheet: plainly(order.sheet) } }
  }
  /** What is made meanwhile waits for it: else it would be made as it was before. */
  let laying: Promise<void> = Promise.resolve()
  const lay = (): Promise<void> => (laying = layNow())
  const settled = (): Promise<void> => (isBehind ? lay() : laying)
  async function layNow(): Promise<void> {
    asked += 1
    const mine = asked
    isBehind = false
    const { order, things } = await orderOf()
    const laid = await crew.run(api => api.lay(order)).catch(told)
    if (mine !== asked || !laid) return
    found.value = things
    lines.value = laid
  }
  function told(reason: unknown): null {
    stopped.value = reason instanceof WorkStopped ? reason.code : 'crashed'
    return null
  }
  const laySoon = useDebounceFn(lay, RESTS_MS)
  function change(): void {
    isBehind = true
    void laySoon()
  }
  // Labels themselves are not in memory: every step may have changed them.
  watch([() => catalogue.tables, () => catalogue.steps, () => catalogue.settings], change)
  watch([kind, sheet], ([now], [before]) => {
    if (now !== before) lines.value = null
    void lay()
  })
  void lay()

  async function lookForWaiting(): Promise<void> {
    waiting.value = await crew.run(api => api.waiting()).catch(() => null)
    machine.value = await crew.run(api => api.machine(plainly(catalogue.settings.labels))).catch(() => null)
  }
  void lookForWaiting()

  async function makePdf(ofs: readonly string[], printer: Printer | null): Promise<void> {
    forget()
    stopped.value = null
    progress.value = { stage: 'laying', done: 0, total: 0 }
    try {
      await settled()
      const title = labelWords.fileName(catalogue.settings.roomName).replace(/\.pdf$/, '')
      const pdf = await withProgress(
        now => {
          progress.value = now
        },
        tell => crew.run(api => api.pdf([...ofs], plainly(printer), title, tell)),
      )
      if (!pdf) return
      const blob = new Blob([pdf], { type: 'application/pdf' })
      made.value = { url: URL.createObjectURL(blob), blob, count: ofs.length }
      await crew.run(api => api.remember([...ofs], ofs.length))
      await lookForWaiting()
    } catch (reason) {
      told(reason)
      crew = summon()
      void lay()
    } finally {
      progress.value = null
    }
  }
  async function makeCsv(ofs: readonly string[]): Promise<Blob | null> {
    await settled()
    const text = await crew.run(api => api.csv([...ofs])).catch(told)
    if (text === null) return null
    await crew.run(api => api.remember([...ofs], ofs.length))
    await lookForWaiting()
    // The mark tells a spreadsheet that it is UTF-8.
    return new Blob(['\ufeff', text], { type: 'text/csv' })
  }
  async function outlines(of: LabelSheet, printer: Printer | null): Promise<Blob | null> {
    const pdf = await crew.run(api => api.outlines(plainly(of), plainly(printer), of.name)).catch(told)
    return pdf && new Blob([pdf], { type: 'application/pdf' })
  }
  /** On the stand-in machine; with nothing to print, what is inside is fed out. */
  async function print(ofs: readonly string[], isFed = false): Promise<void> {
    stopped.value = null
    progress.value = { stage: 'printing', done: 0, total: 0 }
    try {
      await settled()
      const outcome = await crew.run(api => api.toMachine([...ofs], isFed))
      showStrip(outcome)
      if (!outcome.ok) return
      const missing = new Set(outcome.unprinted)
      const printed = ofs.filter(of => !missing.has(of))
      if (printed.length > 0) await crew.run(api => api.remember(printed, outcome.out.length))
      await lookForWaiting()
    } catch (reason) {
      told(reason)
      crew = summon()
      void lay()
    } finally {
      progress.value = null
    }
  }
  function showStrip(outcome: MachineOutcome | null): void {
    if (strip.value?.url) URL.revokeObjectURL(strip.value.url)
    strip.value = outcome && { outcome, url: outcome.ok && outcome.strip ? URL.createObjectURL(outcome.strip) : null }
  }
  async function newReel(): Promise<void> {
    machine.value = await crew.run(api => api.newReel(plainly(catalogue.settings.labels)))
    showStrip(null)
  }

  async function confirm(well: readonly string[]): Promise<void> {
    const count = await crew.run(api => api.confirm([...well], [...pile.used]))
    notices.tell(labelWords.confirmed(count))
    forget()
    showStrip(null)
    await lookForWaiting()
    await lay()
  }
  async function notMade(): Promise<void> {
    await crew.run(api => api.forgetWaiting())
    forget()
    showStrip(null)
    waiting.value = null
  }
  function forget(): void {
    if (made.value) URL.revokeObjectURL(made.value.url)
    made.value = null
  }
  onScopeDispose(() => {
    crew.end()
    forget()
    showStrip(null)
  })
  return {
    lines: computed(() => lines.value),
    found: computed(() => found.value),
    progress: computed(() => progress.value),
    made: computed(() => made.value),
    waiting: computed(() => waiting.value),
    machine: computed(() => machine.value),
    strip: computed(() => strip.value),
    stopped: computed(() => stopped.value),
    makePdf,
    makeCsv,
    outlines,
    print,
    newReel,
    confirm,
    notMade,
    stripOf: (ofs: readonly string[]) => crew.run(api => api.strip([...ofs])).catch(() => []),
    sheetsOf: (ofs: readonly string[]) => crew.run(api => api.sheets([...ofs])).catch(() => []),
    cancel: () => crew.end('cancelled'),
  }
}
export type LabelWork = ReturnType<typeof useLabelWork>
