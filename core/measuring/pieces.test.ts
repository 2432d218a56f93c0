import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { hullOf, joinPieces, type Mask, type MeasuredPiece, type Point, splitPiece } from './index'
import { areaOf, largestQuad } from './outline'

const PX_PER_MM = 2
interface Bar {
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
}
function inkOf(bars: readonly Bar[], widthPx: number, heightPx: number): Mask {
  const ink = new Uint8Array(widthPx * heightPx)
  for (const { left, top, width, height } of bars)
    for (let y = top; y < top + height; y += 1) ink.fill(1, y * widthPx + left, y * widthPx + left + width)
  return { widthPx, heightPx, ink }
}
const pieceOf = ({ left, top, width, height }: Bar): MeasuredPiece => ({
  xMm: left / PX_PER_MM,
  yMm: top / PX_PER_MM,
  widthMm: width / PX_PER_MM,
  heightMm: height / PX_PER_MM,
})
const mirrored = ({ left, top, width, height }: Bar): Bar => ({ left: top, top: left, width: height, height: width })

/** Two bars of ink beside each other, with a gap of at least three pixels between them. */
const pairs = fc
  .record({
    a: fc.integer({ min: 12, max: 40 }),
    b: fc.integer({ min: 12, max: 40 }),
    gap: fc.integer({ min: 3, max: 12 }),
    tops: fc.tuple(fc.nat(9), fc.nat(9)),
    heights: fc.tuple(fc.integer({ min: 14, max: 40 }), fc.integer({ min: 14, max: 40 })),
    isUp: fc.boolean(),
  })
  .map(({ a, b, gap, tops, heights, isUp }) => {
    const bars: readonly [Bar, Bar] = [
      { left: 5, top: 5 + tops[0], width: a, height: heights[0] },
      { left: 5 + a + gap, top: 5 + tops[1], width: b, height: heights[1] },
    ]
    return isUp ? ([mirrored(bars[0]), mirrored(bars[1])] as const) : bars
  })

describe('pieces', () => {
  test('two pieces joined by hand are parted again where no ink stands, each to its own ink (property)', () => {
    fc.assert(
      fc.property(pairs, bars => {
        const both = joinPieces(bars.map(pieceOf))
        if (!both) throw new Error('two pieces')
        expect(splitPiece(inkOf(bars, 120, 120), PX_PER_MM, both)).toEqual(bars.map(pieceOf))
      }),
    )
  })
  test('parted anywhere, no ink is lost and the halves do not overlap (property)', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 30 * 24, maxLength: 30 * 24 }), fc.integer({ min: 0, max: 250 }), (pixels, level) => {
        const mask: Mask = { widthPx: 30, heightPx: 24, ink: pixels.map(pixel => Number(pixel < level)) }
        const halves = splitPiece(mask, 1, { xMm: 0, yMm: 0, widthMm: 30, heightMm: 24 })
        if (!halves) return
        const inside = ({ xMm, yMm, widthMm, heightMm }: MeasuredPiece, at: number): boolean => {
          const [x, y] = [at % 30, Math.floor(at / 30)]
          return x >= xMm && x < xMm + widthMm && y >= yMm && y < yMm + heightMm
        }
        mask.ink.forEach((ink, at) => {
          const count = halves.filter(half => inside(half, at)).length
          if (ink === 1 ? count !== 1 : count > 1) throw new Error(`pixel ${at} is in ${count} halves`)
        })
      }),
    )
  })
  test('a box without ink, or of hardly any size, is not parted', () => {
    const empty = inkOf([], 40, 40)
    expect(splitPiece(empty, 1, { xMm: 0, yMm: 0, widthMm: 40, heightMm: 40 })).toBeNull()
    expect(
      splitPiece(inkOf([{ left: 0, top: 0, width: 40, height: 40 }], 40, 40), 1, { xMm: 3, yMm: 3, widthMm: 2, heightMm: 2 }),
    ).toBeNull()
    expect(
      splitPiece(inkOf([{ left: 0, top: 0, width: 40, height: 40 }], 40, 40), 1, { xMm: 90, yMm: 90, widthMm: 20, heightMm: 20 }),
    ).toBeNull()
  })
})

describe('the largest quadrilateral', () => {
  const points = fc.array(fc.record({ x: fc.integer({ min: 0, max: 60 }), y: fc.integer({ min: 0, max: 60 }) }), {
    minLength: 4,
    maxLength: 14,
  })
  /** Every four corners of the hull, in their order round. */
  function* foursOf(hull: readonly Point[]): Generator<readonly Point[]> {
    for (let a = 0; a < hull.length; a += 1)
      for (let b = a + 1; b < hull.length; b += 1)
        for (let c = b + 1; c < hull.length; c += 1)
          for (let d = c + 1; d < hull.length; d += 1) yield [a, b, c, d].flatMap(at => hull[at] ?? [])
  }
  test('no four points span a larger one (against every four, property)', () => {
    fc.assert(
      fc.property(points, list => {
        const most = Math.max(0, ...[...foursOf(hullOf(list))].map(areaOf))
        const found = largestQuad(list)
        expect(found ? areaOf(found) : 0).toBeCloseTo(most, 6)
        for (const corner of found ?? []) expect(list).toContainEqual(corner)
      }),
    )
  })
})
