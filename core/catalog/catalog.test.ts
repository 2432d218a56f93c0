import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { ulid } from 'ulid'
import {
  blankBrand,
  blankDraft,
  blankHolding,
  emptyCatalogue,
  FIT_WAYS,
  Holding,
  LIMITS,
  newCategory,
  newKind,
  newTheme,
  nextRank,
  PartialDate,
  Refiling,
  ROOM_CURRENCIES,
  RoomSettings,
  settingsOfLocale,
  START_HOLDER_TYPES,
  START_MARKS,
  START_SETTINGS,
  startCatalogue,
  TABLE_NAMES,
  TABLES,
  WAYS,
  upgradeRecord,
} from './index'

const identity = { id: ulid(), number: 1, seriesId: ulid(), name: 'Kelp Study', createdAt: '2026-11-01T10:00:00.000Z' }

describe('records to begin with are records', () => {
  test('everything that "start empty" gives is of its table\'s shape, nothing more and nothing less', () => {
    const data = startCatalogue(ulid)
    for (const table of TABLE_NAMES)
      for (const record of data[table]) expect([table, TABLES[table].strict().safeParse(record).error?.message]).toEqual([table, undefined])
    expect(data.kinds.length).toBeGreaterThan(8)
    expect(new Set(data.kinds.map(kind => kind.suffix).filter(Boolean)).size).toBe(data.kinds.filter(kind => kind.suffix).length)
    expect(Object.keys(emptyCatalogue()).sort()).toEqual([...TABLE_NAMES].sort())
  })
  test('a blank set, brand, strip, and names that are made on the spot', () => {
    expect(TABLES.holdings.strict().safeParse(blankHolding(identity)).success).toBe(true)
    expect(TABLES.brands.strict().safeParse(blankBrand(ulid(), 'Copperlatch')).success).toBe(true)
    expect(TABLES.drafts.strict().safeParse(blankDraft({ id: ulid(), rank: 0, createdAt: identity.createdAt })).success).toBe(true)
    for (const [table, record] of [
      ['themes', newTheme(ulid(), 'Harbour', [])],
      ['categories', newCategory(ulid(), 'Images', [])],
      ['kinds', newKind(ulid(), 'Foil plate', [])],
    ] as const)
      expect(TABLES[table].strict().safeParse(record).success).toBe(true)
  })
  test('the common holders have each a name of their own, and room inside unless they take any size', () => {
    expect(new Set(START_HOLDER_TYPES.map(type => type.name)).size).toBe(START_HOLDER_TYPES.length)
    for (const type of START_HOLDER_TYPES) {
      expect(TABLES.holderTypes.strict().safeParse({ ...type, id: ulid(), rank: 0 }).success).toBe(true)
      expect(type.inner !== null || type.type === 'ring' || type.type === 'none').toBe(true)
      expect(type.cells !== null).toBe(type.type === 'celledPage')
    }
  })
  test('settings: every way to fit stands once in the order, every mark has a meaning of its own', () => {
    expect([...START_SETTINGS.fitOrder].sort()).toEqual([...FIT_WAYS].sort())
    expect(new Set(Object.values(START_MARKS)).size).toBe(WAYS.length)
    expect(RoomSettings.strict().safeParse(START_SETTINGS).success).toBe(true)
  })
  test('the next rank is behind all others, whatever order they come in (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ rank: fc.integer({ min: 0, max: 999 }) })), existing => {
        const next = nextRank(existing)
        expect(existing.every(each => each.rank < next)).toBe(true)
      }),
    )
  })
})

