import 'fake-indexeddb/auto'
import { afterEach, expect, test } from '@jest/globals'
import { ulid } from 'ulid'
import { YondercrestDb } from '~/db'
import { waitingFor } from './waiting'

let db = new YondercrestDb(`waiting-${ulid()}`)
afterEach(async () => {
  await db.delete()
  db = new YondercrestDb(`waiting-${ulid()}`)
})

test('each thing of each maker waits by itself, until it is answered for', async () => {
  const [books, labels] = [waitingFor<{ leaves: number }>(db, 'book'), waitingFor<{ labels: string[] }>(db, 'labels')]
  await books.keep('b1', () => ({ leaves: 12 }))
  await books.keep('b2', () => ({ leaves: 4 }))
  await labels.keep('b1', () => ({ labels: ['set:1'] }))
  expect([...(await books.all())].map(([thing, { leaves }]) => [thing, leaves])).toEqual([
    ['b1', 12],
    ['b2', 4],
  ])
  await books.drop('b1')
  expect([await books.get('b1'), (await books.get('b2'))?.leaves, (await labels.get('b1'))?.labels]).toEqual([null, 4, ['set:1']])
})

test('what two tabs make at one moment waits together, and each making has a moment of its own', async () => {
  const other = new YondercrestDb(db.name)
  const [here, there] = [db, other].map(each => waitingFor<{ made: number[] }>(each, 'cards'))
  const add = (nth: number) => (before: { made: number[] } | null) => ({ made: [...(before?.made ?? []), nth] })
  await Promise.all(Array.from({ length: 10 }, (_, nth) => (nth % 2 ? here : there)?.keep('cards', add(nth))))
  expect((await here?.get('cards'))?.made.toSorted((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9])
  const first = (await here?.get('cards'))?.at
  await new Promise(resolve => setTimeout(resolve, 3))
  await here?.keep('cards', add(10))
  expect((await there?.get('cards'))?.at).not.toBe(first)
  await here?.keep('cards', () => null)
  expect(await there?.get('cards')).toBeNull()
  other.close()
})

test("what cannot be read any more waits no longer, and stands in nobody's way", async () => {
  const books = waitingFor<{ leaves: number }>(db, 'book')
  await db.device.put({ id: 'waiting book b1', value: '{"leaves":' })
  await books.keep('b2', () => ({ leaves: 4 }))
  expect(await books.get('b1')).toBeNull()
  expect([...(await books.all()).keys()]).toEqual(['b2'])
  await books.keep('b1', before => ({ leaves: before ? 1 : 2 }))
  expect((await books.get('b1'))?.leaves).toBe(2)
})

test('an answer is taken once, of what was asked about alone, and a failure leaves the question', async () => {
  const other = new YondercrestDb(db.name)
  const [here, there] = [waitingFor<{ made: number }>(db, 'labels'), waitingFor<{ made: number }>(other, 'labels')]
  await here.keep('sheet', () => ({ made: 5 }))
  const asked = { thing: 'sheet', at: (await here.get('sheet'))?.at ?? '', pieces: [] }
  await expect(here.answer(asked, () => Promise.reject(new Error('disk')))).rejects.toThrow('disk')
  expect((await here.get('sheet'))?.made).toBe(5)
  const again = { ...asked, at: (await here.get('sheet'))?.at ?? '' }
  const answers = await Promise.all([here, there].map(each => each.answer(again, ({ made }) => Promise.resolve(made))))
  expect(answers.filter(answer => answer === 5)).toHaveLength(1)
  expect(answers.filter(answer => answer === null)).toHaveLength(1)
  // What is made while the answer is being kept waits, and is no longer what was asked about.
  await here.keep('sheet', () => ({ made: 6 }))
  expect(await there.answer(again, () => Promise.resolve('kept'))).toBeNull()
  expect((await here.get('sheet'))?.made).toBe(6)
  const last = { ...asked, at: (await here.get('sheet'))?.at ?? '' }
  await here.answer(last, () => there.keep('sheet', () => ({ made: 7 })))
  expect((await here.get('sheet'))?.made).toBe(7)
  other.close()
})
