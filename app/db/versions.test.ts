import 'fake-indexeddb/auto'
import { readFileSync } from 'node:fs'
import { afterEach, describe, expect, test } from '@jest/globals'
import { TABLE_NAMES, TABLES } from '#core/catalog'
import { makeRaw, type RawDatabase } from '../../tests/support/rawDatabase'
import { commands, redo, undo, YondercrestDb } from './index'

/** Databases as earlier versions left them. Never written anew: whoever has one expects it to open. */
const FROZEN = [1] as const
const read = (version: number): RawDatabase => JSON.parse(readFileSync(`tests/fixtures/database-v${version}.json`, 'utf8')) as RawDatabase

let db: YondercrestDb | null = null
afterEach(async () => { await db?.delete() })

describe.each(FROZEN)('a database of version %i', (version) => {
  test('opens with every record, each of today\'s shape', async () => {
    const raw = read(version)
    await makeRaw('old', raw)
    db = new YondercrestDb('old')
    const data = await commands.readCatalogue(db)
    for (const table of TABLE_NAMES) {
      expect(data[table]).toHaveLength(raw.stores[table]?.rows.length ?? 0)
      for (const record of data[table]) expect(TABLES[table].safeParse(record)).toMatchObject({ success: true })
    }
    expect(data.holdings.map(holding => holding.name).sort()).toEqual(['Kelp Study', 'Limpets', 'Night Ferry'])
  })

  test('its pictures are whole', async () => {
    await makeRaw('old', read(version))
    db = new YondercrestDb('old')
    const [picture] = await db.pictures.toArray()
    expect([...new Uint8Array(picture?.bytes ?? new ArrayBuffer(0))]).toEqual([137, 80, 78, 71])
  })

  test('its journal still undoes and does again, and the next number is the next', async () => {
    await makeRaw('old', read(version))
    db = new YondercrestDb('old')
    const before = await commands.readCatalogue(db)
    expect((await undo(db))?.command).toBe('placeHolding')
    expect((await undo(db))?.command).toBe('takeIn')
    const earlier = await commands.readCatalogue(db)
    expect(earlier.holdings).toHaveLength(2)
    // What undo brings back is of today's shape as well.
    for (const table of TABLE_NAMES) for (const record of earlier[table]) expect(TABLES[table].strict().safeParse(record)).toMatchObject({ success: true })
    await redo(db)
    await redo(db)
    expect(await commands.readCatalogue(db)).toEqual(before)
    expect([...(await commands.nextNumbers(db)).values()]).toEqual([4])
  })
})

test('what was being typed in version 1 is the first strip of the pile', async () => {
  const raw = read(1)
  const kept = { id: 'draft', value: JSON.stringify({ name: 'Half a na', brand: 'Tidewrack', kindId: '', category: '', themes: ['Harbour'], theme: '', size: '4 x 6', words: '', notes: '', pictureHash: 'a'.repeat(64) }) }
  const stores = { ...raw.stores, device: { ...raw.stores.device, rows: [kept] } } as RawDatabase['stores']
  await makeRaw('old', { ...raw, stores })
  db = new YondercrestDb('old')
  const [draft] = await db.records('drafts').toArray()
  expect(TABLES.drafts.safeParse(draft)).toMatchObject({ success: true })
  expect(draft).toMatchObject({ pictureHash: 'a'.repeat(64), texts: { name: 'Half a na', brand: 'Tidewrack', themes: ['Harbour'], size: '4 x 6', searchWords: [] } })
  expect(await db.device.count()).toBe(0)
})
