import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import {
  blankHolding,
  type Container,
  type Fixture,
  type Holder,
  type Holding,
  type Loan,
  PLAIN_FIXTURE,
  type Relation,
} from '#core/catalog'
import { arrangeRoom, isLookedAt } from '#core/room'
import { containerOf, holderOf } from '../../tests/support/containers'
import {
  checkSlot,
  countAt,
  goesAlong,
  lineState,
  neighboursNow,
  placeIdsOf,
  walkBack,
  walkFor,
  type WalkFacts,
  withoutSets,
  withSets,
} from './index'

const holding = (id: string, more: Partial<Holding> = {}): Holding => ({
  ...blankHolding({ id, number: 1, seriesId: 's', name: id, createdAt: '2026-01-01T00:00:00.000Z' }),
  ...more,
})
const loan = (holdingId: string): Loan => ({
  id: holdingId,
  holdingId,
  to: 'table',
  outAt: '2026-01-01T00:00:00.000Z',
  backAt: null,
  isForUse: true,
})
const line = (holdingId: string, takenFromIds: string[] = []) => ({ holdingId, alongWithId: null, takenFromIds })

/** A room of some furniture, containers in any order of making, sets in lanes behind tabs, cut in two, sharing, or nowhere. */
const rooms = fc
  .record({
    fixtures: fc.uniqueArray(fc.integer({ min: 0, max: 9 }), { minLength: 1, maxLength: 3 }),
    containers: fc.array(
      fc.record({ fixture: fc.nat(2), shelf: fc.integer({ min: 1, max: 3 }), rank: fc.nat(4), lanes: fc.integer({ min: 1, max: 2 }) }),
      { minLength: 1, maxLength: 6 },
    ),
    sets: fc.array(
      fc.record({
        container: fc.nat(5),
        lane: fc.integer({ min: 1, max: 2 }),
        order: fc.integer({ min: 1, max: 99 }),
        as: fc.constantFrom('single', 'single', 'shared', 'half', 'somewhere', 'nowhere'),
        isOut: fc.boolean(),
      }),
      { minLength: 1, maxLength: 25 },
    ),
    wanted: fc.array(fc.nat(24), { maxLength: 12 }),
  })
  .map(({ fixtures, containers, sets, wanted }) => {
    const furniture = fixtures.map((rank, at): Fixture => ({
      ...PLAIN_FIXTURE,
      id: `f${at}`,
      name: `F${at}`,
      type: 'bookcase',
      shelves: 3,
      rank,
    }))
    const bins = containers.map(({ fixture, ...each }, at): Container =>
      containerOf(`c${at}`, { ...each, fixtureId: `f${fixture % furniture.length}` }),
    )
    const holders: Holder[] = []
    sets.forEach(({ container, lane, order, as }, at) => {
      const bin = bins[container % bins.length]
      if (as === 'nowhere' || !bin) return
      const own = holderOf(`s${at}`, bin.id, `a${order}`, { lane, somewhere: as === 'somewhere' ? { page: null } : null })
      if (as === 'shared' && at > 0 && sets[at - 1]?.as === 'single') holders.at(-1)?.holdingIds.push(`s${at}`)
      else holders.push(own)
      const other = bins[(container + 1) % bins.length]
      if (as === 'half' && other) holders.push({ ...own, id: `s${at}half`, containerId: other.id })
    })
    const room = arrangeRoom({ containers: bins, sections: [], holders })
    const out = new Set(sets.flatMap(({ isOut }, at) => (isOut ? [`s${at}`] : [])))
    const facts: WalkFacts = {
      ...room,
      fixtures: new Map(furniture.map(each => [each.id, each])),
      loanOf: id => (out.has(id) ? loan(id) : undefined),
    }
    return { facts, out, bins, furniture, ids: [...new Set(wanted.map(at => `s${at % sets.length}`))] }
  })

