import { describe, expect, test } from '@jest/globals'
import { chance } from '#demo/random'
import type { GreyPicture } from '#core/measuring'
import { GRID_SIDE, inkOnPaper, type Moments, momentsOf, ORDER, ORDERS, packShapes, radialPolynomial, ShapeIndex, shapesOf } from './index'

const middle = (at: number): number => (2 * (at + 0.5)) / GRID_SIDE - 1
/** A grid of any function of the disc. */
const gridOf = (value: (x: number, y: number) => number): Float32Array =>
  Float32Array.from({ length: GRID_SIDE ** 2 }, (_, at) => {
    const [x, y] = [middle(at % GRID_SIDE), middle(Math.floor(at / GRID_SIDE))]
    return Math.hypot(x, y) <= 1 ? value(x, y) : 0
  })
/** Three soft blobs that end before the edge of the disc: something with no symmetry. */
function blobs(seed: number, softness: readonly [number, number] = [0.07, 0.13]): (x: number, y: number) => number {
  const luck = chance(seed)
  const all = Array.from({ length: 3 }, () => ({ x: luck.between(-0.4, 0.4), y: luck.between(-0.4, 0.4), s: luck.between(...softness) }))
  return (x, y) => all.reduce((sum, each) => sum + Math.exp(-((x - each.x) ** 2 + (y - each.y) ** 2) / (2 * each.s ** 2)), 0)
}
const turnedBy =
  (value: (x: number, y: number) => number, angle: number) =>
  (x: number, y: number): number =>
    value(x * Math.cos(angle) + y * Math.sin(angle), -x * Math.sin(angle) + y * Math.cos(angle))
const magnitude = ({ re, im }: Moments, at: number): number => Math.hypot(re[at] ?? 0, im[at] ?? 0)

describe('the radial polynomials', () => {
  // As printed in Born and Wolf, Principles of Optics, table 9.1 (from memory).
  test.each([
    [0, 0, (_r: number) => 1],
    [1, 1, (r: number) => r],
    [2, 0, (r: number) => 2 * r ** 2 - 1],
    [3, 1, (r: number) => 3 * r ** 3 - 2 * r],
    [4, 0, (r: number) => 6 * r ** 4 - 6 * r ** 2 + 1],
    [4, 2, (r: number) => 4 * r ** 4 - 3 * r ** 2],
    [5, 1, (r: number) => 10 * r ** 5 - 12 * r ** 3 + 3 * r],
    [6, 0, (r: number) => 20 * r ** 6 - 30 * r ** 4 + 12 * r ** 2 - 1],
    [6, 2, (r: number) => 15 * r ** 6 - 20 * r ** 4 + 6 * r ** 2],
  ])('of order %i, repetition %i are those of the table', (n, m, printed) => {
    for (const r of [0, 0.1, 0.37, 0.5, 0.82, 1]) expect(radialPolynomial(n, m, r)).toBeCloseTo(printed(r), 12)
  })

  test('are 1 at the edge, and orthogonal: the integral of R R rho is 1 / 2(n + 1), else 0', () => {
    const steps = 4000
    const product = (n: number, k: number, m: number): number => {
      let sum = 0
      for (let at = 0; at < steps; at += 1) {
        const r = (at + 0.5) / steps
        sum += (radialPolynomial(n, m, r) * radialPolynomial(k, m, r) * r) / steps
      }
      return sum
    }
    for (const [n, m] of ORDERS) expect(radialPolynomial(n, m, 1)).toBeCloseTo(1, 9)
    for (const [n, m] of ORDERS.filter(each => each[1] === 2 || each[1] === 3))
      for (let k = m; k <= ORDER; k += 2) expect(product(n, k, m)).toBeCloseTo(n === k ? 1 / (2 * (n + 1)) : 0, 4)
  })
})

describe('the moments of a grid', () => {
  test('are those of the definition, field by field', () => {
    // Beyond the disc lies something too: it does not count.
    const value = (x: number, y: number): number => blobs(3)(x, y) + 0.4
    const grid = Float32Array.from({ length: GRID_SIDE ** 2 }, (_, at) => value(middle(at % GRID_SIDE), middle(Math.floor(at / GRID_SIDE))))
    const moments = momentsOf(grid)
    for (const [at, [n, m]] of ORDERS.entries()) {
      let [re, im] = [0, 0]
      for (let row = 0; row < GRID_SIDE; row += 1)
        for (let column = 0; column < GRID_SIDE; column += 1) {
          const [x, y] = [middle(column), middle(row)]
          const rho = Math.hypot(x, y)
          if (rho > 1) continue
          // A = (n + 1) / pi times the sum of f V* dx dy, with V = R exp(i m theta).
          const part = ((n + 1) / Math.PI) * value(x, y) * radialPolynomial(n, m, rho) * (2 / GRID_SIDE) ** 2
          re += part * Math.cos(m * Math.atan2(y, x))
          im -= part * Math.sin(m * Math.atan2(y, x))
        }
      expect(moments.re[at]).toBeCloseTo(re, 4)
      expect(moments.im[at]).toBeCloseTo(im, 4)
    }
  })

  test('keep their magnitude when the shape is turned, and shift their phase by m times the turn', () => {
    for (const [seed, angle] of [
      [1, 0.3],
      [2, 1.1],
      [3, 2.9],
    ] as const) {
      const [still, turned] = [momentsOf(gridOf(blobs(seed))), momentsOf(gridOf(turnedBy(blobs(seed), angle)))]
      for (const [at, [, m]] of ORDERS.entries()) {
        expect(Math.abs(magnitude(turned, at) - magnitude(still, at))).toBeLessThan(0.004 * magnitude(still, 0))
        const [cos, sin] = [Math.cos(-m * angle), Math.sin(-m * angle)]
        expect(turned.re[at] ?? NaN).toBeCloseTo((still.re[at] ?? 0) * cos - (still.im[at] ?? 0) * sin, 3)
        expect(turned.im[at] ?? NaN).toBeCloseTo((still.re[at] ?? 0) * sin + (still.im[at] ?? 0) * cos, 3)
      }
    }
  })
})

