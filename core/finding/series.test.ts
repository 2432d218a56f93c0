import { describe, expect, test } from '@jest/globals'
import * as fc from 'fast-check'
import { readSeries, seriesOf } from './index'

describe('a name of a numbered series', () => {
  test.each([
    ['Tide Tables 4', 'tide tables', 4],
    ['Tide Tables No. 4', 'tide tables', 4],
    ['Tide Tables no 04', 'tide tables', 4],
    ['Tide Tables #4', 'tide tables', 4],
    ['Tide Tables, Vol. 4', 'tide tables', 4],
    ['Tide Tables - Part Four', 'tide tables', 4],
    ['Tide Tables IV', 'tide tables', 4],
    ['Gezeiten Nr. 12', 'gezeiten', 12],
    ['Öle Teil 2', 'ole', 2],
    ['Salt & Sand 3', 'salt and sand', 3],
  ])('%s is %s, number %i', (name, stem, number) => {
    expect(readSeries(name)).toEqual({ stem, number })
  })

  test.each(['Tide Tables', 'Almanac 1996', '4', 'No. 4', 'Version X2', 'Route 66b', 'Tables 100', 'Tables 0', '', 'Ivy'])(
    '%s is of none',
    name => expect(readSeries(name)).toBeNull(),
  )

  test('whatever is written before the number, the stem stays the same', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('Field Notes', 'Kelp', "Mother's Day", 'Größe'),
        fc.integer({ min: 1, max: 99 }),
        fc.constantFrom(' ', ' No. ', ' #', ', part ', ' Nr. ', ' volume '),
        (name, number, between) => {
          expect(readSeries(`${name}${between}${number}`)).toEqual({ stem: readSeries(`${name} 7`)?.stem, number })
        },
      ),
    )
  })
})

describe('what lacks of a series', () => {
  const sets = (...names: readonly string[]) => names.map((name, at) => ({ id: `${at}`, name, brandId: at % 2 === 0 ? 'b' : null }))

  test('is each number from 1 to the highest that is not owned, however it is asked for', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 30 }), { minLength: 1, maxLength: 12 }),
        fc.option(fc.integer({ min: 1, max: 30 }), { nil: null }),
        (numbers, asked) => {
          const found = seriesOf(asked === null ? 'tide tables' : `Tide Tables No. ${asked}`, 'b', [
            ...sets(...numbers.map(number => `Tide Tables ${number}`)),
            { id: 'other', name: 'Kelp Study 2', brandId: 'b' },
          ])
          const highest = Math.max(...numbers, asked ?? 0)
          if (highest < 2) return expect(found).toBeNull()
          expect(found?.owned.map(each => each.number)).toEqual([...numbers].sort((a, b) => a - b))
          const all = [...(found?.owned.map(each => each.number) ?? []), ...(found?.lacking ?? [])].sort((a, b) => a - b)
          expect(all).toEqual(Array.from({ length: highest }, (_, at) => at + 1))
          expect(found).toMatchObject({ name: 'Tide Tables', asked })
        },
      ),
    )
  })

  test('another maker has another series; where nobody said the maker, it may be this one', () => {
    const all = [
      { id: '1', name: 'Kelp 1', brandId: 'a' },
      { id: '2', name: 'Kelp 2', brandId: 'b' },
      { id: '3', name: 'Kelp 3', brandId: null },
    ]
    expect(seriesOf('Kelp', 'a', all)?.owned.map(each => each.id)).toEqual(['1', '3'])
    expect(seriesOf('Kelp', null, all)?.owned.map(each => each.id)).toEqual(['1', '2', '3'])
    expect(seriesOf('Gull 3', 'a', all)).toBeNull()
    // A first part alone is no series yet.
    expect(seriesOf('Gull', null, [{ id: '1', name: 'Gull 1', brandId: null }])).toBeNull()
    const sizes = [{ id: '1', name: 'Größe No. 1', brandId: null }]
    expect(seriesOf('größe 2', null, sizes)).toMatchObject({ name: 'Größe', lacking: [2] })
  })
})
