import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankBrand, blankHolding, type FilingRule, newTheme } from '#core/catalog'
import {
  best,
  COMPARED_RULES,
  drawFinds,
  type SimulatedHolder,
  type SimulatedRoom,
  simulateRule,
  START_ASSUMPTIONS,
  whatDecides,
} from './index'

const BRANDS = ['Copperlatch', 'Greywether', 'Tidewrack'].map((name, at) => blankBrand(`b${at}`, name))
const THEMES = ['Harbour', 'Kelp', 'Lights', 'Ropes'].map((name, at) => newTheme(`t${at}`, name, []))
const authority = {
  brands: new Map(BRANDS.map(each => [each.id, each])),
  themes: new Map(THEMES.map(each => [each.id, each])),
  categories: new Map(),
  kinds: new Map(),
}
const room = (list: readonly { theme: number; other: number | null; brand: number; used: number }[], laneMm = 60): SimulatedRoom => ({
  holders: list.map((each, at): SimulatedHolder => ({
    holding: {
      ...blankHolding({ id: `h${at}`, number: at + 1, seriesId: 's', name: `Set ${at}`, createdAt: '2026-01-01T00:00:00.000Z' }),
      brandId: `b${each.brand}`,
      themeIds: [`t${each.theme}`, ...(each.other === null || each.other === each.theme ? [] : [`t${each.other}`])],
    },
    timesUsed: each.used,
    lengthMm: 5,
    lane: Math.floor(at / 10),
    position: at % 10,
  })),
  lanesMm: Array.from({ length: 12 }, () => laneMm),
  reserve: 0.1,
  facts: { holdings: new Map(), authority },
})
const sets = fc.array(fc.record({ theme: fc.nat(3), other: fc.option(fc.nat(3), { nil: null }), brand: fc.nat(2), used: fc.nat(9) }), {
  minLength: 1,
  maxLength: 60,
})
const rules = fc.constantFrom(...COMPARED_RULES)
const [byTheme, byBrand] = [COMPARED_RULES[0], COMPARED_RULES[1]] as [FilingRule, FilingRule]
const byNumber = COMPARED_RULES.at(-1) as FilingRule

