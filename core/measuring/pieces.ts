import type { MeasuredPiece } from './findSet'
import type { Mask } from './threshold'

/** One piece out of several: the box round all of them. @example joinPieces([a, b]).widthMm */
export function joinPieces(pieces: readonly MeasuredPiece[]): MeasuredPiece | null {
  if (pieces.length === 0) return null
  const [xMm, yMm] = [Math.min(...pieces.map(each => each.xMm)), Math.min(...pieces.map(each => each.yMm))]
  return {
    xMm,
    yMm,
    widthMm: Math.max(...pieces.map(each => each.xMm + each.widthMm)) - xMm,
    heightMm: Math.max(...pieces.map(each => each.yMm + each.heightMm)) - yMm,
  }
}

/**
 * Two pieces out of one: parted at the widest gap without ink, across or up, or where the least ink stands when there is no
 * gap; each shrunk to its own ink. null when the box has too little ink to be parted. O(pixels of the box).
 */
export function splitPiece(
  { widthPx, heightPx, ink }: Mask,
  pxPerMm: number,
  piece: MeasuredPiece,
): readonly [MeasuredPiece, MeasuredPiece] | null {
  const box = {
    left: Math.max(0, Math.round(piece.xMm * pxPerMm)),
    top: Math.max(0, Math.round(piece.yMm * pxPerMm)),
    right: Math.min(widthPx, Math.round((piece.xMm + piece.widthMm) * pxPerMm)),
    bottom: Math.min(heightPx, Math.round((piece.yMm + piece.heightMm) * pxPerMm)),
  }
  const columns = Array.from({ length: Math.max(0, box.right - box.left) }, (_, at) =>
    count(box.top, box.bottom, row => ink[row * widthPx + box.left + at] === 1),
  )
  const rows = Array.from({ length: Math.max(0, box.bottom - box.top) }, (_, at) =>
    count(box.left, box.right, column => ink[(box.top + at) * widthPx + column] === 1),
  )
  const [across, up] = [bestCut(columns), bestCut(rows)]
  if (!across && !up) return null
  const isAcross = across !== null && (up === null || across.ink < up.ink || (across.ink === up.ink && across.gap >= up.gap))
  const cut = (isAcross ? across : up)?.at ?? 0
  const halves = isAcross
    ? [
        { ...box, right: box.left + cut },
        { ...box, left: box.left + cut },
      ]
    : [
        { ...box, bottom: box.top + cut },
        { ...box, top: box.top + cut },
      ]
  const [first, second] = halves.map(half => {
    const shrunk = shrunkToInk(half, widthPx, ink)
    return (
      shrunk && {
        xMm: shrunk.left / pxPerMm,
        yMm: shrunk.top / pxPerMm,
        widthMm: (shrunk.right - shrunk.left) / pxPerMm,
        heightMm: (shrunk.bottom - shrunk.top) / pxPerMm,
      }
    )
  })
  return first && second ? [first, second] : null
}

function count(from: number, to: number, isInk: (at: number) => boolean): number {
  let sum = 0
  for (let at = from; at < to; at += 1) if (isInk(at)) sum += 1
  return sum
}
/** The middle of the widest run with the least ink, not at the ends. */
function bestCut(ink: readonly number[]): { at: number; ink: number; gap: number } | null {
  const margin = Math.ceil(ink.length * 0.08)
  const inner = ink.slice(margin, ink.length - margin)
  if (inner.length < 3) return null
  const least = Math.min(...inner)
  let best = { at: 0, ink: least, gap: 0 }
  let start = 0
  inner.forEach((each, at) => {
    if (each !== least) start = at + 1
    else if (at - start + 1 > best.gap) best = { at: margin + Math.floor((start + at) / 2) + 1, ink: least, gap: at - start + 1 }
  })
  return best
}
interface Box {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}
function shrunkToInk(box: Box, widthPx: number, ink: Uint8Array): Box | null {
  let [left, top, right, bottom] = [box.right, box.bottom, box.left, box.top]
  for (let row = box.top; row < box.bottom; row += 1) {
    for (let column = box.left; column < box.right; column += 1) {
      if (ink[row * widthPx + column] !== 1) continue
      left = Math.min(left, column)
      right = Math.max(right, column + 1)
      top = Math.min(top, row)
      bottom = Math.max(bottom, row + 1)
    }
  }
  return right > left && bottom > top ? { left, top, right, bottom } : null
}
