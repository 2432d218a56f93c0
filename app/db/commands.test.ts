import 'fake-indexeddb/auto'
import { afterEach, describe, expect, test } from '@jest/globals'
import { ulid } from 'ulid'
import { blankHolding, blankDraft, LIMITS, newHolder, START_HOLDER_TYPES } from '#core/catalog'
import { roomIn } from '#core/capacity'
import { START_SHEETS } from '#core/printing'
import type { RoomPlan } from '#core/room/places'
import { all, roomOf } from '../../tests/support/cases'
import { emptyRooms } from '../../tests/support/emptyRooms'
import { factsOf } from '../../tests/support/facts'
import { undo, type YondercrestDb } from './index'
import * as commands from './commands'
import { readLastCopy } from './reads'

const { room, drop } = emptyRooms()
afterEach(drop)
const unplaced = { place: null, state: 'toFile' as const, draftId: null, written: '' }
const take = (db: YondercrestDb, name: string, more: Parameters<typeof factsOf>[1] = {}) =>
  commands.takeIn(db, factsOf(name, more), unplaced)
const setOf = async (db: YondercrestDb, id: string) =>
  (await db.records('holdings').get(id)) ?? blankHolding({ id, number: 1, seriesId: '', name: '', createdAt: '' })
async function binder(db: YondercrestDb): Promise<string> {
  const [bin] = await all(db, 'containers')
  const cells = { rows: 2, columns: 2, pages: 2, isTwoSided: false, cellSize: null, reuse: 'last' as const }
  await commands.changeContainer(db, bin?.id ?? '', { type: 'binder', cells })
  return bin?.id ?? ''
}
const cell = (page: number, at: number) => ({ page, cell: at, side: 'front' as const })
const bookOf = (id: string, holders: RoomPlan['holders'], out: RoomPlan['out'] = []): RoomPlan =>
  ({
    fixtures: [],
    containers: [],
    families: [],
    holders: holders.map(each => ({ ...each, container: { id } })),
    out,
  }) as unknown as RoomPlan
const wanted = (holdingId: string, where: ReturnType<typeof cell> | null) =>
  ({ holdingIds: [holdingId], lane: 1, cell: where, somewhere: null, type: 'celledPage' }) as unknown as RoomPlan['holders'][number]

describe('the room that a list tells of', () => {
  test('a cell that was filled meanwhile: the set is somewhere on its page; a set that is away stays away', async () => {
    const db = await room()
    const id = await binder(db)
    const here = await take(db, 'Kelp')
    const late = await take(db, 'Gull')
    const away = await take(db, 'Rope')
    await commands.placeHolding(db, here.id, { containerId: id, lane: 1, order: 'a0', cell: cell(2, 3) })
    await db.records('holdings').update(away.id, { state: 'lent' })
    const outcome = await commands.buildFromList(db, bookOf(id, [wanted(late.id, cell(2, 3)), wanted(away.id, cell(1, 1))]))
    expect(outcome).toMatchObject({ ok: true, placed: 2 })
    const holders = new Map((await all(db, 'holders')).map(each => [each.holdingIds[0], each]))
    expect(holders.get(late.id)).toMatchObject({ cell: null, somewhere: { page: 2 } })
    expect(holders.get(away.id)).toMatchObject({ cell: cell(1, 1), somewhere: null })
    expect([(await setOf(db, late.id)).state, (await setOf(db, away.id)).state]).toEqual(['filed', 'lent'])
  })
  test('what a list says is out goes out once, to a place of a lawful length; what is out already keeps its loan', async () => {
    const db = await room()
    const id = await binder(db)
    const set = await take(db, 'Kelp')
    const out = [{ holdingId: set.id, to: ` ${'x'.repeat(LIMITS.name + 9)} ` }]
    expect(await commands.buildFromList(db, bookOf(id, [], out))).toMatchObject({ ok: true, out: 1 })
    expect(await commands.buildFromList(db, bookOf(id, [], out))).toMatchObject({ ok: true, out: 0 })
    expect((await all(db, 'loans')).map(({ to }) => to.length)).toEqual([LIMITS.name])
  })
  test('seen along a row: what stood elsewhere stands there now, in that order, and what is strange goes to the pile', async () => {
    const db = await room()
    const [bin] = await all(db, 'containers')
    const a = await take(db, 'Kelp')
    const b = await take(db, 'Gull')
    const seen = [
      { as: 'set' as const, holdingId: b.id, cell: null },
      { as: 'tab' as const, title: 'Harbour' },
      { as: 'strange' as const, name: 'A green tin', note: 'second from the left' },
      { as: 'set' as const, holdingId: a.id, cell: null },
    ]
    expect(await commands.standAsSeen(db, bin?.id ?? '', 1, seen)).toBe(2)
    const { rows } = await roomOf(db)
    expect(
      rows
        .get(bin?.id ?? '')
        ?.lanes[0]?.map(entry => (entry.type === 'section' ? entry.section.title : entry.placement.holder.holdingIds[0])),
    ).toEqual([b.id, 'Harbour', a.id])
    expect((await all(db, 'drafts')).map(({ texts }) => [texts.name, texts.notes])).toEqual([['A green tin', 'second from the left']])
  })
})

