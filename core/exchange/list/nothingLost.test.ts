import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { ulid } from 'ulid'
import { eachDetail, type Holding, TABLES } from '#core/catalog'
import { isNotSaid } from '#core/classing'
import { type LengthUnit, readSize } from '#core/units'
import {
  gatherFacts,
  guessColumns,
  LIST_FIELDS,
  type ListField,
  type ListTable,
  makeRecords,
  type NewRecords,
  planRows,
  readDate,
  readPrice,
  recommendedChoices,
  readTable,
  reportOn,
  writeDetails,
  writeList,
} from '../index'

const THIS_YEAR = 2026
const known = { brands: [], kinds: [], categories: [], themes: [], highestNumber: 0 }

/** Stands for very many letters: a failure has to be printable. */
const [LONG, WIDE] = ['very long', 'very long, of letters of two units']
const spelt = (text: string): string => {
  if (text === LONG) return 'n'.repeat(21_000)
  return text === WIDE ? `x${'𐌖'.repeat(10_500)}` : text
}

/** What people write into a cell: proper, sloppy, and of the wrong column. */
const WRITTEN: Readonly<Record<ListField, readonly string[]>> = {
  ...eachDetail(name => [`some ${name}`, 'kept, and more', LONG]),
  number: ['7', '#12', 'no. 3', '0', '12a', '352 W', '7'],
  name: ['Kelp Study', 'Kelp  Study', 'x'.repeat(320), '=SUM(A1)', 'No name'],
  brand: ['Greywether', 'GREYWETHER', 'Copper Latch', 'Copperlatch', 'y'.repeat(310), `Greywether${'!'.repeat(320)}`],
  kind: [
    'clear',
    'Clear photopolymer',
    'woodblock, needs a wash',
    'Background 6x6',
    'Background',
    'sprocket',
    'dies (steel)',
    'constructor',
    '__proto__',
    'q'.repeat(310),
  ],
  category: ['Backgrounds', 'images'],
  themes: [
    'food & drink / travel;Travel',
    'harbour, Harbour',
    `${'z'.repeat(305)}, kelp`,
    Array.from({ length: 45 }, (_, at) => `theme ${at}`).join(';'),
  ],
  size: ['4 x 6 in', '6x8', 'big', '5 3/4" x 7 1/4"', '14,6 x 18,4 cm', '4 x 6 in (with the wheel)'],
  words: ['"so, proud" kelp; kelp', 'ahoy', 'w'.repeat(330)],
  searchWords: ['boat, ship'],
  notes: ['two\nlines', '@clover', '  lead', LONG, WIDE],
  acquiredOn: ['3/4/2019', '13/4/2019', 'Dec 2011', 'marketing 2012', 'sometime', '2/15/14'],
  price: ['$35.64', '35,64 EUR', 'gift', '3/4', '1.5'],
  used: ['2x', 'never', 'perhaps', 'yes'],
  matchingDie: ['x', 'y', 'no', 'maybe'],
  place: ['Bin 4', 'p'.repeat(520)],
  packaging: ['folded', 'in the attic'],
  code: ['352 W', 'QB-7', 'c'.repeat(310)],
}
const cellOf = (field: ListField) =>
  fc.oneof(
    { weight: 5, arbitrary: fc.constantFrom(...WRITTEN[field]) },
    { weight: 2, arbitrary: fc.constant('') },
    { weight: 2, arbitrary: fc.string({ unit: 'grapheme', maxLength: 12 }) },
    { weight: 1, arbitrary: fc.constantFrom(...Object.values(WRITTEN).flat()) },
  )
/** A list with any columns, two of one sort among them, in any order. */
const lists = fc.array(fc.constantFrom(...LIST_FIELDS), { minLength: 2, maxLength: 9 }).chain(columns =>
  fc.record({
    columns: fc.constant(columns),
    rows: fc.array(fc.tuple(...columns.map(cellOf)), { minLength: 1, maxLength: 8 }),
  }),
)

