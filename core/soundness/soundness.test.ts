import { beforeAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankBook, blankDraft, type CatalogueData, picturesOf, TABLE_NAMES, type TableName } from '#core/catalog'
import { registerId } from '#core/numbering'
import { START_SHEETS } from '#core/printing'
import { makeLetterRoom } from '#demo/letterRoom'
import { type Finding, type FindingCode, findingsIn, type Given, mend } from './index'

type Path = readonly (string | number)[]
interface Named {
  readonly table: TableName
  readonly at: Path
  readonly names: TableName
}

/** Every text below a value, with the way to it. */
function* textsOf(value: unknown, at: Path = []): Generator<readonly [at: Path, text: string]> {
  if (typeof value === 'string') yield [at, value]
  else if (value !== null && typeof value === 'object')
    for (const [key, below] of Object.entries(value)) yield* textsOf(below, [...at, Array.isArray(value) ? Number(key) : key])
}
function put(root: unknown, at: Path, value: unknown): void {
  const [last, parent] = [
    at.at(-1) ?? '',
    at.slice(0, -1).reduce((below: unknown, key) => (below as Record<string | number, unknown>)[key], root),
  ]
  ;(parent as Record<string | number, unknown>)[last] = value
}
const fieldOf = ({ table, at }: Named): string => [table, ...at.slice(1).map(key => (typeof key === 'number' ? '[]' : key))].join('.')
const NOWHERE = '0'.repeat(26)

/** The demo room, and what it has not: a record for every field that can name another. */
function everything(): CatalogueData {
  const { data } = makeLetterRoom()
  const [first, second, third] = data.holdings
  const [container, zone, holder, type] = [data.containers[0], data.zones[0], data.holders[0], data.holderTypes[0]]
  const [brand, other, theme, category] = [data.brands[0], data.brands[1], data.themes[0], data.categories[0]]
  if (!first || !second || !third || !container || !zone || !holder || !type || !brand || !other || !theme || !category)
    throw new Error('a full room')
  const id = (digit: number): string => `${'1'.repeat(25)}${digit}`
  brand.successorId = other.id
  theme.seeAlsoIds = [data.themes[1]?.id ?? '']
  category.seeAlsoIds = [data.categories[1]?.id ?? '']
  first.pieces = [
    { id: id(1), words: ['ahoy'], size: null, at: null, pictureHash: 'b'.repeat(64), isMissing: false, livesWithId: second.id },
  ]
  type.replacedById = data.holderTypes[1]?.id ?? null
  const series = data.series[0]
  if (series) data.series.push({ ...series, id: id(2), isRunning: false, partOf: { seriesId: series.id, key: 'page' } })
  const [room] = data.settings
  if (room) room.forNowContainerId = container.id
  data.measuredLengths.push({
    id: id(3),
    containerId: container.id,
    lane: 1,
    filledMm: 90,
    at: first.createdAt,
    stood: [{ kindId: first.kindId, holder: 'pocket', count: 3 }],
  })
  third.state = 'out'
  data.loans.push({ id: id(4), holdingId: third.id, to: 'the table', outAt: first.createdAt, backAt: null, isForUse: true })
  data.uses.push({ id: '4'.repeat(26), holdingId: third.id, on: '2026-05', times: 1, from: 'noted' })
  data.pullLists.push({
    id: '5'.repeat(26),
    name: 'card for Saturday',
    createdAt: first.createdAt,
    lines: [{ holdingId: second.id, alongWithId: first.id, takenFromIds: [holder.id] }],
  })
  data.books.push({ ...blankBook({ id: '6'.repeat(26), name: 'Binder', createdAt: first.createdAt }) })
  data.bookLeaves.push({
    id: '7'.repeat(26),
    bookId: '6'.repeat(26),
    label: '12a',
    way: 'theme',
    group: theme.id,
    printedAt: first.createdAt,
    heads: [{ key: theme.id, says: [theme.name, ''] }],
    lines: [{ head: theme.id, key: first.id, says: ['1', first.name] }],
  })
  data.labels.push({ id: '8'.repeat(26), of: `set:${first.id}`, template: 'name', says: [first.name], madeAt: first.createdAt })
  data.labelSheets.push(...START_SHEETS.slice(0, 1).map(grid => ({ ...grid, id: '9'.repeat(26), name: 'Small ones', nextFree: 3 })))
  data.printers.push({ id: 'A'.repeat(26), name: 'By the window', rightMm: 0.4, downMm: -0.2 })
  data.relations.push({ id: id(5), fromId: first.id, toId: second.id, kind: 'layersWith' })
  const draft = blankDraft({ id: id(6), rank: 0, createdAt: first.createdAt })
  data.drafts.push({
    ...draft,
    pictureHash: 'c'.repeat(64),
    texts: { ...draft.texts, name: 'Half a na' },
  })
  data.links.push({ id: '3'.repeat(26), word: 'mum', goesWith: "Mother's Day", isRuledOut: false })
  const table = { ...container, id: id(8), name: 'Table', code: 'TABLE', isTable: true, cells: null }
  data.containers.push(table)
  data.refilings.push({
    id: id(7),
    name: 'By theme',
    state: 'open',
    startedAt: first.createdAt,
    endedAt: null,
    zoneId: zone.id,
    ruleBefore: zone.filingRule,
    rule: zone.filingRule,
    lanes: [],
    tableMm: 300,
    tableContainerId: table.id,
    armfulMm: 100,
    stepsDone: 0,
    liftsDone: 0,
    minutesWorked: 0,
    lastStepAt: null,
  })
  data.setAside.push({ id: id(9), from: 'themes', text: '{"id":"x"}', fault: 'themes: name', at: first.createdAt })
  return data
}
const ROOM = everything()
let next = 0
const given = (data: CatalogueData): Given => ({
  pictures: new Set(picturesOf(data).map(each => each.hash)),
  at: '2026-12-01T09:00:00.000Z',
  newId: () => `${'2'.repeat(20)}${String((next += 1)).padStart(6, '0')}`,
})
const codes = (findings: readonly Finding[]): readonly FindingCode[] => [...new Set(findings.map(({ code }) => code))].sort()

