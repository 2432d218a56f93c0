import 'fake-indexeddb/auto'
import { afterEach, describe, expect, test } from '@jest/globals'
import { ulid } from 'ulid'
import {
  blankBrand,
  blankHolding,
  type CellGrid,
  type Container,
  type Holder,
  type Holding,
  LIMITS,
  newTheme,
  type Series,
  START_HOLDER_TYPES,
} from '#core/catalog'
import { keysBehind } from '#core/room'
import { undo, YondercrestDb } from './index'
import * as commands from './commands'
import { factsOf } from '../../tests/support/facts'

const SERIES = ulid()
let opened: YondercrestDb[] = []
afterEach(async () => {
  await Promise.all(opened.map(db => db.delete()))
  opened = []
})
const [ZONE, SHELF, BIN, PAGE, EMPTY] = [ulid(), ulid(), ulid(), ulid(), ulid()]
const [TYPE, OTHER_TYPE] = [ulid(), ulid()]
const cells: CellGrid = { rows: 1, columns: 2, pages: 1, isTwoSided: false, cellSize: null, reuse: 'first' }
const container = (id: string, code: string, more: Partial<Container> = {}): Container => ({
  id,
  fixtureId: SHELF,
  shelf: 1,
  rank: 0,
  name: `Box ${code}`,
  code,
  type: 'bin',
  lanes: 1,
  lengthMm: 300,
  inner: null,
  cells: null,
  zoneId: ZONE,
  emptyWeightG: null,
  isTable: false,
  ...more,
})
const SETS = Array.from({ length: 3 }, (_, at): Holding => ({
  ...blankHolding({ id: ulid(), number: at + 1, seriesId: SERIES, name: `Rope Ends ${at + 1}`, createdAt: '2026-01-01T00:00:00.000Z' }),
  state: 'filed',
  holderTypeId: TYPE,
  sitsIn: 'pocket',
}))
const shape = START_HOLDER_TYPES[0]
const [first, second] = SETS

/** A shelf with a bin of three sets, a page of two free cells, and an empty bin; two brands, two themes, two holder types. */
async function smallRoom(): Promise<YondercrestDb> {
  const db = new YondercrestDb(`test-${ulid()}`)
  opened.push(db)
  await commands.startEmpty(db)
  const [zone] = await db.records('zones').toArray()
  const [fixture] = await db.records('fixtures').toArray()
  if (!zone || !fixture || !shape) throw new Error('a zone, a fixture and a shape')
  await db.records('containers').clear()
  await db.records('zones').clear()
  await db.records('zones').put({ ...zone, id: ZONE })
  await db.records('fixtures').put({ ...fixture, id: SHELF, name: 'Long shelf' })
  await db.records('containers').bulkPut([container(BIN, 'B1'), container(PAGE, 'P1', { type: 'binder', cells }), container(EMPTY, 'B2')])
  await db.records('holderTypes').bulkPut([
    { ...shape, id: TYPE, rank: 0, name: 'Pocket 5 x 7' },
    { ...shape, id: OTHER_TYPE, rank: 1, name: 'Pocket 6 x 8' },
  ])
  await db.records('holdings').bulkPut(SETS)
  const keys = keysBehind([], -1, SETS.length)
  await db.records('holders').bulkPut(
    SETS.map((set, at): Holder => ({
      id: ulid(),
      holderTypeId: TYPE,
      type: 'pocket',
      containerId: BIN,
      lane: 1,
      order: keys[at] ?? '',
      cell: null,
      somewhere: null,
      apartBecause: null,
      holdingIds: [set.id],
    })),
  )
  await db
    .records('brands')
    .bulkPut([
      { ...blankBrand('01BRANDA000000000000000000', 'Greywether'), variants: ['Grey-Wether'] },
      blankBrand('01BRANDB000000000000000000', 'Copperlatch'),
    ])
  await db
    .records('themes')
    .bulkPut([
      { ...newTheme('01THEMEA000000000000000000', 'Kelp', []) },
      { ...newTheme('01THEMEB000000000000000000', 'Ropes', []), rank: 1 },
    ])
  await commands.addRelation(db, { kind: 'layersWith', fromId: first?.id ?? '', toId: second?.id ?? '' })
  return db
}
const newContainer = (code: string) => ({
  name: 'Another',
  code,
  type: 'bin' as const,
  lanes: 1,
  lengthMm: 200,
  cells: null,
  inner: null,
  fixture: { id: SHELF },
  shelves: [1],
  countEach: 1,
  zoneId: ZONE,
  emptyWeightG: null,
})