function takeIn(table: ListTable, columns: readonly ListField[]) {
  const choices = recommendedChoices(columns, gatherFacts(table, columns, known, THIS_YEAR))
  const { brands } = gatherFacts(table, columns, known, THIS_YEAR)
  const rows = planRows(table, choices, THIS_YEAR, 'EUR')
  const ground = { ...known, seriesId: ulid(), highestGiven: 0, lineOf: () => undefined, isLiving: () => false }
  return { choices, rows, report: reportOn(rows), records: makeRecords(rows, brands, [], ground, ulid, '2026-11-23T00:00:00.000Z') }
}
const tidy = (text: string): string => text.replace(/\s+/g, ' ').trim().toLowerCase()
const pieces = (text: string): string[] =>
  text
    .split(/[;,/|\n"“”]+|\s[&+]\s/)
    .map(tidy)
    .filter(Boolean)

/** Every text that a set carries, its names written out. */
function textsOf(holding: Holding, { brands, kinds, categories, themes }: NewRecords): readonly string[] {
  const named = <R extends { id: string }>(
    list: readonly R[],
    id: string | null,
    write: (record: R) => readonly string[],
  ): readonly string[] => list.flatMap(record => (record.id === id ? write(record) : []))
  return [
    holding.name,
    ...Object.values(writeDetails(holding)),
    holding.placeText,
    ...holding.words,
    ...holding.searchWords,
    ...holding.questions.map(each => each.text),
    ...holding.aliases.map(each => each.text),
    ...named(brands, holding.brandId, each => [each.name, ...each.variants]),
    ...named(kinds, holding.kindId, each => [each.name]),
    ...named(categories, holding.categoryId, each => [each.name]),
    ...holding.themeIds.flatMap(id => named(themes, id, each => [each.name])),
    String(holding.number),
  ].map(tidy)
}
/** Words of kinds that stand for one kind, so that the kind says all that was written. */
const SAYS_ITS_KIND: Readonly<Record<string, string>> = { clear: 'clear', 'clear photopolymer': 'clear', background: 'backgrounds' }

/** Whether what a cell says is in the set: as text, or as the value that the text was read as. */
function isKept(
  text: string,
  field: ListField,
  holding: Holding,
  texts: readonly string[],
  unit: LengthUnit | null,
  uses: NewRecords['uses'],
): boolean {
  const has = (piece: string): boolean => texts.some(each => each.includes(piece))
  if (has(tidy(text)) || pieces(text).every(piece => has(piece) || isNotSaid(piece))) return true
  if (field === 'size') {
    const reading = readSize(text, unit)
    return reading.ok && JSON.stringify(reading.size) === JSON.stringify(holding.size)
  }
  if (field === 'acquiredOn')
    return (['monthFirst', 'dayFirst'] as const).some(order => {
      const reading = readDate(text, { order, shortYears: true, thisYear: THIS_YEAR })
      return reading.ok && reading.date === holding.acquiredOn
    })
  if (field === 'price') return JSON.stringify(readPrice(text, 'EUR')) === JSON.stringify(holding.price) && holding.price !== null
  if (field === 'used') return uses.some(use => use.holdingId === holding.id)
  if (field === 'matchingDie') return holding.hasMatchingDie !== null
  return field === 'kind' && has(SAYS_ITS_KIND[tidy(text)] ?? '\0')
}

describe('any list whatever', () => {
  test('every row is accounted for, and no text of it is lost (property)', () => {
    fc.assert(
      fc.property(lists, ({ columns, rows: written }) => {
        const rows = written.map(cells => cells.map(spelt))
        const table: ListTable = {
          headings: columns.map((field, at) => `${field} ${at}`),
          rows,
          source: { kind: 'text', delimiter: ',', encoding: 'utf-8' },
          above: [],
        }
        const { choices, report, records, rows: planned } = takeIn(table, columns)
        expect(report.taken + report.withQuestion + report.refused.length).toBe(rows.length)
        expect(report.refused.map(each => each.row)).toEqual(
          rows.flatMap((cells, at) => (cells.every(cell => cell.trim() === '') ? [at + 1] : [])),
        )
        expect(new Set(records.holdings.map(each => each.number)).size).toBe(records.holdings.length)
        for (const table of ['brands', 'kinds', 'categories', 'themes', 'holdings', 'register'] as const)
          expect([table, TABLES[table].array().safeParse(records[table]).error?.issues[0]?.path]).toEqual([table, undefined])
        expect(records.register.map(line => line.holdingId)).toEqual(records.holdings.map(each => each.id))
        let at = 0
        for (const { row, outcome } of planned) {
          if (outcome === 'refused') continue
          const holding = records.holdings[at++]
          if (!holding) throw new Error('a set for every row taken')
          const texts = textsOf(holding, records)
          const lost = columns.flatMap((field, column) => {
            const text = rows[row - 1]?.[column] ?? ''
            return text.trim() === '' || text.length > 20_000 || isKept(text, field, holding, texts, choices.sizeUnit, records.uses)
              ? []
              : [`${field}: ${text.slice(0, 60)}`]
          })
          expect([row, lost]).toEqual([row, []])
          // What is longer than notes may be is kept part by part: no letter of it goes.
          const kept = [holding.notes, ...holding.questions.map(each => each.text)]
          for (const [letter, most] of [
            ['n', 21_000],
            ['𐌖', 10_500],
          ] as const) {
            expect(kept.join('').split(letter).length).toBeGreaterThan(
              most * (rows[row - 1] ?? []).filter(text => text.endsWith(letter.repeat(500))).length,
            )
          }
          expect(kept.some(text => /\p{Surrogate}/u.test(text))).toBe(false)
        }
      }),
      { numRuns: 250, endOnFailure: true },
    )
  })
  test('a column is guessed for every heading, each field at most once but the notes (property)', () => {
    fc.assert(
      fc.property(
        lists,
        fc.array(fc.constantFrom('Name', 'Brand', 'No.', 'Set', 'Where', 'Bought', 'Size', 'Die', '', 'Colour', 'Themes', 'Type'), {
          minLength: 9,
          maxLength: 9,
        }),
        ({ columns, rows }, headings) => {
          const guesses = guessColumns({
            headings: headings.slice(0, columns.length),
            rows,
            source: { kind: 'text', delimiter: ',', encoding: 'utf-8' },
            above: [],
          }).map(each => each.field)
          expect(guesses).toHaveLength(columns.length)
          const once = guesses.filter(field => field !== 'notes')
          expect(new Set(once).size).toBe(once.length)
        },
      ),
      { numRuns: 60 },
    )
  })
})

test('what is written here is read back as it is, whatever the names hold (property)', () => {
  const signs = ['a', 'B', 'ß', '7', ' ', '/', ';', ',', '|', '&', '+', '"', "'", '=', '@', '-', '?', '\t']
  const text = fc
    .string({ unit: fc.constantFrom(...signs), minLength: 1, maxLength: 12 })
    .map(each => each.trim().replace(/\s+/g, ' '))
    .filter(each => /[aB7]/.test(each))
  const texts = fc.uniqueArray(text, { maxLength: 4, selector: each => each.toLowerCase() })
  const named = { name: text, brand: text, category: text, notes: text, place: text }
  const line = fc.record({ ...named, themes: texts, words: texts, searchWords: texts })
  fc.assert(
    fc.property(fc.array(line, { minLength: 1, maxLength: 6 }), lines => {
      const blank = { ...eachDetail(() => ''), code: '', kind: '', size: '', used: '', matchingDie: '' }
      const reading = readTable(new TextEncoder().encode(writeList(lines.map((each, at) => ({ ...blank, ...each, number: at + 1 })))))
      if (!reading.ok) throw new Error(reading.code)
      const columns = guessColumns(reading.table).map(guess => guess.field)
      const choices = recommendedChoices(columns, gatherFacts(reading.table, columns, known, THIS_YEAR))
      const read = planRows(reading.table, choices, THIS_YEAR, 'EUR').map(each => {
        if (each.outcome === 'refused') throw new Error(each.because)
        const { name, brandText, categoryText, themeNames, words, searchWords, notes, placeText } = each.draft
        return { name, brand: brandText, category: categoryText, themes: themeNames, words, searchWords, notes, place: placeText }
      })
      expect(read).toEqual(lines)
    }),
    { numRuns: 200 },
  )
})
