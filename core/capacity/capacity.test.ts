import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import {
  blankHolding,
  type Fixture,
  type Holder,
  type Holding,
  type Kind,
  type MeasuredLength,
  PLAIN_FIXTURE,
  START_LIFTING,
} from '#core/catalog'
import { arrangeContainer } from '#core/room'
import {
  arrivalsByZone,
  arrivalsOf,
  capOf,
  countsOf,
  learnThickness,
  liftOf,
  lightHarmed,
  nnls,
  oddLengths,
  outlookOf,
  shelfHeightMm,
  stickyBeside,
  thicknessKey,
  weightOf,
} from './index'

const KINDS: readonly Kind[] = [
  ['clear', 5, true],
  ['block', 25, false],
  ['die', 3, false],
].map(([id, mm, light], rank) => ({
  id: String(id),
  name: String(id),
  family: 'stamp',
  suffix: null,
  typicalThicknessMm: Number(mm),
  typicalWeightG: 50,
  isLightSensitive: Boolean(light),
  mayTrim: true,
  mayCut: true,
  rank,
}))
const kindOf = (id: string): Kind | undefined => KINDS.find(kind => kind.id === id)
const lengths = (list: readonly (readonly [number, Readonly<Record<string, number>>])[]): MeasuredLength[] =>
  list.map(([filledMm, counts], at) => ({
    id: `m${at}`,
    containerId: 'c',
    lane: 1,
    filledMm,
    at: '2026-11-01T00:00:00.000Z',
    stood: Object.entries(counts).map(([kindId, count]) => ({ kindId, holder: 'pocket' as const, count })),
  }))
const set = (id: string, more: Partial<Holding> = {}): Holding => ({
  ...blankHolding({ id, number: 1, seriesId: 's', name: id, createdAt: '2026-06-01T00:00:00.000Z' }),
  kindId: 'clear',
  ...more,
})
const held = (id: string, holdingIds: string[], type: Holder['type'] = 'pocket'): Holder => ({
  id,
  holderTypeId: null,
  type,
  containerId: 'c',
  lane: 1,
  order: `a${id}`,
  cell: null,
  somewhere: null,
  apartBecause: null,
  holdingIds,
})
const container = {
  id: 'c',
  fixtureId: 'f',
  shelf: 1,
  rank: 0,
  name: 'Bin 1',
  code: 'B1',
  type: 'bin' as const,
  lanes: 1,
  lengthMm: 300,
  inner: null,
  cells: null,
  zoneId: 'z',
  emptyWeightG: 400,
  isTable: false,
}

describe('non-negative least squares', () => {
  const matrix = fc
    .integer({ min: 1, max: 4 })
    .chain(n =>
      fc.tuple(
        fc.array(fc.array(fc.integer({ min: -5, max: 9 }), { minLength: n, maxLength: n }), { minLength: n, maxLength: 7 }),
        fc.array(fc.integer({ min: -20, max: 20 }), { minLength: 7, maxLength: 7 }),
      ),
    )
  const miss = (a: readonly (readonly number[])[], x: readonly number[], b: readonly number[]): number =>
    a.reduce((sum, row, at) => sum + (row.reduce((each, value, i) => each + value * (x[i] ?? 0), 0) - (b[at] ?? 0)) ** 2, 0)
  test('nothing is negative, and no change of one or two numbers misses by less (property)', () => {
    fc.assert(
      fc.property(matrix, ([a, b]) => {
        const x = nnls(a, b)
        const best = miss(a, x, b)
        for (const value of x) expect(value).toBeGreaterThanOrEqual(0)
        // Where the miss is least, no small step to the allowed side makes it less (the problem is convex).
        x.forEach((value, i) => {
          for (const step of [-1e-3, 1e-3])
            if (value + step >= 0)
              expect(
                miss(
                  a,
                  x.map((each, at) => (at === i ? each + step : each)),
                  b,
                ),
              ).toBeGreaterThanOrEqual(best - 1e-6)
        })
      }),
      { numRuns: 300 },
    )
  })
})

