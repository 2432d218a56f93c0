import { readFileSync } from 'node:fs'
import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { ulid } from 'ulid'
import Papa from 'papaparse'
import { type DateOrder, eachDetail, TABLES } from '#core/catalog'
import {
  chosenBrands,
  gatherFacts,
  guessColumns,
  LIST_FIELDS,
  makeRecords,
  planRows,
  readTable,
  recommendedChoices,
  reportOn,
  writeList,
  type ImportChoices,
  type ListLine,
  type ListTable,
} from '../index'

const sample = readFileSync('tests/fixtures/hand-kept-list.csv')
const known = { brands: [], kinds: [], categories: [], themes: [], highestNumber: 0 }
const THIS_YEAR = 2026

function tableOf(bytes: Uint8Array): ListTable {
  const reading = readTable(bytes)
  if (!reading.ok) throw new Error(reading.code)
  return reading.table
}
const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text)

function read(table: ListTable, change: (choices: ImportChoices) => ImportChoices = each => each) {
  const columns = guessColumns(table).map(guess => guess.field)
  const facts = gatherFacts(table, columns, known, THIS_YEAR)
  const choices = change(recommendedChoices(columns, facts))
  const rows = planRows(table, choices, THIS_YEAR, 'EUR')
  const ground = { ...known, seriesId: ulid(), highestGiven: 0, lineOf: () => undefined, isLiving: () => false }
  return {
    facts,
    choices,
    rows,
    report: reportOn(rows),
    records: makeRecords(rows, facts.brands, choices.refusedSpellings, ground, ulid, '2026-11-23T00:00:00.000Z'),
  }
}

describe('the hand-kept list', () => {
  const table = tableOf(sample)
  const { facts, report, records, rows } = read(table)

  test('all 640 rows and every column are recognised', () => {
    expect(table.rows).toHaveLength(640)
    expect(guessColumns(table).map(guess => guess.field)).toEqual([
      'brand',
      'name',
      'themes',
      'kind',
      'size',
      'matchingDie',
      'notes',
      'acquiredOn',
      'used',
      'price',
      'place',
      'number',
    ])
  })

  test('every row is accounted for', () => {
    expect(report.taken + report.withQuestion + report.refused.length).toBe(640)
    expect(records.holdings).toHaveLength(640)
    expect(new Set(records.holdings.map(holding => holding.number)).size).toBe(640)
  })

  test('29 spellings are nine brands, each called as it is written best; two more are frequent, and are asked about', () => {
    expect(facts.brands.map(({ preferred, mayBe }) => (mayBe ? `${preferred} / ${mayBe.name}` : preferred)).sort()).toEqual([
      'Copper Latch',
      'Greywether',
      'Marow & Finch / Marrow and Finch',
      'Marrow and Finch',
      'Ninefold Dies',
      'Oddment Yard',
      'Plumb Bob',
      'Plumbob Paperworks / Plumb Bob',
      'Quoin + Bodkin',
      'Salt Lantern',
      'Tidewrack Press',
    ])
    const joined = chosenBrands(facts.brands, {
      joinedBrands: ['Marow & Finch', 'Plumbob Paperworks'],
      brandNames: { 'Marrow and Finch': 'Marrow & Finch' },
    })
    expect(joined).toHaveLength(9)
    expect(
      joined
        .find(group => group.preferred === 'Marrow & Finch')
        ?.spellings.map(each => each.text)
        .sort(),
    ).toEqual(['Marow & Finch', 'Marrow & Finch', 'Marrow and Finch', 'Marrow&Finch'])
  })

  test('sizes that cannot be read are asked together, with their texts', () => {
    const unread = report.questions.find(question => question.code === 'sizeUnread')
    expect(unread).toMatchObject({
      count: 16,
      texts: [{ text: 'big', count: 16 }],
    })
  })

  test('the month stands first in this file, and days above 12 prove it', () => {
    expect(facts.dates).toMatchObject({ dayFirst: 0, recommended: 'monthFirst' })
    expect(facts.dates.monthFirst).toBeGreaterThan(50)
  })

  test('no text of the file is lost', () => {
    const brandTexts = new Map(records.brands.map(brand => [brand.id, [brand.name, ...brand.variants]]))
    const themes = new Map(records.themes.map(theme => [theme.id, theme.name]))
    const categories = new Map(records.categories.map(category => [category.id, category.name]))
    table.rows.forEach((cells, index) => {
      const holding = records.holdings[index]
      if (!holding) throw new Error('row without a set')
      const [brand = '', name = '', themeText = '', kind = '', size = '', , notes = '', , , , place = '', number = ''] = cells
      expect(brandTexts.get(holding.brandId ?? '')).toEqual(expect.arrayContaining([brand.trim()]))
      expect(holding.name).toBe(name)
      for (const id of holding.themeIds) expect(themeText).toContain(themes.get(id))
      expect(themeText.replace(/[\s;,/]/g, '')).toBe(
        holding.themeIds
          .map(id => themes.get(id))
          .join('')
          .replace(/\s/g, ''),
      )
      // A kind that says more than its kind keeps what it says.
      expect(holding.notes).toBe([notes, kind === 'Background 6x6' ? 'Type: Background 6x6' : ''].filter(Boolean).join('\n'))
      expect(holding.placeText).toBe(place)
      if (size && size !== '?' && !holding.size) expect(holding.questions).toContainEqual({ code: 'sizeUnread', text: size })
      if (kind && !holding.kindId) expect(categories.get(holding.categoryId ?? '')).toBe('Backgrounds')
      if (number) expect(number === String(holding.number) || holding.aliases.some(alias => alias.text === number)).toBe(true)
    })
  })

  test('cells that begin with = or @ are text like any other', () => {
    expect(rows.some(row => row.outcome === 'taken' && row.draft.notes.startsWith('=SUM('))).toBe(true)
    expect(rows.some(row => row.outcome === 'taken' && row.draft.notes.startsWith('@'))).toBe(true)
  })

  test('a refused spelling stays a brand of its own', () => {
    const refused = read(table, choices => ({ ...choices, refusedSpellings: ['Q&B'] })).records
    expect(refused.brands.find(brand => brand.name === 'Q&B')).toBeDefined()
    expect(refused.brands.find(brand => brand.variants.includes('Q&B'))).toBeUndefined()
  })
})

