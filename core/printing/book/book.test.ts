import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankBook, BOOK_PAPERS, BOOK_WAYS, type IndexBook } from '#core/catalog'
import {
  type BookSource,
  drawLeaf,
  leafFinder,
  frontLeaves,
  layLeaves,
  leafShape,
  leavesPrinted,
  type Measure,
  type Page,
  PAPERS,
  wantedWays,
  type WayWords,
} from '../index'
import { FRONT_HEIGHTS, frontSpots } from './front'
import { inContext } from './inContext'
import { behindOf, lettersOf } from './leafLabels'

/** Letters of three widths: near enough to a font, and exact to count with. */
const widthOf = (letter: string): number => {
  if (/[il.,]/.test(letter)) return 0.25
  return /[MW]/.test(letter) ? 0.9 : 0.5
}
const measure: Measure = (text, _font, sizePt) => [...text].reduce((sum, letter) => sum + widthOf(letter), 0) * sizePt
const words: WayWords = {
  noTheme: 'Without a theme',
  noCategory: 'Without a category',
  noKind: 'Without a kind',
  noBrand: 'Without a brand',
  noPlace: 'No place yet',
  numbers: (first, last) => `${first} to ${last}`,
  gap: number => `No. ${number} is lacking`,
}
const titles = Object.fromEntries(BOOK_WAYS.map(way => [way, `By ${way}`])) as Record<(typeof BOOK_WAYS)[number], string>
const bookWords = {
  roomName: 'Lantern Quay',
  printedOn: 'today',
  front: 'In front',
  ways: titles,
  continued: (heading: string) => `${heading} (goes on)`,
  range: (first: string, last: string) => `${first} to ${last}`,
  seeAlso: (headings: string) => `see also ${headings}`,
  leaf: (label: string) => `Leaf ${label}`,
  back: (label: string) => `Leaf ${label}, back`,
}

const phrase = fc
  .array(fc.constantFrom('steady', 'as', 'she', 'goes', 'the', 'kelp', 'Mother’s', 'foam'), { minLength: 1, maxLength: 5 })
  .map(all => all.join(' '))
const source = fc.record({
  name: fc.oneof(fc.stringMatching(/^[A-Z][a-zMWil ]{2,60}$/), fc.constantFrom('Tide Tables No. 1', 'Tide Tables No. 4')),
  themes: fc.subarray(['Harbour', 'Weather', 'Tide pools', 'Winter lights', '4 x 6']),
  brand: fc.option(fc.constantFrom('Tidewrack', 'Gannet House')),
  words: fc.array(phrase, { maxLength: 4 }),
  place: fc.option(fc.nat(3)),
  picture: fc.option(fc.double({ min: 0.2, max: 5, noNaN: true })),
  size: fc.option(fc.record({ widthMm: fc.integer({ min: 10, max: 300 }), heightMm: fc.integer({ min: 10, max: 300 }) })),
})
const sources = fc.array(source, { maxLength: 90 }).map(all =>
  all.map(({ themes, brand, place, picture, size, ...each }, at): BookSource => ({
    ...each,
    id: `id${at}`,
    accession: at + 1,
    numbering: '',
    figure: String(at + 1),
    suffix: at % 3 ? '' : 'W',
    brand: brand === null ? null : { id: brand, name: brand },
    category: null,
    kind: null,
    themes: themes.map(name => ({ id: name, name, sharesPage: name === 'Weather', seeAlso: name === 'Harbour' ? ['Weather'] : [] })),
    size: size && { ...size, text: `${size.widthMm} x ${size.heightMm} mm` },
    makersNumber: '',
    address: `B${place ?? 0}-${at}`,
    place: place === null ? null : { id: `bin ${place}`, heading: `Bin ${place}`, rank: 3 - place, position: 1000 - at },
    picture: picture === null ? null : { hash: `hash${at}`, ratio: picture },
  })),
)
const choices: fc.Arbitrary<Partial<IndexBook>> = fc.record({
  code: fc.constantFrom('number', 'address', 'both'),
  hasName: fc.boolean(),
  hasBrand: fc.boolean(),
  hasSize: fc.boolean(),
  picture: fc.constantFrom('none', 'small', 'scale', 'life'),
  paper: fc.constantFrom(...BOOK_PAPERS),
  sides: fc.constantFrom(1, 2),
  columns: fc.integer({ min: 1, max: 3 }),
  bindingMm: fc.integer({ min: 8, max: 40 }),
  holes: fc.constantFrom('none', 'two', 'three', 'four'),
})
const blank = blankBook({ id: '0'.repeat(26), name: 'Binder', createdAt: '2026-01-01T00:00:00.000Z' })
const bookOf = (more: Partial<IndexBook>): IndexBook => ({ ...blank, ways: [...BOOK_WAYS], ...more })
function made(book: IndexBook, all: readonly BookSource[]) {
  const ways = wantedWays(book.ways, all, book, words)
  const shape = leafShape(book)
  const leaves = layLeaves(ways, [], { shape, freeShare: book.freeShare, ownLeafFrom: book.ownLeafFrom, isByHand: false })
  const front = frontLeaves(
    leaves,
    { legend: [{ mark: 'W', text: 'Wood mounted' }], codes: [{ mark: 'B1', text: 'bookcase, bin 1' }] },
    shape,
    {
      contents: 'Contents',
      legend: 'Marks',
      codes: 'Places',
      ways: titles,
    },
  )
  const context = { book, words: bookWords, measure, leafOf: leafFinder(leaves) }
  return { ways, leaves, front, pages: [...front, ...leaves].flatMap(leaf => drawLeaf(leaf, context)) }
}
const textsOf = (page: Page) => page.items.flatMap(item => (item.type === 'text' ? [item] : []))

