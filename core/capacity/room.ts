import type { Holding, Kind } from '#core/catalog'
import { allIn, cellsPerPage, type ContainerRow } from '#core/room'
import { SUM_EPSILON_MM } from '#core/units'
import { thicknessIn, type ThicknessTable } from './thickness'

/** Lengths differ by rounding alone below this. */

type HoldingOf = (id: string) => Holding | undefined
type KindOf = (id: string) => Kind | undefined

/** Length used in a lane (counted from 1). */
function filledMm(row: ContainerRow, lane: number, holdingOf: HoldingOf, kindOf: KindOf, learnt: ThicknessTable): number {
  return allIn(row)
    .filter(each => each.lane === lane)
    .flatMap(({ holder }) => holder.holdingIds.flatMap(id => holdingOf(id) ?? []).map(each => thicknessIn(each, holder, kindOf, learnt).mm))
    .reduce((sum, mm) => sum + mm, 0)
}
/** The facts that the thickness of a set depends on: its kind, its holder, and its measured thickness. */
export type ThickAs = Pick<Holding, 'kindId' | 'thicknessMm' | 'sitsIn'>
const deepMm = (holding: ThickAs, kindOf: KindOf, learnt: ThicknessTable): number =>
  thicknessIn(holding, { type: holding.sitsIn ?? 'pocket' }, kindOf, learnt).mm

/**
 * Whether one more set fits into a lane (counted from 1) within its length, by measured and learnt thicknesses, else by the usual ones.
 * O(holders in the lane) the first time a row is asked, then O(1).
 */
export const roomIn = (
  holdingOf: HoldingOf,
  kindOf: KindOf,
  learnt: ThicknessTable,
): ((row: ContainerRow, lane: number, holding: ThickAs) => boolean) => {
  // Rows are replaced when they change, so results can be kept by identity.
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

/** How many more sets of one sort fit into a container: lane by lane, or one in each free cell. O(holders). */
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
