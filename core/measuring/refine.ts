import { median } from 'd3-array'
import type { GreyPicture } from './fingerprint'
import { brightnessAt } from './grey'
import type { Point, Quad } from './perspective'

export type Refined =
  | {
      readonly ok: true
      readonly corners: Quad
      /** Root mean square distance of the edge from its line. */ readonly offPx: number
      /** Width over which blur spreads the edge. */ readonly blurPx: number
    }
  | { readonly ok: false; readonly code: 'blurred' | 'notFlat' | 'noEdge' }

const SAMPLES = 48
/** Rounded and bent corners are left out of their sides. */
const FROM = 0.1
/** With a smaller share of samples that see an edge, the side has none. */
const ENOUGH = 0.5
const LEAST_STEP = 8
const BLURRED_PX = 9
/** An edge that bends by more than this share of its side belongs to no flat thing. */
const BENT = 0.006
/** Largest deviation of an edge from its straight line, as a share of the side. */
const UNEVEN = 0.002
/** A sheet that curls by more than this share of its side is visibly curled. */
const BENT_REACH = 0.06
const MOST = 0.8

/** The edge to use: the steepest, or the outermost of those nearly as steep (a backing has a rim). */
export type WhichEdge = 'steepest' | 'outer'
const OUTER_SHARE = 0.45

interface Line {
  readonly point: Point
  readonly dx: number
  readonly dy: number
  readonly offPx: number
  readonly blurPx: number
}

/**
 * Refines approximate corners: along each side the edge is located across it to sub-pixel precision, a straight line is fitted without
 * outliers, and the corners are where the lines meet. `reachPx` is the largest error of the approximate corners.
 */
export function refineCorners(photo: GreyPicture, corners: Quad, reachPx: number, which: WhichEdge = 'steepest'): Refined {
  // First roughly, as the sides may be askew and their ends near rounded corners; then strictly.
  const rough = pass(photo, corners, reachPx, which, false)
  return rough.ok ? pass(photo, rough.corners, Math.max(6, reachPx / 2), which, true) : rough
}

function pass(photo: GreyPicture, corners: Quad, reachPx: number, which: WhichEdge, isStrict: boolean): Refined {
  const lines: Line[] = []
  for (const [at, from] of corners.entries()) {
    const line = lineAlong(photo, from, corners[(at + 1) % 4] as Point, reachPx, which, isStrict)
    if (typeof line === 'string') return { ok: false, code: line }
    lines.push(line)
  }
  const refined = corners.map((_, at) => meet(lines[(at + 3) % 4] as Line, lines[at] as Line))
  const farthest = Math.max(
    ...refined.map((point, at) => (point ? Math.hypot(point.x - (corners[at]?.x ?? 0), point.y - (corners[at]?.y ?? 0)) : Infinity)),
  )
  if (farthest > MOST_MOVED * Math.max(photo.widthPx, photo.heightPx)) return { ok: false, code: 'noEdge' }
  return {
    ok: true,
    corners: refined as unknown as Quad,
    offPx: Math.max(...lines.map(line => line.offPx)),
    blurPx: Math.max(...lines.map(line => line.blurPx)),
  }
}
/** A corner that moves further than this, as a share of the picture, was none. */
const MOST_MOVED = 0.06

function lineAlong(
  photo: GreyPicture,
  from: Point,
  to: Point,
  reachPx: number,
  which: WhichEdge,
  isStrict: boolean,
): Line | 'blurred' | 'notFlat' | 'noEdge' {
  const length = Math.hypot(to.x - from.x, to.y - from.y)
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length]
  const found: { along: number; across: number; blurPx: number }[] = []
  for (let at = 0; at < SAMPLES; at += 1) {
    const along = length * (FROM + ((1 - 2 * FROM) * at) / (SAMPLES - 1))
    const edge = edgeAcross(photo, from.x + ux * along, from.y + uy * along, -uy, ux, reachPx, which)
    if (edge) found.push({ along, ...edge })
  }
  if (found.length < SAMPLES * ENOUGH) return isBent(photo, from, to, Math.max(reachPx, BENT_REACH * length), which) ? 'notFlat' : 'noEdge'
  // Three rounds: points far from the common line are outliers (a shadow, a grid line, the set itself).
  let kept = found
  let fit = straight(kept)
  for (let round = 0; round < 4; round += 1) {
    const limit = Math.max(0.7, 2 * (median(kept, each => Math.abs(each.across - fit.start - fit.slope * each.along)) ?? 0))
    const nearer = found.filter(each => Math.abs(each.across - fit.start - fit.slope * each.along) <= limit)
    if (nearer.length < SAMPLES * ENOUGH * 0.8) break
    kept = nearer
    fit = straight(kept)
  }
  const blurPx = median(kept, each => each.blurPx) ?? 0
  if (isStrict && blurPx > BLURRED_PX) return 'blurred'
  const off = found.map(each => each.across - fit.start - fit.slope * each.along)
  const offPx = Math.sqrt(kept.reduce((sum, each) => sum + (each.across - fit.start - fit.slope * each.along) ** 2, 0) / kept.length)
  if (isStrict && (bowOf(off) > Math.max(2, BENT * length) || offPx > Math.max(2, UNEVEN * length))) return 'notFlat'
  return {
    point: { x: from.x - uy * fit.start, y: from.y + ux * fit.start },
    dx: ux - uy * fit.slope,
    dy: uy + ux * fit.slope,
    offPx,
    blurPx,
  }
}