describe('ways into a book', () => {
  test('every set stands once by number and once by place, and under each of its themes; series have their gaps (property)', () => {
    fc.assert(
      fc.property(sources, all => {
        const ways = wantedWays([...BOOK_WAYS], all, blank, words)
        const setsIn = (way: string): readonly (string | null)[] =>
          ways.find(each => each.way === way)?.headings.flatMap(({ entries }) => entries.map(({ holdingId }) => holdingId)) ?? []
        for (const way of ['number', 'place', 'brand', 'category']) expect([...setsIn(way)].sort()).toEqual(all.map(({ id }) => id).sort())
        expect(setsIn('number')).toEqual(all.map(({ id }) => id))
        const themes = ways.find(({ way }) => way === 'theme')?.headings ?? []
        for (const { id, themes: own } of all) {
          const under = themes.filter(({ entries }) => entries.some(({ holdingId }) => holdingId === id)).map(({ title }) => title)
          expect(under.sort()).toEqual(own.length > 0 ? own.map(({ name }) => name).sort() : ['Without a theme'])
        }
        for (const { entries } of ways.find(({ way }) => way === 'series')?.headings ?? [])
          expect(entries.map(({ name }) => /\d/.exec(name)?.[0])).toEqual([...entries.map(({ name }) => /\d/.exec(name)?.[0])].sort())
      }),
      { numRuns: 60 },
    )
  })

  test('keyword in context: each phrase under each of its words, against a naive one (property)', () => {
    const passed = new Set(['as', 'she', 'the'])
    fc.assert(
      fc.property(fc.array(phrase, { maxLength: 12 }), phrases => {
        const all = [{ words: phrases }].map((each, at) => ({ ...sample(at), ...each }))
        const [way] = wantedWays(['word'], all, blank, words)
        const found = (way?.headings ?? []).flatMap(({ title, entries }) =>
          entries.map(each => `${title}: ${(each.phrase ?? []).join('')}`),
        )
        const naive = new Set<string>()
        for (const text of phrases) {
          const tokens = text.split(' ').map(word => word.toLowerCase().replace('’', ''))
          const told = tokens.filter(word => !passed.has(word))
          for (const word of told.length > 0 ? told : tokens.slice(0, 1)) naive.add(`${word}: ${text}`)
        }
        expect(found.sort()).toEqual([...naive].sort())
      }),
      { numRuns: 100 },
    )
    expect(inContext('All hands, all day')).toMatchObject([
      { word: 'all', behind: ' hands, all day' },
      { word: 'hands', before: 'All ' },
      { word: 'day' },
    ])
  })

  test('letters behind a number count on, and back (property)', () => {
    fc.assert(fc.property(fc.nat(20_000), count => expect(behindOf(lettersOf(count))).toBe(count)))
  })
})
function sample(at: number): BookSource {
  return {
    id: `id${at}`,
    accession: at + 1,
    numbering: '',
    figure: String(at + 1),
    suffix: '',
    name: 'Kelp Study',
    brand: null,
    category: null,
    kind: null,
    themes: [],
    words: [],
    size: null,
    makersNumber: '',
    address: '',
    place: null,
    picture: null,
  }
}

