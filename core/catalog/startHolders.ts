import { MM_PER_INCH } from '#core/units'
import type { HolderType } from './room'

/** Pocket film of 4 mil (common practice); 1 mil is 0.0254 mm. */
const FILM_MM = 4 * 0.0254
const inches = (width: number, height: number): HolderType['inner'] => ({ widthMm: width * MM_PER_INCH, heightMm: height * MM_PER_INCH })

const base: Omit<HolderType, 'id' | 'rank' | 'name' | 'type' | 'inner'> = {
  closure: 'none',
  maxThicknessMm: null,
  filmMm: FILM_MM,
  emptyThicknessMm: null,
  extraBulkMm: 0,
  weightG: null,
  standsIn: [],
  cells: null,
  packs: [],
  stockOnHand: 0,
  isRetired: false,
  replacedById: null,
  notes: '',
}
const pocket = (name: string, width: number, height: number): Omit<HolderType, 'id' | 'rank'> => ({
  ...base,
  name,
  type: 'pocket',
  inner: inches(width, height),
  closure: 'flap',
  maxThicknessMm: 6,
  standsIn: ['bin', 'basket', 'drawer'],
})
const page = (rows: number, columns: number, width: number, height: number): Omit<HolderType, 'id' | 'rank'> => ({
  ...base,
  name: `page of ${rows * columns} cells`,
  type: 'celledPage',
  inner: inches(width, height),
  cells: { rows, columns, isTwoSided: true },
  standsIn: ['binder'],
})

/**
 * Holders to begin with, under plain names: common practice where no standard says so. Cells are a binder page of
 * 8 1/2 x 11 in divided, less the seams. All of it can be changed.
 */
export const START_HOLDER_TYPES: readonly Omit<HolderType, 'id' | 'rank'>[] = [
  pocket('pocket 4 x 6', 4.25, 6.25),
  pocket('pocket 5 x 7', 5, 7),
  pocket('pocket 5 1/2 x 8 1/2', 5.75, 8.75),
  pocket('pocket 6 x 9', 6.25, 9.25),
  pocket('pocket 7 x 10', 7.25, 10.25),
  { ...pocket('small square die pocket', 5.125, 5.125), closure: 'none' },
  { ...pocket('large die pocket', 6, 10), closure: 'none' },
  { ...base, name: 'thin large sleeve', type: 'sleeve', inner: inches(6, 10), standsIn: ['bin', 'basket', 'drawer'] },
  {
    ...base,
    name: 'case 5 x 7',
    type: 'case',
    inner: inches(5, 7),
    filmMm: 1,
    maxThicknessMm: 12,
    emptyThicknessMm: 14,
    closure: 'snap',
    standsIn: ['caseRack', 'bin', 'drawer'],
  },
  page(4, 4, 1.9, 2.5),
  page(4, 3, 2.5, 2.5),
  page(4, 2, 3.75, 2.5),
  page(3, 2, 3.75, 3.4),
  page(2, 2, 3.75, 5.1),
  { ...base, name: 'bag 6 x 9', type: 'bag', inner: inches(6, 9), standsIn: ['basket', 'bin', 'drawer'] },
  { ...base, name: 'ring', type: 'ring', inner: null, filmMm: 0, standsIn: ['ring', 'board'] },
  { ...base, name: 'tray cell 3 x 3', type: 'trayCell', inner: inches(3, 3), filmMm: 0, maxThicknessMm: 45, standsIn: ['tray', 'drawer'] },
  { ...base, name: 'box 6 x 8', type: 'box', inner: inches(6, 8), filmMm: 1.5, maxThicknessMm: 50, closure: 'flap' },
  { ...base, name: 'no holder', type: 'none', inner: null, filmMm: 0 },
]