describe('thickness learnt from filled lengths', () => {
  test('enough lanes measured: the truth within the plus-or-minus that is said, nearly always (seeds 1 to 60)', () => {
    let [inside, all, wide] = [0, 0, 0]
    for (let seed = 1; seed <= 60; seed += 1) {
      let state = seed
      const draw = (): number => (state = (state * 48271) % 2147483647) / 2147483647
      const truth = { clear: 4 + 3 * draw(), block: 20 + 9 * draw(), die: 2 + 2 * draw() }
      const measured = lengths(
        Array.from({ length: 8 }, () => {
          const counts = { clear: 1 + Math.floor(draw() * 30), block: 1 + Math.floor(draw() * 6), die: 1 + Math.floor(draw() * 40) }
          return [
            counts.clear * truth.clear + counts.block * truth.block + counts.die * truth.die + (draw() + draw() + draw() - 1.5) * 6,
            counts,
          ] as const
        }),
      )
      for (const [kind, mm] of Object.entries(truth)) {
        const learnt = learnThickness(measured, kindOf).get(thicknessKey(kind, 'pocket'))
        all += 1
        if (learnt && Math.abs(learnt.mm - mm) <= learnt.plusMinusMm) inside += 1
        // Sure enough to be of use: about as wide as the errors are.
        if (learnt && Math.abs(learnt.mm - mm) <= learnt.plusMinusMm / 8) wide += 1
      }
    }
    expect(inside / all).toBeGreaterThan(0.93)
    expect(wide / all).toBeLessThan(0.5)
  })
  test('measures that contradict each other make it unsure: the same forty as 200 and as 120 mm', () => {
    const measured = lengths([
      [200, { clear: 40 }],
      [120, { clear: 40 }],
    ])
    const learnt = learnThickness(measured, kindOf).get('clear/pocket')
    expect(learnt?.mm).toBeCloseTo(4, 0)
    // Each lane says 5 or 3: the mean of the two is no surer than half of what lies between them.
    expect(learnt?.plusMinusMm).toBeGreaterThan(1)
    expect(
      learnThickness(
        lengths([
          [160, { clear: 40 }],
          [161, { clear: 40 }],
        ]),
        kindOf,
      ).get('clear/pocket')?.plusMinusMm,
    ).toBeLessThan(0.2)
  })
  test('one that the others contradict is pointed out, and no other (seeds 1 to 40)', () => {
    let told = 0
    for (let seed = 1; seed <= 40; seed += 1) {
      let state = seed
      const draw = (): number => (state = (state * 48271) % 2147483647) / 2147483647
      const honest = Array.from({ length: 8 }, () => {
        const counts = { clear: 10 + Math.floor(draw() * 20), die: 5 + Math.floor(draw() * 20) }
        return [counts.clear * 5.5 + counts.die * 2.6 + (draw() + draw() + draw() - 1.5) * 4, counts] as const
      })
      expect(oddLengths(lengths(honest), kindOf)).toEqual([])
      const [first, ...rest] = honest
      if (!first) throw new Error('lanes')
      const odd = oddLengths(lengths([[first[0] + 90, first[1]], ...rest]), kindOf)
      if (odd.length === 1 && odd[0]?.id === 'm0') told += 1
    }
    expect(told).toBeGreaterThanOrEqual(38)
  })
  test('one pure lane teaches its kind and leaves the others as is usual', () => {
    const table = learnThickness(
      lengths([
        [120, { clear: 30 }],
        [60, { clear: 5, block: 2 }],
      ]),
      kindOf,
    )
    expect(table.get('clear/pocket')).toMatchObject({ isLearnt: true })
    expect(table.get('clear/pocket')?.mm).toBeCloseTo(4, 0)
    expect(learnThickness([], kindOf).size).toBe(0)
    // A lane with one block among many says little of the block.
    expect(learnThickness(lengths([[140, { clear: 28, block: 1 }]]), kindOf).get('block/pocket')?.isLearnt).toBe(false)
  })
  test('the counts of a lane are what stands in it, shared holders included', () => {
    const row = arrangeContainer(container, [held('1', ['a', 'b']), held('2', ['c'], 'sleeve')], [])
    expect(countsOf(row, 1, id => set(id, { kindId: id === 'c' ? null : 'clear' }))).toEqual([
      { kindId: 'clear', holder: 'pocket', count: 2 },
      { kindId: null, holder: 'sleeve', count: 1 },
    ])
  })
})

