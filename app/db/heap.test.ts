import 'fake-indexeddb/auto'
import { afterEach, describe, expect, test } from '@jest/globals'
import { ulid } from 'ulid'
import type { Holder, Holding } from '#core/catalog'
import { heapOf, idsOf, type Step } from '#core/refiling'
import { keysBehind } from '#core/room'
import { begin, dropRooms, filledRoom, left } from '../../tests/support/filedRooms'
import { undo, type YondercrestDb } from './index'
import * as commands from './commands'

afterEach(dropRooms)

describe('a heap', () => {
  /** A room whose sets from the fourth on stand nowhere, with what an old list says of them. */
  async function heaped(): Promise<{ readonly db: YondercrestDb; readonly heap: readonly Holder[] }> {
    const db = await filledRoom(9)
    const waiting = (await db.records('holdings').toArray()).filter(({ number }) => number > 3)
    const ids = waiting.map(({ id }) => id)
    await db.records('holders').bulkDelete(await db.records('holders').where('holdingIds').anyOf(ids).primaryKeys())
    await db.records('holdings').bulkPut(waiting.map(each => ({ ...each, state: 'toFile' as const, placeText: '??' })))
    return { db, heap: heapOf(waiting, ulid) }
  }
  const told = async (db: YondercrestDb, state: Holding['state']) =>
    (await db.records('holdings').toArray()).filter(each => each.state === state).length

  test('what is set down has its place, and what an old list said of it is past; left off, the rest has none again', async () => {
    const { db, heap } = await heaped()
    const id = await begin(db, heap)
    const table = (await db.records('refilings').get(id))?.tableContainerId ?? ''
    expect(await db.records('holders').where('containerId').equals(table).count()).toBe(6)
    const [step] = (await left(db, id)).steps
    if (!step) throw new Error('a step')
    expect(await commands.doRefilingStep(db, id, step)).toBe(true)
    const down = idsOf(step).filter(each => heap.some(holder => holder.id === each)).length
    expect(down).toBeGreaterThan(0)
    expect([await told(db, 'filed'), await told(db, 'toFile')]).toEqual([3 + down, 6 - down])
    expect((await db.records('holdings').toArray()).filter(({ placeText }) => placeText !== '')).toHaveLength(6 - down)
    expect(await commands.leaveRefiling(db, id, true)).toBe(false)
    expect(await commands.leaveRefiling(db, id, true, 'noPlace')).toBe(true)
    expect(await db.records('holders').count()).toBe(3 + down)
    expect(await db.records('containers').get(table)).toBeUndefined()
    await undo(db)
    expect(await db.records('holders').where('containerId').equals(table).count()).toBe(6 - down)
  })
  test('what is lifted onto the table is not in its place by that: it still waits for what it waited for', async () => {
    const db = await filledRoom(9)
    await db.records('holdings').toCollection().modify({ state: 'toLabel', placeText: '??' })
    const id = await begin(db)
    const table = (await db.records('refilings').get(id))?.tableContainerId ?? ''
    const [holder] = await db.records('holders').toArray()
    const step = { from: `${holder?.containerId}/1`, to: `${table}/1`, parts: [{ ids: [holder?.id ?? ''], behindId: null }] }
    expect(await commands.doRefilingStep(db, id, step as unknown as Step)).toBe(true)
    expect(await db.records('holders').where('containerId').equals(table).count()).toBe(1)
    expect(await told(db, 'toLabel')).toBe(9)
    expect((await db.records('holdings').toArray()).every(({ placeText }) => placeText === '??')).toBe(true)
  })
  test('what another tab has put away or let go meanwhile is not on it', async () => {
    const { db, heap } = await heaped()
    const [one, two] = heap.map(({ holdingIds }) => holdingIds[0] ?? '')
    const [container] = await db.records('containers').toArray()
    const id = await begin(db, heap, async () => {
      await commands.placeHolding(db, one ?? '', {
        containerId: container?.id ?? '',
        lane: 1,
        order: keysBehind([], -1, 2)[1] ?? '',
        cell: null,
      })
      await commands.removeHolding(db, two ?? '')
    })
    const table = (await db.records('refilings').get(id))?.tableContainerId ?? ''
    expect(await db.records('holders').where('containerId').equals(table).count()).toBe(4)
    expect(
      await db
        .records('holders')
        .where('holdingIds')
        .equals(one ?? '')
        .count(),
    ).toBe(1)
  })
  test('the room that sets need: built with what each sits in, where nobody has said that meanwhile; one undo', async () => {
    const { db, heap } = await heaped()
    const [one = '', two = ''] = heap.map(({ holdingIds }) => holdingIds[0] ?? '')
    const zone = (await db.records('zones').toArray())[0]
    const types = await db.records('holderTypes').toArray()
    const [pocket, box] = [types.find(({ type }) => type === 'pocket'), types.find(({ type }) => type === 'box')]
    await commands.changeMany(db, [{ ids: [two], holderTypeId: box?.id ?? '' }])
    const before = await commands.readCatalogue(db)
    const fixture = { key: 'f', name: 'Press', type: 'cabinet' as const, shelves: 2 }
    const bin = { key: 'b', name: 'Bin 7', code: 'B7', type: 'bin' as const, lanes: 1, lengthMm: 200, inner: null, cells: null }
    const wish = {
      fixtures: [fixture],
      containers: [{ ...bin, emptyWeightG: null, zoneId: zone?.id ?? '', fixture: { key: 'f' }, shelf: 2 }],
      sits: [one, two, 'gone'].map(holdingId => ({ holdingId, holderTypeId: pocket?.id ?? '' })),
    }
    expect(await commands.buildTidy(db, wish)).toEqual({ ok: true, containers: 1 })
    const built = await commands.readCatalogue(db)
    const sitsIn = (id: string) => built.holdings.find(each => each.id === id)?.holderTypeId
    expect([sitsIn(one), sitsIn(two)]).toEqual([pocket?.id, box?.id])
    expect(built.containers.find(({ name }) => name === 'Bin 7')?.fixtureId).toBe(built.fixtures.find(({ name }) => name === 'Press')?.id)
    await undo(db)
    expect(await commands.readCatalogue(db)).toEqual(before)
    // A short form that is taken, and a corner that is gone: nothing is built.
    const [taken] = before.containers
    const refused = [{ code: taken?.code ?? '' }, { zoneId: ulid() }].map(more => ({
      ...wish,
      containers: [{ ...wish.containers[0], ...more }],
    }))
    for (const [at, code] of ['addressTaken', 'gone'].entries())
      expect(await commands.buildTidy(db, refused[at] as typeof wish)).toMatchObject({ ok: false, code })
    expect(await commands.readCatalogue(db)).toEqual(before)
  })
})
