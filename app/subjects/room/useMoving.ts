import { until } from '@vueuse/core'
import { targetInContainer } from '#core/filing'
import { allIn, type MoveTarget, planMove } from '#core/room'
import type { Cell, Holder } from '#core/catalog'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import { useDescribe } from '~/data/useDescribe'
import { roomWords } from '~/subjects/room/roomWords'

/** What a holder can be dropped on: behind something in a row, on a free cell, or on a whole container. */
export type DropPlace =
  | { readonly type: 'row'; readonly containerId: string; readonly lane: number; readonly behindId: string | null }
  | { readonly type: 'cell'; readonly containerId: string; readonly cell: Cell }
  | { readonly type: 'container'; readonly containerId: string }

const FOLLOWS_WITHIN_MS = 1500

/** Carrying holders: one way for the mouse, the finger and the keys. */
export function useMoving() {
  const catalogue = useCatalogue()
  const notices = useNotices()
  const { addressOf, numberAndName } = useDescribe()

  function ordered(ids: readonly string[]): Holder[] {
    const wanted = new Set(ids)
    return catalogue.containers.flatMap(row => allIn(row).map(({ holder }) => holder)).filter(holder => wanted.has(holder.id))
  }

  function targetIn(containerId: string, holders: readonly Holder[]): MoveTarget | null {
    const row = catalogue.room.rows.get(containerId)
    return row ? targetInContainer(row, catalogue.tables?.holdings.get(holders[0]?.holdingIds[0] ?? '') ?? null, catalogue.facts) : null
  }

  /** Carries holders to a place; says what came of it. The answer is whether they went. */
  async function setDown(holderIds: readonly string[], place: DropPlace): Promise<boolean> {
    const holders = ordered(holderIds)
    const target = place.type === 'container' ? targetIn(place.containerId, holders) : place
    const plan = target ? planMove(holders, target, catalogue.room.rows) : { ok: false as const, code: 'cellTaken' as const }
    if (!plan.ok) {
      notices.tell(roomWords.moveProblem[plan.code], 'care')
      return false
    }
    await act.moveHolders(plan.holders, plan.sections, holders.length)
    await told(plan.holders.slice(0, holders.length))
    return true
  }

  async function told(holders: readonly Holder[]): Promise<void> {
    const container = catalogue.tables?.containers.get(holders[0]?.containerId ?? '')
    const holding = catalogue.tables?.holdings.get(holders[0]?.holdingIds[0] ?? '')
    if (holders.length > 1 || !holding) return notices.tell(roomWords.movedMany(holders.length, container?.name ?? ''))
    // The room follows the database a moment later; the sentence names the new address.
    const spot = (holder: Holder | undefined): string =>
      holder ? JSON.stringify([holder.containerId, holder.lane, holder.order, holder.cell]) : ''
    await until(() => spot(catalogue.room.placements.get(holding.id)?.holder) === spot(holders[0])).toBeTruthy({
      timeout: FOLLOWS_WITHIN_MS,
    })
    notices.tell(roomWords.moved(numberAndName(holding), addressOf(holding) ?? ''))
  }
  return { setDown }
}