describe('the sides of a book', () => {
  test('nothing leaves its sheet or lies over another line; every entry is there once; pictures keep their shape (property)', () => {
    fc.assert(
      fc.property(sources, choices, (all, more) => {
        const book = bookOf(more)
        const { leaves, pages } = made(book, all)
        const { widthPt, heightPt } = PAPERS[book.paper]
        const ratios = new Map(
          all.map(({ picture, size }) => [picture?.hash, [picture?.ratio ?? 0, size ? size.widthMm / size.heightMm : 0]]),
        )
        for (const page of pages) {
          for (const item of page.items) {
            if (item.type === 'text') {
              expect(item.text).not.toBe('')
              expect(item.x).toBeGreaterThanOrEqual(20)
              expect(item.x + measure(item.text, item.font, item.sizePt)).toBeLessThanOrEqual(widthPt - 22)
              expect(item.y).toBeLessThanOrEqual(heightPt - 36)
            }
            // Above the foot of the sheet.
            if (item.type === 'rule' && item.weightPt === 0.3) expect(item.y).toBeLessThanOrEqual(heightPt - 60)
            if (item.type === 'picture') {
              expect((ratios.get(item.hash) ?? []).some(ratio => Math.abs(ratio - item.widthPt / item.heightPt) < 1e-6)).toBe(true)
              expect(item.x + item.widthPt).toBeLessThanOrEqual(widthPt)
              expect(item.y + item.heightPt).toBeLessThan(heightPt - 40)
            }
          }
          // Two texts on one line do not run into each other.
          const rows = new Map<string, { x: number; end: number }[]>()
          for (const { x, y, text, font, sizePt } of textsOf(page))
            rows.set(y.toFixed(2), [...(rows.get(y.toFixed(2)) ?? []), { x, end: x + measure(text, font, sizePt) }])
          for (const row of rows.values()) {
            const sorted = row.sort((a, b) => a.x - b.x)
            sorted.slice(1).forEach((each, at) => expect(each.x).toBeGreaterThanOrEqual((sorted[at]?.end ?? 0) - 0.01))
          }
        }
        const entries = leaves.reduce((sum, { lines }) => sum + lines.length, 0)
        // A thin rule ends every entry.
        expect(pages.flatMap(({ items }) => items).filter(item => item.type === 'rule' && item.weightPt === 0.3)).toHaveLength(entries)
        expect(pages.filter(({ side }) => side === 'back').length === 0 || book.sides === 2).toBe(true)
      }),
      { numRuns: 40 },
    )
  })

  test('where more was written in than a leaf has room for, all of it is printed all the same', () => {
    const all = Array.from({ length: 99 }, (_, at) => sample(at))
    const book = bookOf({ ways: ['number'], sides: 2 })
    const [leaf] = made(book, all.slice(0, 20)).leaves
    if (!leaf) throw new Error('a leaf')
    const [way] = wantedWays(['number'], all, book, words)
    const lines = way?.headings.flatMap(heading => heading.entries.map(entry => ({ heading, entry }))) ?? []
    const pages = drawLeaf({ ...leaf, lines }, { book, words: bookWords, measure, leafOf: () => null })
    expect(pages.length).toBeGreaterThan(2)
    expect(pages.map(({ side }) => side)).toEqual(pages.map((_, at) => (at % 2 === 0 ? 'front' : 'back')))
    const figures = pages.flatMap(textsOf).filter(({ sizePt, text }) => sizePt === 13 && /^\d+$/.test(text))
    expect(figures.map(({ text }) => Number(text))).toEqual(all.map(({ accession }) => accession))
  })

  test('what is shown at true size is as large as the thing, and at a common scale a quarter of it', () => {
    const set = { ...sample(0), picture: { hash: 'a', ratio: 2 }, size: { text: '', widthMm: 40, heightMm: 20 } }
    for (const [picture, mm] of [
      ['life', 40],
      ['scale', 10],
    ] as const) {
      const { pages } = made(bookOf({ ways: ['number'], picture }), [set])
      const drawn = pages.flatMap(({ items }) => items).find(item => item.type === 'picture')
      expect(((drawn?.widthPt ?? 0) / 72) * 25.4).toBeCloseTo(mm, 6)
    }
  })

  test('each heading that is to be looked under as well leads to the leaf it begins on (property)', () => {
    fc.assert(
      fc.property(sources, choices, (all, more) => {
        const { leaves, pages } = made(bookOf({ ...more, ways: ['theme'] }), all)
        const begins = leaves.find(({ lines }) => lines.some(({ heading }) => heading.title === 'Weather'))?.label
        for (const { items, label } of pages) {
          const links = items.flatMap(item => (item.type === 'link' ? [item] : []))
          if (Number.isNaN(Number(label))) continue
          const lines = items.flatMap(item => (item.type === 'text' && item.text === 'see also Weather' ? [item] : []))
          expect(links.map(({ toLabel }) => toLabel)).toEqual(begins === undefined ? [] : lines.map(() => begins))
          links.forEach((link, at) => {
            const [end, text] = [link.x + link.widthPt, lines[at]]
            expect(end).toBeCloseTo((text?.x ?? 0) + measure(text?.text ?? '', 'text', 8.5), 6)
            expect(link.widthPt).toBeCloseTo(measure('Weather', 'text', 8.5), 6)
            expect([link.y < (text?.y ?? 0), link.y + link.heightPt > (text?.y ?? 0)]).toEqual([true, true])
          })
        }
      }),
      { numRuns: 30 },
    )
    // To where it begins, also where it runs on over several leaves.
    const themes = ['Harbour', 'Weather'].map(name => ({
      id: name,
      name,
      sharesPage: false,
      seeAlso: name === 'Harbour' ? ['Weather'] : [],
    }))
    const many = Array.from({ length: 120 }, (_, at) => ({ ...sample(at), themes }))
    const { leaves, pages } = made(bookOf({ ways: ['theme'] }), many)
    const weather = leaves.filter(({ lines }) => lines[0]?.heading.title === 'Weather')
    expect(weather.length).toBeGreaterThan(1)
    const links = pages.filter(({ label }) => /^\d/.test(label)).flatMap(({ items }) => items.filter(({ type }) => type === 'link'))
    expect(links.length).toBeGreaterThan(1)
    expect(new Set(links.map(link => 'toLabel' in link && link.toLabel))).toEqual(new Set([weather[0]?.label]))
  })

  test('in front: each heading with the leaf it begins on, linked, then marks and codes (property)', () => {
    fc.assert(
      fc.property(sources, all => {
        const { leaves, front, pages } = made(bookOf({}), all)
        const lines = front.flatMap(leaf => leaf.front)
        const begins = leaves.filter((leaf, at) => leaf.group !== leaves[at - 1]?.group || leaf.way !== leaves[at - 1]?.way)
        expect(lines.filter(({ toLabel }) => toLabel !== '').map(({ toLabel }) => toLabel)).toEqual(begins.map(({ label }) => label))
        expect(lines.filter(({ mark }) => mark !== '').map(({ mark }) => mark)).toEqual(['W', 'B1'])
        const inFront = pages.filter(({ label }) => front.some(each => each.label === label))
        const links = inFront.flatMap(({ items }) => items).flatMap(item => (item.type === 'link' ? [item.toLabel] : []))
        expect(links).toEqual(begins.map(({ label }) => label))
      }),
      { numRuns: 30 },
    )
  })
})

