import 'fake-indexeddb/auto'
import { isDeepStrictEqual } from 'node:util'
import { afterAll, describe, expect, test } from '@jest/globals'
import { createPinia, setActivePinia } from 'pinia'
import fc from 'fast-check'
import { arrangeRoom, type Room } from '#core/room'
import { database, readSnapshot, redo, SCREEN_TABLES, undo, YondercrestDb } from '~/db'
import * as commands from '~/db/commands'
import { luckOf, roomOf } from '../../tests/support/cases'
import { ACTIONS } from '../../tests/support/everyCommand'
import { useCatalogue } from './useCatalogue'

type Catalogue = ReturnType<typeof useCatalogue>

/** The screen hears of a step a moment after it was written. */
async function caughtUp(catalogue: Catalogue): Promise<void> {
  const swings = (steps: Catalogue['steps']): string => steps.map(step => `${step.seq}:${step.swings}`).join()
  for (let wait = 0; wait < 400; wait += 1) {
    if (swings(catalogue.steps) === swings(await database().journal.toArray())) return
    await new Promise(resolve => setTimeout(resolve, 5))
  }
  throw new Error('the catalogue never caught up')
}

/** A room as plain data: rows and places by their ids, in no order of their own. */
const plain = ({ rows, placements, halves }: Room) => ({
  rows: new Map(
    [...rows].map(([id, row]) => [
      id,
      row.placements.map(each => [
        each.holder.id,
        each.lane,
        each.position,
        each.positionInSection,
        each.sectionCount,
        each.section?.id ?? null,
      ]),
    ]),
  ),
  placements: new Map(
    [...placements].map(([id, place]) => [id, `${place.container.id} ${place.holder.id} ${place.lane} ${place.position}`]),
  ),
  halves: new Map([...halves].map(([id, both]) => [id, both.map(each => each.holder.id)])),
})

/** The first thing in which what the screen holds differs from what a fresh start would read, or null. */
async function differs(catalogue: Catalogue): Promise<string | null> {
  const { records } = await readSnapshot(database())
  for (const name of SCREEN_TABLES.filter(each => each !== 'settings')) {
    const held: ReadonlyMap<string, unknown> = catalogue.tables?.[name] ?? new Map()
    if (held.size !== records[name].length) return `${name}: ${held.size} held, ${records[name].length} written`
    for (const record of records[name]) if (!isDeepStrictEqual(held.get(record.id), record)) return `${name} ${record.id}`
  }
  const [held, fresh] = [plain(catalogue.room), plain(arrangeRoom(records))]
  for (const part of ['rows', 'placements', 'halves'] as const) if (!isDeepStrictEqual(held[part], fresh[part])) return `room: ${part}`
  return null
}

describe('the catalogue in memory', () => {
  afterAll(() => database().delete())

  test('after every step, undone and done again too, it holds what a fresh start would read (property)', async () => {
    setActivePinia(createPinia())
    await commands.startEmpty(database())
    const catalogue = useCatalogue()
    await catalogue.open()
    const told: string[] = []
    let mostHalves = 0
    catalogue.onChange((ids, tables) => told.push(ids === 'all' ? 'all' : [...tables].join()))
    // What is set aside is no step: who sifts has the room read anew.
    const names = Object.keys(ACTIONS).filter(name => name !== 'sift')
    const steps = fc.array(fc.constantFrom(...names, 'cutInTwo', 'placeAll', 'move', 'empty'), {
      minLength: 15,
      maxLength: 30,
      size: 'max',
    })
    await fc.assert(
      fc.asyncProperty(steps, fc.integer({ min: 1, max: 2147483646 }), async (names, seed) => {
        const luck = luckOf(seed)
        for (const name of ['takeIn', 'takeIn', 'cutInTwo', 'placeAll', ...names]) {
          await ACTIONS[name]?.(database(), luck)
          await caughtUp(catalogue)
          expect([name, await differs(catalogue)]).toEqual([name, null])
          mostHalves = Math.max(mostHalves, catalogue.room.halves.size)
        }
      }),
      { numRuns: 8, seed: 20_261_125, endOnFailure: true },
    )
    for (const turn of [undo, redo]) {
      while (await turn(database()));
      await caughtUp(catalogue)
      expect(await differs(catalogue)).toBeNull()
    }
    expect(mostHalves).toBeGreaterThan(0)
    expect(told.some(each => each.includes('holders'))).toBe(true)
    const { placements } = await roomOf(database())
    expect(catalogue.placeless.map(each => each.id).sort()).toEqual(
      [...(catalogue.tables?.holdings.keys() ?? [])].filter(id => !placements.has(id)).sort(),
    )
  }, 120_000)

  test('of loans it holds those that are open, however many are over', async () => {
    setActivePinia(createPinia())
    await commands.startEmpty(database())
    const catalogue = useCatalogue()
    await catalogue.open()
    const luck = luckOf(7)
    for (const name of ['takeIn', 'takeIn', 'placeAll']) await ACTIONS[name]?.(database(), luck)
    const [set, other] = (await database().records('holdings').toArray()).map(({ id }) => id)
    for (let nth = 0; nth < 3; nth += 1) {
      await commands.takeOut(database(), [set ?? ''], 'Night desk', true)
      await commands.bringBack(database(), [{ holdingId: set ?? '', wasUsed: true }])
    }
    await commands.takeOut(database(), [other ?? ''], 'Chapel table', true)
    await caughtUp(catalogue)
    expect(await database().records('loans').count()).toBe(4)
    expect([...(catalogue.tables?.loans.values() ?? [])].map(({ to }) => to)).toEqual(['Chapel table'])
    expect((await readSnapshot(database())).records.loans.map(({ to }) => to)).toEqual(['Chapel table'])
    await undo(database())
    await undo(database())
    await caughtUp(catalogue)
    expect([...catalogue.loanOf].map(([id, { to }]) => [id, to])).toEqual([[set, 'Night desk']])
    expect(await differs(catalogue)).toBeNull()
  })

  test('an undo here while an import begins in another tab, 30 rounds: the screen has what the database has', async () => {
    setActivePinia(createPinia())
    await commands.startEmpty(database())
    const catalogue = useCatalogue()
    await catalogue.open()
    const there = new YondercrestDb(database().name)
    const luck = luckOf(30)
    for (let round = 0; round < 30; round += 1) {
      await ACTIONS.takeIn?.(database(), luck)
      await Promise.all([
        ACTIONS.importList?.(there, luck),
        new Promise(resolve => setTimeout(resolve, luck.below(12))).then(() => undo(database())),
      ])
      await caughtUp(catalogue)
      expect([round, await differs(catalogue)]).toEqual([round, null])
    }
    there.close()
  }, 120_000)
})
