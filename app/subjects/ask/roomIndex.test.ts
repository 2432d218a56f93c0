import 'fake-indexeddb/auto'
import { afterEach, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { undo, type YondercrestDb } from '~/db'
import * as commands from '~/db/commands'
import { all, luckOf } from '../../../tests/support/cases'
import { emptyRooms } from '../../../tests/support/emptyRooms'
import { ACTIONS } from '../../../tests/support/everyCommand'
import { RoomIndex } from './roomIndex'

const ASKS = ['harbour', 'kelp', 'ti', 'greywether', 'copper', 'tide pools', '1', '2 w', 'fern', 'heron harbour'] as const
const answers = (index: RoomIndex): string[] =>
  ASKS.map(ask => {
    const { mode, hits } = index.ask(ask)
    return [ask, mode, ...hits.map(({ id, accession }) => `${accession} ${id}`).sort()].join()
  })
const { room, drop } = emptyRooms()
/** Kept from the first set on, after any change. */
const SOON = { sets: 1, changes: 1 }
/** What an opening of the application does. */
async function openingOf(db: YondercrestDb, format = 'this build'): Promise<RoomIndex> {
  const index = new RoomIndex(db, format, SOON)
  await index.catchUp()
  return index
}
/** Was it read from what is kept, with nothing to add? What was read anew would be worth keeping. */
const isAsKept = async (index: RoomIndex): Promise<boolean> => !(await index.keep())

afterEach(drop)

describe('the index of a room', () => {
  test('following, kept and opened again, or read anew, it answers the same after every step (property)', async () => {
    const steps = fc.array(
      fc.record({ name: fc.constantFrom(...Object.keys(ACTIONS), 'takeIn', 'join', 'join', 'undo'), keeps: fc.boolean() }),
      {
        minLength: 12,
        maxLength: 20,
      },
    )
    let [kept, found] = [0, 0]
    await fc.assert(
      fc.asyncProperty(steps, fc.integer({ min: 1, max: 2147483646 }), async (list, seed) => {
        const db = await room()
        const luck = luckOf(seed)
        const followed = await openingOf(db)
        for (const { name, keeps } of [...['takeIn', 'takeIn', 'takeIn'].map(first => ({ name: first, keeps: true })), ...list]) {
          await (name === 'undo' ? undo(db) : ACTIONS[name]?.(db, luck))
          await followed.catchUp()
          const anew = answers(await openingOf(db, 'another build'))
          expect([name, ...answers(followed)]).toEqual([name, ...anew])
          expect([name, ...answers(await openingOf(db))]).toEqual([name, ...anew])
          if (keeps && (await followed.keep())) {
            kept += 1
            const again = await openingOf(db)
            expect(await isAsKept(again)).toBe(true)
            expect(await isAsKept(await openingOf(db, 'another build'))).toBe(false)
            found += answers(again).join() === anew.join() ? 1 : 0
          }
        }
        expect(followed.size).toBe((await all(db, 'holdings')).length)
      }),
      { numRuns: 6, seed: 20_261_126 },
    )
    expect(kept).toBeGreaterThan(10)
    expect(found).toBe(kept)
  }, 120_000)

  test('steps that were forgotten, and others done since: what is kept is not trusted', async () => {
    const db = await room()
    const luck = luckOf(7)
    for (let at = 0; at < 4; at += 1) await ACTIONS.takeIn?.(db, luck)
    const first = await openingOf(db)
    expect(await first.keep()).toBe(true)
    await ACTIONS.takeIn?.(db, luck)
    await commands.forgetSteps(db)
    await ACTIONS.takeIn?.(db, luck)
    const again = await openingOf(db)
    expect(again.size).toBe(6)
    expect(await isAsKept(again)).toBe(false)
  })

  test('a theme with another name is found by it in every set, none of which was touched; so in what is kept', async () => {
    const db = await room()
    const luck = luckOf(11)
    for (let at = 0; at < 4; at += 1) await ACTIONS.takeIn?.(db, luck)
    const index = await openingOf(db)
    await index.keep()
    const themes = await all(db, 'themes')
    const theme = themes.find(each => index.ask(each.name).hits.length > 0)
    if (!theme) throw new Error('no set has a theme')
    const before = index.ask(theme.name).hits.map(hit => hit.id)
    await commands.changeName(db, 'themes', theme.id, { name: 'Brightwork' })
    await index.catchUp()
    for (const each of [index, await openingOf(db)]) {
      expect(each.ask('Brightwork').hits.map(hit => hit.id)).toEqual(before)
      expect(each.ask(theme.name).hits).toEqual([])
    }
  })

  test('a small room is not kept, nor one without a step', async () => {
    const db = await room()
    const luck = luckOf(3)
    await ACTIONS.takeIn?.(db, luck)
    const usual = new RoomIndex(db, 'this build')
    await usual.catchUp()
    expect(await usual.keep()).toBe(false)
    await commands.forgetSteps(db)
    expect(await (await openingOf(db)).keep()).toBe(false)
    expect(await db.device.get('askIndex')).toBeUndefined()
  })

  test('what is linked follows the owner and the themes, also where the index was kept', async () => {
    const db = await room()
    await ACTIONS.takeIn?.(db, luckOf(7))
    const [set] = await all(db, 'holdings')
    await db.records('holdings').update(set?.id ?? '', { name: 'Rowing Boat' })
    const index = await openingOf(db)
    const linkedIn = (room: RoomIndex) => room.linkedTo('zeppelin', new Set(), []).map(({ through, by }) => [through, by])
    expect(linkedIn(index)).toEqual([])
    await commands.linkWords(db, { word: 'zeppelins', goesWith: 'boat', isRuledOut: false })
    await index.catchUp()
    expect(linkedIn(index)).toEqual([['boat', 'yours']])
    await index.keep()
    expect(linkedIn(await openingOf(db))).toEqual([['boat', 'yours']])
    await undo(db)
    await index.catchUp()
    expect(linkedIn(index)).toEqual([])
  })

  test('what is kept and spoilt is let go: the same is found as before, and the index is kept again', async () => {
    const db = await room()
    const luck = luckOf(11)
    for (let at = 0; at < 5; at += 1) await ACTIONS.takeIn?.(db, luck)
    const before = answers(await openingOf(db))
    await (await openingOf(db)).keep()
    const text = (await db.device.get('askIndex'))?.value ?? ''
    const kept = JSON.parse(text) as Record<string, unknown>
    const spoilt = [text.slice(0, text.length / 2), '', 'null', JSON.stringify({ ...kept, seen: [null] })]
    for (const field of Object.keys(kept).filter(each => each !== 'format'))
      for (const value of [null, {}, []]) spoilt.push(JSON.stringify({ ...kept, [field]: value }))
    for (const value of spoilt) {
      await db.device.put({ id: 'askIndex', value })
      const index = await openingOf(db)
      expect([value.slice(0, 80), ...answers(index)]).toEqual([value.slice(0, 80), ...before])
      // Steps of which none is known only mean that all is read anew.
      expect(await index.keep()).toBe(true)
      expect(await isAsKept(await openingOf(db))).toBe(true)
    }
  })
})
