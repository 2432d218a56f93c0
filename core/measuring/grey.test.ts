import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { brightnessAt, componentsOf, type GreyPicture, grown, inkOf, type Mask, otsu, rectify, shrink } from './index'

const pictures = fc
  .record({ widthPx: fc.integer({ min: 4, max: 24 }), heightPx: fc.integer({ min: 4, max: 24 }) })
  .chain(({ widthPx, heightPx }) =>
    fc
      .uint8Array({ minLength: widthPx * heightPx, maxLength: widthPx * heightPx })
      .map((pixels): GreyPicture => ({ widthPx, heightPx, pixels })),
  )
const masks = pictures.map(({ widthPx, heightPx, pixels }): Mask => ({ widthPx, heightPx, ink: pixels.map(pixel => Number(pixel < 70)) }))
const IDENTITY = [1, 0, 0, 0, 1, 0, 0, 0, 1] as const

describe('pictures', () => {
  test('brightness on a pixel is the pixel; between two it lies between them; outside it is the nearest (property)', () => {
    fc.assert(
      fc.property(pictures, fc.nat(), fc.nat(), fc.double({ min: 0, max: 1, noNaN: true }), (picture, a, b, share) => {
        const [x, y] = [a % (picture.widthPx - 1), b % picture.heightPx]
        const [here, next] = [picture.pixels[y * picture.widthPx + x] ?? 0, picture.pixels[y * picture.widthPx + x + 1] ?? 0]
        expect(brightnessAt(picture, x, y)).toBeCloseTo(here, 9)
        const between = brightnessAt(picture, x + share, y)
        expect(between).toBeGreaterThanOrEqual(Math.min(here, next) - 1e-9)
        expect(between).toBeLessThanOrEqual(Math.max(here, next) + 1e-9)
        expect(brightnessAt(picture, -5, -5)).toBeCloseTo(picture.pixels[0] ?? 0, 9)
      }),
    )
  })
  test('rectified by no change at one pixel a millimetre, a picture is itself (property)', () => {
    fc.assert(
      fc.property(pictures, picture => {
        const same = rectify(picture, IDENTITY, { x: 0, y: 0, widthMm: picture.widthPx, heightMm: picture.heightPx }, 1)
        expect([same.widthPx, same.heightPx]).toEqual([picture.widthPx, picture.heightPx])
        expect([...same.pixels]).toEqual([...picture.pixels])
      }),
    )
  })
  test('made smaller, each pixel is the mean of its square; by one it is itself (property)', () => {
    fc.assert(
      fc.property(pictures, fc.integer({ min: 1, max: 4 }), (picture, factor) => {
        const small = shrink(picture, factor)
        expect([small.widthPx, small.heightPx]).toEqual([Math.floor(picture.widthPx / factor), Math.floor(picture.heightPx / factor)])
        const first = Array.from(
          { length: factor * factor },
          (_, at) => picture.pixels[Math.floor(at / factor) * picture.widthPx + (at % factor)] ?? 0,
        )
        expect(small.pixels[0]).toBe(Math.round(first.reduce((sum, each) => sum + each, 0) / first.length))
      }),
    )
  })
  test('Otsu: no other threshold parts dark from bright better (against every threshold, property)', () => {
    fc.assert(
      fc.property(pictures, picture => {
        const variance = (level: number): number => {
          const [dark, bright] = [picture.pixels.filter(pixel => pixel <= level), picture.pixels.filter(pixel => pixel > level)]
          if (dark.length === 0 || bright.length === 0) return 0
          const mean = (list: Uint8Array): number => list.reduce((sum, each) => sum + each, 0) / list.length
          return dark.length * bright.length * (mean(dark) - mean(bright)) ** 2
        }
        const best = Math.max(...Array.from({ length: 256 }, (_, level) => variance(level)))
        expect(variance(otsu(picture))).toBeGreaterThanOrEqual(best * (1 - 1e-9))
      }),
      { numRuns: 40 },
    )
  })
})

describe('ink', () => {
  test('an even sheet has none; brighter or darker light changes nothing but rounding (property)', () => {
    expect(inkOf({ widthPx: 20, heightPx: 20, pixels: new Uint8Array(400).fill(180) }, 5, 0.1).ink.some(Boolean)).toBe(false)
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 400, maxLength: 400 }), dots => {
        const at = (paper: number, ink: number): Mask =>
          inkOf({ widthPx: 20, heightPx: 20, pixels: Uint8Array.from(dots, dot => (dot ? ink : paper)) }, 6, 0.1)
        expect([...at(240, 40).ink]).toEqual([...at(120, 20).ink])
      }),
    )
  })
  test('components: every pixel of ink in one, neighbours in the same, and no two of them touch (property)', () => {
    fc.assert(
      fc.property(masks, mask => {
        const { labels, components } = componentsOf(mask)
        expect(components.reduce((sum, each) => sum + each.pixels, 0)).toBe(mask.ink.reduce((sum, each) => sum + each, 0))
        for (let y = 0; y < mask.heightPx; y += 1) {
          for (let x = 0; x < mask.widthPx; x += 1) {
            const here = labels[y * mask.widthPx + x] ?? 0
            expect(here > 0).toBe(mask.ink[y * mask.widthPx + x] === 1)
            for (const [dx, dy] of [
              [1, 0],
              [0, 1],
              [1, 1],
              [-1, 1],
            ] as const) {
              const other =
                x + dx >= 0 && x + dx < mask.widthPx && y + dy < mask.heightPx ? (labels[(y + dy) * mask.widthPx + x + dx] ?? 0) : 0
              if (here > 0 && other > 0) expect(other).toBe(here)
            }
          }
        }
      }),
      { numRuns: 60 },
    )
  })
  test('grown by so many pixels: ink is where a square round a pixel has some (against looking at every square, property)', () => {
    fc.assert(
      fc.property(masks, fc.integer({ min: 1, max: 4 }), (mask, by) => {
        const near = (x: number, y: number): boolean =>
          mask.ink.some(
            (ink, at) => ink === 1 && Math.abs((at % mask.widthPx) - x) <= by && Math.abs(Math.floor(at / mask.widthPx) - y) <= by,
          )
        const { ink } = grown(mask, by)
        ink.forEach((value, at) => expect(value === 1).toBe(near(at % mask.widthPx, Math.floor(at / mask.widthPx))))
      }),
      { numRuns: 30 },
    )
  })
})
