import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { afterStep, type Aim, idsOf, type LanesNow, longestIncreasing, type MovesPlan, planMoves, setDowns, type Shelf } from './index'

const TABLE = 'table'
interface Puzzle {
  readonly shelves: readonly Shelf[]
  readonly aim: Aim
  readonly lengthOf: (id: string) => number
}

/** Lanes with some holders, and the same holders in other lanes in another order; each lane long enough for what it has and gets. */
function puzzle(most: number): fc.Arbitrary<Puzzle> {
  return fc
    .record({
      count: fc.integer({ min: 1, max: most }),
      lanes: fc.integer({ min: 1, max: 3 }),
      seed: fc.infiniteStream(fc.nat(997)),
      spareMm: fc.integer({ min: 0, max: 30 }),
    })
    .map(({ count, lanes, seed, spareMm }) => {
      const draw = (below: number): number => {
        const { value } = seed.next()
        return Number(value) % below
      }
      const ids = Array.from({ length: count }, (_, at) => `h${at}`)
      const lengths = new Map(ids.map(id => [id, 1 + draw(9)]))
      const lengthOf = (id: string): number => lengths.get(id) ?? 0
      const deal = (): string[][] => {
        const dealt = Array.from({ length: lanes }, (): string[] => [])
        for (const id of ids) {
          const lane = dealt[draw(lanes)] as string[]
          lane.splice(draw(lane.length + 1), 0, id)
        }
        return dealt
      }
      const [now, then] = [deal(), deal()]
      const sum = (some: readonly string[] | undefined): number => (some ?? []).reduce((mm, id) => mm + lengthOf(id), 0)
      const shelves = now.map((some, at): Shelf => ({
        key: `L${at}`,
        capacityMm: 5 + Math.max(sum(some), sum(then[at])) + spareMm,
        othersMm: 5,
        ids: some,
      }))
      return { shelves, aim: new Map(then.map((some, at) => [`L${at}`, some])), lengthOf }
    })
}

/** Does every step on paper: each holder is where the step says, comes out in one piece, and nothing is ever too full. */
function replay({ shelves, lengthOf }: Puzzle, plan: Extract<MovesPlan, { ok: true }>, tableMm: number): Map<string, string[]> {
  const rows = new Map(shelves.map(shelf => [shelf.key, [...shelf.ids]]))
  if (!rows.has(TABLE)) rows.set(TABLE, [])
  const capacity = new Map([...shelves.map(shelf => [shelf.key, shelf.capacityMm - shelf.othersMm] as const), [TABLE, tableMm] as const])
  for (const step of plan.steps) {
    const [from, to] = [rows.get(step.from) as string[], rows.get(step.to) as string[]]
    for (const { ids } of step.parts) {
      const at = from.indexOf(ids[0] ?? '')
      expect(from.slice(at, at + ids.length)).toEqual(ids)
      from.splice(at, ids.length)
    }
    for (const { ids, behindId } of step.parts) {
      const behind = behindId === null ? -1 : to.indexOf(behindId)
      if (behindId !== null) expect(behind).toBeGreaterThanOrEqual(0)
      to.splice(step.to === TABLE ? to.length : behind + 1, 0, ...ids)
    }
    expect(to.reduce((mm, id) => mm + lengthOf(id), 0)).toBeLessThanOrEqual((capacity.get(step.to) ?? 0) + 1e-6)
  }
  return rows
}
/** As many as can stay: of every choice of holders the largest that are in their lane already, in its order. */
function mostThatStay({ shelves, aim }: Puzzle): number {
  return shelves.reduce((sum, { key, ids }) => {
    const order = new Map((aim.get(key) ?? []).map((id, at) => [id, at]))
    let most = 0
    for (let choice = 0; choice < 2 ** ids.length; choice += 1) {
      const places = ids.filter((_, at) => (choice >> at) & 1).map(id => order.get(id))
      if (places.every((place, at) => place !== undefined && (at === 0 || place > (places[at - 1] ?? -1))))
        most = Math.max(most, places.length)
    }
    return sum + most
  }, 0)
}

