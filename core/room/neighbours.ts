import type { ContainerRow, Placement } from './arrange'

export interface Neighbours {
  readonly front: Placement | null
  readonly behind: Placement | null
}

/** The holders directly in front of and behind a placement, in the same lane (or run of pages). */
export function neighboursOf(row: ContainerRow, placement: Placement): Neighbours {
  // Holders without a known position may lie between two lanes, so the index is the position or less.
  let index = Math.min(placement.position, row.placements.length) - 1
  while (index > 0 && row.placements[index]?.holder.id !== placement.holder.id) index -= 1
  const near = (at: number): Placement | null => {
    const other = row.placements[at]
    return other && other.lane === placement.lane ? other : null
  }
  return { front: near(index - 1), behind: near(index + 1) }
}
