import 'fake-indexeddb/auto'
import { afterEach, expect, test } from '@jest/globals'
import { undo } from '~/db'
import * as commands from '~/db/commands'
import { all } from '../../tests/support/cases'
import { emptyRooms } from '../../tests/support/emptyRooms'

const { room, drop } = emptyRooms()
afterEach(drop)

test('two words are linked once, whichever was named first and however it is written; the last word counts; each is one undo', async () => {
  const db = await room()
  const told = async () => (await all(db, 'links')).map(({ word, goesWith, isRuledOut }) => [word, goesWith, isRuledOut])
  expect(await commands.linkWords(db, { word: ' mum ', goesWith: "Mother's Day", isRuledOut: false })).toMatchObject({ ok: true })
  expect(await told()).toEqual([['mum', "Mother's Day", false]])
  await commands.linkWords(db, { word: 'mothers day', goesWith: 'MUM', isRuledOut: true })
  expect(await told()).toEqual([['mothers day', 'MUM', true]])
  await undo(db)
  expect(await told()).toEqual([['mum', "Mother's Day", false]])
  const [link] = await all(db, 'links')
  await commands.forgetLink(db, link?.id ?? '')
  expect(await told()).toEqual([])
  await undo(db)
  expect(await told()).toEqual([['mum', "Mother's Day", false]])
})

test('no word, or the same word twice, is refused and nothing is written', async () => {
  const db = await room()
  expect(await commands.linkWords(db, { word: ' ! ', goesWith: 'kelp', isRuledOut: false })).toEqual({ ok: false, code: 'noWord' })
  expect(await commands.linkWords(db, { word: 'Kelp', goesWith: ' kelp', isRuledOut: false })).toEqual({ ok: false, code: 'oneWord' })
  await commands.forgetLink(db, 'gone')
  expect(await all(db, 'links')).toEqual([])
})
