import { cameraFit } from './asCamera'
import type { GreyPicture } from './fingerprint'
import { componentsOf } from './components'
import { brightnessAt, shrink } from './grey'
import { areaOf, largestQuad } from './outline'
import type { Point, Quad } from './perspective'
import { refineCorners } from './refine'
import { otsu } from './threshold'

/** Size of the picture in which sheets and cards are searched. */
const LOOKED_AT_PX = 480
const LEAST_SHARE = 0.004
/** Least share of a quadrilateral that its component fills. */
const FILLED = 0.9
const PROPOSED = 4

/** Brightness levels tried, as shares of Otsu's threshold: light is uneven and there are shadows. */
const LEVELS = [0.62, 0.7, 0.78, 0.86, 0.94, 1, 1.06, 1.14, 1.22, 1.32] as const

/** A quadrilateral, its sides refined if possible. */
export interface FoundQuad {
  readonly quad: Quad
  readonly isRefined: boolean
}

/**
 * Bright quadrilaterals on a darker ground without duplicates, the lowest score first. Those that touch the edge of the picture are cut
 * off and left out. O(pixels).
 */
export function brightQuads(
  photo: GreyPicture,
  scoreOf: (small: GreyPicture, quad: Quad) => number,
  most: number,
): { readonly quads: readonly FoundQuad[]; readonly isCutOff: boolean } {
  const factor = Math.max(1, Math.floor(Math.max(photo.widthPx, photo.heightPx) / LOOKED_AT_PX))
  const small = shrink(photo, factor)
  const { widthPx, heightPx, pixels } = small
  const found: { quad: Quad; score: number }[] = []
  let isCutOff = false
  const level = otsu(small)
  for (const share of LEVELS) {
    const { labels, components } = componentsOf({ widthPx, heightPx, ink: pixels.map(pixel => Number(pixel > level * share)) })
    components.forEach((box, at) => {
      if (box.pixels < LEAST_SHARE * pixels.length) return
      const rim = rimOf(labels, widthPx, box, at + 1)
      const quad = largestQuad(rim.points)
      if (!quad || rim.filled / areaOf(quad) < FILLED) return
      const touched = [box.left === 0, box.top === 0, box.right === widthPx - 1, box.bottom === heightPx - 1].filter(Boolean).length
      // A component that touches three edges is the ground.
      if (touched > 0) isCutOff ||= touched < 3
      else found.push({ quad: upperLeftFirst(quad), score: scoreOf(small, quad) })
    })
  }
  // A part that a shadow cuts off scores worse than the whole.
  const whole = found.map(each => ({
    quad: each.quad,
    score:
      each.score +
      PART * (1 - areaOf(each.quad) / Math.max(...found.filter(other => overlaps(other.quad, each.quad)).map(other => areaOf(other.quad)))),
  }))
  const distinct: typeof found = []
  for (const each of whole.sort((a, b) => a.score - b.score))
    if (!distinct.some(other => isSame(other.quad, each.quad))) distinct.push(each)
  const quads = distinct
    .slice(0, most)
    .map(({ quad, score }) => {
      const rough = scaled(quad, factor)
      const refined = refineCorners(photo, rough, Math.max(8, REACH * factor))
      // Without a clear straight edge it is less likely a sheet or a card, and its corners are less certain.
      return refined.ok
        ? { quad: refined.corners, isRefined: true, score: score + RAGGED * refined.offPx }
        : { quad: rough, isRefined: false, score: score + NO_EDGE }
    })
    .sort((a, b) => a.score - b.score)
  return { quads, isCutOff: found.length === 0 && isCutOff }
}
const PART = 1.5
const RAGGED = 0.15
const NO_EDGE = 0.6
/** Rounded corners pull the approximate corners inward: in pixels of the small picture. */
const REACH = 5
/** Probably the same thing: the centre of the smaller is in the larger, which is not many times as large. */
function overlaps(larger: Quad, smaller: Quad): boolean {
  const ratio = areaOf(larger) / areaOf(smaller)
  return ratio >= 1 && ratio < 3 && isInside(larger, middleOf(smaller))
}
/** Whether a point is inside a clockwise quadrilateral. */
export function isInside(quad: Quad, point: Point): boolean {
  return quad.every((corner, at) => {
    const next = quad[(at + 1) % 4] as Point
    return (next.x - corner.x) * (point.y - corner.y) - (next.y - corner.y) * (point.x - corner.x) >= 0
  })
}
export const middleOf = (quad: Quad): Point => ({
  x: quad.reduce((sum, each) => sum + each.x, 0) / 4,
  y: quad.reduce((sum, each) => sum + each.y, 0) / 4,
})
/** The same thing at two levels: all corners within a few pixels of the small picture. */
function isSame(a: Quad, b: Quad): boolean {
  return a.every((corner, at) => side(corner, b[at] as Point) < 5)
}

