import type { Cell, Container, Holder } from '#core/catalog'
import { cellsPerPage } from '../address'
import type { ContainerRow } from '../arrange'
import type { FamilyChoice } from './choose'
import type { PlaceSpot } from './families'
import type { PlaceReading } from './read'

/** A text that could not be followed exactly, and what was done instead. */
export type PlaceDoubt =
  /** The cell is beyond the page: the set is put on the page, its cell unknown. */
  | 'cellBeyondPage'
  /** The existing binder has no such page: the set is put in the binder. */
  | 'pageBeyondBinder'
  /** The cell is taken: the set is put on the page. */
  | 'cellTaken'
  /** Positions with gaps, or next to known sets: the order is kept, and every exact spot stays unknown. */
  | 'positionsHaveGaps'
  /** Two containers of the room have this name: the set is left without a place. */
  | 'twoAreCalledSo'
  /** More containers, slots or pages than allowed: the set is left without a place. */
  | 'tooMany'

/** The container that a place means. `row`: its present contents; null: the container is to be made. */
export interface Target extends Pick<Container, 'lanes' | 'cells'> {
  readonly row: ContainerRow | null
}
/** The position of the sets of a place in their container. */
export interface Settled extends Pick<Holder, 'lane' | 'cell' | 'somewhere'> {
  readonly spot: PlaceSpot
}

/**
 * Page and cell of a code, by the reading of its family: 12-308 is page 3, cell 08, or the 308th cell of pages of 12.
 * @example pageAndCell({ cells: 12, page: 3, cell: 8 }, 'serial') //=> { page: 26, cell: 8 }
 */
export function pageAndCell(
  { cells, page, cell }: { readonly cells: number; readonly page: number; readonly cell: number },
  reading: FamilyChoice['reading'],
): { readonly page: number; readonly cell: number } {
  if (reading === 'cell') return { page, cell }
  const serial = page * 100 + cell
  return { page: Math.ceil(serial / cells), cell: ((serial - 1) % cells) + 1 }
}

/** Pages of one cell are slots, numbered consecutively. */
export const areSlots = (cells: Container['cells']): boolean => cells?.rows === 1 && cells.columns === 1

/** The places of one container with their positions, in filing order, and the doubtful ones. O(n log n). */
export function settle(
  spots: readonly PlaceSpot[],
  target: Target,
  reading: FamilyChoice['reading'],
  doubt: (code: PlaceDoubt, spots: readonly PlaceSpot[]) => void,
): readonly Settled[] {
  return target.cells ? inCells(spots, target, target.cells, reading, doubt) : inRow(spots, target, doubt)
}

function inCells(
  spots: readonly PlaceSpot[],
  { row, cells: grid }: Target,
  cells: NonNullable<Container['cells']>,
  reading: FamilyChoice['reading'],
  doubt: (code: PlaceDoubt, spots: readonly PlaceSpot[]) => void,
): readonly Settled[] {
  const perPage = cellsPerPage({ cells: grid })
  const keyOf = ({ page, cell, side }: Cell): string => `${page}/${cell}/${side}`
  const taken = new Set(row?.placements.flatMap(each => (each.cell ? [keyOf(each.cell)] : [])))
  return spots.map((spot): Settled => {
    const somewhere = (page: number | null): Settled => ({ spot, lane: 1, cell: null, somewhere: { page } })
    const named = namedIn(spot.reading, cells, reading)
    if (named.page === null) return somewhere(null)
    if (named.page > cells.pages) {
      doubt('pageBeyondBinder', [spot])
      return somewhere(null)
    }
    if (named.cell === null) return somewhere(named.page)
    if (named.cell > perPage) {
      doubt('cellBeyondPage', [spot])
      return somewhere(named.page)
    }
    const cell: Cell = { page: named.page, cell: named.cell, side: named.isBack && cells.isTwoSided ? 'back' : 'front' }
    if (taken.has(keyOf(cell))) {
      doubt('cellTaken', [spot])
      return somewhere(named.page)
    }
    taken.add(keyOf(cell))
    return { spot, lane: 1, cell, somewhere: null }
  })
}

/** The page and cell that a text states. Slots are pages of one cell. */
function namedIn(
  place: PlaceReading | null,
  cells: NonNullable<Container['cells']>,
  reading: FamilyChoice['reading'],
): { readonly page: number | null; readonly cell: number | null; readonly isBack: boolean } {
  if (place?.as === 'cell') return { ...pageAndCell(place, reading), isBack: place.isBack }
  if (place?.as !== 'in') return { page: null, cell: null, isBack: false }
  const { page, cell, slot, side } = place.behind
  const isBack = side === 'back'
  if (!areSlots(cells)) return { page, cell: cell ?? (page === null ? null : slot), isBack }
  const mark = Number(place.mark)
  return { page: Number.isInteger(mark) && mark > 0 ? mark : slot, cell: 1, isBack }
}

function inRow(
  spots: readonly PlaceSpot[],
  { row, lanes }: Target,
  doubt: (code: PlaceDoubt, spots: readonly PlaceSpot[]) => void,
): readonly Settled[] {
  const behind = (spot: PlaceSpot) => (spot.reading?.as === 'in' ? spot.reading.behind : null)
  const slots = spots.map(spot => behind(spot)?.slot ?? null)
  const counted = slots.filter(slot => slot !== null)
  const isOneLane = lanes === 1
  // Positions are true if each number from 1 on occurs once and the row is otherwise empty.
  const isThrough =
    isOneLane && !row?.placements.length && counted.length === spots.length && new Set(counted).size === Math.max(0, ...counted)
  if (counted.length > 0 && !isThrough)
    doubt(
      'positionsHaveGaps',
      spots.filter((_, at) => slots[at] !== null),
    )
  const depth = (spot: PlaceSpot): number => ({ front: 0, back: 2 })[String(behind(spot)?.side)] ?? 1
  return spots
    .map((spot, at) => ({ spot, at, slot: slots[at] ?? Infinity }))
    .sort((a, b) => (a.slot === b.slot ? depth(a.spot) - depth(b.spot) || a.at - b.at : a.slot - b.slot))
    .map(({ spot }): Settled => {
      const lane = behind(spot)?.side === 'left' ? 1 : lanes
      return { spot, lane, cell: null, somewhere: isThrough ? null : { page: null } }
    })
}