/** What is asked for, and what is answered. */
const REFUSED: readonly (readonly [what: string, ask: (db: YondercrestDb) => Promise<unknown>, answer: unknown])[] = [
  [
    'a container under a code that is taken, in other letters',
    db => commands.addContainers(db, newContainer('b1')),
    { ok: false, code: 'addressTaken', by: 'Box B1', address: 'b1-1' },
  ],
  [
    'a container given the code of another',
    db => commands.changeContainer(db, EMPTY, { code: 'p1', name: 'Box P1' }),
    { ok: false, code: 'addressTaken', by: 'Box P1', address: 'p1' },
  ],
  [
    'pages made of a bin in which sets stand',
    db => commands.changeContainer(db, BIN, { type: 'binder', cells }),
    { ok: false, code: 'notEmpty', count: 3 },
  ],
  ['a container taken out with sets in it', db => commands.removeContainer(db, BIN), { ok: false, code: 'notEmpty', count: 3 }],
  [
    'three sets emptied into two cells',
    db => commands.emptyContainer(db, BIN, PAGE, true),
    { ok: false, code: 'cellsRunOut', free: 2, needed: 3 },
  ],
  ['a container emptied into one that is gone', db => commands.emptyContainer(db, BIN, ulid(), false), { ok: false, code: 'gone' }],
  ['a container that is gone taken out', db => commands.removeContainer(db, ulid()), { ok: false, code: 'gone' }],
  ['a container that is gone copied', db => commands.copyContainer(db, ulid(), 3), 0],
  ['furniture taken out with containers on it', db => commands.removeFixture(db, SHELF), { ok: false, code: 'notEmpty', count: 3 }],
  ['the last zone ended', db => commands.removeZone(db, ZONE, ZONE), { ok: false, code: 'gone' }],
  ['a zone ended into one that is gone', db => commands.removeZone(db, ZONE, ulid()), { ok: false, code: 'gone' }],
  [
    'a holder type without a name',
    db => commands.changeHolderType(db, OTHER_TYPE, { name: '  ' }),
    { ok: false, code: 'nameMissing', count: 0 },
  ],
  [
    'a holder type called like another',
    db => commands.changeHolderType(db, OTHER_TYPE, { name: ' POCKET 5 x 7 ' }),
    { ok: false, code: 'nameTaken', count: 0 },
  ],
  ['a holder type that holds sets taken off the list', db => commands.removeHolderType(db, TYPE), { ok: false, code: 'inUse', count: 3 }],
  [
    'a set that goes with itself',
    db => commands.addRelation(db, { kind: 'layersWith', fromId: first?.id ?? '', toId: first?.id ?? '' }),
    'itself',
  ],
  [
    'the same said twice, the other way round',
    db => commands.addRelation(db, { kind: 'layersWith', fromId: second?.id ?? '', toId: first?.id ?? '' }),
    'twice',
  ],
  [
    'a brand spelled like a spelling of another',
    db => commands.addName(db, 'brands', blankBrand('01BRANDB000000000000000000', 'GREY-WETHER')),
    { ok: false, code: 'nameTaken', by: 'Greywether' },
  ],
  [
    'a theme without a name',
    db => commands.addName(db, 'themes', newTheme('01THEMEB000000000000000000', '  ', [])),
    { ok: false, code: 'nameMissing' },
  ],
  [
    'a theme joined into one that is gone',
    db => commands.joinNames(db, 'themes', '01THEMEA000000000000000000', ulid()),
    { ok: false, code: 'gone' },
  ],
  [
    'a theme split off under the name of another',
    db => commands.splitName(db, 'themes', '01THEMEA000000000000000000', 'ropes', []),
    { ok: false, code: 'nameTaken', by: 'Ropes' },
  ],
  ['a set placed that is gone', db => commands.placeHolding(db, ulid(), { containerId: BIN, lane: 1, order: 'a9', cell: null }), false],
  ['a set changed that is gone', db => commands.editHolding(db, ulid(), factsOf('Kelp')), null],
  [
    'a set shared into the holder it is in',
    async db => {
      const [holder] = await db.records('holders').toArray()
      await commands.shareHolder(db, holder?.holdingIds[0] ?? '', holder?.id ?? '', [])
    },
    undefined,
  ],
]

