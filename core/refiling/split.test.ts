import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Section } from '#core/catalog'
import {
  changedTabs,
  explainBreaks,
  leastLargestShare,
  planTabs,
  type SplitAims,
  type SplitBin,
  type SplitItem,
  splitRun,
  START_AIMS,
  START_TABS,
  type TabGroup,
  tabText,
} from './index'

const items = fc
  .array(fc.record({ lengthMm: fc.integer({ min: 1, max: 9 }), group: fc.constantFrom('a', 'b', 'c') }), { minLength: 1, maxLength: 9 })
  .map(list =>
    list
      .sort((x, y) => (x.group < y.group ? -1 : 1))
      .map((each, at): SplitItem => ({ ...each, subgroup: `${each.group}/${Math.floor(at / 2)}` })),
  )
const bins = fc.array(fc.record({ capacityMm: fc.integer({ min: 3, max: 30 }) }), { minLength: 1, maxLength: 4 })
const aims = fc.record({
  group: fc.integer({ min: 0, max: 5 }),
  subgroup: fc.integer({ min: 0, max: 3 }),
  container: fc.integer({ min: 0, max: 4 }),
  even: fc.integer({ min: 0, max: 4 }),
})

/** The price of a split as the aims say it, counted from nothing. */
function price(run: readonly SplitItem[], lanes: readonly SplitBin[], starts: readonly number[], want: SplitAims): number {
  const [total, have] = [run.reduce((sum, each) => sum + each.lengthMm, 0), lanes.reduce((sum, each) => sum + each.capacityMm, 0)]
  return lanes.reduce((sum, { capacityMm }, at) => {
    const [from, to] = [starts[at] ?? 0, starts[at + 1] ?? 0]
    if (from === to) return sum
    const used = run.slice(from, to).reduce((mm, each) => mm + each.lengthMm, 0)
    if (used > capacityMm) return Infinity
    const [front, behind] = [run[from - 1], run[from]]
    const cut = front && behind && front.group === behind.group ? want.group + (front.subgroup === behind.subgroup ? want.subgroup : 0) : 0
    return sum + cut + want.container + want.even * (used / capacityMm) * (used / total) * (have / total) * lanes.length
  }, 0)
}
/** Every way of cutting, one after the other. */
function everyStart(n: number, count: number): number[][] {
  const ways = (from: number, left: number): number[][] =>
    left === 0
      ? [[n]]
      : Array.from({ length: n - from + 1 }, (_, step) => from + step).flatMap(next => ways(next, left - 1).map(rest => [next, ...rest]))
  return ways(0, count - 1).map(rest => [0, ...rest])
}

describe('where to cut a run', () => {
  test('no way of cutting is cheaper (against every way), and every lane keeps to its length (property)', () => {
    fc.assert(
      fc.property(items, bins, aims, (run, lanes, want) => {
        const least = Math.min(...everyStart(run.length, lanes.length).map(starts => price(run, lanes, starts, want)))
        const plan = splitRun(run, lanes, want)
        if (!plan.ok) return expect(least).toBe(Infinity)
        expect(plan.starts).toHaveLength(lanes.length + 1)
        expect(price(run, lanes, plan.starts, want)).toBeCloseTo(least, 9)
        expect(plan.cost).toBeCloseTo(least, 9)
      }),
      { numRuns: 300 },
    )
  })
  // Skiena, The Algorithm Design Manual, the linear partition problem: its worked examples.
  test.each<[string, readonly number[], number]>([
    ['100 to 900 in three ranges', [100, 200, 300, 400, 500, 600, 700, 800, 900], 1700],
    ['1 to 9 in three ranges', [1, 2, 3, 4, 5, 6, 7, 8, 9], 17],
  ])('%s: the fullest holds %s', (_title, lengths, fullest) => {
    expect(leastLargestShare(lengths, [1, 1, 1])).toBe(fullest)
  })
  test('the fullest is never fuller than it must be (against every way, property)', () => {
    fc.assert(
      fc.property(items, bins, (run, lanes) => {
        const shares = everyStart(run.length, lanes.length).map(starts =>
          Math.max(
            ...lanes.map(
              ({ capacityMm }, at) => run.slice(starts[at], starts[at + 1]).reduce((sum, each) => sum + each.lengthMm, 0) / capacityMm,
            ),
          ),
        )
        expect(
          leastLargestShare(
            run.map(each => each.lengthMm),
            lanes.map(each => each.capacityMm),
          ),
        ).toBeCloseTo(Math.min(...shares), 9)
      }),
    )
  })
  test('what is too long is said, with what it needs', () => {
    const run = [4, 5, 6].map((lengthMm): SplitItem => ({ lengthMm, group: 'a', subgroup: 'a' }))
    expect(splitRun(run, [{ capacityMm: 5 }], START_AIMS)).toEqual({ ok: false, code: 'itemTooLong', index: 2, needMm: 6, haveMm: 5 })
    expect(splitRun(run, [{ capacityMm: 7 }, { capacityMm: 6 }], START_AIMS)).toEqual({
      ok: false,
      code: 'tooLong',
      needMm: 15,
      haveMm: 13,
    })
  })
  test('a cut between groups is taken before one inside, and each is explained', () => {
    const run = ['a', 'a', 'a', 'b', 'b', 'c', 'c', 'c', 'c'].map((group, at): SplitItem => ({
      lengthMm: 10,
      group,
      subgroup: `${group}${at}`,
    }))
    const lanes = [{ capacityMm: 45 }, { capacityMm: 45 }, { capacityMm: 45 }]
    const plan = splitRun(run, lanes, START_AIMS)
    if (!plan.ok) throw new Error(plan.code)
    expect(plan.starts).toEqual([0, 3, 5, 9])
    expect(explainBreaks(run, lanes, plan.starts)).toEqual([
      { bin: 1, start: 3, why: 'betweenGroups', group: 'b', usedMm: 30, freeMm: 15 },
      { bin: 2, start: 5, why: 'betweenGroups', group: 'c', usedMm: 20, freeMm: 25 },
    ])
    const long = run.map(each => ({ ...each, group: 'a', subgroup: 'a' }))
    const cut = splitRun(long, lanes, START_AIMS)
    expect(cut.ok && explainBreaks(long, lanes, cut.starts).map(each => each.why)).toEqual(['groupTooLong', 'groupTooLong'])
  })
})