/**
 * Proposed corners of the reference: bright quadrilaterals of the right proportions with the emptiest middle first; those without a clear
 * edge last. Empty: there are none.
 */
export function proposeCorners(
  photo: GreyPicture,
  reference: { readonly widthMm: number; readonly heightMm: number; readonly isSheet: boolean },
): { readonly quads: readonly Quad[]; readonly isCutOff: boolean } {
  const { quads, isCutOff } = brightQuads(photo, (small, quad) => score(small, quad, reference), PROPOSED)
  return { quads: quads.map(each => each.quad), isCutOff }
}

/** The first and last pixel of each row of a component, and the number of pixels between them, holes included. */
function rimOf(
  labels: Int32Array,
  widthPx: number,
  box: { left: number; right: number; top: number; bottom: number },
  label: number,
): { points: readonly Point[]; filled: number } {
  const points: Point[] = []
  let filled = 0
  for (let row = box.top; row <= box.bottom; row += 1) {
    let [from, to] = [-1, -1]
    for (let column = box.left; column <= box.right; column += 1)
      if (labels[row * widthPx + column] === label) [from, to] = [from < 0 ? column : from, column]
    if (from < 0) continue
    points.push({ x: from, y: row }, { x: to + 1, y: row }, { x: from, y: row + 1 }, { x: to + 1, y: row + 1 })
    filled += to - from + 1
  }
  return { points, filled }
}
const side = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y)

/** Wrong proportions, and ink in the middle, make a card less likely; a sheet is large and has the set on it. */
function score(
  picture: GreyPicture,
  quad: Quad,
  reference: { readonly widthMm: number; readonly heightMm: number; readonly isSheet: boolean },
): number {
  const [a, b, c, d] = quad
  const turned = { widthMm: reference.heightMm, heightMm: reference.widthMm }
  const off = Math.min(cameraFit(quad, reference, picture).misfit, cameraFit(quad, turned, picture).misfit)
  const row = (v: number): number[] =>
    STEPS.map(u => {
      const [x, y] = [
        (1 - v) * ((1 - u) * a.x + u * b.x) + v * ((1 - u) * d.x + u * c.x),
        (1 - v) * ((1 - u) * a.y + u * b.y) + v * ((1 - u) * d.y + u * c.y),
      ]
      return brightnessAt(picture, x, y)
    })
  // Second difference of brightness: light and shadow change slowly, ink does not.
  const rows = STEPS.map(row)
  let [bent, sum, count] = [0, 0, 0]
  for (const [at, values] of rows.entries()) {
    for (const [step, value] of values.entries()) {
      sum += value
      if (at === 0 || step === 0 || at === rows.length - 1 || step === values.length - 1) continue
      bent +=
        Math.abs((values[step - 1] ?? 0) - 2 * value + (values[step + 1] ?? 0)) +
        Math.abs((rows[at - 1]?.[step] ?? 0) - 2 * value + (rows[at + 1]?.[step] ?? 0))
      count += 1
    }
  }
  const unrest = bent / count / (sum / STEPS.length ** 2)
  const share = areaOf(quad) / picture.pixels.length
  return reference.isSheet ? off - 3 * share : off + 6 * unrest - 0.3 * share
}

const STEPS = Array.from({ length: 29 }, (_, at) => 0.08 + at * 0.03)

/** In clockwise order, beginning with the corner nearest to the upper left. */
function upperLeftFirst(quad: Quad): Quad {
  const middle = middleOf(quad)
  const round = [...quad].sort((p, q) => Math.atan2(p.y - middle.y, p.x - middle.x) - Math.atan2(q.y - middle.y, q.x - middle.x))
  const first = round.reduce((best, each, at) => (each.x + each.y < (round[best] as Point).x + (round[best] as Point).y ? at : best), 0)
  return [0, 1, 2, 3].map(at => round[(at + first) % 4] as Point) as unknown as Quad
}
const scaled = (quad: Quad, factor: number): Quad => quad.map(({ x, y }) => ({ x: x * factor, y: y * factor })) as unknown as Quad