/** Strokes of ink on white, as rectangles: left, top, width, height. */
function drawn(strokes: readonly (readonly [number, number, number, number])[], widthPx = 240, heightPx = 180): GreyPicture {
  const pixels = new Uint8Array(widthPx * heightPx).fill(245)
  for (const [left, top, width, height] of strokes)
    for (let y = top; y < top + height; y += 1) pixels.fill(30, y * widthPx + left, y * widthPx + left + width)
  return { widthPx, heightPx, pixels }
}

describe('the shapes of a picture', () => {
  const STROKES = [
    [20, 20, 8, 30],
    [34, 20, 4, 30],
    [120, 30, 40, 6],
    [170, 30, 6, 40],
    [60, 120, 30, 30],
  ] as const

  test('have all of the ink at every level, each part once, and part by part come together', () => {
    const luck = chance(77)
    for (let tries = 0; tries < 40; tries += 1) {
      const strokes = Array.from(
        { length: luck.whole(2, 7) },
        () => [luck.whole(5, 180), luck.whole(5, 130), luck.whole(8, 40), luck.whole(8, 40)] as const,
      )
      const shapes = shapesOf(drawn(strokes))
      for (const level of [0, 1, 2, 3]) {
        const here = shapes.filter(each => each.levels.includes(level))
        expect(here.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 6)
      }
      expect(shapes.filter(each => each.levels.includes(3))).toHaveLength(1)
      const counts = [0, 1, 2, 3].map(level => shapes.filter(each => each.levels.includes(level)).length)
      expect([...counts].sort((a, b) => b - a)).toEqual(counts)
    }
  })

  test('lie where the strokes lie: near ones together, at a wider reach more of them', () => {
    const shapes = shapesOf(drawn(STROKES))
    const boxes = (level: number): number[][] =>
      shapes
        .filter(each => each.levels.includes(level))
        .map(({ box }) => [box.left, box.top, box.right, box.bottom].map(each => Math.round(each * 240)))
        .sort((a, b) => (a[0] ?? 0) - (b[0] ?? 0))
    expect(boxes(1)).toEqual([
      [20, 20, 28, 50],
      [34, 20, 38, 50],
      [60, 120, 90, 150],
      [120, 30, 160, 36],
      [170, 30, 176, 70],
    ])
    expect(boxes(2)).toEqual([
      [20, 20, 38, 50],
      [60, 120, 90, 150],
      [120, 30, 176, 70],
    ])
    expect(boxes(3)).toEqual([[20, 20, 176, 150]])
  })

  test('leave out specks: what is shorter than a fortieth of the picture, or has hardly any ink', () => {
    const parts = (side: number): number => {
      const [widthPx, heightPx] = [480, 360]
      const pixels = new Uint8Array(widthPx * heightPx).fill(255)
      const ink = (left: number, top: number, wide: number, high: number): void => {
        for (let y = top; y < top + high; y += 1) pixels.fill(0, y * widthPx + left, y * widthPx + left + wide)
      }
      ink(40, 40, 120, 80)
      ink(360, 200, side, side)
      return shapesOf({ widthPx, heightPx, pixels }).filter(({ levels }) => levels.includes(0)).length
    }
    // A fortieth of 480 pixels are 12.
    expect([6, 10, 11, 13, 16].map(parts)).toEqual([1, 1, 1, 2, 2])
  })

  test('are none where there is no ink: white, grey, or light that falls off', () => {
    expect(shapesOf(drawn([]))).toEqual([])
    const falling = drawn([])
    falling.pixels.forEach((_, at) => (falling.pixels[at] = 250 - Math.round((at % 240) / 2)))
    expect(shapesOf(falling)).toEqual([])
    expect(shapesOf({ widthPx: 3, heightPx: 2, pixels: new Uint8Array(6).fill(9) })).toEqual([])
  })

  test('on a card on a dark mat are what is on the card, not its edge and not the mat', () => {
    const photo = drawn([[90, 80, 20, 20]])
    for (let at = 0; at < photo.pixels.length; at += 1) {
      const [x, y] = [at % 240, Math.floor(at / 240)]
      if (x < 40 || x > 200 || y < 30 || y > 150) photo.pixels[at] = x % 12 === 0 ? 110 : 80
    }
    const { ink } = inkOnPaper(photo)
    const inked = [...ink.keys()].filter(at => ink[at] === 1)
    expect(inked).toHaveLength(400)
    expect(inked.every(at => at % 240 >= 90 && at % 240 < 110)).toBe(true)
  })
})

