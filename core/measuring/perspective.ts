/** A point of a picture in pixels, or of a plane in millimetres. */
export interface Point {
  readonly x: number
  readonly y: number
}
/** Four corners in clockwise order: upper left, upper right, lower right, lower left. */
export type Quad = readonly [Point, Point, Point, Point]
/** Row by row; takes [x, y, 1] to [x', y', w']. */
export type Matrix3 = readonly [number, number, number, number, number, number, number, number, number]

/**
 * The homography that maps each corner of `from` to the same corner of `to`: the direct linear transform, Hartley and Zisserman, Multiple
 * View Geometry (2nd ed.), ch. 4, exact for four points. null: three corners are on one line, so that no mapping is determined.
 */
export function perspective(from: Quad, to: Quad): Matrix3 | null {
  // Two rows a corner: h0 x + h1 y + h2 - h6 x X - h7 y X = X, and the same with h3 h4 h5 and Y; h8 = 1.
  const rows = from.flatMap(({ x, y }, at) => {
    const { x: X, y: Y } = to[at] as Point
    return [
      [x, y, 1, 0, 0, 0, -x * X, -y * X, X],
      [0, 0, 0, x, y, 1, -x * Y, -y * Y, Y],
    ]
  })
  const h = solve(rows)
  return h && ([h[0], h[1], h[2], h[3], h[4], h[5], h[6], h[7], 1] as Matrix3)
}

/** Gauss with the largest pivot; the last column is the right side. null when the system is as good as singular. */
function solve(rows: number[][]): number[] | null {
  const n = rows.length
  for (let column = 0; column < n; column += 1) {
    let pivot = column
    for (let row = column + 1; row < n; row += 1) if (Math.abs(cell(rows, row, column)) > Math.abs(cell(rows, pivot, column))) pivot = row
    const largest = Math.max(...(rows[pivot] ?? []).slice(0, n).map(Math.abs), 1e-300)
    if (Math.abs(cell(rows, pivot, column)) < largest * 1e-12) return null
    const held = rows[column] as number[]
    rows[column] = rows[pivot] as number[]
    rows[pivot] = held
    for (let row = 0; row < n; row += 1) {
      const factor = row === column ? 0 : cell(rows, row, column) / cell(rows, column, column)
      if (factor === 0) continue
      for (let at = column; at <= n; at += 1) (rows[row] as number[])[at] = cell(rows, row, at) - factor * cell(rows, column, at)
    }
  }
  return rows.map((row, at) => (row[n] ?? 0) / (row[at] ?? 1))
}
const cell = (rows: readonly (readonly number[])[], row: number, column: number): number => rows[row]?.[column] ?? 0

/** @example mapPoint([1, 0, 5, 0, 1, 0, 0, 0, 1], { x: 1, y: 2 }) //=> { x: 6, y: 2 } */
export function mapPoint(m: Matrix3, { x, y }: Point): Point {
  const w = m[6] * x + m[7] * y + m[8]
  return { x: (m[0] * x + m[1] * y + m[2]) / w, y: (m[3] * x + m[4] * y + m[5]) / w }
}

/** The inverse mapping, up to scale, which has no effect on mapping. */
export function inverse([a, b, c, d, e, f, g, h, i]: Matrix3): Matrix3 {
  return [
    e * i - f * h,
    c * h - b * i,
    b * f - c * e,
    f * g - d * i,
    a * i - c * g,
    c * d - a * f,
    d * h - e * g,
    b * g - a * h,
    a * e - b * d,
  ]
}

export type CornersFault = 'crossed' | 'onOneLine' | 'outside' | 'tooSmall'
/** A shorter side cannot be measured. */
const LEAST_SIDE_PX = 24

/** The fault of four corners, before anything is measured from them; null: none. */
export function cornersFault(corners: Quad, widthPx: number, heightPx: number): CornersFault | null {
  if (corners.some(({ x, y }) => x < -0.5 || y < -0.5 || x > widthPx + 0.5 || y > heightPx + 0.5)) return 'outside'
  const sides = corners.map((corner, at) => between(corner, corners[(at + 1) % 4] as Point))
  if (sides.some(({ x, y }) => Math.hypot(x, y) < LEAST_SIDE_PX)) return 'tooSmall'
  const turns = sides.map((side, at) => {
    const next = sides[(at + 1) % 4] as Point
    return (side.x * next.y - side.y * next.x) / (Math.hypot(side.x, side.y) * Math.hypot(next.x, next.y))
  })
  // The sine of each turn: near zero there is no corner; of different signs, the sides cross.
  if (turns.some(turn => turn > 0) && turns.some(turn => turn < 0))
    return turns.filter(turn => turn > 0).length === 2 ? 'crossed' : 'onOneLine'
  return turns.some(turn => Math.abs(turn) < 0.08) ? 'onOneLine' : null
}
const between = (a: Point, b: Point): Point => ({ x: b.x - a.x, y: b.y - a.y })
