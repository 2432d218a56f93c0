import { onScopeDispose } from 'vue'
import { type Crew, hire } from './call'
import type { RoomApi } from './room.worker'

/** The worker that plans and compares. Cancelling ends it; the next asking hires another. */
export function useRoomWorker() {
  let crew: Crew<RoomApi> | null = null
  onScopeDispose(() => crew?.end())
  return {
    /** null: it was stopped, or broke. */
    async run<R>(call: (api: Crew<RoomApi>['api']) => R): Promise<Awaited<R> | null> {
      crew ??= hire<RoomApi>(new Worker(new URL('./room.worker.ts', import.meta.url), { type: 'module' }))
      try {
        return await crew.run(call)
      } catch {
        crew = null
        return null
      }
    },
    cancel(): void {
      crew?.end()
      crew = null
    },
  }
}
