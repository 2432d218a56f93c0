import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankHolding, type Holding, newHolder } from '#core/catalog'
import { roomIn } from '#core/capacity'
import { proposePlace } from '#core/filing'
import { allIn, arrangeContainer, type ContainerRow } from '#core/room'
import { authority, bin, factsOf, fixture, type Made, rooms, zone } from '../../tests/support/refilingRooms'
import { planAllPlaces, planPlaces, sharesOf, type SpreadFacts } from './index'

const SET_MM = 3
function factsFor(made: Made, waiting: readonly Holding[]): SpreadFacts {
  const { room, holdings: standing } = factsOf(made)
  const holdings = new Map([...standing, ...waiting.map(each => [each.id, each] as const)])
  return {
    ...{ fixtures: new Map([['f', fixture]]), zones: [zone], rows: room.rows, holdings, authority, learnt: new Map() },
    hasRoom: roomIn(
      id => holdings.get(id),
      () => undefined,
      new Map(),
    ),
  }
}
/** Sets to place, some alike but for their numbers, so that keys are equal too. */
const waitingSets = fc
  .array(fc.record({ theme: fc.integer({ min: 0, max: 2 }), name: fc.integer({ min: 0, max: 1 }) }), { minLength: 1, maxLength: 14 })
  .map(list =>
    list.map(({ theme, name }, at): Holding => ({
      ...blankHolding({ id: `w${at}`, number: 500 + (at % 3), seriesId: 's', name: `Set ${name}`, createdAt: '2026-01-01T00:00:00.000Z' }),
      themeIds: [`t${theme}`],
      thicknessMm: SET_MM,
    })),
  )

/** One by one, each by a room made anew: no rank is known beforehand. */
function oneByOne(waiting: readonly Holding[], facts: SpreadFacts): readonly string[] {
  const rows = new Map<string, ContainerRow>(facts.rows)
  let made = 0
  for (const { ordered } of sharesOf(waiting, facts))
    for (const { holding } of ordered) {
      const proposal = proposePlace(holding, { ...facts, rows: new Map(rows) })
      if (!proposal.ok) continue
      const { container, lane, order, cell } = proposal.point
      const row = rows.get(container.id)
      const holder = newHolder(`n${(made += 1)}`, holding, { containerId: container.id, lane, order, cell })
      const sections = (row?.lanes.flat() ?? []).flatMap(entry => (entry.type === 'section' ? [entry.section] : []))
      if (row) rows.set(container.id, arrangeContainer(container, [...allIn(row).map(each => each.holder), holder], sections))
    }
  return standingIn(rows)
}
const standingIn = (rows: ReadonlyMap<string, ContainerRow>): readonly string[] =>
  [...rows.values()].flatMap(row =>
    row.lanes.flatMap((entries, lane) =>
      entries.flatMap(entry =>
        entry.type === 'holder' ? [`${row.container.id} ${lane} ${entry.placement.holder.holdingIds.join()}`] : [],
      ),
    ),
  )

test('many sets placed in one go stand exactly where they would, placed one after the other (property)', () => {
  let full = 0
  fc.assert(
    fc.property(rooms, waitingSets, fc.array(fc.integer({ min: 3, max: 9 }), { minLength: 4, maxLength: 4 }), (made, drawn, takes) => {
      // Some are the very same as one that stands there, but for the id.
      const waiting = drawn.map((each, at) => (at % 3 === 0 ? { ...each, ...made.holdings[at], id: `a${at}`, thicknessMm: SET_MM } : each))
      const containers = made.containers.map((each, at) => bin(at, SET_MM * (takes[at] ?? 1)))
      const facts = factsFor({ ...made, containers }, waiting)
      fc.pre([...facts.rows.values()].some(row => row.placements.length > 0))
      let id = 0
      const plan = planAllPlaces(waiting, facts, () => `n${(id += 1)}`)
      expect(standingIn(plan.rows)).toEqual(oneByOne(waiting, facts))
      if (plan.placed.length < waiting.length) full += 1
    }),
    { numRuns: 300 },
  )
  expect(full).toBeGreaterThan(10)
})

test('stopped, it is the plan so far', () => {
  const holdings = Array.from({ length: 6 }, (_, at): Holding => ({
    ...blankHolding({ id: `w${at}`, number: at + 1, seriesId: 's', name: `Set ${at}`, createdAt: '2026-01-01T00:00:00.000Z' }),
    themeIds: ['t1'],
  }))
  const [first, ...waiting] = holdings
  if (!first) throw new Error('a set')
  const made: Made = { containers: [bin(0, 500)], holders: [], holdings }
  const facts = factsFor(made, waiting)
  const row = facts.rows.get(bin(0, 500).id)
  if (!row) throw new Error('a row')
  const standing = newHolder('h', first, { containerId: row.container.id, lane: 1, order: 'a0', cell: null })
  const rows = new Map([[row.container.id, arrangeContainer(row.container, [standing], [])]])
  let id = 0
  const planning = planPlaces(waiting, { ...facts, rows }, () => `n${(id += 1)}`)
  const counts = [1, 2, 3].map(() => planning.next().value.placed.length)
  expect(counts).toEqual([0, 1, 2])
})
