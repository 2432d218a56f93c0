import 'fake-indexeddb/auto'
import { createHash } from 'node:crypto'
import { afterAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { ulid } from 'ulid'
import { TABLE_NAMES, type TableName, TABLES } from '#core/catalog'
import { packArchive, unpackArchive } from '#core/exchange'
import { findingsIn, repair } from '#core/soundness'
import { plainly } from '~/kit/plainly'
import { luckOf, tablesOf } from '../../tests/support/cases'
import { emptyRooms } from '../../tests/support/emptyRooms'
import { ACTIONS } from '../../tests/support/everyCommand'
import { undo, type YondercrestDb } from './index'
import * as commands from './commands'
import { readAsFound } from './rescue'

const { room, drop } = emptyRooms()
afterAll(drop)
const GIVEN = { at: '2026-12-01T00:00:00.000Z', newId: ulid, pictures: null }
type Found = Readonly<Record<string, unknown>> & { readonly id: string }

/** A room with some of everything. */
async function livedIn(seed: number): Promise<YondercrestDb> {
  const db = await room()
  const luck = luckOf(seed)
  for (const name of [
    ...Array.from({ length: 8 }, () => 'takeIn'),
    'placeAll',
    ...Object.keys(ACTIONS).filter(each => !/undo|redo|sift/.test(each)),
  ])
    await ACTIONS[name]?.(db, luck)
  return db
}
const all = async (db: YondercrestDb): Promise<ReadonlyMap<string, string>> => {
  const data = await tablesOf(db, TABLE_NAMES)
  return new Map(TABLE_NAMES.flatMap(table => data[table].map(record => [`${table} ${record.id}`, JSON.stringify(record)] as const)))
}
const JUNK = [null, 'x', '', -1, 1e12, true, {}, [null], ['x', 3], { id: null }] as const
const isLawful = (table: TableName, record: unknown): boolean => TABLES[table].safeParse(record).success

/** Fields of records become something else, or go. Which are refused by now. */
async function spoil(
  db: YondercrestDb,
  spoilt: readonly { readonly at: number; readonly field: number; readonly by: number }[],
): Promise<Map<string, string>> {
  const refused = new Map<string, string>()
  for (const { at, field, by } of spoilt) {
    const data = await tablesOf(db, TABLE_NAMES)
    const records = TABLE_NAMES.filter(table => table !== 'setAside').flatMap(table =>
      data[table].map(record => [table, record as unknown as Found] as const),
    )
    const [table, record] = records[at % records.length] ?? []
    if (!table || !record) continue
    const fields = Object.keys(record).filter(each => each !== 'id')
    const next: Record<string, unknown> = { ...record, [fields[field % fields.length] ?? '']: JUNK[by % JUNK.length] }
    if (by >= JUNK.length) delete next[fields[field % fields.length] ?? '']
    if (isLawful(table, next)) continue
    await db.table(table).put(next)
    refused.set(`${table} ${record.id}`, JSON.stringify(next))
  }
  return refused
}
const anySpoils = fc.array(fc.record({ at: fc.nat(), field: fc.nat(), by: fc.nat({ max: JUNK.length }) }), { minLength: 3, maxLength: 12 })

describe('records that no table takes', () => {
  test('are set aside, word for word; the rest is as it was, and the room holds together once it is mended (property)', async () => {
    let [count, back] = [0, 0]
    await fc.assert(
      fc.asyncProperty(anySpoils, fc.integer({ min: 1, max: 1e6 }), async (spoils, seed) => {
        const db = await livedIn(seed)
        const before = await all(db)
        const refused = await spoil(db, spoils)
        const { aside } = await commands.siftRecords(db)
        count += aside.length
        expect(new Map(aside.map(({ from, text }) => [`${from} ${(JSON.parse(text) as Found).id}`, text]))).toEqual(refused)
        const after = await all(db)
        const settings = 'settings room'
        for (const [key, text] of before)
          if (key !== settings) expect([key, after.get(key)]).toEqual([key, refused.has(key) ? undefined : text])
        expect(after.has(settings)).toBe(true)
        expect((await commands.siftRecords(db)).aside).toEqual([])

        // What can be made right goes back, and no other record is touched by it.
        for (const { id, from, text } of aside) {
          const asked = repair(from, text, {})
          const said = Object.fromEntries(asked.asks.map(field => [field, 'Said again']))
          const whole = repair(from, text, said).record
          expect(whole === null || isLawful(from, whole)).toBe(true)
          if (await commands.putBackAside(db, id, said)) back += 1
          else expect(whole === null || from === 'settings').toBe(true)
        }
        const { left } = await commands.mendRoom(db)
        const data = await commands.readCatalogue(db)
        expect(findingsIn(data, GIVEN)).toEqual(left)
        expect(left.every(({ code, about }) => ['codesAlike', 'numberTwice'].includes(code) || about === 'kinds')).toBe(true)
        for (const table of TABLE_NAMES) expect(data[table].filter(record => !isLawful(table, record))).toEqual([])
      }),
      { numRuns: 12, seed: 20_261_201, endOnFailure: true },
    )
    expect([count > 60, back > 20]).toEqual([true, true])
  }, 120_000)

  test('put back and let go are steps, and mending is one: undone, all is as before', async () => {
    const db = await livedIn(4)
    const refused = await spoil(
      db,
      [5, 40, 90, 130].map(at => ({ at, field: 2, by: 3 })),
    )
    const { aside } = await commands.siftRecords(db)
    expect(aside).toHaveLength(refused.size)
    const sifted = await all(db)
    const [first] = aside
    if (!first) throw new Error('nothing is set aside')
    await commands.letAsideGo(db, first.id)
    expect(await db.records('setAside').get(first.id)).toBeUndefined()
    await undo(db)
    expect(await all(db)).toEqual(sifted)
    await db.records('brands').clear()
    const { mended } = await commands.mendRoom(db)
    expect(mended.length).toBeGreaterThan(0)
    await undo(db)
    const brandless = new Map([...sifted].filter(([key]) => !key.startsWith('brands ')))
    expect(await all(db)).toEqual(brandless)
  })
})

test('a rescue copy holds all that is found, and is read back as far as it goes (property)', async () => {
  const sha256 = (bytes: Uint8Array): Promise<string> => Promise.resolve(createHash('sha256').update(bytes).digest('hex'))
  await fc.assert(
    fc.asyncProperty(anySpoils, fc.integer({ min: 1, max: 1e6 }), async (spoils, seed) => {
      const db = await livedIn(seed)
      const refused = await spoil(db, spoils)
      const before = await all(db)
      db.close()
      const zip = await readAsFound(found => packArchive(found.tables as never, [], [], GIVEN.at, sha256, found), db.name)
      if (!zip) throw new Error('no database')
      const reading = await unpackArchive(zip, sha256, GIVEN)
      if (!reading.ok) throw new Error(`${reading.code} ${reading.where}`)
      const { data, mended, left, leftOut } = reading.archive
      expect(leftOut).toEqual([])
      expect(
        new Map(
          data.setAside.filter(({ at }) => at === GIVEN.at).map(({ from, text }) => [`${from} ${(JSON.parse(text) as Found).id}`, text]),
        ),
      ).toEqual(refused)
      expect(findingsIn(data, GIVEN)).toEqual(left)
      // What was lawful is there, or was mended because what it named is not.
      const touched = new Set<string>(
        mended.flatMap(({ mend }) => mend ?? []).map(edit => `${edit.table} ${'put' in edit ? edit.put.id : edit.remove}`),
      )
      const read = new Map<string, unknown>(
        TABLE_NAMES.flatMap(table => data[table].map(record => [`${table} ${record.id}`, record] as const)),
      )
      for (const [key, text] of before)
        if (!refused.has(key) && !touched.has(key)) expect([key, plainly(read.get(key))]).toEqual([key, JSON.parse(text)])
      await db.open()
    }),
    { numRuns: 6, seed: 20_261_202, endOnFailure: true },
  )
}, 120_000)

test('where there is no database nothing is saved, and none is made', async () => {
  expect(await readAsFound(() => Promise.resolve(1), 'never-was')).toBeNull()
  expect((await indexedDB.databases()).some(({ name }) => name === 'never-was')).toBe(false)
})
