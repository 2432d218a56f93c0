import type { Holder } from '#core/catalog'
import type { ContainerRow } from './arrange'
import { nextFreeCell } from './cells'
import { keyBehind } from './order'

/**
 * The place of the second half of a set cut in two, once the first is in `row`: directly behind it, or the next free cell. null: no cell
 * is free.
 */
export function besideFirstHalf(row: ContainerRow, first: Holder): Pick<Holder, 'order' | 'cell'> | null {
  if (first.cell) {
    const cell = nextFreeCell(row)
    return cell && { order: first.order, cell }
  }
  const entries = row.lanes[first.lane - 1] ?? []
  return {
    order: keyBehind(
      entries,
      entries.findIndex(entry => entry.type === 'holder' && entry.placement.holder.id === first.id),
    ),
    cell: null,
  }
}