describe('what is refused is answered with its reason, changes nothing, and is no step to undo', () => {
  test.each(REFUSED)('%s', async (_what, ask, answer) => {
    const db = await smallRoom()
    const before = await commands.readCatalogue(db)
    const steps = await db.journal.count()
    expect(await ask(db)).toEqual(answer)
    expect(JSON.stringify(await commands.readCatalogue(db))).toBe(JSON.stringify(before))
    expect(await db.journal.count()).toBe(steps)
  })
})

describe('and what is allowed beside it', () => {
  test('a container is emptied without a destination: its sets wait without a place', async () => {
    const db = await smallRoom()
    expect(await commands.emptyContainer(db, BIN, null, true)).toEqual({ ok: true })
    expect(await db.records('holders').count()).toBe(0)
    expect((await db.records('holdings').toArray()).map(holding => holding.state)).toEqual(['toFile', 'toFile', 'toFile'])
    expect(await db.records('containers').get(BIN)).toBeUndefined()
  })
  test('a shelf fewer: what stood on it stands on the lowest one left', async () => {
    const db = await smallRoom()
    await commands.changeFixture(db, SHELF, { shelves: 3 })
    await commands.changeContainer(db, BIN, { shelf: 3 })
    await commands.changeFixture(db, SHELF, { shelves: 2 })
    expect((await db.records('containers').get(BIN))?.shelf).toBe(2)
  })
  test('a retired holder type is free to go once nothing sits in it, and what it replaced names it no more', async () => {
    const db = await smallRoom()
    await commands.changeHolderType(db, TYPE, { replacedById: OTHER_TYPE })
    expect(await commands.removeHolderType(db, OTHER_TYPE)).toEqual({ ok: true })
    expect((await db.records('holderTypes').get(TYPE))?.replacedById).toBeNull()
  })
  test('small sets share a holder: the one they leave goes, each keeps its number, and the last to go takes it along', async () => {
    const db = await smallRoom()
    const holders = await db.records('holders').toArray()
    const target = holders.find(holder => holder.holdingIds.includes(first?.id ?? ''))
    for (const set of SETS.slice(1)) await commands.shareHolder(db, set.id, target?.id ?? '', [])
    expect((await db.records('holders').toArray()).map(holder => holder.holdingIds.length)).toEqual([3])
    for (const set of SETS) await commands.removeHolding(db, set.id)
    expect(await db.records('holders').count()).toBe(0)
    expect(await db.records('relations').count()).toBe(0)
  })
  test('a set put into the pocket of another goes on to its next stage in the same step; one that is in it already is left', async () => {
    const db = await smallRoom()
    const [set, host] = [SETS[1], SETS[0]]
    const target = (await db.records('holders').toArray()).find(holder => holder.holdingIds.includes(host?.id ?? ''))
    await db.records('holdings').update(set?.id ?? '', { state: 'toPocket' })
    const steps = await db.journal.count()
    expect(await commands.shareHolder(db, set?.id ?? '', target?.id ?? '', ['capture', 'fit', 'label', 'file'])).toBe(true)
    expect(await db.records('holdings').get(set?.id ?? '')).toMatchObject({ state: 'toLabel', sitsIn: target?.type })
    expect(await db.journal.count()).toBe(steps + 1)
    expect(await commands.shareHolder(db, set?.id ?? '', target?.id ?? '', [])).toBe(false)
    expect(await commands.shareHolder(db, ulid(), target?.id ?? '', [])).toBe(false)
    expect(await db.journal.count()).toBe(steps + 1)
    await undo(db)
    expect((await db.records('holdings').get(set?.id ?? ''))?.state).toBe('toPocket')
  })
  test('a set that is taken in to a cell which is taken by then waits for another place; nothing is pushed out', async () => {
    const db = await smallRoom()
    const place = { containerId: PAGE, lane: 1, order: 'a0', cell: { page: 1, cell: 1, side: 'front' as const } }
    const take = (name: string) => commands.takeIn(db, factsOf(name), { place, state: 'toFile', draftId: null, written: '' })
    const first = await take('Kelp')
    const second = await take('Gull')
    expect([first.state, second.state]).toEqual(['filed', 'toFile'])
    expect((await db.records('holders').where('containerId').equals(PAGE).toArray()).map(each => each.holdingIds)).toEqual([[first.id]])
  })
  test('a piece that lives with a set that goes is at home again', async () => {
    const db = await smallRoom()
    await commands.keepPieces(db, first?.id ?? '', [
      { id: ulid(), words: ['ahoy'], size: null, at: null, pictureHash: null, isMissing: false, livesWithId: second?.id ?? '' },
    ])
    await commands.removeHolding(db, second?.id ?? '')
    expect((await db.records('holdings').get(first?.id ?? ''))?.pieces.map(piece => piece.livesWithId)).toEqual([null])
  })
  test('a code whose series was padded stays the same set, and the common sizes come once', async () => {
    const db = await smallRoom()
    const [series] = await db.records('series').toArray()
    expect(await commands.changeSeries(db, series?.id ?? '', { padding: 5 })).toEqual({ ok: true })
    expect(await commands.addSeries(db, { ...(series as Series), id: ulid(), name: 'A second one', isRunning: false })).toMatchObject({
      ok: false,
      code: 'seriesClash',
    })
    expect(await commands.changeSeries(db, series?.id ?? '', { name: ' ' })).toEqual({ ok: false, code: 'nameMissing' })
    await db.records('holderTypes').clear()
    expect(await commands.addStartHolders(db)).toBe(START_HOLDER_TYPES.length)
    expect(await commands.addStartHolders(db)).toBe(0)
  })
})

