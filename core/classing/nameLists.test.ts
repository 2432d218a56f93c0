import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankBrand, blankHolding, newTheme, START_MARKS, START_THEMES, type Theme, THEME_SCHOOLS, type Way, WAYS } from '#core/catalog'
import {
  adviseOnPages,
  joinNames,
  legendOf,
  type NameGround,
  newName,
  pageLetter,
  reordered,
  secondMeaning,
  spelledBy,
  splitName,
} from './index'

const holding = (id: string, more: object) => ({
  ...blankHolding({ id, number: 1, seriesId: 's', name: id, createdAt: '2026-01-01T00:00:00.000Z' }),
  ...more,
})
const ground = (more: Partial<NameGround>): NameGround => ({ records: [], holdings: [], sections: [], zones: [], ...more })
const theme = (name: string, sharesPage = false): Theme => ({ ...newTheme(name, name, []), sharesPage })

describe('kinds are joined and split like other names', () => {
  const kinds = ['Clear', 'Polymer'].map((name, rank) => ({
    id: name,
    name,
    family: 'stamp' as const,
    suffix: null,
    typicalThicknessMm: 5 + rank,
    typicalWeightG: 60,
    isLightSensitive: false,
    mayTrim: true,
    mayCut: true,
    rank,
  }))
  test('a join takes the zones along that take the kind', () => {
    const zone = {
      id: 'z',
      name: 'Clear ones',
      rank: 0,
      filingRule: { keys: [{ by: 'name' as const, order: 'alphabetical' as const }] },
      takesKindIds: ['Polymer', 'Clear'],
      growthReserve: 0,
      capHoldings: null,
      labelTemplate: null,
      habits: { insert: true, magnet: false, packaging: 'none' as const, dies: 'apart' as const },
    }
    const change = joinNames(
      'kinds',
      'Polymer',
      'Clear',
      ground({ records: kinds, zones: [zone], holdings: [holding('a', { kindId: 'Polymer' }), holding('b', { kindId: 'Clear' })] }),
    )
    expect(change?.zones[0]?.takesKindIds).toEqual(['Clear'])
    expect(change?.holdings.map(each => [each.id, each.kindId])).toEqual([['a', 'Clear']])
    expect(change?.removedId).toBe('Polymer')
  })
  test('what is split off is of the same family and thickness', () => {
    const change = splitName(
      'kinds',
      'Polymer',
      { id: 'new', name: ' Soft ' },
      ['a', 'b'],
      ground({ records: kinds, holdings: [holding('a', { kindId: 'Polymer' }), holding('b', { kindId: 'Clear' })] }),
    )
    expect(change?.records).toEqual([
      {
        id: 'new',
        name: 'Soft',
        family: 'stamp',
        suffix: null,
        typicalThicknessMm: 6,
        typicalWeightG: 60,
        isLightSensitive: false,
        mayTrim: true,
        mayCut: true,
        rank: 2,
      },
    ])
    expect(change?.holdings.map(each => [each.id, each.kindId])).toEqual([['a', 'new']])
  })
  test('joining with itself, or with what is not there, is nothing', () => {
    expect([
      joinNames('kinds', 'Clear', 'Clear', ground({ records: kinds })),
      joinNames('kinds', 'Clear', 'Foam', ground({ records: kinds })),
      splitName('kinds', 'Foam', { id: 'x', name: 'X' }, [], ground({ records: kinds })),
    ]).toEqual([null, null, null])
  })
})

describe("an order of the owner's own", () => {
  test('any order asked for is the order there is, and only what moved is written (property)', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(['a', 'b', 'c', 'd', 'e'], { minLength: 5 }), ids => {
        const before = ['a', 'b', 'c', 'd', 'e'].map((id, rank) => ({ id, rank }))
        const changed = new Map(reordered(before, ids).map(each => [each.id, each]))
        const after = before.map(each => changed.get(each.id) ?? each).sort((a, b) => a.rank - b.rank)
        expect(after.map(each => each.id)).toEqual(ids)
        for (const each of changed.values()) expect(before.find(({ id }) => id === each.id)?.rank).not.toBe(each.rank)
      }),
    )
  })
  test('a spelling means one brand, large or small letters alike', () => {
    const brands = [{ ...blankBrand('1', 'Tidewrack'), variants: ['Tide Wrack'] }]
    expect([spelledBy(brands, null, ['TIDE WRACK ']), spelledBy(brands, '1', ['Tidewrack']), spelledBy(brands, null, ['Tide'])]).toEqual([
      'Tidewrack',
      null,
      null,
    ])
    expect(newName('brands', '2', 'Quay Bell', brands)).toEqual(blankBrand('2', 'Quay Bell'))
  })
})

describe('the legend', () => {
  test('the marks to begin with, and those of the usual kinds, mean one thing each', () => {
    const legend = legendOf(
      START_MARKS,
      ['W', 'R', 'D', 'SD', 'S', 'E'].map(suffix => ({ id: suffix, name: suffix, suffix })),
    )
    expect(new Set(legend.map(line => line.mark.toLowerCase())).size).toBe(legend.length)
  })
  test('a second meaning is refused, its own is not, and so no mark ever has two (property)', () => {
    const mark = fc.constantFrom('', '+', '&', 'W', 'w ', 'Aa', 'No')
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom(...WAYS), mark), { maxLength: 30 }), wishes => {
        let marks: Record<Way, string> = { ...START_MARKS }
        const kinds = [{ id: 'wood', name: 'Wood mounted', suffix: 'W' }]
        for (const [way, wish] of wishes)
          if (wish === '' || !secondMeaning(wish, way, legendOf(marks, kinds))) marks = { ...marks, [way]: wish }
        const used = legendOf(marks, kinds).map(line => line.mark.toLowerCase())
        expect(new Set(used).size).toBe(used.length)
        expect(secondMeaning('w', 'layersWith', legendOf(marks, kinds))?.kind?.id).toBe('wood')
      }),
    )
  })
})

describe('pages shared under a letter', () => {
  const sets = (counts: Record<string, number>) => (id: string) => counts[id] ?? 0
  test('lone themes under one letter share; one alone under its letter does not', () => {
    expect(adviseOnPages([theme('Limpets'), theme('Lanterns'), theme('Rope')], sets({ Limpets: 1, Lanterns: 1, Rope: 1 })).toShare).toEqual(
      ['Limpets', 'Lanterns'],
    )
    expect(adviseOnPages([theme('Limpets'), theme('Lanterns', true)], sets({ Limpets: 1, Lanterns: 2 })).toShare).toEqual(['Limpets'])
  })
  test('four sets are enough for a page of its own', () => {
    expect(adviseOnPages([theme('Limpets', true), theme('Lanterns', true)], sets({ Limpets: 3, Lanterns: 4 })).toOwn).toEqual(['Lanterns'])
  })
  test('accents do not make another letter', () => expect(['élan', ' Öre', 'rope', ''].map(pageLetter)).toEqual(['E', 'O', 'R', '?']))
})

test('no theme to begin with stands in two schools', () => {
  const all = THEME_SCHOOLS.flatMap(school => START_THEMES[school].map(name => name.toLowerCase()))
  expect(new Set(all).size).toBe(all.length)
})
