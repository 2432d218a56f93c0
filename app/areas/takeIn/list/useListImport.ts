import { onScopeDispose, shallowRef } from 'vue'
import type { ImportChoices, ImportReport, TableReading } from '#core/exchange'
import { hireExchange } from '~/areas/copies/useCopies'
import { type Progress, withProgress, WorkStopped } from '~/data/call'
import { keepForGood } from '~/data/keepForGood'
import { troubleOf } from '~/data/storageTrouble'
import type { ListView } from '~/data/exchange.worker'

type Problem = Extract<TableReading, { ok: false }>

/** Bringing in a list, step by step; the reading and the writing are done in a worker that can be stopped. */
export function useListImport() {
  const fileName = shallowRef('')
  const view = shallowRef<ListView | null>(null)
  const problem = shallowRef<Problem | null>(null)
  const progress = shallowRef<Progress | null>(null)
  const taken = shallowRef<ImportReport | null>(null)
  const stopped = shallowRef<WorkStopped['code'] | 'full' | null>(null)
  let crew = hireExchange()
  onScopeDispose(() => crew.end())

  async function guarded<R>(work: (tell: (told: Progress) => void) => Promise<R>): Promise<R | null> {
    stopped.value = null
    try {
      return await withProgress(told => {
        progress.value = told
      }, work)
    } catch (reason) {
      stopped.value = reason instanceof WorkStopped ? reason.code : troubleOf(reason) === 'full' ? 'full' : 'crashed'
      // The stopped worker took the open list with it.
      view.value = null
      crew.end()
      crew = hireExchange()
      return null
    }
  }
  async function open(file: File): Promise<void> {
    fileName.value = file.name
    problem.value = null
    taken.value = null
    const bytes = await file.arrayBuffer()
    const opening = await guarded(tell => crew.run(api => api.openList(file.name, bytes, tell)))
    if (opening?.ok) view.value = opening.view
    else problem.value = opening
  }
  /** What was open when the page was left, with what was chosen. */
  async function reopen(): Promise<void> {
    const kept = await guarded(tell => crew.run(api => api.reopenList(tell)))
    if (!kept?.opening.ok) return
    fileName.value = kept.fileName
    view.value = kept.opening.view
  }
  async function choose(change: Partial<ImportChoices>): Promise<void> {
    const before = view.value
    if (!before) return
    const after = await guarded(tell => crew.run(api => api.rereadList({ ...before.choices, ...change }, tell)))
    if (after) view.value = after
  }
  async function take(): Promise<void> {
    const report = await guarded(tell => crew.run(api => api.takeList(fileName.value, tell)))
    if (!report) return
    taken.value = report
    view.value = null
    void keepForGood()
  }
  function startOver(): void {
    view.value = null
    problem.value = null
    taken.value = null
    void crew.run(api => api.closeList())
  }
  return { fileName, view, problem, progress, taken, stopped, open, reopen, choose, take, startOver, cancel: () => crew.end('cancelled') }
}