const group = (id: string, holderHeightMm = 180): TabGroup => ({
  standsFor: { by: 'theme', id },
  title: `Theme ${id}`,
  beforeHolderId: `h${id}`,
  holderHeightMm,
})
const section = (id: string, colour: number): Section => ({
  id: `s${id}`,
  containerId: 'c',
  lane: 1,
  order: 'a0',
  title: `Theme ${id}`,
  colour,
  standsFor: { by: 'theme', id },
})

describe('divider tabs', () => {
  test('six colours stand left, centre, right, left, centre, right (common practice)', () => {
    const tabs = planTabs(
      ['1', '2', '3', '4', '5', '6'].map(id => group(id)),
      [],
      { widthMm: null, headroomMm: null },
      START_TABS,
    )
    expect(tabs.map(tab => tab.position)).toEqual([0, 1, 2, 0, 1, 2])
    expect(new Set(tabs.map(tab => tab.colour)).size).toBe(6)
  })
  test('after an insertion only the new tab changes, and it stands in front of neither neighbour (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 14 }), fc.nat(), (count, seed) => {
        const before = Array.from({ length: count }, (_, at) => group(String(at)))
        const first = planTabs(before, [], { widthMm: null, headroomMm: null }, START_TABS)
        const standing = first.map((tab, at) => section(String(at), tab.colour))
        const at = seed % (count + 1)
        const after = planTabs(
          [...before.slice(0, at), group('new'), ...before.slice(at)],
          standing,
          { widthMm: null, headroomMm: null },
          START_TABS,
        )
        const changes = changedTabs(after, standing)
        expect(changes.add.map(tab => tab.standsFor.id)).toEqual(['new'])
        expect([changes.takeOut, changes.rewrite, changes.stay]).toEqual([[], [], count])
        expect([after[at - 1]?.position, after[at + 1]?.position]).not.toContain(after[at]?.position)
      }),
    )
  })
  test('a blank too tall for short pockets is cut down; one that would hide or stand too tall is said', () => {
    const [short] = planTabs([group('1', 177.8)], [], { widthMm: 200, headroomMm: 285 }, START_TABS)
    // Common practice: 1 1/4 in comes off; here 8 1/2 in less the 7 in pocket and the tab.
    expect(short).toMatchObject({ blank: { widthMm: 139.7, heightMm: 215.9 }, fault: null })
    expect(short?.cutDownMm).toBeCloseTo(215.9 - 177.8 - 12.7, 9)
    expect(planTabs([group('1', 260)], [], { widthMm: 200, headroomMm: 265 }, START_TABS)[0]?.fault).toBe('tooTall')
    expect(planTabs([group('1', 270)], [], { widthMm: 200, headroomMm: null }, START_TABS)[0]).toMatchObject({
      fault: 'wouldHide',
      blank: null,
    })
  })
  test.each([
    ['Tide pools', null, 12, 'Tide pools'],
    ['Greywether Press', 'GREY', 8, 'GREY'],
    ['Letters home', null, 8, 'Let hom'],
    ['Botanicals', null, 4, 'Bota'],
  ])('%s on a tab', (title, abbreviation, most, text) => {
    expect(tabText(title, abbreviation, most)).toBe(text)
  })
})