describe('what is no record is refused', () => {
  const good = blankHolding(identity)
  test.each<[string, Partial<Record<keyof Holding, unknown>>]>([
    ['a number of zero', { number: 0 }],
    ['a number that is none', { number: 1.5 }],
    ['no name', { name: '  ' }],
    ['a name without end', { name: 'x'.repeat(301) }],
    ['an id of another make', { id: 'abc' }],
    ['a size of nothing', { size: { widthMm: 0, heightMm: 10 } }],
    ['a size beyond five metres', { size: { widthMm: 5001, heightMm: 10 } }],
    ['a day that is none', { acquiredOn: '2026-13' }],
    ['forty-one themes', { themeIds: Array.from({ length: 41 }, () => identity.id) }],
    ['a state nobody knows', { state: 'lost' }],
    ['a picture without its hash', { pictureHash: 'kelp.png' }],
    ['a price below nothing', { price: { minor: -1, currency: 'EUR' } }],
    ['a currency in words', { price: { minor: 1, currency: 'euro' } }],
    ['notes without end', { notes: 'x'.repeat(20_001) }],
  ])('%s', (_title, wrong) => {
    expect(Holding.safeParse({ ...good, ...wrong }).success).toBe(false)
  })
  const list = (count: number, each: string): string[] => Array.from({ length: count }, () => each)
  const [fixture, container] = [startCatalogue(ulid).fixtures[0], startCatalogue(ulid).containers[0]]
  const grid = { rows: 1, columns: 1, pages: 1, isTwoSided: false, cellSize: null, reuse: 'last' }
  test.each<[keyof typeof LIMITS, (count: number) => readonly [table: keyof typeof TABLES, record: unknown]]>([
    ['name', count => ['holdings', { ...good, name: 'k'.repeat(count) }]],
    ['text', count => ['holdings', { ...good, notes: 'k'.repeat(count) }]],
    ['themes', count => ['holdings', { ...good, themeIds: list(count, identity.id) }]],
    ['words', count => ['holdings', { ...good, words: list(count, 'ahoy') }]],
    ['moneyMinor', count => ['holdings', { ...good, price: { minor: count, currency: 'EUR' } }]],
    ['shelves', count => ['fixtures', { ...fixture, shelves: count }]],
    ['lanes', count => ['containers', { ...container, lanes: count }]],
    ['cellsASide', count => ['containers', { ...container, cells: { ...grid, rows: count, columns: count } }]],
    ['pages', count => ['containers', { ...container, cells: { ...grid, pages: count } }]],
  ])('the limit of %s that fields keep to is the one of the schema: as many go in, and not one more', (limit, make) => {
    const passes = (count: number): boolean => {
      const [table, record] = make(count)
      return TABLES[table].safeParse(record).success
    }
    expect([passes(1), passes(LIMITS[limit]), passes(LIMITS[limit] + 1)]).toEqual([true, true, false])
  })
  test('days: a year, a month, a day, and nothing that is none of them (property)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1000, max: 9999 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 31 }),
        (year, month, day) => {
          const two = (value: number): string => String(value).padStart(2, '0')
          for (const text of [`${year}`, `${year}-${two(month)}`, `${year}-${two(month)}-${two(day)}`])
            expect(PartialDate.safeParse(text).success).toBe(true)
          for (const text of [`${year}-${month + 12}`, `${year}-${two(month)}-${day + 31}`, `${two(day)}/${two(month)}/${year}`])
            expect(PartialDate.safeParse(text).success).toBe(false)
        },
      ),
    )
  })
  test('a record of before, without the fields that came later, takes their usual values', () => {
    const { isCutInTwo: _cut, isSticky: _sticky, sitsIn: _sits, labelText: _label, holderTypeId: _type, ...before } = good
    expect(Holding.parse(upgradeRecord('holdings', before, 1))).toEqual(good)
    const { lifting: _lifting, addressPatterns: _patterns, marks: _marks, ...settings } = START_SETTINGS
    expect(RoomSettings.parse(upgradeRecord('settings', settings, 1))).toEqual(START_SETTINGS)
    // What a record has already stays as it is; of the version before the latest only the latest step is taken.
    expect(upgradeRecord('holdings', { ...good, packaging: 'whole', isSticky: true }, 1)).toMatchObject({
      packaging: 'whole',
      isSticky: true,
    })
    expect(upgradeRecord('holdings', before, 2)).not.toHaveProperty('isSticky')
    const kind = (family: string, typicalThicknessMm: number) => upgradeRecord('kinds', { family, typicalThicknessMm }, 2)
    expect(
      [kind('stamp', 5), kind('stamp', 25), kind('die', 3), kind('stencil', 1.5)].map(({ mayTrim, mayCut }) => [mayTrim, mayCut]),
    ).toEqual([
      [true, true],
      [false, false],
      [false, false],
      [true, false],
    ])
  })
  test('a re-filing is bounded: no lane of thousands of thousands, no steps below nothing', () => {
    const refiling = {
      id: ulid(),
      name: 'x',
      state: 'open',
      startedAt: identity.createdAt,
      endedAt: null,
      zoneId: ulid(),
      ruleBefore: { keys: [{ by: 'theme', order: 'own' }] },
      rule: { keys: [{ by: 'brand', order: 'alphabetical' }] },
      lanes: [],
      tableMm: 300,
      tableContainerId: ulid(),
      armfulMm: 150,
      stepsDone: 0,
      liftsDone: 0,
      minutesWorked: 0,
      lastStepAt: null,
    }
    expect(Refiling.safeParse(refiling).success).toBe(true)
    for (const wrong of [
      { stepsDone: -1 },
      { tableMm: 0 },
      { rule: { keys: [] } },
      { state: 'paused' },
      { lanes: [{ containerId: 'x', lane: 1, holderIds: [], tabs: [] }] },
    ])
      expect(Refiling.safeParse({ ...refiling, ...wrong }).success).toBe(false)
  })
})

test.each([
  ['en-GB', 'cm', 'A4', 'GBP', 'dayFirst'],
  ['fr-CA', 'cm', 'Letter', 'CAD', null],
  ['de-CH', 'cm', 'A4', 'CHF', 'dayFirst'],
  ['en', 'in', 'Letter', 'USD', 'monthFirst'],
  ['sv', 'cm', 'A4', 'SEK', null],
  ['no locale', 'cm', 'A4', 'EUR', null],
])('a room of a browser in %s begins with %s, %s, %s', (locale, unit, paper, currency, dateOrder) => {
  const settings = settingsOfLocale(locale)
  expect(settings).toEqual({ unit, paper, currency, dateOrder })
  expect(ROOM_CURRENCIES).toContain(settings.currency)
})