describe('what gets past the fields', () => {
  test('a habit that is none is not taken on, and the others stay', async () => {
    const db = await smallRoom()
    const before = await db.records('settings').get('room')
    await expect(commands.changeSettings(db, { roomName: '' })).rejects.toThrow('refused')
    await expect(commands.changeSettings(db, { pxPerMm: 0 })).rejects.toThrow('refused')
    expect(await db.records('settings').get('room')).toEqual(before)
    await commands.changeSettings(db, { roomName: 'Letter room' })
    expect(await db.records('settings').get('room')).toEqual({ ...before, roomName: 'Letter room' })
    // Two presses in one moment: each adds to what the other has left.
    await Promise.all(
      (['snug', 'loose'] as const).map(way => commands.changeSettings(db, ({ fitNever }) => ({ fitNever: [...fitNever, way] }))),
    )
    expect((await db.records('settings').get('room'))?.fitNever).toEqual(['snug', 'loose'])
  })
  const facts = factsOf('Kelp', { brandName: 'Greywether', themeNames: ['Ropes'] })
  test.each<[string, Partial<typeof facts>]>([
    ['a name too long', { name: 'k'.repeat(LIMITS.name + 1) }],
    ['no name', { name: ' ' }],
    ['too many words', { words: Array.from({ length: LIMITS.words + 1 }, (_, at) => `${at}`) as never[] }],
    ['a brand too long', { brandName: 'k'.repeat(LIMITS.name + 1) }],
    ['a size of no side', { size: { widthMm: 0, heightMm: 10 } as never }],
    ['notes too long', { notes: 'k'.repeat(LIMITS.text + 1) }],
  ])('%s ends the transaction: no set, no name, no number of it is kept', async (_title, wrong) => {
    const db = await smallRoom()
    const before = await commands.readCatalogue(db)
    const steps = await db.journal.count()
    await expect(
      commands.takeIn(db, { ...facts, ...wrong }, { place: null, state: 'toClass', draftId: null, written: '' }),
    ).rejects.toThrow('refused')
    expect(await commands.readCatalogue(db)).toEqual(before)
    expect(await db.journal.count()).toBe(steps)
  })
})
