import type { Container } from '#core/catalog'
import type { Placement } from './arrange'

/**
 * The short address written on labels and in the index. In a row: code and position (`B4-11`), with the lane where
 * there is more than one (`B4R-11`). In pages of cells: cells on a page, page, cell (`12-203` is the 12-cell page 2,
 * cell 03), common practice; two binders of the same page size are told apart by their code in front.
 * @example shortAddress(placement) //=> 'B4-11'
 */
export function shortAddress(placement: Pick<Placement, 'container' | 'position' | 'lane' | 'cell'>): string {
  const { container, cell, lane, position } = placement
  if (cell && container.cells) {
    return `${container.code} ${cellText(container, cell.page, cell.cell)}${cell.side === 'back' ? 'b' : ''}`
  }
  const laneMark = container.lanes > 1 ? LANE_MARKS[lane - 1] ?? String(lane) : ''
  return `${container.code}${laneMark}-${position}`
}

const LANE_MARKS = ['L', 'R', 'T', 'Q'] as const

/** @example cellText(binderOfTwelve, 2, 3) //=> '12-203' */
export function cellText(container: Pick<Container, 'cells'>, page: number, cell: number): string {
  const perPage = cellsPerPage(container)
  return `${perPage}-${page}${String(cell).padStart(2, '0')}`
}

export function cellsPerPage(container: Pick<Container, 'cells'>): number {
  return container.cells ? container.cells.rows * container.cells.columns : 0
}
