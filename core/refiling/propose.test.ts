import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankHolding, type Holder, type Holding, START_HABITS } from '#core/catalog'
import { compareFilingKeys, filingKeyOf, proposePlace, type RoomFacts } from '#core/filing'
import { keysBehind } from '#core/room'
import { heapOf, outOfOrder, proposeRefiling, type RefilingQuestion, remainingRefiling } from './index'
import {
  authority,
  fixture,
  BY_BRAND,
  zone,
  bin,
  type Made,
  rooms,
  factsOf,
  question,
  title,
  carry,
  tableAt,
  refilingOf,
  standing,
  isOrdered,
} from '../../tests/support/refilingRooms'

describe('a re-filing from the question to the end', () => {
  test('worked out anew after every step, it ends in the order of the rule; every address names one set on the way (property)', () => {
    fc.assert(
      fc.property(rooms, start => {
        const proposal = proposeRefiling(factsOf(start), question(start), title)
        if (!proposal.ok) return expect(['nothingToFile', 'tooLong']).toContain(proposal.problem.code)
        const refiling = refilingOf(proposal)
        let made: Made = { ...start, containers: [...start.containers, tableAt] }
        const before = new Map(start.holders.filter(holder => holder.apartBecause !== null).map(holder => [holder.id, holder]))
        for (let round = 0; round < 200; round += 1) {
          const facts = factsOf(made)
          const { moves } = remainingRefiling(facts, refiling, 'apart', facts.room.rows.get('table') ?? null)
          if (!moves.ok) throw new Error(moves.code)
          const [step] = moves.steps
          if (!step) break
          made = carry(made, step)
          const spots = made.holders.map(holder => `${holder.containerId}/${holder.order}`)
          expect(new Set(spots).size).toBe(spots.length)
        }
        expect(isOrdered(standing(factsOf(made)), BY_BRAND)).toBe(true)
        for (const [id, holder] of before) expect(made.holders.find(each => each.id === id)).toEqual(holder)
      }),
      { numRuns: 60 },
    )
  })
  test('from a heap, and from a heap beside what stands there, it ends in the order of the rule with every set in (property)', () => {
    let begun = 0
    fc.assert(
      fc.property(rooms, fc.nat(30), (start, waiting) => {
        const halved = start.holdings.map((each, at) => ({ ...each, isCutInTwo: at % 11 === 5 }))
        const inHeap = halved.slice(0, waiting)
        const there = start.holders.filter(({ holdingIds }) => !inHeap.some(({ id }) => holdingIds.includes(id)))
        const bare: Made = { ...start, holdings: halved, holders: there }
        let made = 0
        const heap = heapOf(inHeap, () => `heap${(made += 1)}`)
        expect(heap.flatMap(({ holdingIds }) => holdingIds).sort()).toEqual(
          inHeap.flatMap(({ id, isCutInTwo }) => (isCutInTwo ? [id, id] : [id])).sort(),
        )
        const proposal = proposeRefiling(factsOf(bare), question(bare, { heap }), title)
        if (!proposal.ok) return expect(['nothingToFile', 'tooLong']).toContain(proposal.problem.code)
        begun += Number(heap.length > 0)
        let now: Made = {
          ...bare,
          containers: [...start.containers, tableAt],
          holders: [...there, ...heap.map(holder => ({ ...holder, containerId: 'table' }))],
        }
        for (let round = 0; round < 200; round += 1) {
          const facts = factsOf(now)
          const { moves } = remainingRefiling(facts, refilingOf(proposal), 'apart', facts.room.rows.get('table') ?? null)
          if (!moves.ok) throw new Error(moves.code)
          const [step] = moves.steps
          if (!step) break
          now = carry(now, step)
        }
        const after = factsOf(now)
        expect(after.room.rows.get('table')?.placements).toEqual([])
        expect(isOrdered(standing(after), BY_BRAND)).toBe(true)
        expect(outOfOrder(after.rows, BY_BRAND, 'apart', after)).toBe(0)
        // What was moved at all stands where the aim had it.
        for (const { containerId, holderIds } of proposal.lanes.map(lane => lane.target))
          expect(
            after.room.rows
              .get(containerId)
              ?.placements.filter(({ holder }) => holder.apartBecause === null)
              .map(({ holder }) => holder.id),
          ).toEqual(holderIds)
      }),
      { numRuns: 60 },
    )
    expect(begun).toBeGreaterThan(20)
  })
  test('the tabs: one in front of the first of each group of a lane, and no other (property)', () => {
    fc.assert(
      fc.property(rooms, made => {
        const facts = factsOf(made)
        const proposal = proposeRefiling(facts, question(made), title)
        if (!proposal.ok) return
        for (const { target } of proposal.lanes) {
          const brandOf = (id: string): string | null =>
            facts.holdings.get(made.holders.find(holder => holder.id === id)?.holdingIds[0] ?? '')?.brandId ?? null
          const firsts = target.holderIds.filter((id, at) => at === 0 || brandOf(id) !== brandOf(target.holderIds[at - 1] ?? ''))
          expect(target.tabs.map(tab => tab.beforeHolderId)).toEqual(firsts)
        }
      }),
      { numRuns: 60 },
    )
  })
  test('a set that came in meanwhile, and one that went; a container taken out: the aim follows (property)', () => {
    fc.assert(
      fc.property(rooms, fc.nat(2), fc.nat(1), (start, theme, brand) => {
        const proposal = proposeRefiling(factsOf(start), question(start), title)
        if (!proposal.ok || start.holders.length < 2) return
        const extra: Holding = {
          ...blankHolding({ id: 'new', number: 99, seriesId: 's', name: 'New', createdAt: '2026-01-01T00:00:00.000Z' }),
          themeIds: [`t${theme}`],
          brandId: `b${brand}`,
          thicknessMm: 3,
        }
        const came: Holder = {
          ...(start.holders[0] as Holder),
          id: 'onew',
          order: 'zz0',
          holdingIds: ['new'],
          somewhere: null,
          apartBecause: null,
        }
        const [, ...rest] = start.holders
        const last = start.containers.at(-1)?.id
        const made: Made = {
          containers: start.containers.filter(each => each.id !== last),
          holders: [...rest, came].map(holder => (holder.containerId === last ? { ...holder, containerId: 'c0' } : holder)),
          holdings: [...start.holdings, extra],
        }
        const facts = factsOf(made)
        const { lanes } = remainingRefiling(facts, refilingOf(proposal), 'apart', null)
        const aimed = lanes.flatMap(lane => lane.holderIds)
        expect([...aimed].sort()).toEqual(
          made.holders
            .filter(holder => holder.apartBecause === null)
            .map(holder => holder.id)
            .sort(),
        )
        expect(lanes.map(lane => lane.containerId)).not.toContain(last)
        // A tab stands in front of something that is there.
        for (const lane of lanes) for (const tab of lane.tabs) expect(lane.holderIds).toContain(tab.beforeHolderId)
        // The new one stands behind what belongs in front of it and in front of what belongs behind.
        const sets = aimed.flatMap(id => facts.holdings.get(made.holders.find(holder => holder.id === id)?.holdingIds[0] ?? '') ?? [])
        const at = sets.findIndex(set => set.id === 'new')
        const key = filingKeyOf(extra, BY_BRAND, authority)
        if (lanes.length === start.containers.length)
          expect(sets.slice(0, at).every(set => compareFilingKeys(filingKeyOf(set, BY_BRAND, authority), key) <= 0)).toBe(true)
      }),
      { numRuns: 60 },
    )
  })
  test('fewer containers than it needs is said; the reserve counts; even means that no lane is fuller than it must be', () => {
    const sets = Array.from({ length: 20 }, (_, at) => at)
    const holdings = sets.map((at): Holding => ({
      ...blankHolding({ id: `h${at}`, number: at + 1, seriesId: 's', name: `Set ${at}`, createdAt: '2026-01-01T00:00:00.000Z' }),
      themeIds: [`t${at % 3}`],
      brandId: `b${at % 2}`,
      thicknessMm: 3,
    }))
    const keys = keysBehind([], -1, 20)
    const made: Made = {
      containers: [bin(0), bin(1)],
      holdings,
      holders: sets.map((at): Holder => ({
        id: `o${at}`,
        holderTypeId: null,
        type: 'pocket',
        containerId: 'c0',
        lane: 1,
        order: keys[at] ?? '',
        cell: null,
        somewhere: null,
        apartBecause: null,
        holdingIds: [`h${at}`],
      })),
    }
    const ask = (more: Partial<RefilingQuestion>) => proposeRefiling(factsOf(made), question(made, more), title)
    expect(ask({ containerIds: ['c0'], reserve: 0.2 })).toMatchObject({ ok: false, problem: { code: 'tooLong', needMm: 60, haveMm: 48 } })
    expect(ask({ containerIds: [] })).toMatchObject({ ok: false, problem: { code: 'noLane' } })
    expect(ask({ aims: { group: 0, subgroup: 0, container: 9, even: 0 } })).toMatchObject({ ok: true, usedLanes: 1 })
    const even = ask({ isEven: true })
    expect(even.ok && even.lanes.map(lane => lane.usedMm)).toEqual([30, 30])
  })
  test('even before anything else: no cut of the run into lanes has a less full fullest lane (property, every cut tried)', () => {
    // Groups are worth keeping together more than anything: without evenness they would be.
    const aims = { group: 9, subgroup: 9, container: 9, even: 0 }
    fc.assert(
      fc.property(rooms, made => {
        const facts = factsOf({ ...made, holders: made.holders.map(holder => ({ ...holder, somewhere: null, apartBecause: null })) })
        const proposal = proposeRefiling(facts, question(made, { isEven: true, aims }), title)
        if (!proposal.ok) return
        const lengths = proposal.lanes.flatMap(lane => lane.target.holderIds).map(() => 3)
        const cuts = (from: number, lanes: number): number =>
          lanes === 1
            ? (lengths.length - from) * 3
            : Math.min(
                ...Array.from({ length: lengths.length - from + 1 }, (_, count) => Math.max(count * 3, cuts(from + count, lanes - 1))),
              )
        expect(Math.max(...proposal.lanes.map(lane => lane.usedMm))).toBe(cuts(0, made.containers.length))
      }),
      { numRuns: 40 },
    )
  })
})