describe('what could mean two things is asked', () => {
  test('3/4/2019 where no day is above 12', () => {
    const { facts, report } = read(tableOf(bytesOf('Name,Bought\nKelp,3/4/2019\nFerry,5/6/2020\n')))
    expect(facts.dates.recommended).toBeNull()
    expect(report.questions).toMatchObject([{ code: 'dateOrderUnknown', count: 2 }])
  })

  test('where no date tells, the order of the room is proposed; where they prove one or both, it says nothing', () => {
    const proposed = (dates: string): DateOrder | null => {
      const { facts } = read(tableOf(bytesOf(`Name,Bought\n${dates}`)))
      return recommendedChoices(['name', 'acquiredOn'], facts, 'dayFirst').dateOrder
    }
    expect(proposed('Kelp,3/4/2019\n')).toBe('dayFirst')
    expect(proposed('Kelp,3/4/2019\nFerry,5/16/2020\n')).toBe('monthFirst')
    expect(proposed('Kelp,13/4/2019\nFerry,5/16/2020\nGull,1/2/2020\n')).toBeNull()
  })

  test('dates that prove both orders leave the others open', () => {
    const { facts } = read(tableOf(bytesOf('Name,Bought\nKelp,13/4/2019\nFerry,5/16/2020\nGull,1/2/2020\n')))
    expect(facts.dates).toMatchObject({ recommended: null, undecided: [{ text: '1/2/2020', count: 1 }] })
  })

  test('6x8 without a unit in a list of centimetres', () => {
    const { facts, report } = read(tableOf(bytesOf('Name,Size\nKelp,14 x 18 cm\nFerry,10 x 15 cm\nGull,6x8\nPost,9 x 9cm\n')))
    expect(facts.sizes).toMatchObject({ recommended: null, unitless: [{ text: '6x8', count: 1 }] })
    expect(report).toMatchObject({ taken: 3, withQuestion: 1 })
  })
})

test('an x may mean no, where its owner says so: never used, no die', () => {
  const { rows } = read(tableOf(bytesOf('Name,Used,Matching die\nKelp,x,x\nGull,yes,no\n')), choices => ({
    ...choices,
    ticks: { used: false, matchingDie: false },
  }))
  expect(rows[0]).toMatchObject({ draft: { isUsed: false, useCount: 0, hasMatchingDie: false }, questions: [] })
})

