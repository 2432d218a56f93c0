import 'fake-indexeddb/auto'
import { afterEach, describe, expect, test } from '@jest/globals'
import { ulid } from 'ulid'
import { LIMITS } from '#core/catalog'
import { placeIdsOf, tallyUses } from '#core/fetching'
import { dayOf } from '#core/units'
import { arrangeRoom } from '#core/room'
import { dropRooms, filledRoom } from '../../tests/support/filedRooms'
import { all } from '../../tests/support/cases'
import { undo, type YondercrestDb } from './index'
import * as commands from './commands'

afterEach(dropRooms)

const TABLE = 'On the table'
const today = dayOf(new Date())
const placesIn = async (db: YondercrestDb, id: string) => {
  const room = arrangeRoom({
    containers: await all(db, 'containers'),
    sections: await all(db, 'sections'),
    holders: await all(db, 'holders'),
  })
  return placeIdsOf(id, room).map(placeId => ({ holdingId: id, placeId }))
}
async function pulledRoom() {
  const db = await filledRoom(8)
  const ids = (await all(db, 'holdings')).map(({ id }) => id)
  const [a = '', b = '', c = ''] = ids
  const list = await commands.pullSets(db, null, [a, b])
  if (!list.ok) throw new Error(list.code)
  return { db, ids, a, b, c, listId: list.listId }
}
const stateOf = async (db: YondercrestDb, id: string) => (await db.records('holdings').get(id))?.state
const openLoans = async (db: YondercrestDb) =>
  (await all(db, 'loans')).filter(({ backAt }) => backAt === null).map(({ holdingId, to }) => [holdingId, to])

describe('fetched by a pull list', () => {
  test('a stop that two tabs tick is taken once', async () => {
    const { db, a, listId } = await pulledRoom()
    const taken = await placesIn(db, a)
    expect(await commands.takeSets(db, listId, taken, TABLE)).toBe(1)
    expect(await commands.takeSets(db, listId, taken, 'Night desk')).toBe(0)
    expect(await openLoans(db)).toEqual([[a, TABLE]])
    expect([await stateOf(db, a), (await all(db, 'pullLists'))[0]?.lines.map(each => each.takenFromIds.length)]).toEqual(['out', [1, 0]])
    await undo(db)
    expect([await stateOf(db, a), await openLoans(db)]).toEqual(['filed', []])
  })
  test('a set that was cut in two is out once both halves are taken', async () => {
    const { db, a, listId } = await pulledRoom()
    const [holder] = await db.records('holders').where('holdingIds').equals(a).toArray()
    await db.records('holdings').update(a, { isCutInTwo: true })
    if (holder) await db.records('holders').put({ ...holder, id: ulid() })
    const [one, other] = await placesIn(db, a)
    if (!one || !other) throw new Error('two halves')
    expect([await commands.takeSets(db, listId, [one], TABLE), await stateOf(db, a)]).toEqual([0, 'filed'])
    expect([await commands.takeSets(db, listId, [other], TABLE), await stateOf(db, a)]).toEqual([1, 'out'])
  })
  test('what is let go goes off its list, and out of the log; undo brings all of it back', async () => {
    const { db, a, b, listId } = await pulledRoom()
    await commands.takeSets(db, listId, await placesIn(db, a), TABLE)
    await commands.noteUse(db, [a], '2026-05-01')
    const before = await commands.readCatalogue(db)
    await commands.removeHolding(db, a)
    expect((await all(db, 'pullLists'))[0]?.lines.map(each => each.holdingId)).toEqual([b])
    expect([await all(db, 'uses'), await all(db, 'loans')]).toEqual([[], []])
    await undo(db)
    expect(await commands.readCatalogue(db)).toEqual(before)
  })
  test('what goes along comes along, once; more than a list holds is refused whole', async () => {
    const { db, a, b, c, ids, listId } = await pulledRoom()
    await db.records('relations').put({ id: ulid(), fromId: c, toId: a, kind: 'dieForStamp' })
    expect(await commands.pullSets(db, listId, [b])).toEqual({ ok: false, code: 'nothingNew' })
    expect(await commands.pullSets(db, null, [a])).toMatchObject({ ok: true, added: 2 })
    const list = await db.records('pullLists').get(listId)
    const lines = Array.from({ length: LIMITS.pullLines - 1 }, () => ({ holdingId: ids[7] ?? '', alongWithId: null, takenFromIds: [] }))
    if (list) await db.records('pullLists').put({ ...list, lines })
    expect(await commands.pullSets(db, listId, [a])).toEqual({ ok: false, code: 'listFull' })
    expect((await db.records('pullLists').get(listId))?.lines).toHaveLength(lines.length)
  })
})