describe('many sets placed', () => {
  test('what another tab placed, or let go, while it was worked out is left as it is', async () => {
    const db = await room()
    const placed = await take(db, 'Kelp')
    const gone = await take(db, 'Gull')
    const waits = await take(db, 'Rope')
    const { facts } = await roomOf(db)
    const learnt = new Map()
    const hasRoom = roomIn(
      id => facts.holdings.get(id),
      () => undefined,
      learnt,
    )
    const [bin] = await all(db, 'containers')
    await commands.placeHolding(db, placed.id, { containerId: bin?.id ?? '', lane: 1, order: 'a5', cell: null })
    await commands.removeHolding(db, gone.id)
    expect(await commands.placeMany(db, [placed, gone, waits], { ...facts, learnt, hasRoom }, () => true)).toBe(1)
    const holders = await all(db, 'holders')
    expect(holders.map(each => each.holdingIds).sort()).toEqual([[placed.id], [waits.id]].sort())
    expect(holders.find(({ holdingIds }) => holdingIds[0] === placed.id)?.order).toBe('a5')
    expect((await setOf(db, waits.id)).state).toBe('filed')
  })
})

describe('labels', () => {
  test('a sheet goes on behind what was used, on the next sheet where it is full; the number on the set is kept', async () => {
    const db = await room()
    const [grid] = START_SHEETS
    const set = await take(db, 'Kelp')
    if (!grid) throw new Error('a sheet')
    const full = grid.columns * grid.rows
    const sheet = await commands.addLabelSheet(db, { ...grid, name: 'Begun', nextFree: full - 2 })
    if (!sheet.ok) throw new Error(sheet.code)
    const made = {
      labels: [{ of: `set:${set.id}`, template: 'name' as const, says: ['Kelp'] }],
      written: [{ holdingId: set.id, text: '1' }],
      labelled: [set.id],
    }
    expect(await commands.confirmLabels(db, { ...made, sheet: { id: sheet.id, used: 5 } }, ['capture', 'file'])).toBe(1)
    expect((await db.records('labelSheets').get(sheet.id))?.nextFree).toBe(3)
    expect((await setOf(db, set.id)).labelText).toBe('1')
    await commands.confirmLabels(db, { ...made, labels: [{ ...made.labels[0]!, says: ['Kelp Study'] }], sheet: null }, ['capture', 'file'])
    expect((await all(db, 'labels')).map(({ says }) => says)).toEqual([['Kelp Study']])
    await commands.dropLabelSheet(db, sheet.id)
    const printer = await commands.addPrinter(db, { name: 'By the door', rightMm: 1, downMm: 0 })
    await commands.dropPrinter(db, printer)
    expect([await db.records('labelSheets').count(), await db.records('printers').count()]).toEqual([0, 0])
    await undo(db)
    expect(await db.records('printers').count()).toBe(1)
  })
})

