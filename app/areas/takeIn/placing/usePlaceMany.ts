import { shallowRef } from 'vue'
import { type Progress, withProgress } from '~/data/worker'
import { useRoomWorker } from '~/data/useRoomWorker'

/** Many sets put away by their corners' rules, as one step, with word of how far it is; stopped, what is placed by then stays. */
export function usePlaceMany() {
  const worker = useRoomWorker()
  const busy = shallowRef<Progress | null>(null)
  /** How many were placed; null: it did not work. */
  async function placeMany(ids: readonly string[]): Promise<number | null> {
    busy.value = { stage: 'placing', done: 0, total: ids.length }
    return withProgress(
      told => {
        busy.value = told
      },
      tell => worker.ask(api => api.placeMany(ids, tell)),
    )
  }
  const stop = (): void => void worker.ask(api => api.stopPlacing())
  return { worker, busy, placeMany, stop }
}