describe('how near two shapes are', () => {
  test('is the correlation of the two pictures at the best of all turns, mirrored or not, by brute force', () => {
    const correlation = (a: Float32Array, b: Float32Array): number => {
      const inDisc = [...a.keys()].filter(at => Math.hypot(middle(at % GRID_SIDE), middle(Math.floor(at / GRID_SIDE))) <= 1)
      const mean = (of: Float32Array): number => inDisc.reduce((sum, at) => sum + (of[at] ?? 0), 0) / inDisc.length
      const [ma, mb] = [mean(a), mean(b)]
      const sum = (f: (at: number) => number): number => inDisc.reduce((all, at) => all + f(at), 0)
      const [da, db] = [(at: number) => (a[at] ?? 0) - ma, (at: number) => (b[at] ?? 0) - mb]
      return sum(at => da(at) * db(at)) / Math.sqrt(sum(at => da(at) ** 2) * sum(at => db(at) ** 2))
    }
    const box = { left: 0, top: 0, right: 1, bottom: 1 }
    for (let seed = 1; seed <= 6; seed += 1) {
      // As soft as the order of the moments can follow.
      const [a, b] = [blobs(seed, [0.12, 0.18]), blobs(seed + 40, [0.12, 0.18])]
      const index = new ShapeIndex()
      index.put('b', packShapes([{ box, moments: momentsOf(gridOf(b)) }]))
      const [found] = index.ask([{ box, share: 1, levels: [0], moments: momentsOf(gridOf(a)) }])
      let best = -1
      for (const mirror of [1, -1])
        for (let turn = 0; turn < 120; turn += 1)
          best = Math.max(best, correlation(gridOf(a), gridOf(turnedBy((x, y) => b(mirror * x, y), (turn * Math.PI) / 60))))
      expect(Math.abs((found?.nearness ?? 0) - best)).toBeLessThan(0.02)
    }
  })
})

describe('the index of shapes', () => {
  /** Four strokes that no other seed has, in a square of 60, put anywhere and turned by quarters. */
  function figure(
    seed: number,
    at: readonly [number, number],
    quarters: number,
    isMirrored = false,
  ): (readonly [number, number, number, number])[] {
    const luck = chance(seed * 131 + 5)
    let strokes = Array.from({ length: 4 }, () => [luck.whole(0, 40), luck.whole(0, 40), luck.whole(6, 20), luck.whole(6, 20)] as const)
    strokes = [...strokes, [0, 29, 60, 3] as const]
    if (isMirrored) strokes = strokes.map(([x, y, w, h]) => [60 - x - w, y, w, h] as const)
    for (let turn = 0; turn < quarters; turn += 1) strokes = strokes.map(([x, y, w, h]) => [60 - y - h, x, h, w] as const)
    return strokes.map(([x, y, w, h]) => [x + at[0], y + at[1], w, h] as const)
  }
  const index = new ShapeIndex()
  const SETS = 60
  for (let set = 0; set < SETS; set += 1)
    index.put(`set ${set}`, packShapes(shapesOf(drawn([...figure(2 * set, [20, 20], 0), ...figure(2 * set + 1, [150, 100], 0)]))))

  test.each([0, 1, 2, 3])('finds the set of a piece that is turned by %i quarters, elsewhere and mirrored, first of all', quarters => {
    for (let set = 0; set < SETS; set += 7) {
      for (const [piece, isMirrored] of [
        [2 * set, false],
        [2 * set + 1, true],
      ] as const) {
        const [best] = index.ask(shapesOf(drawn(figure(piece, [90, 60], quarters, isMirrored))))
        expect(best?.id).toBe(`set ${set}`)
        expect(best?.nearness).toBeGreaterThan(0.97)
        // And says where in the picture it lies.
        expect(best?.box.left).toBeCloseTo((piece % 2 === 0 ? 20 : 150) / 240, 1)
      }
    }
  })

  test('of a picture with two pieces of one set, that set is first; and what is let go is found no more', () => {
    const both = shapesOf(drawn([...figure(24, [20, 90], 1), ...figure(25, [150, 20], 2)]))
    expect(index.ask(both)[0]?.id).toBe('set 12')
    index.remove('set 12')
    expect(index.ask(both).map(({ id }) => id)).not.toContain('set 12')
  })

  test('an ask with no ink finds nothing, and so does an empty index', () => {
    expect(index.ask([])).toEqual([])
    expect(new ShapeIndex().ask(shapesOf(drawn(figure(1, [50, 50], 0))))).toEqual([])
  })
})
