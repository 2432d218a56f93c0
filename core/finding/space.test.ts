import { describe, expect, test } from '@jest/globals'
import * as fc from 'fast-check'
import { fitsSpace } from './index'

type Piece = Parameters<typeof fitsSpace>[0] extends Iterable<infer Each> ? (Each extends { pieces: (infer P)[] } ? P : never) : never
const side = fc.integer({ min: 1, max: 90 })
const size = fc.record({ widthMm: side, heightMm: side })
const sets = fc.array(
  fc.record({
    size: fc.option(size, { nil: null }),
    pieces: fc.array(fc.record({ size: fc.option(size, { nil: null }), isMissing: fc.boolean() }), { maxLength: 4 }),
  }),
  { maxLength: 8 },
)
const made = (set: number, pieces: readonly { size: Piece['size']; isMissing: boolean }[]): Piece[] =>
  pieces.map((piece, at) => ({ id: `${set} ${at}`, words: [], at: null, pictureHash: null, livesWithId: null, ...piece }))

describe('what fits a space', () => {
  test('is what covers no field outside of it, straight or turned, tried field by field', () => {
    fc.assert(
      fc.property(sets, size, (all, space) => {
        const holdings = all.map((set, at) => ({ id: `set ${at}`, size: set.size, pieces: made(at, set.pieces) }))
        /** Lays a rectangle at the corner of the space and looks at each millimetre of it. */
        const lies = (w: number, h: number): boolean => {
          for (let x = 0; x < w; x += 1) for (let y = 0; y < h; y += 1) if (x >= space.widthMm || y >= space.heightMm) return false
          return true
        }
        const expected = holdings.flatMap(({ id, size: whole, pieces }) => {
          const measured = pieces.flatMap(piece => (piece.size ? [{ ...piece, size: piece.size }] : []))
          const ofWhole = whole ? [{ key: id, size: whole }] : []
          const ofPieces = measured.filter(piece => !piece.isMissing).map(piece => ({ key: piece.id, size: piece.size }))
          const candidates = measured.length > 0 ? ofPieces : ofWhole
          return candidates.flatMap(({ key, size: { widthMm, heightMm } }) => {
            if (lies(widthMm, heightMm)) return [`${key} straight`]
            return lies(heightMm, widthMm) ? [`${key} turned`] : []
          })
        })
        const { fits, unmeasuredIds } = fitsSpace(holdings, space)
        expect(fits.map(fit => `${fit.pieceId ?? fit.holdingId} ${fit.isTurned ? 'turned' : 'straight'}`).sort()).toEqual(expected.sort())
        for (const [at, fit] of fits.entries()) expect(fit.fill).toBeLessThanOrEqual(fits[at - 1]?.fill ?? 1)
        // Every set is answered for: a piece fits, its pieces are too large or missing, or nobody has measured it.
        for (const { id, pieces } of holdings)
          expect(unmeasuredIds.includes(id)).toBe(pieces.every(piece => !piece.size) && !fits.some(fit => fit.holdingId === id))
      }),
      { numRuns: 300 },
    )
  })

  test('a hundredth of a millimetre is no difference, a tenth is', () => {
    const holdings = [{ id: 's', size: null, pieces: made(0, [{ size: { widthMm: 50.8, heightMm: 38.1 }, isMissing: false }]) }]
    expect(fitsSpace(holdings, { widthMm: 50.795, heightMm: 38.1 }).fits).toHaveLength(1)
    expect(fitsSpace(holdings, { widthMm: 50.7, heightMm: 38.1 }).fits).toHaveLength(0)
    expect(fitsSpace(holdings, { widthMm: 38.1, heightMm: 50.8 }).fits[0]?.isTurned).toBe(true)
  })
})