describe('one walk', () => {
  test('no container twice, in the order of the room; nothing forgotten, nothing that is not wanted (property)', () => {
    fc.assert(
      fc.property(rooms, ({ facts, out, bins, furniture, ids }) => {
        const { stops, nowhereIds } = walkFor(
          ids.map(id => line(id)),
          facts,
        )
        const order = stops.map(({ row }) => row.container)
        expect(new Set(order).size).toBe(order.length)
        const rank = (each: Container): readonly number[] => [
          furniture.find(({ id }) => id === each.fixtureId)?.rank ?? 0,
          each.shelf,
          each.rank,
        ]
        for (const [at, each] of order.entries())
          if (at > 0)
            expect(JSON.stringify(rank(order[at - 1] as Container).map(n => n + 10)) <= JSON.stringify(rank(each).map(n => n + 10))).toBe(
              true,
            )
        const told = stops.flatMap(({ sets }) => sets.map(({ holdingId, standing }) => `${holdingId}/${standing.holder.id}`))
        const expected = ids
          .filter(id => !out.has(id))
          .flatMap(id =>
            [...facts.rows.values()].flatMap(row =>
              [...row.placements, ...row.somewhere]
                .filter(each => each.holder.holdingIds.includes(id))
                .map(each => `${id}/${each.holder.id}`),
            ),
          )
        expect(told.toSorted()).toEqual(expected.toSorted())
        expect([...nowhereIds].sort()).toEqual(ids.filter(id => !out.has(id) && !facts.placements.has(id)).sort())
        for (const { sets } of stops) {
          const positions = sets.map(({ standing }) => standing.position ?? Infinity)
          expect(positions).toEqual(positions.toSorted((a, b) => a - b))
        }
        expect(bins.length).toBeGreaterThan(0)
      }),
    )
  })
  test('it counts as a hand counts: what is out is no longer in the way (against counting one by one)', () => {
    fc.assert(
      fc.property(rooms, ({ facts }) => {
        for (const row of facts.rows.values())
          for (const at of row.placements) {
            let [nth, of] = [0, 0]
            for (const each of row.placements) {
              const isGone = each !== at && each.holder.holdingIds.every(id => facts.loanOf(id))
              if (each.lane !== at.lane || isGone) continue
              of += 1
              if (each.position <= at.position) nth += 1
            }
            expect(countAt(row, at, facts.loanOf)).toEqual({ nth, of, section: null })
            const { front, behind } = neighboursNow(row, at, facts.loanOf)
            expect([front === null, behind === null]).toEqual([nth === 1, nth === of])
          }
      }),
    )
  })
  test('a hand told that it is so many places off, and going there, is told that it is right (property)', () => {
    fc.assert(
      fc.property(rooms, fc.nat(24), fc.nat(24), ({ facts }, goalAt, seenAt) => {
        const all = [...facts.rows.values()].flatMap(row => row.placements)
        const [goal, seen] = [all[goalAt % Math.max(1, all.length)], all[seenAt % Math.max(1, all.length)]]
        if (!goal || !seen) return
        const row = facts.rows.get(goal.container.id)
        if (!row) throw new Error('a row')
        const check = checkSlot(row, goal, seen, facts.loanOf)
        if (seen.holder.id === goal.holder.id) return expect(check.as).toBe('itself')
        if (seen.container.id !== goal.container.id || seen.lane !== goal.lane) return expect(check.as).toBe('otherRow')
        const there = row.placements.filter(
          each => each.lane === goal.lane && each !== goal && !each.holder.holdingIds.every(id => facts.loanOf(id)),
        )
        if (!there.includes(seen)) return expect(check.as).toBe('unknown')
        const right = there.findLast(each => each.position < goal.position)
        if (seen === right) return expect(check).toEqual({ as: 'right' })
        if (check.as !== 'off') throw new Error(check.as)
        return expect(there[there.indexOf(seen) - check.places]).toBe(right)
      }),
    )
  })
  test('four places too far back, and one too far in front (by hand)', () => {
    const bin = containerOf('1')
    const room = arrangeRoom({
      containers: [bin],
      sections: [],
      holders: ['a', 'b', 'c', 'd', 'e', 'f', 'g'].map(id => holderOf(id, '1', `a${id}`)),
    })
    const row = room.rows.get('1')
    const at = (id: string) => room.placements.get(id)
    const goal = at('c')
    if (!row || !goal || !isLookedAt(goal)) throw new Error('c stands there')
    const loanOf = (id: string) => (id === 'c' || id === 'e' ? loan(id) : undefined)
    // In place: a b d f g. It goes behind b.
    expect(checkSlot(row, goal, at('b'), loanOf)).toEqual({ as: 'right' })
    expect(checkSlot(row, goal, at('g'), loanOf)).toEqual({ as: 'off', places: 3 })
    expect(checkSlot(row, goal, at('a'), loanOf)).toEqual({ as: 'off', places: -1 })
    expect(checkSlot(row, goal, at('e'), loanOf)).toEqual({ as: 'unknown' })
    expect(checkSlot(row, goal, undefined, loanOf)).toEqual({ as: 'unknown' })
  })
})

