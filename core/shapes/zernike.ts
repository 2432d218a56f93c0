/**
 * Zernike moments of a shape: Khotanzad and Hong 1990, IEEE Trans. PAMI 12(5), 489-497. A turn of the shape leaves their
 * magnitudes as they are and only shifts their phases.
 */

/** The highest order in use. */
export const ORDER = 16

/** The order n and the repetition m of each moment, in the order in which moments are kept: n - m even, 0 <= m <= n. */
export const ORDERS: readonly (readonly [n: number, m: number])[] = Array.from({ length: ORDER + 1 }, (_, n) =>
  Array.from({ length: Math.floor(n / 2) + 1 }, (_each, at) => [n, 2 * at + (n % 2)] as const),
).flat()

/**
 * The radial polynomial R of order n and repetition m at rho from 0 to 1, by its factorial sum.
 * @example radialPolynomial(2, 0, 0.5) //=> -0.5
 * @example radialPolynomial(4, 2, 1) //=> 1
 */
export function radialPolynomial(n: number, m: number, rho: number): number {
  let sum = 0
  for (let s = 0; s <= (n - m) / 2; s += 1)
    sum +=
      ((s % 2 === 0 ? 1 : -1) * factorial(n - s) * rho ** (n - 2 * s)) /
      (factorial(s) * factorial((n + m) / 2 - s) * factorial((n - m) / 2 - s))
  return sum
}
const FACTORIALS = Array.from({ length: ORDER + 1 }).reduce<number[]>((all, _, at) => [...all, at === 0 ? 1 : at * (all[at - 1] ?? 1)], [])
const factorial = (of: number): number => FACTORIALS[of] ?? NaN

/** Side of the square grid around the unit disc on which moments are taken. */
export const GRID_SIDE = 64

/** Real and imaginary parts of moments, in the order of `ORDERS`. */
export interface Moments {
  readonly re: Float32Array
  readonly im: Float32Array
}

/**
 * A cell of the disc and its three mirror images have equal function values up to their signs, which depend on whether m is even. So the
 * ink of the four is combined first, in four ways, and each function is evaluated on a quarter of the disc.
 */
interface Basis {
  /** Cells of the grid whose centre is in the quarter of the disc with x and y above 0. */
  readonly fields: Uint16Array
  /** At each of these fields, one after the other, the functions of all moments, conjugate, times (n + 1) / pi and the area of a field. */
  readonly values: Float32Array
}
const COUNT = ORDERS.length
/** Moments with even m, then those with odd m, as in `values`: all real parts before all imaginary ones. */
const BY_PARITY = [0, 1].flatMap(parity => ORDERS.flatMap(([, m], moment) => (m % 2 === parity ? [moment] : [])))
const EVEN = ORDERS.filter(([, m]) => m % 2 === 0).length

let made: Basis | null = null
function basis(): Basis {
  if (made) return made
  const fields: number[] = []
  const middle = (at: number): number => (2 * (at + 0.5)) / GRID_SIDE - 1
  for (let row = GRID_SIDE / 2; row < GRID_SIDE; row += 1)
    for (let column = GRID_SIDE / 2; column < GRID_SIDE; column += 1)
      if (Math.hypot(middle(column), middle(row)) <= 1) fields.push(row * GRID_SIDE + column)
  const area = (2 / GRID_SIDE) ** 2
  const values = new Float32Array(fields.length * 2 * COUNT)
  fields.forEach((field, at) => {
    const [x, y] = [middle(field % GRID_SIDE), middle(Math.floor(field / GRID_SIDE))]
    BY_PARITY.forEach((moment, place) => {
      const [n, m] = ORDERS[moment] as readonly [number, number]
      const value = ((n + 1) / Math.PI) * area * radialPolynomial(n, m, Math.hypot(x, y))
      const angle = m * Math.atan2(y, x)
      values[2 * COUNT * at + place] = value * Math.cos(angle)
      values[2 * COUNT * at + COUNT + place] = -value * Math.sin(angle)
    })
  })
  made = { fields: Uint16Array.from(fields), values }
  return made
}

/** The moments of a grid of `GRID_SIDE` x `GRID_SIDE` fields, row by row, whose disc touches its edges. O(fields x moments). */
export function momentsOf(grid: Float32Array): Moments {
  const { fields, values } = basis()
  const sums = new Float64Array(2 * COUNT)
  for (let at = 0; at < fields.length; at += 1) {
    const field = fields[at] as number
    const [row, column] = [Math.floor(field / GRID_SIDE), field % GRID_SIDE]
    const [mirrorRow, mirrorColumn] = [(GRID_SIDE - 1 - row) * GRID_SIDE, GRID_SIDE - 1 - column]
    const ink = grid[field] as number
    const left = grid[row * GRID_SIDE + mirrorColumn] as number
    const above = grid[mirrorRow + column] as number
    const across = grid[mirrorRow + mirrorColumn] as number
    if (ink === 0 && left === 0 && above === 0 && across === 0) continue
    const own = values.subarray(at * 2 * COUNT, (at + 1) * 2 * COUNT)
    // cos and sin of m times the angle, mirrored left to right, top to bottom, and both.
    addTimes(ink + left + above + across, own, sums, 0, EVEN)
    addTimes(ink - left + above - across, own, sums, EVEN, COUNT)
    addTimes(ink - left - above + across, own, sums, COUNT, COUNT + EVEN)
    addTimes(ink + left - above - across, own, sums, COUNT + EVEN, 2 * COUNT)
  }
  const [re, im] = [new Float32Array(COUNT), new Float32Array(COUNT)]
  BY_PARITY.forEach((moment, place) => {
    re[moment] = sums[place] as number
    im[moment] = sums[COUNT + place] as number
  })
  return { re, im }
}

function addTimes(weight: number, values: Float32Array, to: Float64Array, start: number, end: number): void {
  for (let at = start; at < end; at += 1) to[at] = (to[at] as number) + weight * (values[at] as number)
}