describe('how long the room lasts', () => {
  const fill = (usedMm: number, lengthMm = 100) => ({ usedMm, lengthMm, share: usedMm / lengthMm, isMeasured: true })
  test.each([
    [50, 'room'],
    [85, 'reserve'],
    [97, 'full'],
    [104, 'over'],
  ])('%i of 100 mm: %s', (used, state) => {
    expect(outlookOf([fill(used)], 0.2, 10).state).toBe(state)
  })
  test('what one container has too much does not go into what another has free (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(200), { minLength: 1 }), used => {
        const outlook = outlookOf(
          used.map(each => fill(each)),
          0.1,
          12,
        )
        expect(outlook.freeMm - outlook.overMm).toBeCloseTo(used.length * 100 - outlook.usedMm, 6)
        expect(outlook.yearsLeft).toBeCloseTo(outlook.freeMm / 12, 9)
      }),
    )
    expect(outlookOf([fill(50)], 0, 0).yearsLeft).toBeNull()
  })
  test('the last year is counted from the day it came, as far as that is known', () => {
    const sets = ['2026-10-30', '2025-11', '2025', '2027-01-01', null].map((acquiredOn, at) =>
      set(String(at), { acquiredOn, createdAt: '2026-06-01T00:00:00.000Z' }),
    )
    expect(arrivalsOf(sets, '2026-11-25', () => 5)).toEqual({ sets: 2, mm: 10 })
  })
  test('the cap counts what is about to come', () => {
    expect(
      [capOf({ capHoldings: null }, 5), capOf({ capHoldings: 5 }, 4), capOf({ capHoldings: 5 }, 4, 1), capOf({ capHoldings: 5 }, 5, 1)].map(
        each => each.state,
      ),
    ).toEqual(['none', 'under', 'at', 'over'])
  })
})

describe('weight and care', () => {
  const fixture: Fixture = {
    id: 'f',
    name: 'Bookcase',
    type: 'bookcase',
    shelves: 3,
    rank: 0,
    ...PLAIN_FIXTURE,
    isSunlit: true,
    shelfHeightsMm: [1700, 700, 50],
  }
  test('a container weighs what it weighs empty, its holders and its sets', () => {
    const row = arrangeContainer(container, [{ ...held('1', ['a', 'b']), holderTypeId: 't' }], [])
    expect(weightOf(row, set, kindOf, () => ({ weightG: 12 }) as never)).toBe(400 + 12 + 100)
  })
  test('too heavy for the top shelf: the shelf at the height of the hands is proposed; a drawer is not lifted', () => {
    const lift = liftOf(container, 30_000, fixture, START_LIFTING)
    expect(lift?.index).toBeGreaterThan(1)
    expect(lift?.betterShelf).toBe(2)
    expect(liftOf(container, 2000, fixture, START_LIFTING)?.betterShelf).toBeNull()
    expect(liftOf({ ...container, type: 'drawer' }, 30_000, fixture, START_LIFTING)).toBeNull()
    expect(shelfHeightMm({ ...fixture, shelfHeightsMm: null }, 3)).toEqual({ mm: 80, isMeasured: false })
  })
  test('daylight and stickiness are pointed out where they harm', () => {
    const holdings = new Map(
      [set('a'), set('b', { kindId: 'block' }), set('s', { kindId: 'block', isSticky: true })].map(each => [each.id, each]),
    )
    const row = arrangeContainer(container, [held('1', ['a']), held('2', ['b']), held('3', ['s'], 'none')], [])
    expect(lightHarmed([row], new Map([['f', fixture]]), holdings, new Map(KINDS.map(each => [each.id, each])))).toMatchObject([
      { count: 1, kindIds: ['clear'] },
    ])
    expect(lightHarmed([row], new Map([['f', { ...fixture, isSunlit: false }]]), holdings, new Map())).toEqual([])
    expect(stickyBeside([row], holdings).map(each => each.besideIds)).toEqual([['b']])
    expect(stickyBeside([arrangeContainer(container, [held('1', ['a']), held('3', ['s'])], [])], holdings)).toEqual([])
  })
})

test('what came in by zone is together what came in, each set in the zone that takes it (property)', () => {
  const arrivals = fc.array(fc.record({ zone: fc.constantFrom('a', 'b', null), year: fc.constantFrom('2025-01-02', '2026-05-06') }), {
    maxLength: 20,
  })
  fc.assert(
    fc.property(arrivals, list => {
      const holdings = list.map((each, at) => ({
        ...blankHolding({ id: `h${at}`, number: at + 1, seriesId: 's', name: `Set ${at}`, createdAt: '2026-01-01T00:00:00.000Z' }),
        acquiredOn: each.year,
      }))
      const byZone = arrivalsByZone(
        holdings,
        '2026-06-01T00:00:00.000Z',
        ({ number }) => list[number - 1]?.zone ?? null,
        () => 3,
      )
      for (const zone of ['a', 'b']) {
        const sets = list.filter(each => each.zone === zone && each.year === '2026-05-06').length
        expect(byZone.get(zone) ?? { sets: 0, mm: 0 }).toEqual({ sets, mm: 3 * sets })
      }
    }),
  )
})
