import { computed, shallowRef, watch } from 'vue'
import type { LaneTarget, Refiling } from '#core/catalog'
import { afterStep, holderLengthMm, idsOf, type LanesNow, type MovesPlan, type Step, minutesFor } from '#core/refiling'
import { plainly } from '~/kit/plainly'
import { act } from '~/data/act'
import { refileWords } from './words'
import { laneName } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { useNotices } from '~/kit/useNotices'
import { useRoomWorker } from '~/data/useRoomWorker'

/** The re-filing under way: what is left of it, and its steps done one by one. */
export function useRefiling() {
  const catalogue = useCatalogue()
  const notices = useNotices()
  const worker = useRoomWorker()
  const { numberAndName } = useDescribe()
  const open = computed(
    (): Refiling | null => [...(catalogue.tables?.refilings.values() ?? [])].find(each => each.state === 'open') ?? null,
  )
  const left = shallowRef<{ readonly moves: MovesPlan; readonly lanes: readonly LaneTarget[] } | null>(null)
  const isBusy = shallowRef(false)
  /** Whether the steps shown are those of the room as it stands: only then can one be ticked. `failed`: they could not be worked out. */
  const freshness = shallowRef<'fresh' | 'working' | 'failed'>('working')
  // The steps follow from the room as it stands: after every change of it they are worked out anew.
  watch([open, () => catalogue.room], workOut, { immediate: true })
  async function workOut(): Promise<void> {
    const [refiling, room] = [open.value, catalogue.room]
    freshness.value = 'working'
    if (!refiling) return void (left.value = null)
    const answer = await worker.ask(api => api.remaining(plainly(refiling)))
    if (refiling !== open.value || room !== catalogue.room) return
    if (answer) left.value = answer
    freshness.value = answer ? 'fresh' : 'failed'
  }

  const lengthOf = (id: string): number => {
    const holder = catalogue.tables?.holders.get(id)
    return holder
      ? holderLengthMm(holder, {
          holdings: catalogue.tables?.holdings ?? new Map(),
          authority: catalogue.authority,
          learnt: catalogue.learnt,
        })
      : 0
  }
  /** What a lane is called; the table by its own name. */
  function laneText(key: string): string {
    const [id = '', lane = '1'] = key.split('/')
    const container = catalogue.tables?.containers.get(id)
    if (!container) return refileWords.tableName
    return container.lanes > 1 ? `${container.name}, ${laneName(Number(lane), container.lanes)}` : container.name
  }
  function idsIn(key: string): readonly string[] {
    const [id = '', lane = '1'] = key.split('/')
    return (catalogue.room.rows.get(id)?.placements ?? [])
      .filter(placement => placement.lane === Number(lane))
      .map(placement => placement.holder.id)
  }
  /** What stands in the lanes of some steps as each of them begins, the steps before it done. */
  function lanesBefore(steps: readonly Step[], tableKey: string): readonly LanesNow[] {
    let lanes: LanesNow = new Map([...steps.flatMap(step => [step.from, step.to]), tableKey].map(key => [key, idsIn(key)]))
    return steps.map(step => {
      const before = lanes
      lanes = afterStep(lanes, step, tableKey)
      return before
    })
  }
  function holderText(id: string): string {
    const holding = catalogue.tables?.holdings.get(catalogue.tables.holders.get(id)?.holdingIds[0] ?? '')
    return holding ? numberAndName(holding) : ''
  }
  const minutesOf = (lifts: number, steps: number) => minutesFor(catalogue.tables?.refilings.values() ?? [], lifts, steps)
  async function tick(step: Step): Promise<void> {
    const { value: refiling } = open
    if (!refiling || isBusy.value || freshness.value !== 'fresh') return
    isBusy.value = true
    const isDone = await act.doRefilingStep(refiling.id, plainly(step)).finally(() => (isBusy.value = false))
    notices.tell(isDone ? refileWords.stepDone(idsOf(step).length, laneText(step.to)) : refileWords.stale, isDone ? 'done' : 'care')
  }
  return { open, left, isBusy, freshness, workOut, worker, lengthOf, laneText, lanesBefore, holderText, minutesOf, tick }
}
/** What a page knows of the re-filing under way: worked out once, handed on to its parts. */
export type UnderWay = ReturnType<typeof useRefiling>
