import type { Size } from '#core/units'

/**
 * The angle, from 0 to 90 degrees, at which a rectangle lies inside another with the most slack; null: it fits at no angle. A p x q
 * rectangle turned by a takes p cos a + q sin a across and p sin a + q cos a up: with r = sqrt(p^2 + q^2) and f = atan2(q, p) these are r
 * cos(a - f) and r sin(a + f), so that the angles that fit are an interval. Carver 1957 (Amer. Math. Monthly 64, 114-116) gives the same
 * as one inequality; Wetzel 2000.
 * @example tiltThatFits({ widthMm: 150, heightMm: 10 }, { widthMm: 130.2, heightMm: 130.2 }) //=> 45
 */
export function tiltThatFits({ widthMm: p, heightMm: q }: Size, { widthMm: a, heightMm: b }: Size): number | null {
  const r = Math.hypot(p, q)
  const f = Math.atan2(q, p)
  // Across: a large angle if the diagonal is longer than the opening; a small one may do for an upright thing.
  const across: readonly (readonly [number, number])[] =
    r <= a
      ? [[0, QUARTER]]
      : [
          [0, f - Math.acos(a / r)],
          [f + Math.acos(a / r), QUARTER],
        ]
  const up: readonly (readonly [number, number])[] =
    r <= b
      ? [[0, QUARTER]]
      : [
          [0, Math.asin(b / r) - f],
          [Math.PI - Math.asin(b / r) - f, QUARTER],
        ]
  const both = across
    .flatMap(([from, to]) => up.map(([low, high]) => [Math.max(from, low, 0), Math.min(to, high, QUARTER)] as const))
    .filter(([from, to]) => from <= to + ANGLE_SLACK)
  const spare = (angle: number): number =>
    Math.min(a - p * Math.cos(angle) - q * Math.sin(angle), b - p * Math.sin(angle) - q * Math.cos(angle))
  // Each slack is convex in the angle, so the smaller of the two is largest at an end or where they cross: a - b = (p - q) (cos x - sin x)
  // = (p - q) sqrt(2) cos(x + 45 degrees).
  const crossing = Math.acos((a - b) / ((p - q) * Math.SQRT2)) - QUARTER / 2
  const candidates = both.flatMap(([from, to]) => [from, Math.max(from, to), ...(crossing > from && crossing < to ? [crossing] : [])])
  const [best] = candidates.sort((x, y) => spare(y) - spare(x) || x - y)
  return best === undefined ? null : (best * 180) / Math.PI
}

const QUARTER = Math.PI / 2
const ANGLE_SLACK = 1e-12