describe('back', () => {
  test('is filed, with the days of its going and coming in the log; on one day it is one', async () => {
    const { db, a, b, listId } = await pulledRoom()
    await commands.takeSets(db, listId, [...(await placesIn(db, a)), ...(await placesIn(db, b))], TABLE)
    const [loan] = (await all(db, 'loans')).filter(({ holdingId }) => holdingId === b)
    if (loan) await db.records('loans').put({ ...loan, outAt: '2026-01-02T12:00:00.000Z' })
    const both = [a, b].map(holdingId => ({ holdingId, wasUsed: true }))
    expect(await commands.bringBack(db, both)).toEqual({ ok: true, back: 2 })
    expect([await stateOf(db, a), await openLoans(db)]).toEqual(['filed', []])
    const days = (await all(db, 'uses')).map(({ holdingId, on }) => [holdingId === a ? 'a' : 'b', on]).sort()
    expect(days).toEqual(
      [
        ['a', today],
        ['b', '2026-01-02'],
        ['b', today],
      ].sort(),
    )
    // Out and back once more on this day: it is the same day.
    await commands.takeOut(db, [a], TABLE, true)
    await commands.bringBack(db, [{ holdingId: a, wasUsed: true }])
    expect(tallyUses(await all(db, 'uses')).get(a)).toEqual({ times: 1, isCounted: true, lastOn: today })
    expect(await commands.bringBack(db, both)).toEqual({ ok: false, code: 'notOut' })
  })
  test('to another place for good; where that is taken, nothing of it is done', async () => {
    const { db, a, b } = await pulledRoom()
    const [bin] = await all(db, 'containers')
    if (!bin) throw new Error('a bin')
    const cells = { rows: 1, columns: 2, pages: 1, isTwoSided: false, cellSize: null, reuse: 'last' as const }
    const pages = { ...bin, id: ulid(), name: 'Binder', code: 'Q', cells }
    await db.records('containers').put(pages)
    const place = { containerId: pages.id, lane: 1, order: 'a1', cell: { page: 1, cell: 1, side: 'front' as const } }
    await commands.takeOut(db, [a, b], TABLE, false)
    expect(await commands.bringBack(db, [{ holdingId: a, wasUsed: false, place }])).toEqual({ ok: true, back: 1 })
    expect(
      (await db.records('holders').where('holdingIds').equals(a).toArray()).map(({ containerId, cell }) => [containerId, cell]),
    ).toEqual([[pages.id, place.cell]])
    expect(await commands.bringBack(db, [{ holdingId: b, wasUsed: false, place }])).toEqual({ ok: false, code: 'placeTaken' })
    expect([await stateOf(db, b), await openLoans(db), await all(db, 'uses')]).toEqual(['out', [[b, TABLE]], []])
  })
  test('from a shared pocket to another place: what stays, stays', async () => {
    const { db, a, b } = await pulledRoom()
    const own = await db.records('holders').where('holdingIds').equals(a).first()
    const other = await db.records('holders').where('holdingIds').equals(b).first()
    if (!own || !other) throw new Error('they stand there')
    await db.records('holders').delete(other.id)
    await db.records('holders').put({ ...own, holdingIds: [a, b] })
    await commands.takeOut(db, [a], TABLE, false)
    const place = { containerId: own.containerId, lane: 1, order: 'b10', cell: null }
    await commands.bringBack(db, [{ holdingId: a, wasUsed: false, place }])
    const found = await all(db, 'holders')
    expect(found.filter(({ id }) => id === own.id).map(each => [each.order, each.holdingIds])).toEqual([[own.order, [b]]])
    expect(found.filter(({ holdingIds }) => holdingIds.includes(a)).map(each => [each.order, each.holdingIds])).toEqual([['b10', [a]]])
  })
  test('without a place it waits for one; what was never put away is not taken out', async () => {
    const { db, a, b } = await pulledRoom()
    await commands.takeOut(db, [a], TABLE, false)
    await db.records('holders').where('holdingIds').equals(a).delete()
    await commands.bringBack(db, [{ holdingId: a, wasUsed: false }])
    expect([await stateOf(db, a), await openLoans(db)]).toEqual(['toFile', []])
    expect(await commands.takeOut(db, [a], TABLE, false)).toBe(0)
    expect(await commands.takeOut(db, [b], '   ', false)).toBe(0)
  })
  test('out somewhere else by now: one loan, with the new place', async () => {
    const { db, a } = await pulledRoom()
    await commands.takeOut(db, [a], TABLE, true)
    await commands.takeOut(db, [a], 'Winter basket', false)
    expect(await openLoans(db)).toEqual([[a, 'Winter basket']])
  })
})

test('a use is noted once a day, dated and taken back', async () => {
  const { db, a, b } = await pulledRoom()
  expect([await commands.noteUse(db, [a, b], today), await commands.noteUse(db, [a], today)]).toEqual([2, 0])
  const [use] = (await all(db, 'uses')).filter(({ holdingId }) => holdingId === a)
  await commands.dateUse(db, use?.id ?? '', '2025-12-24')
  expect(tallyUses(await all(db, 'uses')).get(a)).toEqual({ times: 1, isCounted: true, lastOn: '2025-12-24' })
  await commands.forgetUse(db, use?.id ?? '')
  expect(tallyUses(await all(db, 'uses')).has(a)).toBe(false)
})