/** A bow: the middle of the side is off the line through its ends, all to one side. */
function bowOf(off: readonly number[]): number {
  const [first, middle, last] = [
    off.slice(0, Math.ceil(off.length * 0.2)),
    off.slice(Math.floor(off.length * 0.4), Math.ceil(off.length * 0.6)),
    off.slice(Math.floor(off.length * 0.8)),
  ]
  return Math.abs((median(middle) ?? 0) - ((median(first) ?? 0) + (median(last) ?? 0)) / 2)
}

/** No straight edge was found. Is there a bent one, further off the line than a corner may be? */
function isBent(photo: GreyPicture, from: Point, to: Point, reachPx: number, which: WhichEdge): boolean {
  const length = Math.hypot(to.x - from.x, to.y - from.y)
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length]
  const across = Array.from({ length: SAMPLES }, (_, at) => {
    const along = length * (FROM + ((1 - 2 * FROM) * at) / (SAMPLES - 1))
    return edgeAcross(photo, from.x + ux * along, from.y + uy * along, -uy, ux, reachPx, which)?.across
  }).filter(each => each !== undefined)
  return across.length >= SAMPLES * MOST && bowOf(across) > BENT * length
}

/**
 * The steepest change of brightness across a side, or the outermost one that is nearly as steep, as at a rim: its centre, to sub-pixel
 * precision. The corners are in clockwise order, so that the normal points inward.
 */
function edgeAcross(
  photo: GreyPicture,
  x: number,
  y: number,
  nx: number,
  ny: number,
  reachPx: number,
  which: WhichEdge,
): { across: number; blurPx: number } | null {
  const [step, reach] = [0.5, Math.ceil(reachPx)]
  const count = (2 * reach) / step + 1
  const values = Array.from({ length: count }, (_, at) =>
    brightnessAt(photo, x + nx * (at * step - reach) - 0.5, y + ny * (at * step - reach) - 0.5),
  )
  const rise = values.map((value, at) => (at < 2 || at > count - 3 ? 0 : ((values[at + 2] ?? value) - (values[at - 2] ?? value)) / 2))
  const steepest = rise.reduce((most, each, at) => (Math.abs(each) > Math.abs(rise[most] ?? 0) ? at : most), 0)
  if (Math.abs(rise[steepest] ?? 0) < LEAST_STEP / 2) return null
  const isPeak = (each: number, at: number): boolean =>
    [-2, -1, 1, 2].every(by => Math.abs(each) >= Math.abs(rise[at + by] ?? 0)) &&
    Math.abs(each) >= OUTER_SHARE * Math.abs(rise[steepest] ?? 0)
  const best = which === 'steepest' ? steepest : rise.findIndex(isPeak)
  const peak = Math.abs(rise[best] ?? 0)
  const sign = Math.sign(rise[best] ?? 1)
  let [sum, moment] = [0, 0]
  let [low, high] = [best, best]
  while (low > 0 && sign * (rise[low - 1] ?? 0) > peak * 0.3) low -= 1
  while (high < count - 1 && sign * (rise[high + 1] ?? 0) > peak * 0.3) high += 1
  for (let at = low; at <= high; at += 1) {
    sum += sign * (rise[at] ?? 0)
    moment += at * sign * (rise[at] ?? 0)
  }
  const blurPx = (high - low + 1) * step
  if (which === 'steepest') return { across: (moment / sum) * step - reach, blurPx }
  // Beside an opposite edge, as at a thin rim, the tails pull outward: use the peak and its neighbours alone.
  const [before, here, after] = [-1, 0, 1].map(by => sign * (rise[best + by] ?? 0)) as [number, number, number]
  const curve = before - 2 * here + after
  return { across: (best + (curve === 0 ? 0 : (0.5 * (before - after)) / curve)) * step - reach, blurPx }
}

function straight(points: readonly { readonly along: number; readonly across: number }[]): { start: number; slope: number } {
  const n = points.length
  const [mx, my] = [points.reduce((sum, each) => sum + each.along, 0) / n, points.reduce((sum, each) => sum + each.across, 0) / n]
  const slope =
    points.reduce((sum, each) => sum + (each.along - mx) * (each.across - my), 0) /
    Math.max(
      1e-9,
      points.reduce((sum, each) => sum + (each.along - mx) ** 2, 0),
    )
  return { start: my - slope * mx, slope }
}
function meet(a: Line, b: Line): Point | null {
  const turn = a.dx * b.dy - a.dy * b.dx
  if (Math.abs(turn) < 1e-6) return null
  const t = ((b.point.x - a.point.x) * b.dy - (b.point.y - a.point.y) * b.dx) / turn
  return { x: a.point.x + a.dx * t, y: a.point.y + a.dy * t }
}
