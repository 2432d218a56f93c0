/**
 * Zernike moments of a shape: Khotanzad and Hong 1990, IEEE Trans. PAMI 12(5), 489-497. A turn of the shape leaves their
 * magnitudes as they are and only shifts their phases.
 */

/** The highest order that is looked at. */
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

interface Basis {
  /** Fields of the grid whose middle lies in the disc. */
  readonly fields: Uint16Array
  /**
   * At each of these fields, one after the other, the functions of all moments, conjugate, times (n + 1) / pi and the area of a field:
   * their real parts, then their imaginary parts.
   */
  readonly values: Float32Array
}
let made: Basis | null = null
function basis(): Basis {
  if (made) return made
  const fields: number[] = []
  const middle = (at: number): number => (2 * (at + 0.5)) / GRID_SIDE - 1
  for (let at = 0; at < GRID_SIDE * GRID_SIDE; at += 1)
    if (Math.hypot(middle(at % GRID_SIDE), middle(Math.floor(at / GRID_SIDE))) <= 1) fields.push(at)
  const area = (2 / GRID_SIDE) ** 2
  const count = ORDERS.length
  const values = new Float32Array(fields.length * 2 * count)
  fields.forEach((field, at) => {
    const [x, y] = [middle(field % GRID_SIDE), middle(Math.floor(field / GRID_SIDE))]
    ORDERS.forEach(([n, m], moment) => {
      const value = ((n + 1) / Math.PI) * area * radialPolynomial(n, m, Math.hypot(x, y))
      const angle = m * Math.atan2(y, x)
      values[2 * count * at + moment] = value * Math.cos(angle)
      values[2 * count * at + count + moment] = -value * Math.sin(angle)
    })
  })
  made = { fields: Uint16Array.from(fields), values }
  return made
}

/** The moments of a grid of `GRID_SIDE` x `GRID_SIDE` fields, row by row, whose disc touches its edges. O(fields x moments). */
export function momentsOf(grid: Float32Array): Moments {
  const { fields, values } = basis()
  const both = 2 * ORDERS.length
  const sums = new Float64Array(both)
  for (let at = 0; at < fields.length; at += 1) {
    const ink = grid[fields[at] as number] as number
    if (ink === 0) continue
    const from = at * both
    for (let part = 0; part < both; part += 1) sums[part] = (sums[part] as number) + ink * (values[from + part] as number)
  }
  return { re: Float32Array.from(sums.subarray(0, ORDERS.length)), im: Float32Array.from(sums.subarray(ORDERS.length)) }
}
