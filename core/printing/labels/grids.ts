import type { BookPaper, LabelSheet } from '#core/catalog'
import { EPSILON_MM, MM_PER_INCH, PT_PER_MM } from '#core/units'
import { PAPERS } from '../page'

/** The measures of a label sheet, without its name and its first free label. */
export type LabelGrid = Omit<LabelSheet, 'id' | 'name' | 'nextFree'>
const IN = MM_PER_INCH

/**
 * Grids that are sold everywhere, under what they are: so many labels on such a sheet. From memory; each is checked against its own
 * arithmetic, and a page of outlines shows whether it lies right.
 */
export const START_SHEETS: readonly LabelGrid[] = [
  grid('A4', 3, 7, 63.5, 38.1, 7.21, 15.15, 66.04, 38.1),
  grid('A4', 3, 8, 70, 37, 0, 0.5, 70, 37),
  grid('A4', 5, 13, 38.1, 21.2, 4.67, 10.7, 40.64, 21.2),
  grid('Letter', 3, 10, 2.625 * IN, 1 * IN, 0.1875 * IN, 0.5 * IN, 2.75 * IN, 1 * IN),
  grid('Letter', 4, 20, 1.75 * IN, 0.5 * IN, 0.28125 * IN, 0.5 * IN, 2.0625 * IN, 0.5 * IN),
]
function grid(
  paper: BookPaper,
  columns: number,
  rows: number,
  widthMm: number,
  heightMm: number,
  leftMm: number,
  topMm: number,
  acrossMm: number,
  downMm: number,
): LabelGrid {
  return { paper, columns, rows, widthMm, heightMm, leftMm, topMm, acrossMm, downMm }
}

/** The fault of a grid; `overMm`: by how much. */
export type GridFault = { readonly code: 'overlapsAcross' | 'overlapsDown' | 'leavesAcross' | 'leavesDown'; readonly overMm: number }

/** The first fault of a grid: labels overlap, or lie beyond the sheet; null: none. */
export function gridFault({ paper, columns, rows, widthMm, heightMm, leftMm, topMm, acrossMm, downMm }: LabelGrid): GridFault | null {
  const faults: readonly GridFault[] = [
    { code: 'overlapsAcross', overMm: columns > 1 ? widthMm - acrossMm : 0 },
    { code: 'overlapsDown', overMm: rows > 1 ? heightMm - downMm : 0 },
    { code: 'leavesAcross', overMm: leftMm + (columns - 1) * acrossMm + widthMm - PAPERS[paper].widthPt / PT_PER_MM },
    { code: 'leavesDown', overMm: topMm + (rows - 1) * downMm + heightMm - PAPERS[paper].heightPt / PT_PER_MM },
  ]
  return faults.find(({ overMm }) => overMm > EPSILON_MM) ?? null
}

/**
 * The sheet with `used` more labels used up; a full sheet goes on with the next one of its kind.
 * @example usedUp({ ...START_SHEETS[0], nextFree: 20 }, 3).nextFree //=> 2
 */
export const usedUp = <S extends LabelGrid & Pick<LabelSheet, 'nextFree'>>(sheet: S, used: number): S => ({
  ...sheet,
  nextFree: (sheet.nextFree + used) % (sheet.columns * sheet.rows),
})

/** Position of a label from the upper left corner of the paper. */
export interface LabelSpot {
  readonly sheet: number
  readonly at: number
  readonly leftMm: number
  readonly topMm: number
}

/**
 * Positions of so many labels, row by row from the first free one. O(count).
 * @example spotsOn({ ...START_SHEETS[0], nextFree: 20 }, 2).map(({ sheet, at }) => [sheet, at]) //=> [[0, 20], [1, 0]]
 */
export function spotsOn(sheet: LabelGrid & Pick<LabelSheet, 'nextFree'>, count: number): readonly LabelSpot[] {
  const perSheet = sheet.columns * sheet.rows
  const from = sheet.nextFree % perSheet
  return Array.from({ length: count }, (_, nth) => {
    const at = (from + nth) % perSheet
    return {
      sheet: Math.floor((from + nth) / perSheet),
      at,
      leftMm: sheet.leftMm + (at % sheet.columns) * sheet.acrossMm,
      topMm: sheet.topMm + Math.floor(at / sheet.columns) * sheet.downMm,
    }
  })
}