/**
 * What outlives what it names, on purpose: a divider whose theme was joined away keeps its title; a lane measured with a kind
 * that is gone still says how deep the others are; a habit (where things stand for
 * now) is no step, and stays when the container it names is undone; a set that was taken out of a pocket was taken, also once the
 * pocket is gone; a printed leaf says what it says, and a label.
 */
const MAY_DANGLE = [
  'sections.standsFor.id',
  'measuredLengths.stood.[].kindId',
  'settings.forNowContainerId',
  'pullLists.lines.[].takenFromIds.[]',
  'bookLeaves.group',
  'bookLeaves.heads.[].key',
  'bookLeaves.lines.[].head',
  'bookLeaves.lines.[].key',
]

describe('what a catalogue says of its own records', () => {
  let data: CatalogueData
  let all: Given
  /** Found by what stands in the fields, not by what the check knows of them. */
  let named: Named[]
  beforeAll(() => {
    data = structuredClone(ROOM)
    all = given(data)
    const tableOf = new Map(TABLE_NAMES.flatMap(table => data[table].map(record => [record.id, table] as const)))
    named = TABLE_NAMES.flatMap(table =>
      [...textsOf(data[table])].flatMap(([at, text]) => {
        const names = at.length === 2 && at[1] === 'id' ? undefined : tableOf.get(text)
        return names ? [{ table, at, names }] : []
      }),
    )
  })

  test('the whole room is as it should be', () => {
    expect(findingsIn(data, all)).toEqual([])
    expect(mend(data, all)).toMatchObject({ data, edits: [], mended: [], left: [] })
  })
  test('every field that names a record is looked at: naming nothing, or a record of another table, it is found and mended', () => {
    const fields = new Map(named.map(each => [fieldOf(each), each]))
    expect(fields.size).toBeGreaterThanOrEqual(30)
    const [unnoticed, unmended]: [string[], string[]] = [[], []]
    for (const [field, { table, at, names }] of fields) {
      for (const wrong of [NOWHERE, data[names === 'kinds' ? 'zones' : 'kinds'][0]?.id ?? '']) {
        const before = [...textsOf(data[table])].find(([way]) => way.join() === at.join())?.[1] ?? ''
        put(data[table], at, wrong)
        const found = findingsIn(data, all)
        if (found.length === 0) unnoticed.push(field)
        else if (mend(data, all).left.length > 0) unmended.push(field)
        // A mended room is another: the one that was looked at stays as it is.
        expect(findingsIn(data, all).length).toBe(found.length)
        put(data[table], at, before)
      }
    }
    expect([...new Set(unnoticed)].sort()).toEqual([...MAY_DANGLE].sort())
    // A corner that takes one kind would take them all without it.
    expect([...new Set(unmended)]).toEqual(['zones.takesKindIds.[]'])
    expect(findingsIn(data, all)).toEqual([])
  })
  test('a picture that a set, a piece or a strip names is not there: found, and mended', () => {
    for (const { hash } of picturesOf(data).filter((_, index, list) => index === 0 || index > list.length - 3)) {
      const pictures = new Set([...(all.pictures ?? [])].filter(each => each !== hash))
      expect(codes(findingsIn(data, { ...all, pictures }))).toEqual(['pictureLost'])
      const after = mend(data, { ...all, pictures })
      expect([after.left, picturesOf(after.data).some(each => each.hash === hash)]).toEqual([[], false])
    }
  })
})

