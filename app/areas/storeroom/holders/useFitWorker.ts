import { onScopeDispose } from 'vue'
import { type Crew, hire } from '~/data/call'
import type { FitApi } from './fit.worker'

/** The worker that tries how things fit: laying out many pieces takes its time. */
export function useFitWorker() {
  let crew: Crew<FitApi> | null = null
  onScopeDispose(() => crew?.end())
  return {
    /** What is handed over is copied as plain data. null: the worker ended. */
    async run<R>(call: (api: Crew<FitApi>['api']) => R): Promise<Awaited<R> | null> {
      crew ??= hire<FitApi>(new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' }))
      return crew.run(call).catch(() => null)
    },
  }
}
