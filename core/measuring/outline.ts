import { polygonArea, polygonHull } from 'd3-polygon'
import type { Point, Quad } from './perspective'

/** The convex hull, in order. O(n log n). */
export function hullOf(points: readonly Point[]): readonly Point[] {
  return (
    polygonHull(points.map(pairOf))
      ?.map(([x, y]) => ({ x, y }))
      .reverse() ?? points
  )
}
const pairOf = ({ x, y }: Point): [number, number] => [x, y]
const cross = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)

/** A rectangle at any angle: its corners, the sides' lengths, and the angle of the first side in degrees. */
export interface TurnedBox {
  readonly corners: Quad
  readonly width: number
  readonly height: number
  readonly angleDeg: number
}

/** The smallest rectangle around points: one side lies along a side of the hull (Freeman and Shapira 1975). O(n^2) in the hull. */
export function smallestBox(points: readonly Point[]): TurnedBox | null {
  const hull = hullOf(points)
  if (hull.length < 3) return null
  let best: { angle: number; area: number; from: Point; to: Point } | null = null
  for (const [at, point] of hull.entries()) {
    const next = hull[(at + 1) % hull.length] as Point
    const angle = Math.atan2(next.y - point.y, next.x - point.x)
    const turned = hull.map(each => turn(each, -angle))
    const [from, to] = [
      { x: Math.min(...turned.map(each => each.x)), y: Math.min(...turned.map(each => each.y)) },
      { x: Math.max(...turned.map(each => each.x)), y: Math.max(...turned.map(each => each.y)) },
    ]
    const area = (to.x - from.x) * (to.y - from.y)
    if (!best || area < best.area - 1e-9) best = { angle, area, from, to }
  }
  if (!best) return null
  const { from, to } = best
  // The side nearest to horizontal comes first, so that an upright thing is upright.
  const quarters = Math.round(-best.angle / (Math.PI / 2))
  const corners = [
    { x: from.x, y: from.y },
    { x: to.x, y: from.y },
    { x: to.x, y: to.y },
    { x: from.x, y: to.y },
  ].map(corner => turn(corner, best.angle))
  const first = ((quarters % 4) + 4) % 4
  const ordered = corners.map((_, at) => corners[(at + first) % 4] as Point) as unknown as Quad
  const isSwapped = first % 2 === 1
  const angle = best.angle + quarters * (Math.PI / 2)
  return {
    corners: ordered,
    width: isSwapped ? to.y - from.y : to.x - from.x,
    height: isSwapped ? to.x - from.x : to.y - from.y,
    angleDeg: (angle * 180) / Math.PI,
  }
}
function turn({ x, y }: Point, angle: number): Point {
  return { x: x * Math.cos(angle) - y * Math.sin(angle), y: x * Math.sin(angle) + y * Math.cos(angle) }
}

/** The four corners of the hull that span the largest quadrilateral, in order. O(n^3) in a thinned hull. */
export function largestQuad(points: readonly Point[]): Quad | null {
  const hull = thinned(hullOf(points))
  const n = hull.length
  if (n < 4) return null
  let [best, most] = [null as Quad | null, 0]
  for (let a = 0; a < n; a += 1) {
    for (let c = a + 2; c < n; c += 1) {
      const far = (from: number, to: number): Point | null => {
        let [found, distance] = [null as Point | null, 0]
        for (let at = from + 1; at < to; at += 1) {
          const d = Math.abs(cross(hull[a] as Point, hull[c] as Point, hull[at % n] as Point))
          if (d > distance) [found, distance] = [hull[at % n] as Point, d]
        }
        return found
      }
      const [b, d] = [far(a, c), far(c, a + n)]
      if (!b || !d) continue
      const quad: Quad = [hull[a] as Point, b, hull[c] as Point, d]
      const area = areaOf(quad)
      if (area > most) [best, most] = [quad, area]
    }
  }
  return best
}
/** Most hull points that are examined. The corners of a quadrilateral are always among them. */
const MOST_CORNERS = 64
function thinned(hull: readonly Point[]): readonly Point[] {
  const step = Math.ceil(hull.length / MOST_CORNERS)
  return hull.filter((_, at) => at % step === 0)
}

export const areaOf = (polygon: readonly Point[]): number => Math.abs(polygonArea(polygon.map(pairOf)))
