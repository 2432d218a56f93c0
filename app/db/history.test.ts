import 'fake-indexeddb/auto'
import { isDeepStrictEqual } from 'node:util'
import { afterAll, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { emptyRooms } from '../../tests/support/emptyRooms'
import { luckOf } from '../../tests/support/cases'
import { ACTIONS } from '../../tests/support/everyCommand'
import { statesAt } from './history'
import { historyOfSet } from './setHistory'
import * as commands from './commands'

const { room, drop } = emptyRooms()
afterAll(drop)

const TABLES = ['holdings', 'holders', 'themes', 'brands', 'containers'] as const
const NAMES = ['takeIn', 'placeAll', 'edit', 'many', 'remove', 'move', 'name', 'join', 'split', 'empty']
const pause = (): Promise<void> => new Promise(resolve => setTimeout(resolve, 3))

test('what the journal takes back is what was there then, after any steps (property)', async () => {
  for (const name of NAMES) expect(ACTIONS[name]).toBeDefined()
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom(...NAMES), { minLength: 3, maxLength: 10 }),
      fc.integer({ min: 1, max: 99_999 }),
      async (drawn, seed) => {
        const db = await room()
        const luck = luckOf(seed)
        const seen: { at: string; data: Awaited<ReturnType<typeof commands.readCatalogue>> }[] = []
        for (const name of ['takeIn', 'takeIn', ...drawn]) {
          await ACTIONS[name]?.(db, luck)
          await pause()
          seen.push({ at: new Date().toISOString(), data: await commands.readCatalogue(db) })
          await pause()
        }
        // What was undone since was never done: only the steps that still are tell of the past.
        if (drawn.includes('undo')) return
        const { states } = await statesAt(db, TABLES, ['2001-01-01T00:00:00.000Z', ...seen.map(({ at }) => at)])
        expect(states.map(({ at }) => at)).toEqual(seen.map(({ at }) => at).reverse())
        for (const { at, tables } of states) {
          const then = seen.find(each => each.at === at)?.data
          for (const table of TABLES) expect([...tables[table].values()].sort(byId)).toEqual([...(then?.[table] ?? [])].sort(byId))
        }
      },
    ),
    { numRuns: 12 },
  )
}, 60_000)
const byId = (a: { readonly id: string }, b: { readonly id: string }): number => (a.id < b.id ? -1 : 1)

test('the history of one set is every step that left the set or its place otherwise, and what they were then (property)', async () => {
  const drawable = [...NAMES, 'share', 'stand', 'place', 'undo', 'undoAgain', 'redo']
  for (const name of drawable) expect(ACTIONS[name]).toBeDefined()
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom(...drawable), { minLength: 3, maxLength: 10 }),
      fc.integer({ min: 1, max: 99_999 }),
      async (drawn, seed) => {
        const db = await room()
        const luck = luckOf(seed)
        /** What the tables were after each step, kept beside by looking. */
        const seen = new Map<number, Awaited<ReturnType<typeof commands.readCatalogue>>>([[0, await commands.readCatalogue(db)]])
        for (const name of ['takeIn', 'takeIn', 'takeIn', 'container', 'placeAll', 'share', ...drawn, 'share']) {
          await ACTIONS[name]?.(db, luck)
          const last = (await db.journal.toArray()).filter(({ state }) => state === 'done').at(-1)
          seen.set(last?.seq ?? 0, await commands.readCatalogue(db))
        }
        const done = (await db.journal.toArray()).flatMap(({ seq, state }) => (state === 'done' ? [seq] : []))
        for (const { id } of await db.records('holdings').toArray()) {
          const thenAfter = (seq: number) => {
            const data = seen.get(seq)
            const holders = (data?.holders ?? []).filter(holder => holder.holdingIds.includes(id)).sort(byId)
            return { holding: data?.holdings.find(each => each.id === id) ?? null, holders }
          }
          const expected = done.flatMap((seq, at) => {
            const [before, after] = [thenAfter(done[at - 1] ?? 0), thenAfter(seq)]
            return isDeepStrictEqual(before, after) ? [] : [{ seq, before, after }]
          })
          const { steps, isWhole } = await historyOfSet(db, id, 100)
          expect(steps.map(({ step, before, after }) => ({ seq: step.seq, before, after }))).toEqual(expected.reverse())
          expect(isWhole).toBe(true)
          const latest = await historyOfSet(db, id, 1)
          expect(latest.steps).toEqual(steps.slice(0, 1))
          expect(latest.isWhole).toBe(steps.length === 1)
        }
      },
    ),
    { numRuns: 20, seed: 20_261_201, endOnFailure: true },
  )
}, 60_000)
