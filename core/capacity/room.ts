import type { Holding, Kind } from '#core/catalog'
import { allIn, type ContainerRow } from '#core/room'
import { thicknessIn, type ThicknessTable } from './thickness'

/** Lengths differ by rounding alone below this. */
const EPSILON_MM = 1e-6

/**
 * Whether one more set goes into a lane (counted from 1) without filling it beyond its length, by what was measured and learnt
 * and else by the usual thickness of the kinds. O(holders in the lane).
 */
export const roomIn =
  (
    holdingOf: (id: string) => Holding | undefined,
    kindOf: (id: string) => Kind | undefined,
    learnt: ThicknessTable,
  ): ((row: ContainerRow, lane: number, holding: Holding) => boolean) =>
  (row, lane, holding) => {
    const usedMm = allIn(row)
      .filter(each => each.lane === lane)
      .flatMap(({ holder }) =>
        holder.holdingIds.flatMap(id => holdingOf(id) ?? []).map(each => thicknessIn(each, holder, kindOf, learnt).mm),
      )
      .reduce((sum, mm) => sum + mm, 0)
    const moreMm = thicknessIn(holding, { type: holding.sitsIn ?? 'pocket' }, kindOf, learnt).mm
    return usedMm + moreMm <= row.container.lengthMm + EPSILON_MM
  }
