import type { Size } from '#core/units'

export interface MatItem {
  readonly id: string
  readonly size: Size
}

/** Position of an item on the mat, in screen pixels from its top left. `height` includes the caption. */
interface MatSpot {
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
 * Lays items in rows from left to right at one common scale, with room for a caption below each. An item narrower than its caption is at
 * the left of its spot. Items of a row share a base line. O(n).
 */
export function layMat(
  items: readonly MatItem[],
  how: { readonly pxPerMm: number; readonly width: number; readonly gap: number; readonly caption: number; readonly leastWidth: number },
): MatLayout {
  const { pxPerMm, width, gap, caption, leastWidth } = how
  const spots: MatSpot[] = []
  let row: Omit<MatSpot, 'top' | 'height'>[] = []
  let [left, top] = [0, 0]
  const closeRow = (): void => {
    let tallest = 0
    for (const spot of row) tallest = Math.max(tallest, spot.pictureHeight)
    for (const { id, left: at, width: spotWidth, pictureHeight } of row)
      spots.push({ id, left: at, top: top + tallest - pictureHeight, width: spotWidth, pictureHeight, height: pictureHeight + caption })
    if (row.length > 0) top += tallest + caption + gap
    row = []
    left = 0
  }
  for (const { id, size } of items) {
    const spotWidth = Math.max(size.widthMm * pxPerMm, leastWidth)
    if (left > 0 && left + spotWidth > width) closeRow()
    row.push({ id, left, width: spotWidth, pictureHeight: size.heightMm * pxPerMm })
    left += spotWidth + gap
  }
  closeRow()
  return { spots, height: Math.max(0, top - gap) }
}

/** Size assumed for a set of unknown size: the usual clear set, 4 x 6 in (common practice). */
export const UNKNOWN_SIZE: Size = { widthMm: 101.6, heightMm: 152.4 }
