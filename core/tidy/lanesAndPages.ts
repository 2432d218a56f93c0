import type { Container } from '#core/catalog'
import { allIn, cellsPerPage, type ContainerRow, type ContainerShape } from '#core/room'
import { SUM_EPSILON_MM } from '#core/units'

/**
 * Number of lanes to add for a run: it fills the lanes that are there one after the other, and then new ones. Greedy filling is
 * optimal here, as the order is fixed. O(items + lanes).
 * @example lanesMore([30, 30, 30], [40], 70) //=> 1
 */
export function lanesMore(lengthsMm: readonly number[], thereMm: readonly number[], moreMm: number): number {
  let [lane, freeMm] = [0, thereMm[0] ?? moreMm]
  for (const lengthMm of lengthsMm) {
    // An item longer than a whole lane has a lane of its own.
    while (lengthMm > freeMm + SUM_EPSILON_MM && (lane < thereMm.length || freeMm < moreMm)) {
      lane += 1
      freeMm = thereMm[lane] ?? moreMm
    }
    freeMm -= lengthMm
  }
  return lengthsMm.length === 0 ? 0 : Math.max(0, lane + 1 - thereMm.length)
}

/** Pages for the sets that find no free cell, with the reserve (a share of each page) left free; and the containers for these pages. */
export function pagesFor(
  sets: number,
  shape: ContainerShape,
  rows: readonly ContainerRow[],
  reserve: number,
): { readonly pages: number; readonly more: number } {
  const { cells } = shape
  if (!cells) return { pages: 0, more: 0 }
  const cellsOf = (container: Pick<Container, 'cells'>): number =>
    cellsPerPage(container) * (container.cells?.pages ?? 0) * (container.cells?.isTwoSided ? 2 : 1)
  const free = rows.reduce((sum, row) => sum + Math.max(0, cellsOf(row.container) - allIn(row).length), 0)
  const onPage = cellsPerPage(shape) * (cells.isTwoSided ? 2 : 1)
  const pages = Math.ceil(Math.max(0, sets - free) / (onPage * (1 - reserve)))
  return { pages, more: Math.ceil(pages / cells.pages) }
}