describe('what an order would move', () => {
  test('as many as must be lifted of a row: none where it is in order, and never more than all but one (property)', () => {
    fc.assert(
      fc.property(rooms, made => {
        const facts = factsOf(made)
        const list = standing(facts)
        const count = outOfOrder(facts.rows, BY_BRAND, 'apart', facts)
        expect(count === 0).toBe(isOrdered(list, BY_BRAND))
        expect(count).toBeLessThan(Math.max(1, list.length))
      }),
      { numRuns: 80 },
    )
  })
})

test('a room asked again and again gives the same insertion point as one asked once (property)', () => {
  fc.assert(
    fc.property(rooms, fc.array(fc.record({ theme: fc.nat(2), brand: fc.nat(1) }), { minLength: 2, maxLength: 5 }), (made, asked) => {
      const { room } = factsOf(made)
      const fresh = (): RoomFacts => ({
        fixtures: new Map([['f', fixture]]),
        zones: [zone],
        rows: room.rows,
        holdings: new Map(made.holdings.map(each => [each.id, each])),
        authority,
      })
      const kept = fresh()
      for (const { theme, brand } of asked) {
        const set: Holding = {
          ...blankHolding({ id: 'n', number: 77, seriesId: 's', name: 'Set 3', createdAt: '2026-01-01T00:00:00.000Z' }),
          themeIds: [`t${theme}`],
          brandId: `b${brand}`,
        }
        expect(proposePlace(set, kept)).toEqual(proposePlace(set, fresh()))
      }
    }),
  )
})

