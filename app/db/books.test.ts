import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, test } from '@jest/globals'
import { emptyRooms } from '../../tests/support/emptyRooms'
import { all } from '../../tests/support/cases'
import { undo, type YondercrestDb } from './index'
import * as commands from './commands'

const { room, drop } = emptyRooms()
let db: YondercrestDb
beforeEach(async () => {
  db = await room()
})
afterEach(drop)

const leaf = (label: string, name: string) => ({
  label,
  way: 'number' as const,
  group: '= all',
  heads: [{ key: 'all', says: ['All', ''] }],
  lines: [{ head: 'all', key: 'a', says: ['1', '', name] }],
})
const labels = async (): Promise<string[]> =>
  (await all(db, 'bookLeaves')).map(({ label, lines }) => `${label} ${lines[0]?.says[2]}`).sort()

test('what came out well takes the place of the old; a print laid out before another counts no more; undo takes it back', async () => {
  const bookId = await commands.beginBook(db, { name: 'Binder' })
  const print = { bookId, takenOut: [], printedAs: 'so', isByHand: false }
  expect(await commands.confirmPrinted(db, { ...print, printings: 0, leaves: [leaf('1', 'Kelp'), leaf('2', 'Foam')] })).toEqual({
    ok: true,
    count: 2,
  })
  expect(await commands.confirmPrinted(db, { ...print, printings: 0, leaves: [leaf('3', 'Late')] })).toEqual({
    ok: false,
    code: 'otherPrint',
  })
  expect(await commands.confirmPrinted(db, { ...print, printings: 1, leaves: [leaf('1', 'Kelp Study')], takenOut: ['2'] })).toMatchObject({
    ok: true,
  })
  expect(await labels()).toEqual(['1 Kelp Study'])
  await undo(db)
  expect(await labels()).toEqual(['1 Kelp', '2 Foam'])
  expect((await all(db, 'books'))[0]).toMatchObject({ printings: 1, printedAs: 'so' })
  await commands.dropBook(db, bookId)
  expect(await labels()).toEqual([])
  expect(await commands.confirmPrinted(db, { ...print, printings: 1, leaves: [leaf('1', 'x')] })).toEqual({ ok: false, code: 'gone' })
})

test('two ways ticked in one moment are both kept', async () => {
  const bookId = await commands.beginBook(db, { name: 'Binder' })
  await Promise.all([
    commands.changeBook(db, bookId, ({ ways }) => ({ ways: [...ways, 'place'] })),
    commands.changeBook(db, bookId, ({ ways }) => ({ ways: [...ways, 'word'] })),
  ])
  expect((await all(db, 'books'))[0]?.ways).toEqual(['theme', 'number', 'place', 'word'])
})