describe('files', () => {
  const rows = 'Name;Brand;Notes\r\nKelp;Tidewrack;"two\r\nlines, ""quoted"""\r\nMøwe & Söhne;Äther;\r\n'
  const expected = [
    ['Kelp', 'Tidewrack', 'two\r\nlines, "quoted"'],
    ['Møwe & Söhne', 'Äther', ''],
  ]

  test.each([
    ['semicolon, CRLF, UTF-8', bytesOf(rows)],
    ['with a byte-order mark', new Uint8Array([0xef, 0xbb, 0xbf, ...bytesOf(rows)])],
    ['Windows-1252', Uint8Array.from(rows, letter => letter.charCodeAt(0))],
    ['tab', bytesOf(rows.replaceAll(';', '\t'))],
  ])('%s', (_title, bytes) => {
    expect(tableOf(bytes).rows).toEqual(expected)
  })

  test('LF', () => {
    expect(tableOf(bytesOf(rows.replaceAll('\r\n', '\n'))).rows[1]).toEqual(expected[1])
  })

  test.each([
    ['a picture', Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2]), 'notText'],
    ['nothing', new Uint8Array(), 'empty'],
    ['a letter', bytesOf('Dear harbour master\nthe lantern is out\n'), 'oneColumn'],
    ['a web page', bytesOf('<!doctype html>\n<p>one, two</p>\n<p>three, four</p>'), 'oneColumn'],
    ['headings alone', bytesOf('Name,Brand\n'), 'noRows'],
    ['an open quote', bytesOf('Name,Brand\n"Kelp,Tidewrack\nFerry,Greywether\n'), 'brokenQuotes'],
    ['UTF-16', Uint8Array.from([0xff, 0xfe, 0x41, 0]), 'utf16'],
  ])('%s is not a table', (_title, bytes, code) => {
    expect(readTable(bytes)).toMatchObject({ ok: false, code })
  })

  test('rows wider than the headings lose nothing; blank rows are refused and counted', () => {
    const { records, report } = read(tableOf(bytesOf('Name,Brand\nKelp,Tidewrack,left over\n,\nGull,Greywether\n')))
    expect(records.holdings[0]?.notes).toContain('left over')
    expect(report).toMatchObject({ rows: 3, taken: 2, refused: [{ row: 2, because: 'blankRow' }] })
  })
})

test('a list that was written here and is read again says the same, however often: no notes grow', () => {
  const line: ListLine = {
    number: 376,
    code: '376 W',
    name: 'Kelp Study',
    brand: '',
    kind: '',
    category: '',
    themes: [],
    size: '',
    words: [],
    searchWords: [],
    ...eachDetail(() => ''),
    notes: 'from the quay',
    used: '',
    matchingDie: '',
    place: '',
    packaging: 'folded',
  }
  for (const code of ['376', '376 W', 'QB-376']) {
    const reading = readTable(new TextEncoder().encode(writeList([{ ...line, code }])))
    if (!reading.ok) throw new Error(reading.code)
    const columns = guessColumns(reading.table).map(guess => guess.field)
    const choices = recommendedChoices(columns, gatherFacts(reading.table, columns, known, 2026))
    const [planned] = planRows(reading.table, choices, 2026, 'EUR')
    expect(planned).toMatchObject({ draft: { notes: 'from the quay', packaging: 'folded', codeText: code === 'QB-376' ? code : '' } })
  }
})
test('numbers far above the others are asked about: kept as older numbers until somebody says otherwise', () => {
  const table: ListTable = {
    headings: ['Number', 'Name'],
    rows: [
      ['1', 'A'],
      ['2', 'B'],
      ['5310472', 'C'],
    ],
    source: { kind: 'text', delimiter: ',', encoding: 'utf-8' },
    above: [],
  }
  const columns = ['number', 'name'] as const
  const facts = gatherFacts(table, columns, known, 2026)
  expect(facts.farNumbers).toEqual({ texts: [{ text: '5310472', count: 1 }], from: 5_310_472 })
  const choices = recommendedChoices(columns, facts)
  const read = (farFrom: number | null) => planRows(table, { ...choices, farFrom }, 2026, 'EUR')
  expect(read(choices.farFrom)[2]).toMatchObject({
    draft: { numberWritten: null, numberText: '5310472' },
    questions: [{ code: 'numberFar' }],
  })
  expect(read(null)[2]).toMatchObject({ draft: { numberWritten: 5_310_472 }, questions: [] })
  // Beside a run that reaches there nothing is far.
  expect(gatherFacts(table, columns, { ...known, highestNumber: 5_310_000 }, 2026).farNumbers.from).toBeNull()
})

