import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankHolding, type HolderType, START_HABITS, START_HOLDER_TYPES } from '#core/catalog'
import { EPSILON_MM } from '#core/units'
import { type Contents, contentsOf, cutsFor, filledThicknessMm, openingFor, shareHolder } from './index'

const INCH = 25.4
const named = (name: string): HolderType => ({ ...(START_HOLDER_TYPES.find(type => type.name === name) as HolderType), id: name, rank: 0 })
const clear = { family: 'stamp' as const, typicalThicknessMm: 5, mayTrim: true, mayCut: true }
const sheet = (widthMm: number, heightMm: number, thicknessMm = 3): Contents => ({
  widthMm,
  heightMm,
  thicknessMm,
  layers: [{ of: 'set', mm: thicknessMm }],
  pieces: [],
  packaged: null,
  mayRearrange: false,
  mayTrim: true,
  mayCut: true,
})
const sides = fc.double({ min: 15, max: 120, noNaN: true })
const small = fc.record({ w: sides, h: sides, t: fc.double({ min: 0.5, max: 5, noNaN: true }) }).map(({ w, h, t }) => sheet(w, h, t))

/** Two lengths closer than the house's tolerance are one length; the rest is what sums of decimals leave. */
const SAME_MM = EPSILON_MM + 1e-9

describe('small sets that share a holder', () => {
  test('those that share lie inside the opening, none over another; the first is always among them (property)', () => {
    fc.assert(
      fc.property(
        fc.array(small, { minLength: 1, maxLength: 7 }),
        fc.constantFrom('pocket 6 x 9', 'pocket 7 x 10', 'thin large sleeve'),
        (sets, name) => {
          const type = named(name)
          const shared = shareHolder(sets, type)
          if (!shared) return
          expect(shared.members[0]).toBe(0)
          expect(shared.members.length).toBeGreaterThan(1)
          const opening = openingFor(type, Math.max(...shared.members.map(at => sets[at]?.thicknessMm ?? 0)), true)
          for (const [at, laid] of shared.laid.entries()) {
            expect(laid.xMm).toBeGreaterThanOrEqual(-SAME_MM)
            expect(laid.xMm + laid.widthMm).toBeLessThanOrEqual((opening?.widthMm ?? 0) + SAME_MM)
            expect(laid.yMm + laid.heightMm).toBeLessThanOrEqual((opening?.heightMm ?? 0) + SAME_MM)
            for (const other of shared.laid.slice(at + 1)) {
              const isApart =
                laid.xMm + laid.widthMm <= other.xMm + SAME_MM ||
                other.xMm + other.widthMm <= laid.xMm + SAME_MM ||
                laid.yMm + laid.heightMm <= other.yMm + SAME_MM ||
                other.yMm + other.heightMm <= laid.yMm + SAME_MM
              expect(isApart).toBe(true)
            }
          }
        },
      ),
      { numRuns: 60 },
    )
  })
  test('nothing shares with a set that does not go in itself, or fills it', () => {
    expect(shareHolder([sheet(400, 400), sheet(20, 20)], named('pocket 6 x 9'))).toBeNull()
    expect(shareHolder([sheet(6 * INCH, 9 * INCH, 0.5), sheet(40, 40, 0.5)], named('pocket 6 x 9'))).toBeNull()
    expect(shareHolder([], named('pocket 6 x 9'))).toBeNull()
  })
})

describe('what goes in, and what is cut for it', () => {
  const holding = (more: Partial<ReturnType<typeof blankHolding>> = {}) => ({
    ...blankHolding({ id: 'h', number: 1, seriesId: 's', name: 'Kelp', createdAt: '2026-01-01T00:00:00.000Z' }),
    size: { widthMm: 100, heightMm: 150 },
    ...more,
  })
  test('no habit makes it thinner, and every layer is counted once (property)', () => {
    fc.assert(
      fc.property(
        fc.record({
          insert: fc.boolean(),
          magnet: fc.boolean(),
          packaging: fc.constantFrom('keep' as const, 'none' as const),
          dies: fc.constantFrom('apart' as const, 'behind' as const),
        }),
        fc.boolean(),
        (habits, hasMatchingDie) => {
          const [bare, full] = [
            contentsOf(holding(), clear, { ...START_HABITS, insert: false }),
            contentsOf(holding({ hasMatchingDie }), clear, habits),
          ]
          expect(full?.thicknessMm).toBeGreaterThanOrEqual(bare?.thicknessMm ?? Infinity)
          expect(full?.layers.reduce((sum, layer) => sum + layer.mm, 0)).toBeCloseTo(full?.thicknessMm ?? 0, 9)
          expect(new Set(full?.layers.map(layer => layer.of)).size).toBe(full?.layers.length)
          expect(full?.layers.some(layer => layer.of === 'dies')).toBe(habits.dies === 'behind' && hasMatchingDie)
        },
      ),
    )
    expect(contentsOf(holding({ size: null }), clear, START_HABITS)).toBeNull()
  })
  test('a piece that is missing or lives elsewhere does not go in; a piece without a size leaves them all as they lie', () => {
    const piece = (more: object) => ({
      id: 'p',
      words: [],
      size: { widthMm: 20, heightMm: 30 },
      at: null,
      pictureHash: null,
      isMissing: false,
      livesWithId: null,
      ...more,
    })
    expect(
      contentsOf(holding({ pieces: [piece({}), piece({ isMissing: true }), piece({ livesWithId: 'other' })] }), clear, START_HABITS)
        ?.pieces,
    ).toHaveLength(1)
    expect(contentsOf(holding({ pieces: [piece({}), piece({ size: null })] }), clear, START_HABITS)?.pieces).toEqual([])
  })
  test('every cut goes into the opening that it is cut for, the thicker the contents the smaller (property)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...START_HOLDER_TYPES.filter(type => type.inner).map(type => type.name)),
        fc.double({ min: 0.5, max: 5, noNaN: true }),
        (name, thick) => {
          const [thin, thicker] = [
            cutsFor(named(name), thick, { ...START_HABITS, magnet: true }),
            cutsFor(named(name), thick + 1, { ...START_HABITS, magnet: true }),
          ]
          const inner = named(name).inner
          for (const cut of thin) {
            expect(cut.widthMm).toBeLessThan(inner?.widthMm ?? 0)
            expect(cut.heightMm).toBeLessThan(inner?.heightMm ?? 0)
            expect(thicker.find(each => each.of === cut.of)?.widthMm ?? 0).toBeLessThanOrEqual(cut.widthMm + 1e-9)
          }
          const [insert, magnet] = [thin.find(cut => cut.of === 'insert'), thin.find(cut => cut.of === 'magnet')]
          if (insert && magnet) expect(magnet.widthMm).toBeLessThan(insert.widthMm)
        },
      ),
    )
    expect(cutsFor(named('ring'), 3, START_HABITS)).toEqual([])
  })
  test('a filled holder is never thinner than what is in it (property)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...START_HOLDER_TYPES.map(type => type.name)),
        fc.double({ min: 0, max: 30, noNaN: true }),
        (name, mm) => {
          expect(filledThicknessMm(named(name), mm)).toBeGreaterThanOrEqual(mm)
        },
      ),
    )
  })
})
