import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { tokensOf } from '#core/classing'
import { blankBrand, blankHolding, type Category, type Kind, newTheme, type Series } from '#core/catalog'
import { AskIndex, ASK_FIELDS, documentOf } from './index'

const brand = { ...blankBrand('b', 'Tidewrack Press'), variants: ['TideWrack', 'tide-wrack pr.'], abbreviation: 'TWP' }
const kind: Kind = {
  id: 'k',
  name: 'Wood mounted',
  rank: 0,
  family: 'stamp',
  suffix: 'W',
  typicalThicknessMm: 25,
  typicalWeightG: 90,
  isLightSensitive: false,
  mayTrim: true,
  mayCut: true,
}
const category: Category = { id: 'c', name: 'Borders', rank: 0, seeAlsoIds: [] }
const theme = newTheme('t', 'Tide pools', [])
const series: Series = {
  id: 's',
  name: 'Running number',
  prefix: 'LQ',
  padding: 4,
  suffixBy: 'kind',
  isRunning: true,
  countsBy: 'all',
  partOf: null,
} as unknown as Series
const authority = {
  brands: new Map([['b', brand]]),
  kinds: new Map([['k', kind]]),
  categories: new Map([['c', category]]),
  themes: new Map([['t', theme]]),
}
const holding = {
  ...blankHolding({ id: 'h', number: 88, seriesId: 's', name: 'Kelp Study', createdAt: '2026-01-01T00:00:00.000Z' }),
  brandId: 'b',
  kindId: 'k',
  categoryId: 'c',
  themeIds: ['t'],
  words: ['wish you were here'],
  searchWords: ['seaweed'],
  notes: 'lent twice',
  placeText: 'old blue bin',
  aliases: [{ text: 'TP-1204', from: 'maker' as const, reading: null }],
  pieces: [{ id: 'p', words: ['ahoy'], size: null, at: null, pictureHash: null, isMissing: false, livesWithId: null }],
}

describe('what of a set can be asked for', () => {
  const index = new AskIndex()
  index.put([documentOf(holding, authority, new Map([['s', series]]))])
  test.each([
    ['its number', '88'],
    ['its name', 'kelp'],
    ['the spelling of its brand', 'tidewrack'],
    ['another spelling of it', 'tide-wrack'],
    ['what the label calls it', 'twp'],
    ['its kind', 'wood'],
    ['its category', 'borders'],
    ['its theme', 'pools'],
    ['words on it', 'were here'],
    ['words on a piece', 'ahoy'],
    ['its notes', 'lent'],
    ['what the list says of its place', 'blue'],
    ['a number of its maker', 'tp 1204'],
  ])('%s finds it', (_what, ask) => {
    expect(index.ask(ask).hits.map(hit => hit.id)).toEqual(['h'])
  })
  test('what it is found by is told, the words on it before its notes', () => {
    expect(index.ask('wood').hits[0]?.because).toEqual([{ field: 'kind', word: 'wood' }])
    const fields = index.ask('tide').hits[0]?.because.map(each => ASK_FIELDS.indexOf(each.field)) ?? []
    expect(fields).toEqual([...fields].sort((a, b) => a - b))
  })
  test('a set whose names are gone is still a set', () => {
    const nowhere = { brands: new Map(), kinds: new Map(), categories: new Map(), themes: new Map() }
    expect(documentOf(holding, nowhere, new Map())).toMatchObject({
      id: 'h',
      name: 'Kelp Study',
      brand: '',
      kind: '',
      category: '',
      themes: '',
    })
  })
})
test('words are lower case, without accents and marks, and nothing but letters and figures (property)', () => {
  expect(tokensOf('Ångström’s CRÈME-brûlée  No. 7!')).toEqual(['angstroms', 'creme', 'brulee', 'no', '7'])
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), text => {
      for (const token of tokensOf(text)) {
        expect(token).toMatch(/^[\p{L}\p{N}]+$/u)
        expect(tokensOf(token)).toEqual([token])
      }
    }),
  )
})
