import type { Holding, Kind } from '#core/catalog'
import { allIn, cellsPerPage, type ContainerRow } from '#core/room'
import { SUM_EPSILON_MM } from '#core/units'
import { thicknessIn, type ThicknessTable } from './thickness'

/** Lengths differ by rounding alone below this. */

type HoldingOf = (id: string) => Holding | undefined
type KindOf = (id: string) => Kind | undefined

/** What stands in a lane (counted from 1), one behind the other. */
function filledMm(row: ContainerRow, lane: number, holdingOf: HoldingOf, kindOf: KindOf, learnt: ThicknessTable): number {
  return allIn(row)
    .filter(each => each.lane === lane)
    .flatMap(({ holder }) => holder.holdingIds.flatMap(id => holdingOf(id) ?? []).map(each => thicknessIn(each, holder, kindOf, learnt).mm))
    .reduce((sum, mm) => sum + mm, 0)
}
/** What sets are like: their kind, what they sit in, and how thick they are where somebody has measured. */
export type ThickAs = Pick<Holding, 'kindId' | 'thicknessMm' | 'sitsIn'>
const deepMm = (holding: ThickAs, kindOf: KindOf, learnt: ThicknessTable): number =>
  thicknessIn(holding, { type: holding.sitsIn ?? 'pocket' }, kindOf, learnt).mm

/**
 * Whether one more set goes into a lane (counted from 1) without filling it beyond its length, by what was measured and learnt
 * and else by the usual thickness of the kinds. O(holders in the lane) the first time a row is asked about, then O(1).
 */
export const roomIn = (
  holdingOf: HoldingOf,
  kindOf: KindOf,
  learnt: ThicknessTable,
): ((row: ContainerRow, lane: number, holding: ThickAs) => boolean) => {
  // Rows are replaced when they change: how full one is holds as long as it lives.
  const known = new WeakMap<ContainerRow, Map<number, number>>()
  const filledIn = (row: ContainerRow, lane: number): number => {
    const lanes = known.get(row) ?? new Map<number, number>()
    known.set(row, lanes)
    const mm = lanes.get(lane) ?? filledMm(row, lane, holdingOf, kindOf, learnt)
    lanes.set(lane, mm)
    return mm
  }
  return (row, lane, holding) => filledIn(row, lane) + deepMm(holding, kindOf, learnt) <= row.container.lengthMm + SUM_EPSILON_MM
}

/** How many more sets like one go into a container: lane by lane, or one into each free cell. O(holders). */
export const roomFor =
  (holdingOf: HoldingOf, kindOf: KindOf, learnt: ThicknessTable): ((row: ContainerRow, holding: ThickAs) => number) =>
  (row, holding) => {
    const { cells, lanes, lengthMm } = row.container
    if (cells) return Math.max(0, cellsPerPage(row.container) * cells.pages * (cells.isTwoSided ? 2 : 1) - allIn(row).length)
    const each = deepMm(holding, kindOf, learnt)
    return Array.from({ length: lanes }, (_, at) => lengthMm - filledMm(row, at + 1, holdingOf, kindOf, learnt)).reduce(
      (count, freeMm) => count + Math.max(0, Math.floor((freeMm + SUM_EPSILON_MM) / each)),
      0,
    )
  }
