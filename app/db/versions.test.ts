import 'fake-indexeddb/auto'
import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { afterEach, describe, expect, test } from '@jest/globals'
import { strToU8, zipSync } from 'fflate'
import { type CatalogueData, LATEST_VERSION, recordsGiven, TABLE_NAMES, TABLES } from '#core/catalog'
import { unpackArchive } from '#core/exchange'
import { mend } from '#core/soundness'
import { makeRaw, type RawDatabase, readRaw } from '../../tests/support/rawDatabase'
import { plainly } from '~/kit/plainly'
import { newId } from './newId'
import { redo, undo, YondercrestDb } from './index'
import * as commands from './commands'

/** Databases as earlier versions left them. Never written anew: whoever has one expects it to open. */
const FROZEN = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11] as const
const read = (version: number): RawDatabase => JSON.parse(readFileSync(`tests/fixtures/database-v${version}.json`, 'utf8')) as RawDatabase

const GIVEN = { at: '2026-12-01T00:00:00.000Z', newId }

/** A number that was given stays given, also where its set was undone. */
const nextIn = (raw: RawDatabase): number => (raw.stores.register?.rows.length ?? 0) + 1

let db: YondercrestDb | null = null
afterEach(async () => {
  await db?.delete()
})

describe.each(FROZEN)('a database of version %i', version => {
  test('is made and read again exactly as it was frozen', async () => {
    await makeRaw('old', read(version))
    db = new YondercrestDb('old')
    expect(await readRaw('old')).toEqual(read(version))
  })

  test("opens with every record, each of today's shape", async () => {
    const raw = read(version)
    await makeRaw('old', raw)
    db = new YondercrestDb('old')
    const data = await commands.readCatalogue(db)
    for (const table of TABLE_NAMES) {
      // What sets said of their use is a log of its own since version 7.
      const made = table === 'uses' && version === 6 ? 3 : 0
      expect(data[table]).toHaveLength(raw.stores[table]?.rows.length ?? made)
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
    for (const table of TABLE_NAMES)
      for (const record of earlier[table]) expect(TABLES[table].strict().safeParse(record)).toMatchObject({ success: true })
    await redo(db)
    await redo(db)
    expect(await commands.readCatalogue(db)).toEqual(before)
    expect([...(await commands.nextNumbers(db)).values()]).toEqual([nextIn(read(version))])
  })
})

test('what was being typed in version 1 is the first strip of the pile', async () => {
  const raw = read(1)
  const kept = {
    id: 'draft',
    value: JSON.stringify({
      name: 'Half a na',
      brand: 'Tidewrack',
      kindId: '',
      category: '',
      themes: ['Harbour'],
      theme: '',
      size: '4 x 6',
      words: '',
      notes: '',
      pictureHash: 'a'.repeat(64),
    }),
  }
  const stores = { ...raw.stores, device: { ...raw.stores.device, rows: [kept] } } as RawDatabase['stores']
  await makeRaw('old', { ...raw, stores })
  db = new YondercrestDb('old')
  const [draft] = await db.records('drafts').toArray()
  expect(TABLES.drafts.safeParse(draft)).toMatchObject({ success: true })
  expect(draft).toMatchObject({
    pictureHash: 'a'.repeat(64),
    texts: { name: 'Half a na', brand: 'Tidewrack', themes: ['Harbour'], size: '4 x 6', searchWords: [] },
  })
  expect(await db.device.count()).toBe(0)
})

test('what was printed in version 10 and waits for its answer still waits, each thing for its own', async () => {
  const raw = read(10)
  const at = '2026-11-30T12:00:00.000Z'
  const label = { template: 'name', says: ['Kelp Study'], written: [], labelled: [] }
  const facts = {
    printing: { bookId: 'b', printings: 2, at, leaves: [{ label: '3' }], takeOut: ['2'], printedAs: '', isWhole: false },
    labels: {
      at,
      made: [
        { of: 'set:1', ...label },
        { of: 'set:2', ...label },
      ],
      sheetId: 's',
    },
    cards: {
      at,
      made: [
        { of: 'card:1', ...label },
        { of: 'divider:4', ...label, name: 'Harbour' },
      ],
    },
  }
  const rows = Object.entries(facts).map(([id, value]) => ({ id, value: JSON.stringify(value) }))
  const stores = { ...raw.stores, device: { ...raw.stores.device, rows } } as RawDatabase['stores']
  await makeRaw('old', { ...raw, stores })
  db = new YondercrestDb('old')
  const { bookId: _, ...printed } = facts.printing
  expect((await db.device.toArray()).map(({ id, value }) => [id, JSON.parse(value)])).toEqual([
    ['waiting book b', printed],
    ['waiting cards cards', { at, cards: [{ ...facts.cards.made[0], name: 'Kelp Study' }] }],
    ['waiting cards dividers', { at, cards: [facts.cards.made[1]] }],
    ['waiting labels s', { at, labels: facts.labels.made, used: 2 }],
  ])
})

test('what the sets of version 6 said of their use is a log now, also for undo', async () => {
  await makeRaw('old', read(6))
  db = new YondercrestDb('old')
  const uses = async (): Promise<unknown[]> => {
    const [holdings, log] = [(await db?.records('holdings').toArray()) ?? [], (await db?.records('uses').toArray()) ?? []]
    // None is left of a set that is not there.
    expect(log.every(use => holdings.some(({ id }) => id === use.holdingId))).toBe(true)
    return holdings.map(({ id, name }) => [
      name,
      ...log.filter(use => use.holdingId === id).map(({ on, times, from }) => [on, times, from]),
    ])
  }
  const asItWas = [
    ['Kelp Study', ['2025-05', 3, 'said']],
    ['Limpets', [null, 0, 'said']],
    ['Night Ferry', [null, null, 'said']],
  ]
  expect(await uses()).toEqual(asItWas)
  expect((await db.records('loans').toArray()).map(loan => loan.isForUse)).toEqual([false])
  // A set that undo takes away takes its use along, and brings it back.
  await undo(db)
  await undo(db)
  expect(await uses()).toEqual(asItWas.slice(0, 2))
  await redo(db)
  await redo(db)
  expect(await uses()).toEqual(asItWas)
})

test.each([
  [{ isUsed: false, useCount: null, lastUsedOn: null }, [null, 0]],
  [{ isUsed: null, useCount: 0, lastUsedOn: null }, [null, 0]],
  [{ isUsed: null, useCount: null, lastUsedOn: '2024' }, ['2024', null]],
  [{ isUsed: true, useCount: 5, lastUsedOn: '2024-03-01' }, ['2024-03-01', 5]],
  [{ isUsed: null, useCount: null, lastUsedOn: null }, null],
])('a set of version 6 that says %j gives a line of the log: %j', (said, line) => {
  const [given] = recordsGiven('holdings', { id: 's', ...said }, 6)
  expect(given ? [given.record.on, given.record.times] : null).toEqual(line)
})

describe.each(FROZEN)('a copy of version %i, put together by hand', version => {
  const sha = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')
  const PNG = Uint8Array.from([137, 80, 78, 71])
  const NOT_YET: readonly string[] = [
    ...(version === 1 ? ['drafts', 'measuredLengths', 'refilings'] : []),
    ...(version < 6 ? ['links'] : []),
    ...(version < 7 ? ['pullLists', 'uses'] : []),
    ...(version < 9 ? ['books', 'bookLeaves'] : []),
    ...(version < 10 ? ['labels', 'labelSheets', 'printers'] : []),
    'setAside',
  ]
  /** The frozen database with its picture under its true name, as a copy has it. */
  const raw: RawDatabase = plainly(read(version), (_key, each) => (each === 'a'.repeat(64) ? sha(PNG) : each))
  function copyOf(tables: readonly string[], says: number = version): Uint8Array {
    const files: Record<string, Uint8Array> = { [`pictures/${sha(PNG)}.png`]: PNG }
    for (const table of tables) files[`catalogue/${table}.json`] = strToU8(JSON.stringify(raw.stores[table]?.rows ?? []))
    const manifest = {
      format: 'yondercrest-archive',
      version: says,
      madeAt: '2026-01-01T00:00:00.000Z',
      roomName: 'My craft room',
      counts: {},
      files: Object.entries(files).map(([name, bytes]) => ({ name, bytes: bytes.length, sha256: sha(bytes) })),
    }
    return zipSync({ 'manifest.json': strToU8(JSON.stringify(manifest)), ...files })
  }
  const unpack = (zip: Uint8Array) => unpackArchive(zip, bytes => Promise.resolve(sha(bytes)), GIVEN)
  const ofThis = TABLE_NAMES.filter(table => !NOT_YET.includes(table))
  const sorted = (data: CatalogueData): CatalogueData =>
    Object.fromEntries(
      TABLE_NAMES.map(table => [table, [...data[table]].sort((a, b) => (a.id < b.id ? -1 : 1))]),
    ) as unknown as CatalogueData

  test('reads as the very catalogue that the database of its version opens as, and is restored as that', async () => {
    await makeRaw('old', raw)
    db = new YondercrestDb('old')
    const opened = await commands.readCatalogue(db)
    const reading = await unpack(copyOf(ofThis))
    if (!reading.ok) throw new Error(`${reading.code} ${reading.where}`)
    // From version 6 on a frozen loan is open although its set is not out: read back, it is ended.
    const whole = mend(opened, { ...GIVEN, pictures: null })
    expect(reading.archive.mended).toEqual(whole.mended)
    expect(whole.mended.map(({ code }) => code)).toEqual(version < 6 ? [] : ['loanOpen'])
    expect(sorted(reading.archive.data)).toEqual(sorted(whole.data))
    expect(reading.archive.pictures.map(each => [each.hash, [...each.bytes]])).toEqual([[sha(PNG), [...PNG]]])
    await db.delete()
    db = new YondercrestDb('new')
    await commands.startEmpty(db)
    const pictures = reading.archive.pictures.map(({ hash, type, bytes }) => ({
      ...{ hash, type, widthPx: 1, heightPx: 1 },
      bytes: bytes.slice().buffer,
    }))
    await commands.replaceCatalogue(db, 'restoreArchive', reading.archive.data, pictures, [])
    expect(sorted(await commands.readCatalogue(db))).toEqual(sorted(whole.data))
    expect([...(await commands.nextNumbers(db)).values()]).toEqual([nextIn(read(version))])
  })
  test.each(ofThis)('without its %s it is refused whole', async table => {
    expect(await unpack(copyOf(ofThis.filter(each => each !== table)))).toMatchObject({ ok: false, code: 'fileMissing' })
  })
  test('one that says it is of a later version than it is, or of one that is still to come, is refused whole', async () => {
    // Version 11 changed no record, and 12 brought a table: a copy of one of these has no other fault.
    if (version < 12) expect(await unpack(copyOf(ofThis, LATEST_VERSION))).toMatchObject({ ok: false })
    expect(await unpack(copyOf(ofThis, LATEST_VERSION + 1))).toMatchObject({ ok: false, code: 'newer' })
  })
})
