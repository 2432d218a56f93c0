import { EPSILON_MM, type Size } from '#core/units'

/** A placed piece, from the lower left corner; turned by 90 degrees or not. */
export interface Laid {
  readonly index: number
  readonly xMm: number
  readonly yMm: number
  readonly widthMm: number
  readonly heightMm: number
  readonly isTurned: boolean
}
export type Packing =
  | { readonly ok: true; readonly laid: readonly Laid[] }
  /** `isCertain`: all layouts were tried; else the search ran out of tries. */
  | { readonly ok: false; readonly isCertain: boolean }

/** Placements left to try for one question. All holders tried for it share this budget. */
export interface Tries {
  left: number
}
/** Some tenths of a second. */
export const TRIES_A_QUESTION = 400_000

/**
 * Lays rectangles into one without overlap, quarter turns allowed. Every packing can be pushed down and to the left, and so be built piece
 * by piece, each new piece at a corner of the outline of those before it (Martello, Pisinger and Vigo 2000). All orders are tried at all
 * corners: exact while the tries last, for up to about seven pieces; for more, trying large pieces first finds most packings. Pieces of
 * one size are not tried twice in one place.
 */
export function packPieces(pieces: readonly Size[], into: Size, tries: Tries = { left: TRIES_A_QUESTION }): Packing {
  const area = pieces.reduce((sum, piece) => sum + piece.widthMm * piece.heightMm, 0)
  if (area > (into.widthMm + EPSILON_MM) * (into.heightMm + EPSILON_MM)) return { ok: false, isCertain: true }
  const order = pieces
    .map((piece, index) => ({ ...piece, index }))
    .sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm || a.index - b.index)
  const laid: Laid[] = []
  const used = new Set<number>()

  function lay(): boolean {
    if (laid.length === order.length) return true
    const corners = cornersOf(laid)
    const tried = new Set<string>()
    for (const piece of order) {
      if (used.has(piece.index)) continue
      const ways = Math.abs(piece.widthMm - piece.heightMm) < EPSILON_MM ? [false] : [false, true]
      for (const isTurned of ways) {
        const [widthMm, heightMm] = isTurned ? [piece.heightMm, piece.widthMm] : [piece.widthMm, piece.heightMm]
        const key = `${widthMm}/${heightMm}`
        if (tried.has(key)) continue
        tried.add(key)
        for (const [xMm, yMm] of corners) {
          tries.left -= 1
          if (tries.left < 0) return false
          if (xMm + widthMm > into.widthMm + EPSILON_MM || yMm + heightMm > into.heightMm + EPSILON_MM) continue
          laid.push({ index: piece.index, xMm, yMm, widthMm, heightMm, isTurned })
          used.add(piece.index)
          if (lay()) return true
          laid.pop()
          used.delete(piece.index)
        }
      }
    }
    return false
  }
  return lay() ? { ok: true, laid: [...laid].sort((a, b) => a.index - b.index) } : { ok: false, isCertain: tries.left >= 0 }
}

/** Inner corners of the staircase outline over the placed pieces, from the upper left to the lower right. */
function cornersOf(laid: readonly Laid[]): readonly (readonly [number, number])[] {
  // The outline falls from left to right: right of x, nothing is higher than `top`.
  const ends = laid
    .map(each => ({ right: each.xMm + each.widthMm, top: each.yMm + each.heightMm }))
    .sort((a, b) => b.top - a.top || b.right - a.right)
  const corners: (readonly [number, number])[] = []
  let right = 0
  for (const end of ends) {
    if (end.right <= right + EPSILON_MM && corners.length > 0) continue
    corners.push([right, end.top])
    right = Math.max(right, end.right)
  }
  corners.push([right, 0])
  return corners
}
