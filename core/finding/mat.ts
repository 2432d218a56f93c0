import type { Size } from '#core/units'

export interface MatItem {
  readonly id: string
  readonly size: Size
}

/** Where an item lies on the mat, in screen pixels from its top left. `height` includes the caption. */
export interface MatSpot {
  readonly id: string
  readonly left: number
  readonly top: number
  readonly width: number
  readonly pictureHeight: number
  readonly height: number
}

export interface MatLayout {
  readonly spots: readonly MatSpot[]
  readonly height: number
}

/**
 * Lays items in rows from left to right at one common scale, each at its true proportion to all others, with room for
 * a caption below. An item narrower than its caption stands at the left of its spot. Items of a row stand on one line,
 * as on a shelf. O(n).
 */
export function layMat(items: readonly MatItem[], how: { readonly pxPerMm: number, readonly width: number, readonly gap: number, readonly caption: number, readonly leastWidth: number }): MatLayout {
  const { pxPerMm, width, gap, caption, leastWidth } = how
  const spots: MatSpot[] = []
  let [left, top, rowFrom] = [0, 0, 0]
  const closeRow = (): void => {
    const row = spots.slice(rowFrom)
    const tallest = Math.max(0, ...row.map(spot => spot.pictureHeight))
    for (const [index, spot] of row.entries()) spots[rowFrom + index] = { ...spot, top: top + tallest - spot.pictureHeight }
    if (row.length > 0) top += tallest + caption + gap
    rowFrom = spots.length
    left = 0
  }
  for (const { id, size } of items) {
    const spotWidth = Math.max(size.widthMm * pxPerMm, leastWidth)
    if (left > 0 && left + spotWidth > width) closeRow()
    const pictureHeight = size.heightMm * pxPerMm
    spots.push({ id, left, top, width: spotWidth, pictureHeight, height: pictureHeight + caption })
    left += spotWidth + gap
  }
  closeRow()
  return { spots, height: Math.max(0, top - gap) }
}

/** What is taken for a set whose size nobody knows: the usual clear set, 4 x 6 in (common practice). */
export const UNKNOWN_SIZE: Size = { widthMm: 101.6, heightMm: 152.4 }
