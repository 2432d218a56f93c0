import type { Cell } from '#core/catalog'
import { cellsPerPage, type ContainerRow } from '#core/room'

/** One thing in a row, front to back drawn from left to right; `x` and `width` as shares of the row. */
interface RowMark {
  readonly id: string
  readonly as: 'tab' | 'set' | 'here' | 'gap'
  readonly x: number
  readonly width: number
  /** Colour of a tab. */
  readonly colour: number
}
/** One page of cells in order; both sides of a cell count as one. */
export interface PageMark {
  readonly page: number
  readonly cells: readonly { readonly cell: number; readonly as: 'free' | 'set' | 'here' | 'gap' }[]
}
export interface Inside {
  readonly rows: readonly (readonly RowMark[])[]
  readonly pages: readonly PageMark[]
  /** Cells side by side on a page. */
  readonly columns: number
}

/** A tab is drawn thinner than a holder. */
const TAB_SHARE = 0.6

/**
 * A container from inside: its rows from the front, or the pages with wanted holders. `here`: the wanted holders; holders that are out
 * leave a gap. O(holders).
 */
export function layInside(row: ContainerRow, here: ReadonlySet<string>, isAway: (holderId: string) => boolean): Inside {
  const stateOf = (holderId: string): 'here' | 'gap' | 'set' => {
    if (here.has(holderId)) return 'here'
    return isAway(holderId) ? 'gap' : 'set'
  }
  const grid = row.container.cells
  if (grid) {
    const at = new Map<string, 'here' | 'gap' | 'set'>()
    for (const { holder, cell } of row.placements) {
      const key = keyOf(cell)
      if (at.get(key) !== 'here') at.set(key, stateOf(holder.id))
    }
    const pages = [...new Set(row.placements.flatMap(({ holder, cell }) => (cell && here.has(holder.id) ? [cell.page] : [])))]
    return {
      rows: [],
      columns: grid.columns,
      pages: pages.map(page => ({
        page,
        cells: Array.from({ length: cellsPerPage(row.container) }, (_, index) => ({
          cell: index + 1,
          as: at.get(`${page}/${index + 1}`) ?? 'free',
        })),
      })),
    }
  }
  return {
    pages: [],
    columns: 1,
    rows: row.lanes.map(entries => {
      const total = entries.reduce((sum, entry) => sum + (entry.type === 'section' ? TAB_SHARE : 1), 0)
      let x = 0
      return entries.map((entry): RowMark => {
        const width = (entry.type === 'section' ? TAB_SHARE : 1) / total
        const mark =
          entry.type === 'section'
            ? { id: entry.section.id, as: 'tab' as const, colour: entry.section.colour }
            : { id: entry.placement.holder.id, as: stateOf(entry.placement.holder.id), colour: 0 }
        x += width
        return { ...mark, x: x - width, width }
      })
    }),
  }
}
const keyOf = (cell: Cell | null): string => (cell ? `${cell.page}/${cell.cell}` : '')
