import 'fake-indexeddb/auto'
import { afterAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { all, luckOf } from '../../tests/support/cases'
import { emptyRooms } from '../../tests/support/emptyRooms'
import { ACTIONS } from '../../tests/support/everyCommand'
import { answersWithin, isOnScreen, keepRoom, readSnapshot, SCREEN_TABLES, type ScreenTable, undo, type YondercrestDb } from '~/db'
import * as commands from '~/db/commands'
import { readKeptRoom } from './keptRoom'

/** Kept from the first set and the first change on. */
const SOON = { sets: 1, changes: 1 }
const { room, drop } = emptyRooms()
/** Each record of each table, as a fresh start reads it. */
async function asRead(db: YondercrestDb): Promise<string[]> {
  const { records } = await readSnapshot(db)
  return SCREEN_TABLES.flatMap(name => records[name].map(record => `${name} ${JSON.stringify(record)}`)).sort()
}
async function asWritten(db: YondercrestDb): Promise<string[]> {
  const read = async (name: ScreenTable) => (await all(db, name)).filter(isOnScreen).map(record => `${name} ${JSON.stringify(record)}`)
  const lists = await Promise.all(SCREEN_TABLES.map(read))
  return lists.flat().sort()
}

describe('a room kept for the next opening', () => {
  afterAll(drop)

  test('kept at any moment, it is read as the tables have it after every later step, undone and done again too (property)', async () => {
    let readOn = 0
    const steps = fc.array(
      fc.record({ name: fc.constantFrom(...Object.keys(ACTIONS), 'takeIn', 'placeAll', 'move', 'undo'), keeps: fc.boolean() }),
      { minLength: 14, maxLength: 24, size: 'max' },
    )
    await fc.assert(
      fc.asyncProperty(steps, fc.integer({ min: 1, max: 2147483646 }), async (list, seed) => {
        const db = await room()
        const luck = luckOf(seed)
        for (const { name, keeps } of [...['takeIn', 'takeIn', 'placeAll'].map(first => ({ name: first, keeps: true })), ...list]) {
          // The step that made the room is not undone: without one nothing can be taken in.
          if (
            name.startsWith('undo') &&
            (await db.journal
              .where('seq')
              .above(0)
              .filter(step => step.state === 'done')
              .count()) <= 1
          )
            continue
          await ACTIONS[name]?.(db, luck)
          expect([name, ...(await asRead(db))]).toEqual([name, ...(await asWritten(db))])
          if (keeps) await keepRoom(db, SOON)
          else if (await readKeptRoom(db)) readOn += 1
        }
      }),
      { numRuns: 8, seed: 20_261_127, endOnFailure: true },
    )
    expect(readOn).toBeGreaterThan(20)
  }, 120_000)

  test('it is what is kept that is read; of another version, or grown by no step, it is not trusted', async () => {
    const db = await room()
    const luck = luckOf(5)
    for (let at = 0; at < 3; at += 1) await ACTIONS.takeIn?.(db, luck)
    expect(await keepRoom(db, { sets: 4, changes: 1 })).toBe(false)
    expect(await keepRoom(db, SOON)).toBe(true)
    expect(await keepRoom(db, SOON)).toBe(false)
    const fact = await db.device.get('keptRoom')
    if (!fact) throw new Error('nothing is kept')
    const marked = fact.value.replaceAll('"notes":""', '"notes":"as kept"')
    const notes = async (): Promise<string[]> => (await readSnapshot(db)).records.holdings.map(holding => holding.notes)
    await db.device.put({ ...fact, value: marked })
    expect(await notes()).toEqual(['as kept', 'as kept', 'as kept'])
    await undo(db)
    expect(await notes()).toEqual(['as kept', 'as kept'])
    await ACTIONS.takeIn?.(db, luck)
    await commands.forgetSteps(db)
    expect((await notes()).includes('as kept')).toBe(false)
    await ACTIONS.takeIn?.(db, luck)
    await keepRoom(db, SOON)
    // A record that no step told of, as after a fault.
    await db.records('holdings').delete((await all(db, 'holdings'))[0]?.id ?? '')
    expect(await asRead(db)).toEqual(await asWritten(db))
    const steps = await db.device.get('keptSteps')
    if (!steps) throw new Error('no steps are kept')
    await db.device.put({ ...steps, value: steps.value.replace(/"version":\d+/, '"version":1') })
    expect(await readKeptRoom(db)).toBeNull()
  })

  const SPOILT = ['', '{', 'null', '[]', '{"version":0}', '{"holdings":null,"holders":[]}', '{"holdings":[null],"holders":[null]}'] as const
  test.each(SPOILT)('spoilt to %j, it is let go, and the room opens from its tables', async text => {
    for (const id of ['keptRoom', 'keptSteps'] as const) {
      const db = await room()
      const luck = luckOf(7)
      for (let at = 0; at < 4; at += 1) await ACTIONS.takeIn?.(db, luck)
      await keepRoom(db, SOON)
      await db.device.update(id, { value: text })
      expect(await asRead(db)).toEqual(await asWritten(db))
      await ACTIONS.takeIn?.(db, luck)
      expect(await keepRoom(db, SOON)).toBe(true)
      expect(await asRead(db)).toEqual(await asWritten(db))
    }
  })
})

test('what does not answer in time is read another way, and whichever answers first counts', async () => {
  const never = new Promise<string>(() => undefined)
  const after = (ms: number, says: string): Promise<string> => new Promise(resolve => setTimeout(() => resolve(says), ms))
  expect(await answersWithin(never, 5, () => after(5, 'tables'))).toBe('tables')
  expect(await answersWithin(after(40, 'kept'), 5, () => after(300, 'tables'))).toBe('kept')
  expect(await answersWithin(after(1, 'kept'), 1000, () => Promise.reject(new Error('asked too early')))).toBe('kept')
  await expect(answersWithin(Promise.reject(new Error('spoilt')), 5, () => after(5, 'tables'))).rejects.toThrow('spoilt')
})