type Spoil = (data: CatalogueData) => void
const copyOf = <R extends { id: string }>(list: R[], fields: Partial<R>): void => {
  const [first] = list
  if (first) list.push({ ...first, id: `${'3'.repeat(20)}${String(list.length).padStart(6, '0')}`, ...fields })
}
/** One way to spoil a room for each thing that can be found, and what is done about it. */
const SPOILT: { readonly [C in Exclude<FindingCode, 'lost' | 'pictureLost'>]: Spoil } = {
  settingsMissing: data => void data.settings.splice(0),
  noneRunning: data => data.series.forEach(series => (series.isRunning = false)),
  manyRunning: data => data.series.forEach(series => (series.isRunning = true)),
  seriesCircle: data => {
    const [first, second] = data.series
    if (first && second) first.partOf = { seriesId: second.id, key: 'round' }
  },
  notRegistered: data => void data.register.splice(0, 1),
  registeredForOther: data => {
    const [line] = data.register
    if (line) line.holdingId = NOWHERE
  },
  registerLine: data => {
    const [line] = data.register
    if (line) line.number = 4_000_000
  },
  numberTwice: data => {
    const [first, second] = data.holdings
    if (first && second) second.number = first.number
  },
  refilingsOpen: data => copyOf(data.refilings, {}),
  tableOfNone: data => copyOf(data.containers, { code: 'T9', isTable: true }),
  tableNotMarked: data => data.containers.forEach(container => (container.isTable = false)),
  codesAlike: data => copyOf(data.containers, { code: ` ${data.containers[0]?.code.toLowerCase()}` }),
  shelfBeyond: data => {
    const [container] = data.containers
    if (container) container.shelf = 60
  },
  laneBeyond: data => {
    const [section] = data.sections
    if (section) section.lane = 4
  },
  cellTaken: data => {
    const [one, other] = data.holders.filter(holder => holder.cell)
    if (one && other) Object.assign(other, { containerId: one.containerId, cell: one.cell })
  },
  cellUnseen: data => {
    const one = data.holders.find(holder => holder.cell)
    if (one) one.somewhere = { page: 1 }
  },
  cellBeyond: data => {
    const one = data.holders.find(holder => holder.cell)
    if (one?.cell) one.cell = { ...one.cell, page: 500 }
  },
  cellMissing: data => {
    const one = data.holders.find(holder => holder.cell)
    if (one) one.cell = null
  },
  setTwiceInHolder: data => {
    const [one] = data.holders
    one?.holdingIds.push(one.holdingIds[0] ?? '')
  },
  setInMore: data => {
    const [one, other] = data.holders
    other?.holdingIds.push(one?.holdingIds[0] ?? '')
  },
  loanMissing: data => {
    const away = data.loans.map(({ holdingId }) => holdingId)
    const here = data.holdings.find(({ id }) => !away.includes(id))
    if (here) here.state = 'lent'
  },
  loanOpen: data => {
    const away = data.holdings.find(({ state }) => state === 'out')
    if (away) away.state = 'filed'
  },
  loansOpen: data => copyOf(data.loans, { backAt: null, outAt: '2020-01-01T00:00:00.000Z' }),
  withItself: data => {
    const [relation] = data.relations
    if (relation) relation.toId = relation.fromId
  },
  pulledTwice: data => {
    const [list] = data.pullLists
    if (list) list.lines = [...list.lines, ...list.lines]
  },
  leafTwice: data => copyOf(data.bookLeaves, { printedAt: '2020-01-01T00:00:00.000Z' }),
  labelTwice: data => copyOf(data.labels, { madeAt: '2020-01-01T00:00:00.000Z' }),
  sheetBeyond: data => {
    const [sheet] = data.labelSheets
    if (sheet) sheet.nextFree = 480
  },
}
/** Only somebody who knows can say which of two alike is right. */
const NOT_MENDED: readonly FindingCode[] = ['numberTwice', 'codesAlike']
const CODES = Object.keys(SPOILT) as (keyof typeof SPOILT)[]

describe('what is not as it should be', () => {
  test.each(CODES)('%s: found, and mended where it can be', code => {
    const data = structuredClone(ROOM)
    const all = given(data)
    SPOILT[code](data)
    const found = findingsIn(data, all)
    expect(codes(found)).toContain(code)
    const { left, mended, edits } = mend(data, all)
    expect(codes(left)).toEqual(NOT_MENDED.includes(code) ? [code] : [])
    expect(mended.length > 0).toBe(!NOT_MENDED.includes(code))
    // Little is touched: no set goes, and few records change.
    expect(edits.filter(edit => edit.table === 'holdings' && 'remove' in edit)).toEqual([])
    expect(edits.length).toBeLessThan(6)
  })

  test('much of it at once: mended in the end, with every set, and nothing that is mended comes back (property)', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(CODES, { minLength: 2 }), fc.array(fc.nat(), { maxLength: 30 }), (chosen, lost) => {
        const data = structuredClone(ROOM)
        const all = given(data)
        const sets = data.holdings.map(({ id }) => id)
        for (const code of chosen) SPOILT[code](data)
        for (const at of lost) data.holders[at % data.holders.length]?.holdingIds.push(NOWHERE)
        const mended = mend(data, all)
        expect(codes(mended.left).filter(code => !NOT_MENDED.includes(code))).toEqual([])
        expect(mended.data.holdings.map(({ id }) => id)).toEqual(sets)
        expect(mend(mended.data, all).edits).toEqual([])
        for (const { id, seriesId, number } of mended.data.holdings)
          if (!chosen.includes('numberTwice'))
            expect(mended.data.register.find(line => line.id === registerId(seriesId, number))?.holdingId).toBe(id)
      }),
      { numRuns: 25 },
    )
  })
})
