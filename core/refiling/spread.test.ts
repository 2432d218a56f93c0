import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankHolding, type Holding } from '#core/catalog'
import { roomIn } from '#core/capacity'
import { compareFilingKeys, filingKeyOf, proposePlace } from '#core/filing'
import { arrangeRoom } from '#core/room'
import { authority, bin, BY_THEME, factsOf, fixture, type Made, rooms, zone } from '../../tests/support/refilingRooms'
import { placeOne, sharesOf, type SpreadFacts, spreadOverEmpty } from './index'

const SET_MM = 3
/** The room with the facts that a proposal looks at; every set is as thick as the next. */
function spreadFacts(made: Made, growthReserve = 0): SpreadFacts {
  const { room, holdings } = factsOf(made)
  return {
    fixtures: new Map([['f', fixture]]),
    zones: [{ ...zone, growthReserve }],
    rows: room.rows,
    holdings,
    authority,
    learnt: new Map(),
    hasRoom: roomIn(
      id => holdings.get(id),
      () => undefined,
      new Map(),
    ),
  }
}
const standing = (facts: SpreadFacts, containerId: string): number => facts.rows.get(containerId)?.placements.length ?? 0
/** What each row takes: a room of small rows is often full, one of long rows seldom is. */
const takesOfRows = fc.constantFrom(2, 14).chain(most => fc.array(fc.integer({ min: 0, max: most }), { minLength: 4, maxLength: 4 }))
const newcomer: Holding = {
  ...blankHolding({ id: 'new', number: 999, seriesId: 's', name: 'Newcomer', createdAt: '2026-01-01T00:00:00.000Z' }),
  themeIds: ['t1'],
  brandId: 'b0',
  thicknessMm: SET_MM,
}

test('a full row is never proposed while another of the zone has room, and the nearest that has is taken (property)', () => {
  let [moved, refused] = [0, 0]
  fc.assert(
    fc.property(rooms, takesOfRows, (made, takes) => {
      const containers = made.containers.map((each, at) => bin(at, Math.max(1, SET_MM * (takes[at] ?? 0))))
      const facts = spreadFacts({ ...made, containers })
      const { hasRoom: _, ...boundless } = facts
      const [proposal, wanted] = [proposePlace(newcomer, facts), proposePlace(newcomer, boundless)]
      const free = containers.filter(each => standing(facts, each.id) < Math.floor(each.lengthMm / SET_MM + 1e-9))
      if (!wanted.ok) throw new Error(wanted.code)
      if (!proposal.ok) {
        refused += 1
        expect([proposal.code, free]).toEqual(['noRoom', []])
        return
      }
      expect(free.map(each => each.id)).toContain(proposal.point.container.id)
      const away = ({ rank }: { rank: number }): number => Math.abs(rank - wanted.point.container.rank)
      expect(away(proposal.point.container)).toBe(Math.min(...free.map(away)))
      expect(proposal.insteadOf?.id ?? proposal.point.container.id).toBe(wanted.point.container.id)
      // That another was wanted is said where another is taken, and only there.
      expect(proposal.insteadOf !== undefined).toBe(proposal.point.container.id !== wanted.point.container.id)
      if (proposal.insteadOf) moved += 1
    }),
  )
  expect(moved).toBeGreaterThan(5)
  expect(refused).toBeGreaterThan(5)
})

test('into an empty zone: in the order of the rule, no row beyond its length, and all of them where all go in (property)', () => {
  fc.assert(
    fc.property(
      rooms,
      fc.array(fc.integer({ min: 1, max: 15 }), { minLength: 2, maxLength: 6 }),
      fc.constantFrom(0, 0.2),
      (made, takes, reserve) => {
        const containers = takes.map((each, at) => bin(at, SET_MM * each))
        const facts = spreadFacts({ containers, holders: [], holdings: made.holdings }, reserve)
        const [share] = sharesOf(made.holdings, facts)
        if (!share) throw new Error('no share')
        expect(share.ordered.map(each => each.holding.id).sort()).toEqual(made.holdings.map(each => each.id).sort())
        const places = spreadOverEmpty(share, facts) ?? []
        const room = takes.reduce((sum, each) => sum + each, 0)
        expect(places).toHaveLength(Math.min(room, made.holdings.length))
        for (const [at, each] of takes.entries())
          expect(places.filter(place => place.containerId === `c${at}`).length).toBeLessThanOrEqual(each)
        const { rows } = arrangeRoom({
          containers,
          sections: [],
          holders: places.map(({ holding, ...place }) => ({
            id: holding.id,
            holderTypeId: null,
            type: 'pocket' as const,
            somewhere: null,
            apartBecause: null,
            holdingIds: [holding.id],
            ...place,
          })),
        })
        const run = containers
          .flatMap(each => rows.get(each.id)?.placements ?? [])
          .flatMap(each => facts.holdings.get(each.holder.id) ?? [])
        const keys = run.map(each => filingKeyOf(each, BY_THEME, authority))
        keys.slice(1).forEach((key, at) => expect(compareFilingKeys(keys[at] ?? [], key)).toBeLessThanOrEqual(0))
      },
    ),
  )
})

test('room kept for new sets is kept where all go in without it, and used where they do not', () => {
  const holdings = Array.from({ length: 16 }, (_, at) => ({ ...newcomer, id: `n${at}`, number: at + 1 }))
  const filled = (takes: readonly number[], sets = 16): readonly number[] => {
    const facts = spreadFacts({ containers: takes.map((each, at) => bin(at, SET_MM * each)), holders: [], holdings }, 0.2)
    const [share] = sharesOf(holdings.slice(0, sets), facts)
    const places = share ? (spreadOverEmpty(share, facts) ?? []) : []
    return takes.map((_, at) => places.filter(place => place.containerId === `c${at}`).length)
  }
  // Nine of one theme would stay together in ten, if two of the ten were not to be kept.
  for (const count of [...filled([10, 10]), ...filled([10, 10], 9)]) expect(count).toBeLessThanOrEqual(8)
  expect(filled([10, 7]).reduce((sum, each) => sum + each)).toBe(16)
  expect(filled([10, 4])).toEqual([10, 4])
})

test('where something stands already, sets go in one by one, as far as there is room', () => {
  const [made] = fc.sample(rooms, { numRuns: 1, seed: 9 })
  if (!made) throw new Error('no room')
  const facts = spreadFacts({ ...made, containers: made.containers.map((each, at) => bin(at, at === 0 ? SET_MM * 60 : SET_MM)) })
  const [share] = sharesOf([newcomer], facts)
  expect(share && spreadOverEmpty(share, facts)).toBeNull()
  expect(placeOne(newcomer, facts)?.containerId).toBe('c0')
})