describe('many changed at once', () => {
  test('a set whose notes or themes have no room for more is left with its question, and the others are changed', async () => {
    const db = await room()
    const question = { code: 'sizeUnread' as const, text: 'big' }
    const full = await take(db, 'Kelp')
    const themed = await take(db, 'Gull')
    const free = await take(db, 'Rope')
    await db.records('holdings').update(full.id, { notes: 'n'.repeat(LIMITS.text - 3), questions: [question] })
    const many = Array.from({ length: LIMITS.themes }, () => ulid())
    await db.records('holdings').update(themed.id, { themeIds: many, questions: [question] })
    await db.records('holdings').update(free.id, { questions: [question] })
    const ids = [full, themed, free].map(({ id }) => id)
    expect(await commands.changeMany(db, [{ ids, answers: question, addNote: 'seen', addThemes: ['Harbour'] }])).toEqual({
      changed: 1,
      left: 2,
    })
    expect(await Promise.all(ids.map(async id => (await setOf(db, id)).questions.length))).toEqual([1, 1, 0])
    // One sign fewer, and it goes in: as long as it may be.
    await db.records('holdings').update(full.id, { notes: 'n'.repeat(LIMITS.text - 5) })
    expect(await commands.changeMany(db, [{ ids: [full.id], addNote: 'seen' }])).toEqual({ changed: 1, left: 0 })
    expect((await setOf(db, full.id)).notes).toHaveLength(LIMITS.text)
  })
})

describe('sets that go out', () => {
  test('only what is in its place, or out elsewhere; to the same place is nothing new, and to no place is nothing', async () => {
    const db = await room()
    const [bin] = await all(db, 'containers')
    const here = await take(db, 'Kelp')
    const waits = await take(db, 'Gull')
    await commands.placeHolding(db, here.id, { containerId: bin?.id ?? '', lane: 1, order: 'a0', cell: null })
    expect(await commands.takeOut(db, [here.id, waits.id, ulid()], ' Night desk ', true)).toBe(1)
    expect(await commands.takeOut(db, [here.id], 'Night desk', true)).toBe(0)
    expect(await commands.takeOut(db, [here.id], '  ', true)).toBe(0)
    expect(await commands.takeOut(db, [here.id], 'Chapel table', true)).toBe(1)
    expect((await all(db, 'loans')).map(({ to, backAt }) => [to, backAt])).toEqual([['Chapel table', null]])
    expect((await setOf(db, waits.id)).state).toBe('toFile')
  })
  test('a pull list is named, begun once more, and let go; what goes along with a set goes off with it', async () => {
    const db = await room()
    const stamp = await take(db, 'Kelp')
    const die = await take(db, 'Kelp dies')
    const other = await take(db, 'Rope')
    expect(
      await commands.pairDies(db, [
        { dieId: die.id, stampId: stamp.id },
        { dieId: die.id, stampId: ulid() },
      ]),
    ).toBe(1)
    expect((await setOf(db, stamp.id)).hasMatchingDie).toBe(true)
    const list = await commands.pullSets(db, null, [stamp.id, other.id])
    if (!list.ok) throw new Error(list.code)
    const lines = async () =>
      (await db.records('pullLists').get(list.listId))?.lines.map(({ holdingId, takenFromIds }) => [holdingId, takenFromIds.length])
    await commands.takeSets(db, list.listId, [{ holdingId: other.id, placeId: other.id }], 'Night desk')
    expect(await lines()).toEqual(expect.arrayContaining([[other.id, 1]]))
    await commands.fetchAgain(db, list.listId)
    expect(await lines()).toEqual(expect.arrayContaining([[other.id, 0]]))
    await commands.leaveOut(db, list.listId, [stamp.id])
    expect(await lines()).toEqual([[other.id, 0]])
    await commands.namePullList(db, list.listId, ` ${'Saturday '.repeat(90)}`)
    expect((await db.records('pullLists').get(list.listId))?.name).toHaveLength(LIMITS.name)
    await commands.dropPullList(db, list.listId)
    expect(await db.records('pullLists').count()).toBe(0)
    const [relation] = await all(db, 'relations')
    await commands.removeRelation(db, relation?.id ?? '')
    expect(await db.records('relations').count()).toBe(0)
  })
})

