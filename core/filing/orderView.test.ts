import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankBrand, blankHolding, type Container, FILING_KEYS, type Holder, type Holding } from '#core/catalog'
import { arrangeRoom, keysBehind } from '#core/room'
import { containerOf } from '../../tests/support/containers'
import { type Authority, viewInOrder } from './index'

const brands = ['Greywether', 'Copperlatch', 'Tidewrack Press'].map((name, at) => ({
  ...blankBrand(`brand${at}`, name),
  successorId: at === 0 ? 'brand2' : null,
}))
const authority: Authority = {
  brands: new Map(brands.map(each => [each.id, each])),
  themes: new Map(),
  categories: new Map(),
  kinds: new Map(),
}
const box = (id: string): Container => containerOf(id, { name: id, code: id })

/** Sets with their numbers, by brand, dealt over two boxes and standing there in any order. */
function roomOf(sets: readonly { readonly number: number; readonly brand: number; readonly box: number }[]) {
  const holdings = new Map(
    sets.map(({ number, brand }): [string, Holding] => [
      `h${number}`,
      {
        ...blankHolding({ id: `h${number}`, number, seriesId: 's', name: `Set ${number}`, createdAt: '2026-01-01T00:00:00.000Z' }),
        brandId: brands[brand]?.id ?? null,
      },
    ]),
  )
  const keys = keysBehind([], -1, sets.length)
  const holders = sets.map(({ number, box: at }, index): Holder => ({
    id: `holder${number}`,
    holderTypeId: null,
    type: 'pocket',
    containerId: `box${at}`,
    lane: 1,
    order: keys[index] ?? '',
    cell: null,
    somewhere: null,
    apartBecause: null,
    holdingIds: [`h${number}`],
  }))
  const { rows } = arrangeRoom({ containers: [box('box0'), box('box1')], holders, sections: [] })
  return { rows: [...rows.values()], facts: { holdings, authority, series: new Map([['s', { name: 'All' }]]) } }
}
const someSets = fc.uniqueArray(
  fc.record({ number: fc.integer({ min: 1, max: 40 }), brand: fc.integer({ min: 0, max: 3 }), box: fc.integer({ min: 0, max: 1 }) }),
  { selector: each => each.number, maxLength: 25 },
)

test('in any order every set is there once, at the place where it stands, and no group comes twice (property)', () => {
  fc.assert(
    fc.property(someSets, fc.constantFrom(...FILING_KEYS), (sets, by) => {
      const { rows, facts } = roomOf(sets)
      const view = viewInOrder(rows, by, facts)
      expect(view.map(({ holding }) => holding.number).sort((a, b) => a - b)).toEqual(sets.map(each => each.number).sort((a, b) => a - b))
      for (const { standing, holding } of view) expect(standing.holder.holdingIds).toContain(holding.id)
      const groups = view.flatMap(entry => entry.opensGroup ?? [])
      expect(new Set(groups).size).toBe(groups.length)
    }),
  )
})
test('by number: ascending, and what is missing is told, no more and no less (property)', () => {
  fc.assert(
    fc.property(someSets, sets => {
      const { rows, facts } = roomOf(sets)
      const view = viewInOrder(rows, 'number', facts)
      const told = view.flatMap(({ holding, missing }) => [
        ...(missing ? Array.from({ length: missing.to - missing.from + 1 }, (_, at) => missing.from + at) : []),
        holding.number,
      ])
      const numbers = sets.map(each => each.number)
      expect(told).toEqual(
        numbers.length === 0
          ? []
          : Array.from({ length: Math.max(...numbers) - Math.min(...numbers) + 1 }, (_, at) => Math.min(...numbers) + at),
      )
    }),
  )
})
test('a brand that was taken over stands under its successor', () => {
  const { rows, facts } = roomOf([
    { number: 1, brand: 0, box: 0 },
    { number: 2, brand: 2, box: 1 },
    { number: 3, brand: 1, box: 0 },
    { number: 4, brand: 3, box: 0 },
  ])
  expect(viewInOrder(rows, 'brand', facts).map(({ holding, opensGroup }) => [holding.number, opensGroup])).toEqual([
    [3, 'Copperlatch'],
    [1, 'Tidewrack Press'],
    [2, null],
    [4, ''],
  ])
})
