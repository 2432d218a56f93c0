import { shallowRef } from 'vue'
import type { ImportChoices, ImportReport, TableReading } from '#core/exchange'
import { type Progress, useWorker, withProgress, WorkStopped } from '~/data/worker'
import { useCatalogue } from '~/data/useCatalogue'
import { keepForGood } from '~/data/keepForGood'
import { troubleOf } from '~/data/storageTrouble'
import type { ListApi, ListOpening, ListView } from './list.worker'

type Problem = Extract<TableReading, { ok: false }>

/** Bringing in a list, step by step; the reading and the writing are done in a worker that can be stopped. */
export function useListImport() {
  const catalogue = useCatalogue()
  const fileName = shallowRef('')
  const view = shallowRef<ListView | null>(null)
  const problem = shallowRef<Problem | null>(null)
  const progress = shallowRef<Progress | null>(null)
  /** A reload finds the list open. */
  const isKept = shallowRef(true)
  const taken = shallowRef<ImportReport | null>(null)
  const stopped = shallowRef<WorkStopped['code'] | 'full' | null>(null)
  const worker = useWorker<ListApi>(() => new Worker(new URL('./list.worker.ts', import.meta.url), { type: 'module' }))

  async function guarded<R>(work: (tell: (told: Progress) => void) => Promise<R>): Promise<R | null> {
    stopped.value = null
    try {
      return await withProgress(told => {
        progress.value = told
      }, work)
    } catch (reason) {
      const trouble = troubleOf(reason) === 'full' ? 'full' : 'crashed'
      stopped.value = reason instanceof WorkStopped ? reason.code : trouble
      // The stopped worker took the open list with it.
      view.value = null
      worker.cancel()
      return null
    }
  }
  function show(opening: Extract<ListOpening, { ok: true }>): void {
    view.value = opening.view
    isKept.value = opening.isKept
  }
  const open = async (file: File): Promise<void> => openBytes(file.name, await file.arrayBuffer())
  async function openBytes(name: string, bytes: ArrayBuffer): Promise<void> {
    fileName.value = name
    problem.value = null
    taken.value = null
    const opening = await guarded(tell => worker.run(api => api.openList(name, bytes, tell)))
    if (opening?.ok) show(opening)
    else problem.value = opening
  }
  /** Cells copied from a spreadsheet are a text with tabs. */
  async function paste(text: string, name: string): Promise<void> {
    await openBytes(name, await new Blob([text]).arrayBuffer())
  }
  /** Another sheet of the workbook; where it holds no list, the one that is open stays. */
  async function openSheet(sheet: string): Promise<void> {
    const opening = await guarded(tell => worker.run(api => api.openSheet(sheet, tell)))
    problem.value = opening?.ok === false ? opening : null
    if (opening?.ok) show(opening)
  }
  /** What was open when the page was left, with what was chosen. */
  async function reopen(): Promise<void> {
    const kept = await guarded(tell => worker.run(api => api.reopenList(tell)))
    if (!kept?.opening.ok) return
    fileName.value = kept.fileName
    view.value = kept.opening.view
  }
  async function choose(change: Partial<ImportChoices>): Promise<void> {
    if (!view.value) return
    // Shown at once: what is chosen next, while the list is being read, is chosen on top of it.
    const choices = { ...view.value.choices, ...change }
    view.value = { ...view.value, choices }
    const after = await guarded(tell => worker.run(api => api.rereadList(choices, tell)))
    if (after && view.value?.choices === choices) view.value = after
  }
  async function take(): Promise<void> {
    const report = await guarded(async tell => {
      const read = await worker.run(api => api.takeList(fileName.value, tell))
      // What is pressed next, Undo say, means a step that the screen knows of.
      await catalogue.caughtUp()
      return read
    })
    if (!report) return
    taken.value = report
    view.value = null
    void keepForGood()
  }
  function startOver(): void {
    view.value = null
    problem.value = null
    taken.value = null
    void worker.run(api => api.closeList())
  }
  return {
    fileName,
    view,
    problem,
    progress,
    taken,
    stopped,
    isKept,
    open,
    openSheet,
    paste,
    reopen,
    choose,
    take,
    startOver,
    cancel: worker.cancel,
  }
}