test('a die that stays with its stamp is filed directly behind it, whatever its own theme', () => {
  const sets = ['Anchor', 'Buoy', 'Crab'].map((name, at): Holding => ({
    ...blankHolding({ id: `h${at}`, number: at + 1, seriesId: 's', name, createdAt: '2026-01-01T00:00:00.000Z' }),
    themeIds: ['t0'],
    brandId: 'b0',
  }))
  const keys = keysBehind([], -1, 3)
  const made: Made = {
    containers: [bin(0)],
    holdings: sets,
    holders: sets.map((set, at): Holder => ({
      id: `o${at}`,
      holderTypeId: null,
      type: 'pocket',
      containerId: 'c0',
      lane: 1,
      order: keys[at] ?? '',
      cell: null,
      somewhere: null,
      apartBecause: null,
      holdingIds: [set.id],
    })),
  }
  const { room } = factsOf(made)
  const die: Holding = {
    ...blankHolding({ id: 'die', number: 9, seriesId: 's', name: 'Zebra die', createdAt: '2026-01-01T00:00:00.000Z' }),
    themeIds: ['t2'],
  }
  const ask = (dies: 'apart' | 'behind') => {
    const found = proposePlace(die, {
      fixtures: new Map([['f', fixture]]),
      zones: [{ ...zone, habits: { ...START_HABITS, dies } }],
      rows: room.rows,
      holdings: new Map(sets.map(each => [each.id, each])),
      authority,
      stampOf: new Map([['die', 'h0']]),
    })
    return found.ok ? found.point.front?.holder.id : found.code
  }
  expect(ask('behind')).toBe('o0')
  expect(ask('apart')).not.toBe('o0')
})
