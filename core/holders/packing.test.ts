import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Size } from '#core/units'
import { packPieces } from './index'

const size = (widthMm: number, heightMm: number): Size => ({ widthMm, heightMm })

/** Every piece at every whole place, both ways round: only for whole sides, very slow, never wrong. */
function fitsSomehow(pieces: readonly Size[], into: Size): boolean {
  const taken: boolean[][] = Array.from({ length: into.heightMm }, () => Array.from({ length: into.widthMm }, () => false))
  const lay = (index: number): boolean => {
    const piece = pieces[index]
    if (!piece) return true
    for (const [width, height] of [
      [piece.widthMm, piece.heightMm],
      [piece.heightMm, piece.widthMm],
    ] as const) {
      for (let y = 0; y + height <= into.heightMm; y += 1) {
        for (let x = 0; x + width <= into.widthMm; x += 1) {
          const fields = Array.from({ length: width * height }, (_, at) => [y + Math.floor(at / width), x + (at % width)] as const)
          if (fields.some(([row, column]) => taken[row]?.[column])) continue
          for (const [row, column] of fields) (taken[row] as boolean[])[column] = true
          if (lay(index + 1)) return true
          for (const [row, column] of fields) (taken[row] as boolean[])[column] = false
        }
      }
    }
    return false
  }
  return lay(0)
}

describe('packing pieces', () => {
  const whole = fc.integer({ min: 1, max: 5 })
  test('exact on small cases: the same answer as trying every place (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(whole, whole), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 2, max: 7 }),
        fc.integer({ min: 2, max: 7 }),
        (sides, width, height) => {
          const pieces = sides.map(([w, h]) => size(w, h))
          const packing = packPieces(pieces, size(width, height))
          expect(packing.ok).toBe(fitsSomehow(pieces, size(width, height)))
          if (!packing.ok) expect(packing.isCertain).toBe(true)
        },
      ),
      { numRuns: 400 },
    )
  })

  test('what is laid lies inside, none over another, each with its own sides (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 5, max: 60, noNaN: true }), fc.double({ min: 5, max: 60, noNaN: true })), { maxLength: 9 }),
        sides => {
          const [pieces, into] = [sides.map(([w, h]) => size(w, h)), size(123, 175.8)]
          const packing = packPieces(pieces, into)
          if (!packing.ok) return
          expect(packing.laid.map(each => each.index)).toEqual(pieces.map((_, index) => index))
          packing.laid.forEach((each, at) => {
            const piece = pieces[at] ?? size(0, 0)
            expect(each.isTurned ? size(each.heightMm, each.widthMm) : size(each.widthMm, each.heightMm)).toEqual(piece)
            expect(Math.min(each.xMm, each.yMm)).toBeGreaterThanOrEqual(0)
            expect(each.xMm + each.widthMm).toBeLessThanOrEqual(into.widthMm + 0.02)
            expect(each.yMm + each.heightMm).toBeLessThanOrEqual(into.heightMm + 0.02)
            for (const other of packing.laid.slice(at + 1)) {
              const isApart =
                each.xMm + each.widthMm <= other.xMm + 0.02 ||
                other.xMm + other.widthMm <= each.xMm + 0.02 ||
                each.yMm + each.heightMm <= other.yMm + 0.02 ||
                other.yMm + other.heightMm <= each.yMm + 0.02
              expect(isApart).toBe(true)
            }
          })
        },
      ),
    )
  })

  test('a pinwheel, which no straight cut divides, is found', () => {
    expect(packPieces([size(3, 2), size(2, 3), size(3, 2), size(2, 3), size(1, 1)], size(5, 5)).ok).toBe(true)
  })
})