describe('a pull list', () => {
  const die: Relation = { id: 'r', fromId: 'die', toId: 'stamp', kind: 'dieForStamp' }
  const layer: Relation = { id: 'l', fromId: 'stamp', toId: 'other', kind: 'layersWith' }
  const piece = { id: 'p', words: [], size: null, at: null, pictureHash: null, isMissing: false, livesWithId: 'host' }
  const holdings = new Map(
    [holding('stamp', { pieces: [piece] }), holding('die'), holding('host'), holding('other')].map(each => [each.id, each]),
  )
  const facts = { holdings, relations: [die, layer] }

  test('what goes along: dies, the stamp of a die, the home of its pieces; not what only suits it', () => {
    expect(goesAlong(['stamp', 'die', 'host'], facts)).toEqual(
      new Map([
        ['stamp', ['die', 'host']],
        ['die', ['stamp']],
        ['host', []],
      ]),
    )
  })
  test('a set comes once, asked for itself rather than along; taken off, what came along goes with it', () => {
    const once = withSets([], ['stamp'], facts)
    expect(once.map(({ holdingId, alongWithId }) => [holdingId, alongWithId])).toEqual([
      ['stamp', null],
      ['die', 'stamp'],
      ['host', 'stamp'],
    ])
    const twice = withSets(once, ['die', 'gone'], facts)
    expect(twice.map(({ holdingId, alongWithId }) => [holdingId, alongWithId])).toEqual([
      ['stamp', null],
      ['die', null],
      ['host', 'stamp'],
    ])
    expect(withoutSets(twice, ['stamp']).map(each => each.holdingId)).toEqual(['die'])
  })
  test('a set that was cut in two is fetched once both halves are taken', () => {
    const room = arrangeRoom({
      containers: [containerOf('1'), containerOf('2')],
      sections: [],
      holders: [holderOf('a', '1', 'a1'), { ...holderOf('a', '2', 'a1'), id: 'half' }],
    })
    const none = (): undefined => undefined
    expect(placeIdsOf('a', room).toSorted()).toEqual(['a', 'half'])
    expect(lineState(line('a'), room, none)).toMatchObject({ as: 'toFetch' })
    expect(lineState(line('a', ['half']), room, none)).toEqual({ as: 'toFetch', placeIds: ['a'] })
    const left = walkFor([line('a', ['half'])], { ...room, fixtures: new Map(), loanOf: none })
    expect(left.stops.map(({ row }) => row.container.id)).toEqual(['1'])
    expect(lineState(line('a', ['half', 'a']), room, none)).toEqual({ as: 'back' })
    expect(lineState(line('a', ['half', 'a']), room, loan)).toMatchObject({ as: 'out' })
    // It stands in one place by now: what was taken there before counts.
    const moved = arrangeRoom({ containers: [containerOf('3')], sections: [], holders: [{ ...holderOf('a', '3', 'a1'), id: 'new' }] })
    expect(lineState(line('a', ['half', 'a']), moved, none)).toEqual({ as: 'back' })
    expect(lineState(line('nowhere'), moved, none)).toEqual({ as: 'toFetch', placeIds: ['nowhere'] })
  })
  test('the walk back takes what is out, wherever it is, and says what has no place', () => {
    const room = arrangeRoom({
      containers: [containerOf('1')],
      sections: [],
      holders: [holderOf('a', '1', 'a1'), holderOf('b', '1', 'a2')],
    })
    const walk = walkBack(['b', 'nowhere'], { ...room, fixtures: new Map(), loanOf: loan })
    expect(walk.stops.map(({ sets }) => sets.map(each => [each.holdingId, each.count]))).toEqual([
      [['b', { nth: 1, of: 1, section: null }]],
    ])
    expect(walk.nowhereIds).toEqual(['nowhere'])
  })
})