describe('which way of filing suits', () => {
  test('the same seed gives the same answer; nothing is found by opening less than one (property)', () => {
    fc.assert(
      fc.property(sets, rules, fc.nat(99), (list, rule, seed) => {
        const assumptions = { ...START_ASSUMPTIONS, seed, draws: 60 }
        const [one, other] = [simulateRule(room(list), rule, assumptions), simulateRule(room(list), rule, assumptions)]
        expect(one).toEqual(other)
        expect(one.withIndex.opened).toBe(1)
        expect(one.withoutIndex.opened).toBeGreaterThanOrEqual(1)
        expect(one.withIndex.flipped).toBeLessThanOrEqual(list.length)
        expect(one.movesNow).toBeLessThanOrEqual(list.length)
      }),
      { numRuns: 60 },
    )
  })
  test('groups counted by hand: how many, how many of one or two, how many parted over lanes (property)', () => {
    fc.assert(
      fc.property(sets, list => {
        const result = simulateRule(room(list), byBrand, { ...START_ASSUMPTIONS, draws: 1 })
        const counts = [0, 1, 2].map(brand => list.filter(each => each.brand === brand).length)
        expect(result.groups).toBe(counts.filter(count => count > 0).length)
        expect(result.smallGroups).toBe(counts.filter(count => count === 1 || count === 2).length)
        // Ten to a lane of 60 mm with a tenth kept free: 54 mm take ten of 5 mm.
        let from = 0
        const parted = counts.filter(count => {
          const to = from + count
          const isParted = count > 0 && Math.floor(from / 10) !== Math.floor((to - 1) / 10)
          from = to
          return isParted
        }).length
        expect(result.splitGroups).toBe(parted)
        expect(result.lanesNeeded).toBe(Math.ceil(list.length / 10))
      }),
      { numRuns: 80 },
    )
  })
  test('sets that could stand in several places are those of several themes, by theme alone', () => {
    const list = [
      { theme: 0, other: 1, brand: 0, used: 0 },
      { theme: 0, other: null, brand: 1, used: 0 },
    ]
    expect(
      [byTheme, byBrand, byNumber].map(rule => simulateRule(room(list), rule, { ...START_ASSUMPTIONS, draws: 5 }).belongTwice),
    ).toEqual([1, 0, 0])
  })
  test('by number nothing is ever re-filed; a room in that order already needs no move', () => {
    const list = Array.from({ length: 40 }, (_, at) => ({ theme: at % 4, other: null, brand: at % 3, used: 1 }))
    expect(simulateRule(room(list), byNumber, START_ASSUMPTIONS)).toMatchObject({ movesNow: 0, movesPerHundred: 0, groups: 0 })
    expect(simulateRule(room(list, 52), byTheme, START_ASSUMPTIONS).movesPerHundred).toBeGreaterThan(0)
  })
  test('who looks by brand without an index is served best by brand, who looks by theme by theme', () => {
    const list = Array.from({ length: 60 }, (_, at) => ({ theme: at % 4, other: null, brand: Math.floor(at / 4) % 3, used: 1 }))
    const winner = (habits: typeof START_ASSUMPTIONS.habits) =>
      best(
        [byTheme, byBrand, byNumber].map(rule => simulateRule(room(list), rule, { ...START_ASSUMPTIONS, habits, newPerYear: 0 })),
        false,
      )?.rule
    expect(winner({ theme: 1, brand: 0, itself: 0 })).toBe(byTheme)
    expect(winner({ theme: 0, brand: 1, itself: 0 })).toBe(byBrand)
    const assumptions = { ...START_ASSUMPTIONS, newPerYear: 0 }
    const results = [byTheme, byBrand, byNumber].map(rule => simulateRule(room(list), rule, assumptions))
    const decisions = new Map(whatDecides(room(list), results, assumptions, () => undefined).map(each => [each.change, each.withoutIndex]))
    expect([decisions.get('alwaysTheme'), decisions.get('alwaysBrand')]).toEqual([0, 1])
  })
  test('under a later key every group in front costs a look at its tab (counted by hand)', () => {
    // Copperlatch: Harbour, Kelp; Greywether: Harbour, Kelp.
    const list = [0, 1, 0, 1].map((theme, at) => ({ theme, other: null, brand: Math.floor(at / 2), used: 1 }))
    const assumptions = { ...START_ASSUMPTIONS, habits: { theme: 1, brand: 0, itself: 0 }, draws: 50 }
    const finds = drawFinds(room(list).holders, assumptions.habits, 50, assumptions.seed)
    // In the first brand: one tab and the set; in the second: two tabs, the set of the first, and the set.
    const flipped = finds.reduce((sum, find) => sum + (find.at < 2 ? 2 : 4), 0) / 50
    const [byBrandTheme] = COMPARED_RULES.filter(rule => rule.keys.map(key => key.by).join() === 'brand,theme,name')
    expect(simulateRule(room(list), byBrandTheme as FilingRule, assumptions).withoutIndex.flipped).toBeCloseTo(flipped, 9)
  })
  test('finds are drawn by how often a set is used (seed 5)', () => {
    const holdings = room([
      { theme: 0, other: null, brand: 0, used: 9 },
      { theme: 1, other: null, brand: 1, used: 0 },
    ]).holders
    const finds = drawFinds(holdings, { theme: 1, brand: 1, itself: 0 }, 4000, 5)
    expect(finds.filter(find => find.at === 0).length / 4000).toBeCloseTo(10 / 11, 1)
    expect(finds.filter(find => find.known === 'theme').length / 4000).toBeCloseTo(0.5, 1)
  })
})
