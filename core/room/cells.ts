import type { Cell, CellGrid } from '#core/catalog'
import type { Size } from '#core/units'
import { cellsPerPage } from './address'
import type { ContainerRow } from './arrange'

/**
 * The next free cell. Pages fill in order of arrival, behind the last taken cell. Freed cells are reused by the rule of the pages: when
 * they are full, first of all, or never. A page with a holder of unknown cell has no cell known to be free; a holder of unknown page
 * blocks all pages.
 */
export function nextFreeCell(row: ContainerRow): Cell | null {
  const grid = row.container.cells
  if (!grid || row.somewhere.some(each => each.page === null)) return null
  const unseen = new Set(row.somewhere.map(each => each.page))
  const perPage = cellsPerPage(row.container)
  const sides = grid.isTwoSided ? (['front', 'back'] as const) : (['front'] as const)
  const taken = new Set(row.placements.map(({ cell }) => (cell ? `${cell.page}/${cell.cell}/${cell.side}` : '')))
  const last = row.placements.at(-1)?.cell
  const total = perPage * grid.pages
  const start = last && grid.reuse !== 'first' ? (last.page - 1) * perPage + last.cell - 1 : 0
  for (let step = 0; step < (grid.reuse === 'never' ? total - start : total); step += 1) {
    const at = (start + step) % total
    for (const side of sides) {
      const cell = { page: Math.floor(at / perPage) + 1, cell: (at % perPage) + 1, side }
      if (!unseen.has(cell.page) && !taken.has(`${cell.page}/${cell.cell}/${side}`)) return cell
    }
  }
  return null
}

/**
 * Whether there is such a cell on these pages.
 * @example hasCell({ rows: 2, columns: 2, pages: 3, isTwoSided: false }, { page: 3, cell: 5, side: 'front' }) //=> false
 */
export function hasCell(grid: Pick<CellGrid, 'rows' | 'columns' | 'pages' | 'isTwoSided'>, { page, cell, side }: Cell): boolean {
  return page <= grid.pages && cell <= grid.rows * grid.columns && (side === 'front' || grid.isTwoSided)
}

/**
 * Whether a cell takes a size, in either orientation. Unmeasured cells and sets are taken to fit.
 * @example cellTakes({ cellSize: { widthMm: 60, heightMm: 80 } }, { widthMm: 75, heightMm: 50 }) //=> true
 */
export function cellTakes(cells: Pick<CellGrid, 'cellSize'> | null, size: Size | null): boolean {
  const cell = cells?.cellSize
  if (!cell || !size) return true
  return (
    Math.min(size.widthMm, size.heightMm) <= Math.min(cell.widthMm, cell.heightMm) &&
    Math.max(size.widthMm, size.heightMm) <= Math.max(cell.widthMm, cell.heightMm)
  )
}
