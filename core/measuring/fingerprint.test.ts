import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { type GreyPicture, INK_MAP_SIDE, inkMapOf, PictureLikeness, turnMap } from './index'

/** A drawing of a few dark bars on paper, from a seed. */
function drawing(seed: number, widthPx = 120, heightPx = 120): GreyPicture {
  const pixels = new Uint8Array(widthPx * heightPx).fill(245)
  let state = seed * 2654435761 + 1
  const next = (below: number): number => (state = (state * 16807) % 2147483647) % below
  for (let bar = 0; bar < 9; bar += 1) {
    const [x, y, w, h] = [next(widthPx - 30), next(heightPx - 30), 4 + next(26), 4 + next(26)]
    for (let row = y; row < y + h; row += 1) for (let column = x; column < x + w; column += 1) pixels[row * widthPx + column] = 20
  }
  return { widthPx, heightPx, pixels }
}
const turned = ({ widthPx, heightPx, pixels }: GreyPicture): GreyPicture => ({
  widthPx: heightPx,
  heightPx: widthPx,
  pixels: Uint8Array.from(pixels, (_, at) => pixels[(heightPx - 1 - (at % heightPx)) * widthPx + Math.floor(at / heightPx)] ?? 0),
})
const brighter = (picture: GreyPicture, by: number): GreyPicture => ({
  ...picture,
  pixels: picture.pixels.map(pixel => Math.min(255, Math.max(0, Math.round(pixel * by)))),
})
function cut({ widthPx, pixels, heightPx }: GreyPicture, left: number, top: number, share: number): GreyPicture {
  const [w, h] = [Math.round(widthPx * share), Math.round(heightPx * share)]
  const [x, y] = [Math.round(widthPx * left), Math.round(heightPx * top)]
  return {
    widthPx: w,
    heightPx: h,
    pixels: Uint8Array.from({ length: w * h }, (_, at) => pixels[(y + Math.floor(at / w)) * widthPx + x + (at % w)] ?? 0),
  }
}

const COUNT = 60
const likeness = new PictureLikeness()
for (let seed = 1; seed <= COUNT; seed += 1) likeness.put(`p${seed}`, inkMapOf(drawing(seed)))
const seeds = fc.integer({ min: 1, max: COUNT })

describe('another photo of the same set', () => {
  test('the same picture is found first, with a likeness of 1 (property)', () => {
    fc.assert(
      fc.property(seeds, seed => {
        const [first] = likeness.ask(inkMapOf(drawing(seed)))
        expect(first?.id).toBe(`p${seed}`)
        expect(first?.likeness).toBeCloseTo(1, 5)
      }),
      { numRuns: 12 },
    )
  })
  test('turned by quarters, darker or brighter, cut within 8 %: still found first (property)', () => {
    fc.assert(
      fc.property(
        seeds,
        fc.integer({ min: 0, max: 3 }),
        fc.constantFrom(0.6, 0.8, 1.04),
        fc.constantFrom([0, 0, 1], [0.04, 0.04, 0.92], [0, 0.08, 0.92], [0.08, 0, 0.92]),
        (seed, quarters, light, [left = 0, top = 0, share = 1]) => {
          let photo = cut(brighter(drawing(seed), light), left, top, share)
          for (let turns = 0; turns < quarters; turns += 1) photo = turned(photo)
          expect(likeness.ask(inkMapOf(photo))[0]?.id).toBe(`p${seed}`)
        },
      ),
      { numRuns: 25 },
    )
  })
  test('a drawing that is not among them is like none of them (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1000, max: 1200 }), seed => likeness.ask(inkMapOf(drawing(seed))).every(each => each.likeness < 0.9)),
      { numRuns: 25 },
    )
  })
})

describe('ink maps', () => {
  test('turning the map is turning the picture; four quarters are none (property)', () => {
    fc.assert(
      fc.property(seeds, seed => {
        const map = inkMapOf(drawing(seed))
        expect([...turnMap(map)]).toEqual([...inkMapOf(turned(drawing(seed)))])
        expect([...turnMap(turnMap(turnMap(turnMap(map))))]).toEqual([...map])
      }),
      { numRuns: 20 },
    )
  })
  test('a blank sheet has no ink, and is like nothing', () => {
    const blank = inkMapOf({ widthPx: 50, heightPx: 50, pixels: new Uint8Array(2500).fill(250) })
    expect(blank).toHaveLength(INK_MAP_SIDE ** 2)
    expect(Math.max(...blank)).toBe(0)
    expect(likeness.ask(blank)).toEqual([])
  })
  test('pictures smaller than the map are read as well', () => {
    expect(inkMapOf({ widthPx: 3, heightPx: 2, pixels: Uint8Array.from([0, 255, 255, 255, 255, 255]) })[0]).toBe(255)
  })
  test('a removed picture is found no more, and a picture is not its own look-alike', () => {
    const own = new PictureLikeness()
    own.put('a', inkMapOf(drawing(1)))
    expect(own.ask(inkMapOf(drawing(1)), 'a')).toEqual([])
    own.remove('a')
    expect([own.size, own.ask(inkMapOf(drawing(1)))]).toEqual([0, []])
  })
})