/** As long as what stands in a lane now, and what shall stand there. */
const full = ({ aim, lengthOf }: Puzzle, { key, othersMm, ids }: Shelf): number => {
  const sum = (some: readonly string[]): number => some.reduce((mm, id) => mm + lengthOf(id), othersMm)
  return Math.max(sum(ids), sum(aim.get(key) ?? []))
}
/** The least table with which it goes at all, each holder carried alone: of all orders, by the widest way through all states. */
function leastTable({ shelves, aim, lengthOf }: Puzzle): number {
  const goal = new Map([...aim].flatMap(([key, ids]) => ids.map(id => [id, key] as const)))
  const home = new Map(shelves.flatMap(({ key, ids }) => ids.map(id => [id, key] as const)))
  const moving = [...home.keys()].filter(id => home.get(id) !== goal.get(id))
  // Each is at its old place (0), on the table (1), or where it shall be (2).
  const start = moving.map(() => 0)
  const best = new Map([[start.join(''), 0]])
  const queue = [{ state: start, mm: 0 }]
  for (;;) {
    queue.sort((a, b) => a.mm - b.mm)
    const now = queue.shift()
    if (!now) throw new Error('no way')
    if (now.state.every(each => each === 2)) return now.mm
    const used = (key: string): number => {
      const shelf = shelves.find(each => each.key === key)
      const stay = (shelf?.ids ?? []).filter(id => !moving.includes(id)).reduce((sum, id) => sum + lengthOf(id), shelf?.othersMm ?? 0)
      return moving.reduce((sum, id, at) => sum + ([home.get(id), '', goal.get(id)][now.state[at] ?? 0] === key ? lengthOf(id) : 0), stay)
    }
    const lying = moving.reduce((sum, id, at) => sum + (now.state[at] === 1 ? lengthOf(id) : 0), 0)
    moving.forEach((id, at) => {
      for (const to of [[1, 2], [2], []][now.state[at] ?? 0] ?? []) {
        const key = goal.get(id) ?? ''
        if (to === 2 && used(key) + lengthOf(id) > (shelves.find(each => each.key === key)?.capacityMm ?? 0)) continue
        const state = now.state.map((each, index) => (index === at ? to : each))
        const mm = Math.max(now.mm, to === 1 ? lying + lengthOf(id) : 0)
        if (mm >= (best.get(state.join('')) ?? Infinity)) continue
        best.set(state.join(''), mm)
        queue.push({ state, mm })
      }
    })
  }
}