test('what is measured, forgotten, dropped and remembered is as it says', async () => {
  const db = await room()
  const [bin] = await all(db, 'containers')
  const set = await take(db, 'Kelp', { size: { widthMm: 10, heightMm: 20 }, notes: 'from the quay' })
  await commands.measureSet(db, set.id, { thicknessMm: 2.5 })
  expect(await setOf(db, set.id)).toMatchObject({ thicknessMm: 2.5, size: { widthMm: 10, heightMm: 20 }, notes: 'from the quay' })
  await commands.measureLength(db, {
    containerId: bin?.id ?? '',
    lane: 1,
    filledMm: 80,
    stood: [{ kindId: null, holder: 'pocket', count: 10 }],
  })
  const [measured] = await all(db, 'measuredLengths')
  await commands.forgetLength(db, measured?.id ?? '')
  expect(await db.records('measuredLengths').count()).toBe(0)
  const strips = [0, 1].map(rank => blankDraft({ id: ulid(), rank, createdAt: '2026-12-01T00:00:00.000Z' }))
  await commands.addDrafts(db, strips)
  await commands.dropDrafts(db, [strips[0]?.id ?? ''])
  expect((await all(db, 'drafts')).map(({ id }) => id)).toEqual([strips[1]?.id])
  await commands.addSection(db, { containerId: bin?.id ?? '', lane: 1, order: 'a0', title: 'Harbour', colour: 0, standsFor: null })
  const [section] = await all(db, 'sections')
  await commands.removeSection(db, section?.id ?? '')
  expect(await db.records('sections').count()).toBe(0)
  await undo(db)
  expect((await all(db, 'sections')).map(({ title }) => title)).toEqual(['Harbour'])
  const [shape] = START_HOLDER_TYPES
  const own = { ...(shape as (typeof START_HOLDER_TYPES)[number]), id: ulid(), rank: 90, name: 'Own tin', replacedById: ulid() }
  expect(await commands.addHolderType(db, own)).toEqual({ ok: true })
  expect((await db.records('holderTypes').get(own.id))?.replacedById).toBeNull()
  expect(await commands.addHolderType(db, { ...own, id: ulid(), name: ' own TIN ' })).toMatchObject({ ok: false, code: 'nameTaken' })
  expect(await commands.highestNumber(db)).toBe(1)
  await commands.noteCopySaved(db, { at: '2026-12-01T10:00:00.000Z', seq: 4, swings: 1 })
  expect(await readLastCopy(db)).toEqual({ at: '2026-12-01T10:00:00.000Z', seq: 4, swings: 1 })
  const hash = 'a'.repeat(64)
  await commands.addInkMaps(db, [{ hash, map: new ArrayBuffer(2) }])
  await commands.addShapes(db, [{ hash, madeAs: 1, aspect: 1, boxes: new ArrayBuffer(4), moments: new ArrayBuffer(4) }])
  expect([await db.inkMaps.count(), await db.shapes.count()]).toEqual([1, 1])
})

test('two sets with one place are told apart by the one that is there', async () => {
  const db = await room()
  const id = await binder(db)
  const a = await take(db, 'Kelp')
  const b = await take(db, 'Gull')
  const place = { containerId: id, lane: 1, order: 'a0', cell: cell(1, 1) }
  await db.records('holders').add(newHolder(ulid(), a, place))
  expect(await commands.placeHolding(db, b.id, place)).toBe(false)
  expect(await commands.placeHolding(db, a.id, place)).toBe(true)
})
