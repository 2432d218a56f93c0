import { beforeAll, describe, expect, test } from '@jest/globals'
import { type CatalogueData, TABLE_NAMES, type TableName, blankBook, blankDraft } from '#core/catalog'
import { START_SHEETS } from '#core/printing'
import { makeLetterRoom } from '#demo/letterRoom'
import { findDangling, picturesOf } from '../index'

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
    tableContainerId: container.id,
    armfulMm: 100,
    stepsDone: 0,
    liftsDone: 0,
    minutesWorked: 0,
    lastStepAt: null,
  })
  return data
}

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

describe('references of a catalogue', () => {
  let data: CatalogueData
  let hashes: ReadonlySet<string>
  /** Found by what stands in the fields, not by what the check knows of them. */
  let named: Named[]
  beforeAll(() => {
    data = everything()
    hashes = new Set(picturesOf(data).map(each => each.hash))
    const tableOf = new Map(TABLE_NAMES.flatMap(table => data[table].map(record => [record.id, table] as const)))
    named = TABLE_NAMES.flatMap(table =>
      [...textsOf(data[table])].flatMap(([at, text]) => {
        const names = at.length === 2 && at[1] === 'id' ? undefined : tableOf.get(text)
        return names ? [{ table, at, names }] : []
      }),
    )
  })

  test('the whole room holds together', () => {
    expect(findDangling(data, hashes)).toBeNull()
  })
  test('every field that names a record is checked: naming nothing, or a record of another table, it is told', () => {
    const fields = new Map(named.map(each => [fieldOf(each), each]))
    expect(fields.size).toBeGreaterThanOrEqual(30)
    const unnoticed: string[] = []
    for (const [field, { table, at, names }] of fields) {
      for (const wrong of [NOWHERE, data[names === 'kinds' ? 'zones' : 'kinds'][0]?.id ?? '']) {
        const before = [...textsOf(data[table])].find(([way]) => way.join() === at.join())?.[1] ?? ''
        put(data[table], at, wrong)
        const told = findDangling(data, hashes)
        put(data[table], at, before)
        if (told === null) unnoticed.push(field)
        else expect([field, told]).toEqual([field, expect.stringContaining(wrong)])
      }
    }
    expect([...new Set(unnoticed)].sort()).toEqual([...MAY_DANGLE].sort())
    expect(findDangling(data, hashes)).toBeNull()
  })
  test('a picture that a set, a piece or a strip names is not there: told', () => {
    for (const { hash } of picturesOf(data).filter((_, index, all) => index === 0 || index > all.length - 3)) {
      expect(findDangling(data, new Set([...hashes].filter(each => each !== hash)))).toContain(hash.slice(0, 8))
    }
  })
  test('one id twice in a table, one number twice in a series: told', () => {
    for (const table of TABLE_NAMES) {
      const [record] = data[table]
      if (!record) throw new Error(`${table} is empty`)
      const doubled = { ...data, [table]: [...data[table], record] }
      expect(findDangling(doubled, hashes)).toContain(`${table}: one id twice`)
    }
    const [first, second] = data.holdings
    expect(
      findDangling(
        { ...data, holdings: data.holdings.map(each => (each === second ? { ...each, number: first?.number ?? 0 } : each)) },
        hashes,
      ),
    ).toContain('one number twice')
  })
})

describe('what reads back and could not be worked with is refused', () => {
  const broken: readonly (readonly [what: string, breakIt: (data: CatalogueData) => void, says: string])[] = [
    ['no settings', data => void data.settings.splice(0), 'settings'],
    ['no running series', data => data.series.forEach(series => (series.isRunning = false)), 'none is running'],
    ['a number that is in no register', data => void data.register.splice(0, 1), 'in the register'],
    [
      'a register line under another number',
      data => {
        const [line] = data.register
        if (line) line.number += 1
      },
      'it is the line of',
    ],
    [
      'two open re-filings',
      data => {
        const [open] = data.refilings
        if (open) data.refilings.push({ ...open, id: '2'.repeat(26) })
      },
      'two are open',
    ],
    [
      'two holders in one cell',
      data => {
        const [one, other] = data.holders.filter(holder => holder.cell)
        if (one && other) Object.assign(other, { containerId: one.containerId, cell: one.cell })
      },
      'its cell is taken',
    ],
    [
      'a holder in a cell for which nobody has looked',
      data => {
        const [one] = data.holders.filter(holder => holder.cell)
        if (one) Object.assign(one, { somewhere: { page: 1 } })
      },
      'nobody has looked where',
    ],
    [
      'a set in two holders that was never cut',
      data => {
        const [one, other] = data.holders
        if (one && other) other.holdingIds.push(one.holdingIds[0] ?? '')
      },
      'more than one place',
    ],
  ]
  test.each(broken)('%s', (_what, breakIt, says) => {
    const data = everything()
    const hashes = new Set(picturesOf(data).map(each => each.hash))
    expect(findDangling(data, hashes)).toBeNull()
    breakIt(data)
    expect(findDangling(data, hashes)).toContain(says)
  })
})