describe('what a year of printing costs', () => {
  test('in front: no title or way is the last line of a column, and no column is higher than it may be (property)', () => {
    const lines = fc.array(fc.constantFrom('title' as const, 'way' as const, 'line' as const, 'line' as const), {
      minLength: 1,
      maxLength: 60,
    })
    fc.assert(
      fc.property(lines, fc.integer({ min: 90, max: 220 }), fc.integer({ min: 1, max: 3 }), (kinds, columnHeight, columns) => {
        const shape = { columnWidth: 200, columnHeight, columns, sides: 1, entryHeight: () => 11 } as const
        const wanted = [...kinds, 'line' as const].filter((as, at, all) => as === 'line' || all[at + 1] === 'line')
        const spots = frontSpots(
          wanted.map((as, at) => ({ as, text: String(at), toLabel: '', mark: '' })),
          shape,
        )
        expect(spots.map(({ line }) => line.text)).toEqual(wanted.map((_, at) => String(at)))
        spots.forEach(({ line, column, top, isNewLeaf }, at) => {
          const next = spots[at + 1]
          const isLast = !next || next.column !== column || next.isNewLeaf
          expect(isLast && line.as !== 'line').toBe(false)
          expect(top + FRONT_HEIGHTS[line.as]).toBeLessThanOrEqual(columnHeight)
          expect(column).toBeLessThan(columns)
          // Another column is begun only where the line, with what has to stay with it, goes in no more.
          const before = spots[at - 1]
          if (!before || (before.column === column && !isNewLeaf)) return
          const together = FRONT_HEIGHTS[line.as] + (line.as === 'line' ? 0 : FRONT_HEIGHTS.line)
          expect(before.top + FRONT_HEIGHTS[before.line.as] + together).toBeGreaterThan(columnHeight)
        })
      }),
    )
  })

  test('a set that moves costs nothing with numbers, a leaf with addresses; one that arrives the same with both (property)', () => {
    fc.assert(
      fc.property(sources, fc.nat(89), (all, which) => {
        if (all.length < 2) return
        const at = which % all.length
        const moved = all.map((each, index) => (index === at ? { ...each, address: 'Z9-1' } : each))
        const cost = (code: IndexBook['code'], states: readonly (readonly BookSource[])[]): number =>
          leavesPrinted(bookOf({ code, ways: ['number'], picture: 'none' }), states, words)
        expect([cost('number', [all, moved]), cost('address', [all, moved]), cost('both', [all, moved])]).toEqual([0, 1, 1])
        const [fewer, last] = [all.slice(0, -1), all.slice(-1)]
        expect(cost('number', [fewer, [...fewer, ...last]])).toBe(cost('both', [fewer, [...fewer, ...last]]))
        expect(cost('number', [fewer, all, all])).toBeGreaterThanOrEqual(1)
      }),
      { numRuns: 30 },
    )
  })
})
