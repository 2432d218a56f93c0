import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankBrand, blankHolding, type Container, type Holder, type Holding, PLAIN_FIXTURE, type Zone } from '#core/catalog'
import { arrangeRoom, keysBehind } from '#core/room'
import { containerOf, holderOf } from '../../tests/support/containers'
import { proposePlace, type RoomFacts } from './index'

const BRANDS = ['Alder', 'Birch', 'Cedar', 'Dogwood', 'Elder', 'Fir'].map((name, at) => blankBrand(`b${at}`, name))
const zone: Zone = {
  id: 'z',
  name: 'Everything',
  rank: 0,
  filingRule: { keys: [{ by: 'brand', order: 'alphabetical' }] },
  takesKindIds: [],
  growthReserve: 0,
  capHoldings: null,
  labelTemplate: null,
  habits: { insert: true, magnet: false, packaging: 'none', dies: 'apart' },
}
const bin = (at: number, cells: Container['cells'] = null): Container =>
  containerOf(String(at), { id: `c${at}`, rank: at, type: cells ? 'binder' : 'bin', cells })
const set = (id: string, brand: number): Holding => ({
  ...blankHolding({ id, number: 1, seriesId: 's', name: id, createdAt: '' }),
  brandId: `b${brand}`,
})
const held = (id: string, containerId: string, order: string, somewhere: Holder['somewhere']): Holder =>
  holderOf(`h${id}`, containerId, order, { somewhere, holdingIds: [id] })
function factsOf(containers: readonly Container[], holders: readonly Holder[], holdings: readonly Holding[]): RoomFacts {
  return {
    fixtures: new Map([['f', { id: 'f', name: 'Bookcase', type: 'bookcase', shelves: 1, rank: 0, ...PLAIN_FIXTURE }]]),
    zones: [zone],
    rows: arrangeRoom({ containers, holders, sections: [] }).rows,
    holdings: new Map(holdings.map(each => [each.id, each])),
    authority: {
      brands: new Map(BRANDS.map(each => [each.id, each])),
      themes: new Map(),
      categories: new Map(),
      kinds: new Map(),
    },
  }
}

test('in bins by brand that nobody has looked into, a set goes to the bin of its brand, behind what was looked at there (property)', () => {
  fc.assert(
    // Two brands a bin, some of the sets of each looked at: in order, and in front.
    fc.property(fc.array(fc.record({ brand: fc.nat(5), isLookedAt: fc.boolean() }), { maxLength: 24 }), fc.nat(5), (sets, brand) => {
      const known = sets.filter(each => each.isLookedAt).sort((a, b) => a.brand - b.brand)
      const all = [...known, ...sets.filter(each => !each.isLookedAt)].map((each, at) => ({
        ...each,
        id: `s${String(at).padStart(2, '0')}`,
      }))
      const one = set('zz', brand)
      const keys = keysBehind([], -1, all.length)
      const facts = factsOf(
        [bin(0), bin(1), bin(2)],
        all.map((each, at) => held(each.id, `c${Math.floor(each.brand / 2)}`, keys[at] ?? 'a0', each.isLookedAt ? null : { page: null })),
        [one, ...all.map(each => set(each.id, each.brand))],
      )
      const proposal = proposePlace(one, facts)
      if (!proposal.ok) throw new Error(proposal.code)
      const { point } = proposal
      if (all.some(each => each.brand === brand)) expect(point.container.id).toBe(`c${Math.floor(brand / 2)}`)
      // Its neighbours were looked at, whoever they are.
      for (const near of [point.front, point.behind]) if (near) expect(near.holder.somewhere).toBeNull()
    }),
  )
})

test('of pages that nobody has looked at, no cell is proposed, and that is said', () => {
  const pages = bin(0, { rows: 2, columns: 2, pages: 9, isTwoSided: false, cellSize: null, reuse: 'last' })
  const one = set('new', 0)
  const sets = [one, set('a', 0)]
  expect(proposePlace(one, factsOf([pages], [held('a', 'c0', 'a0', { page: null })], sets))).toMatchObject({ code: 'cellsNotLookedAt' })
  expect(proposePlace(one, factsOf([pages], [held('a', 'c0', 'a0', { page: 1 })], sets))).toMatchObject({
    point: { cell: { page: 2, cell: 1 } },
  })
})
