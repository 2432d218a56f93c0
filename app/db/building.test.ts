import 'fake-indexeddb/auto'
import { afterEach, expect, test } from '@jest/globals'
import { ulid } from 'ulid'
import { PLAIN_FIXTURE } from '#core/catalog'
import { namesAlong } from '#core/room'
import { undo, YondercrestDb } from './index'
import * as commands from './commands'

const db = new YondercrestDb(`test-${ulid()}`)
afterEach(() => db.delete())

test('a cart of three tiers with two baskets each in one step, numbered on past what is taken, and undone in one', async () => {
  await commands.startEmpty(db)
  const before = await commands.readCatalogue(db)
  const zoneId = before.zones[0]?.id ?? ''
  const wanted = {
    name: 'Basket 1',
    code: 'K1',
    type: 'basket' as const,
    lanes: 1,
    lengthMm: 300,
    cells: null,
    inner: null,
    emptyWeightG: null,
    zoneId,
    fixture: { ...PLAIN_FIXTURE, name: 'Cart', type: 'cart' as const, shelves: 3 },
    shelves: [1, 2, 3],
    countEach: 2,
  }
  expect((await commands.addContainers(db, { ...wanted, name: 'K 4', code: 'K4', shelves: [1], countEach: 1 })).ok).toBe(true)
  await commands.addContainers(db, wanted)
  const made = (await db.records('containers').toArray()).filter(each => each.name.startsWith('Basket'))
  const cart = (await db.records('fixtures').toArray()).find(each => each.id === made[0]?.fixtureId)
  expect(cart).toMatchObject({ name: 'Cart', shelves: 3 })
  expect(made.map(each => [each.code, each.shelf, each.rank]).sort()).toEqual([
    ['K1', 1, 0],
    ['K2', 1, 1],
    ['K3', 2, 0],
    ['K5', 2, 1],
    ['K6', 3, 0],
    ['K7', 3, 1],
  ])
  // What a shelf of them is called beforehand passes over what would be read alike, as the command does.
  const all = await db.records('containers').toArray()
  const pages = { ...wanted, name: 'Pages 0', code: 'K-0' }
  expect(namesAlong(pages, all, {}, 1)).toEqual([{ name: 'Pages 8', code: 'K-8' }])
  await undo(db)
  await undo(db)
  expect(await commands.readCatalogue(db)).toEqual(before)
})