describe('line ends', () => {
  const end = fc.constantFrom('\n', '\r\n', '\r')
  const written = (text: string): string => (/[",\r\n]/.test(text) || text === '' ? `"${text.replaceAll('"', '""')}"` : text)
  test('whatever ends each line, mixed in one file: every row is there, and what stands in quotes is as it was (property)', () => {
    const cell = fc.constantFrom('Kelp', '6" tall', 'two\r\nlines', 'two\nlines', 'old\rend', 'so, "proud"', '')
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell, end), { minLength: 1, maxLength: 30 }), end, (rows, first) => {
        const text = `Name,Notes${first}${rows.map(([a, b, ends]) => `${written(a)},${written(b)}${ends}`).join('')}x,y`
        const reading = readTable(new TextEncoder().encode(text))
        if (!reading.ok) throw new Error(reading.code)
        expect(reading.table.rows).toEqual([...rows.map(([a, b]) => [a, b]), ['x', 'y']])
      }),
    )
  })
  test('twenty rows with LF and three with CRLF are twenty-three', () => {
    const text = `Name,Brand\n${'a,b\n'.repeat(20)}${'c,d\r\n'.repeat(3)}`
    expect(readTable(new TextEncoder().encode(text))).toMatchObject({ ok: true, table: { rows: { length: 23 } } })
  })
  test('a quote that is never closed is said, at its line, before the file is read to its end', () => {
    const text = `Name,Brand\na,b\n"${'c'.repeat(2_000_000)}`
    expect(readTable(new TextEncoder().encode(text))).toMatchObject({ ok: false, code: 'cellTooLong', line: 3 })
    const rows = `Name,Brand\n${'Kelp,Greywether\n'.repeat(200_001)}`
    expect(readTable(new TextEncoder().encode(rows))).toMatchObject({ ok: false, code: 'tooManyRows', line: 200_001 })
    const wide = `Name,Brand\nKelp${','.repeat(300)}\n`
    expect(readTable(new TextEncoder().encode(wide))).toEqual({ ok: false, code: 'tooManyColumns', line: 2 })
  })
})

test('a name or note with any sign at all is kept clean, and its own list brings it back letter by letter (property)', () => {
  const anything = fc.oneof(
    fc.string({ unit: 'binary', maxLength: 30 }),
    fc.string({
      unit: fc.constantFrom('\u000b', '\t', '\r', '\n', '\u00a0', '\ud800', '\udc00', '\uff1d', '=', "'", '"', ',', ';', 'k'),
      maxLength: 12,
    }),
  )
  fc.assert(
    fc.property(fc.array(fc.tuple(anything, anything), { minLength: 2, maxLength: 12 }), written => {
      const sets = written.flatMap(([name, notes]) => {
        const { shape } = TABLES.holdings
        const read = shape.name.safeParse(name)
        return read.success ? [{ name: read.data, notes: shape.notes.parse(notes) }] : []
      })
      fc.pre(sets.length > 1)
      for (const { name, notes } of sets) expect(`${name}${notes}`.isWellFormed() && !/[^\P{Cc}\t\n\r]/u.test(`${name}${notes}`)).toBe(true)
      const empty = Object.fromEntries(LIST_FIELDS.map(field => [field, ''])) as unknown as ListLine
      const csv = writeList(sets.map((set, at) => ({ ...empty, number: at + 1, ...set })))
      // No cell of it is run by a spreadsheet, also where it reads wide signs as their narrow ones.
      for (const line of Papa.parse<string[]>(csv.trim(), { newline: '\r\n' }).data.slice(1))
        for (const cell of line) expect(cell).not.toMatch(/^[=+\-@\t\r\n\uff1d\uff0b\uff0d\uff20]/)
      const { headings, rows } = tableOf(bytesOf(csv))
      const [atName, atNotes] = [headings.indexOf('Name'), headings.indexOf('Notes')]
      expect(rows.map(row => ({ name: row[atName], notes: row[atNotes] }))).toEqual(sets)
    }),
    { numRuns: 400 },
  )
})

test('what a formula without a value shows is nothing: it is asked for, or kept in the notes', () => {
  const rows = [
    'Name,Brand,Category,No.,Size,Bought,Price,Used,Kind,Theme,Code',
    '#REF!,#DIV/0!,#NAME?,#VALUE!,#N/A,#NUM!,#NULL!,#REF!,#SPILL!,#CALC!,#REF!',
    'Kelp Study,Greywether,Images,4,,,,,,,',
    'Tern Study,n/a,-,5,?,,,,,,',
  ]
  const { records } = read(tableOf(bytesOf(rows.join('\n'))))
  expect(records.brands.map(({ name }) => name)).toEqual(['Greywether'])
  expect(records.themes).toEqual([])
  const [spoilt, ...others] = records.holdings
  expect(spoilt?.name).toBe('No name (row 1)')
  expect(Object.fromEntries(spoilt?.questions.map(({ code, text }) => [code, text]) ?? [])).toEqual({
    nameMissing: '',
    brandUnread: '#DIV/0!',
    categoryUnread: '#NAME?',
    sizeUnread: '#N/A',
    dateUnread: '#NUM!',
    priceUnread: '#NULL!',
    usedUnread: '#REF!',
    kindUnread: '#SPILL!',
  })
  expect(spoilt?.notes.split('\n').sort()).toEqual(['Code: #REF!', 'No.: #VALUE!', 'Theme: #CALC!'])
  // It is no older number either: a number is given as where none was written.
  expect(spoilt?.aliases).toEqual([])
  expect(spoilt?.number).toBeGreaterThan(0)
  expect(others.map(({ name, questions }) => [name, questions])).toEqual([
    ['Kelp Study', []],
    ['Tern Study', []],
  ])
})