describe('re-filing in the fewest moves', () => {
  test('no fewer can be lifted (against every choice of what stays, up to eight holders; property)', () => {
    fc.assert(
      fc.property(puzzle(8), each => {
        const plan = planMoves(each.shelves, each.aim, each.lengthOf, { armfulMm: 20, table: { key: TABLE, capacityMm: 1000 } })
        if (!plan.ok) throw new Error(plan.code)
        expect(plan.stay).toBe(mostThatStay(each))
        expect(plan.stay + plan.move).toBe([...each.aim.values()].flat().length)
        expect(new Set(plan.steps.flatMap(idsOf)).size).toBe(plan.move)
      }),
      { numRuns: 200 },
    )
  })
  test('done step by step it comes out as aimed at; nothing is ever too full, and no armful too large (property)', () => {
    fc.assert(
      fc.property(puzzle(40), fc.integer({ min: 0, max: 25 }), fc.integer({ min: 9, max: 40 }), (each, tableMm, armfulMm) => {
        const plan = planMoves(each.shelves, each.aim, each.lengthOf, { armfulMm, table: { key: TABLE, capacityMm: tableMm } })
        if (!plan.ok) return expect(plan.code).toBe('tableTooSmall')
        const rows = replay(each, plan, tableMm)
        for (const [key, ids] of each.aim) expect(rows.get(key)).toEqual(ids)
        expect(rows.get(TABLE)).toEqual([])
        expect(
          plan.steps.reduce<LanesNow>(
            (lanes, step) => afterStep(lanes, step, TABLE),
            new Map([[TABLE, []], ...each.shelves.map(shelf => [shelf.key, shelf.ids] as const)]),
          ),
        ).toEqual(rows)
        for (const step of plan.steps) expect(step.lengthMm).toBeLessThanOrEqual(armfulMm)
        // Told part by part where it is set down, it comes out the same; what follows each other is told once.
        let lanes: LanesNow = new Map([[TABLE, []], ...each.shelves.map(shelf => [shelf.key, shelf.ids] as const)])
        for (const step of plan.steps.filter(({ to }) => to !== TABLE)) {
          lanes = new Map([...lanes, [step.from, [...new Set([...(lanes.get(step.from) ?? []), ...idsOf(step)])]]])
          const told = setDowns(step)
          expect(afterStep(lanes, { ...step, parts: told }, TABLE)).toEqual(afterStep(lanes, step, TABLE))
          expect(told.every(({ behindId }, at) => at === 0 || behindId !== told[at - 1]?.ids.at(-1))).toBe(true)
          lanes = afterStep(lanes, step, TABLE)
        }
        expect(plan.lifts).toBeGreaterThanOrEqual(plan.move)
      }),
      { numRuns: 300 },
    )
  })
  test('stopped anywhere and worked out anew, it goes on and never lifts more than was left (property)', () => {
    fc.assert(
      fc.property(puzzle(20), fc.nat(30), (each, stop) => {
        const limits = { armfulMm: 15, table: { key: TABLE, capacityMm: 500 } }
        const plan = planMoves(each.shelves, each.aim, each.lengthOf, limits)
        if (!plan.ok) throw new Error(plan.code)
        const done = plan.steps.slice(0, stop)
        const rows = replay(each, { ...plan, steps: done }, 500)
        const now: Puzzle = {
          ...each,
          shelves: [
            ...each.shelves.map(shelf => ({ ...shelf, ids: rows.get(shelf.key) ?? [] })),
            { key: TABLE, capacityMm: 500, othersMm: 0, ids: rows.get(TABLE) ?? [] },
          ],
        }
        const rest = planMoves(now.shelves, each.aim, each.lengthOf, limits)
        if (!rest.ok) throw new Error(rest.code)
        expect(rest.move).toBeLessThanOrEqual(new Set(plan.steps.slice(stop).flatMap(idsOf)).size)
        const after = replay(now, rest, 500)
        for (const [key, ids] of each.aim) expect(after.get(key)).toEqual(ids)
      }),
      { numRuns: 200 },
    )
  })
  test('what needs no table asks for none: an armful is parted where a part of it fits', () => {
    const lengths: Readonly<Record<string, number>> = { h0: 4, h1: 5, h2: 6 }
    const shelves: Shelf[] = [
      { key: 'L0', capacityMm: 12, othersMm: 0, ids: ['h0'] },
      { key: 'L1', capacityMm: 12, othersMm: 0, ids: ['h1', 'h2'] },
    ]
    const aim = new Map([
      ['L0', ['h1', 'h2']],
      ['L1', ['h0']],
    ])
    const each = { shelves, aim, lengthOf: (id: string) => lengths[id] ?? 0 }
    const plan = planMoves(shelves, aim, each.lengthOf, { armfulMm: 50, table: { key: TABLE, capacityMm: 1 } })
    if (!plan.ok) throw new Error(plan.code)
    expect(plan.lifts).toBe(3)
    expect(replay(each, plan, 1).get('L0')).toEqual(['h1', 'h2'])
  })
  test('the table that is asked for is enough, and no more is asked than moving one by one needs (every order tried; property)', () => {
    let refused = 0
    fc.assert(
      fc.property(puzzle(6), fc.integer({ min: 0, max: 4 }), (each, tableMm) => {
        const tight = {
          ...each,
          shelves: each.shelves.map(shelf => ({ ...shelf, capacityMm: Math.max(shelf.capacityMm - 20, full(each, shelf)) })),
        }
        const asked = (capacityMm: number) =>
          planMoves(tight.shelves, tight.aim, tight.lengthOf, { armfulMm: 20, table: { key: TABLE, capacityMm } })
        const plan = asked(tableMm)
        if (plan.ok) return void replay(tight, plan, tableMm)
        if (plan.code !== 'tableTooSmall') throw new Error(plan.code)
        refused += 1
        expect(plan.needMm).toBeGreaterThan(tableMm)
        const enough = asked(plan.needMm)
        if (!enough.ok) throw new Error(`asked for ${plan.needMm}, and that is not enough`)
        replay(tight, enough, plan.needMm)
        expect(plan.needMm).toBe(leastTable(tight))
      }),
      { numRuns: 600, seed: 17 },
    )
    expect(refused).toBeGreaterThan(30)
  })
  test('of many: the table that is asked for is enough (property)', () => {
    fc.assert(
      fc.property(puzzle(30), each => {
        const tight = { ...each, shelves: each.shelves.map(shelf => ({ ...shelf, capacityMm: full(each, shelf) })) }
        const asked = (capacityMm: number) =>
          planMoves(tight.shelves, tight.aim, tight.lengthOf, { armfulMm: 20, table: { key: TABLE, capacityMm } })
        const plan = asked(0)
        if (plan.ok || plan.code !== 'tableTooSmall') return
        const enough = asked(plan.needMm)
        if (!enough.ok) throw new Error(`asked for ${plan.needMm}, and that is not enough`)
        replay(tight, enough, plan.needMm)
      }),
      { numRuns: 150 },
    )
  })
  test('two full lanes that change places need the table, and it is said how much of it', () => {
    const shelves: Shelf[] = [
      { key: 'A', capacityMm: 10, othersMm: 0, ids: ['a'] },
      { key: 'B', capacityMm: 10, othersMm: 0, ids: ['b'] },
    ]
    const aim = new Map([
      ['A', ['b']],
      ['B', ['a']],
    ])
    expect(planMoves(shelves, aim, () => 10, { armfulMm: 50, table: { key: TABLE, capacityMm: 4 } })).toEqual({
      ok: false,
      code: 'tableTooSmall',
      needMm: 10,
      haveMm: 4,
    })
    const plan = planMoves(shelves, aim, () => 10, { armfulMm: 50, table: { key: TABLE, capacityMm: 10 } })
    expect(plan).toMatchObject({ ok: true, move: 2, lifts: 3 })
  })
  test('what cannot stand where it is aimed at is said before anything is lifted', () => {
    expect(
      planMoves(
        [
          { key: 'A', capacityMm: 10, othersMm: 2, ids: [] },
          { key: 'B', capacityMm: 30, othersMm: 0, ids: ['a', 'b'] },
        ],
        new Map([['A', ['a', 'b']]]),
        () => 5,
        { armfulMm: 50, table: { key: TABLE, capacityMm: 10 } },
      ),
    ).toEqual({ ok: false, code: 'laneTooShort', lane: 'A', needMm: 12, haveMm: 10 })
  })
  test('nothing to do is no step', () => {
    expect(
      planMoves([{ key: 'A', capacityMm: 10, othersMm: 0, ids: ['a', 'b'] }], new Map([['A', ['a', 'b']]]), () => 5, {
        armfulMm: 5,
        table: { key: TABLE, capacityMm: 0 },
      }),
    ).toEqual({ ok: true, steps: [], stay: 2, move: 0, lifts: 0 })
  })
})

test('longest increasing: rising, from the list, and none longer (against every choice, property)', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.nat(50), { maxLength: 10 }), values => {
      const found = longestIncreasing(values)
      found.slice(1).forEach((at, index) => {
        expect(at).toBeGreaterThan(found[index] ?? 0)
        expect(values[at]).toBeGreaterThan(values[found[index] ?? 0] ?? 0)
      })
      let longest = 0
      for (let choice = 0; choice < 2 ** values.length; choice += 1) {
        const some = values.filter((_, at) => (choice >> at) & 1)
        if (some.every((value, at) => at === 0 || value > (some[at - 1] ?? 0))) longest = Math.max(longest, some.length)
      }
      expect(found).toHaveLength(longest)
    }),
  )
})
