import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { tiltThatFits } from './index'

const side = fc.double({ min: 5, max: 300, noNaN: true })

/** Every angle in small steps: slow and stupid. */
function sweep(p: number, q: number, a: number, b: number): number {
  let most = -Infinity
  for (let step = 0; step <= 9000; step += 1) {
    const angle = (step / 9000) * (Math.PI / 2)
    most = Math.max(most, Math.min(a - p * Math.cos(angle) - q * Math.sin(angle), b - p * Math.sin(angle) - q * Math.cos(angle)))
  }
  return most
}
/** Carver 1957: p x q (p >= q) fits inside a x b (a >= b) if and only if p <= a and q <= b, or this inequality holds. */
function carver(p: number, q: number, a: number, b: number): boolean {
  if (p <= a && q <= b) return true
  return p > a && q <= b && b >= (2 * p * q * a + (p * p - q * q) * Math.sqrt(p * p + q * q - a * a)) / (p * p + q * q)
}
const ordered = (x: number, y: number): readonly [number, number] => [Math.max(x, y), Math.min(x, y)]

describe('a turned rectangle in a rectangle', () => {
  test('the same answer as Carver 1957 (Amer. Math. Monthly 64, 114-116), any way round (property)', () => {
    fc.assert(
      fc.property(side, side, side, side, (p, q, a, b) => {
        const [long, short, wide, narrow] = [...ordered(p, q), ...ordered(a, b)]
        // On the very edge the two may differ by the last digit.
        const isEdge = carver(long * 1.0001, short * 1.0001, wide, narrow) !== carver(long * 0.9999, short * 0.9999, wide, narrow)
        fc.pre(!isEdge)
        expect(tiltThatFits({ widthMm: p, heightMm: q }, { widthMm: a, heightMm: b }) !== null).toBe(carver(long, short, wide, narrow))
      }),
      { numRuns: 2000 },
    )
  })

  test('the angle leaves as much room as any other (against a sweep of all angles)', () => {
    fc.assert(
      fc.property(side, side, side, side, (p, q, a, b) => {
        const angle = tiltThatFits({ widthMm: p, heightMm: q }, { widthMm: a, heightMm: b })
        const most = sweep(p, q, a, b)
        if (angle === null) return expect(most).toBeLessThan(0.05)
        const turn = (angle * Math.PI) / 180
        const spare = Math.min(a - p * Math.cos(turn) - q * Math.sin(turn), b - p * Math.sin(turn) - q * Math.cos(turn))
        expect(spare).toBeGreaterThan(most - 1e-9)
        expect(spare).toBeGreaterThan(-1e-6)
      }),
      { numRuns: 120, examples: [[5.765630544246708, 197.7547199265938, 119.87956468780202, 299.999999999973]] },
    )
  })

  test('common practice: a border die goes into the small square die pocket (5 1/8 in) on the diagonal', () => {
    const square = { widthMm: 130.175, heightMm: 130.175 }
    const border = { widthMm: 6 * 25.4, heightMm: 12 }
    expect(tiltThatFits(border, square)).toBeCloseTo(45, 6)
    expect(tiltThatFits({ widthMm: 8 * 25.4, heightMm: 12 }, square)).toBeNull()
  })
})
