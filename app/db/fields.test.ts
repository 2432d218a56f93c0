import 'fake-indexeddb/auto'
import { afterEach, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { ulid } from 'ulid'
import { blankBrand, type Old, type RecordOf, type TableName, type Version } from '#core/catalog'
import { START_SHEETS } from '#core/printing'
import { luckOf } from '../../tests/support/cases'
import { ACTIONS } from '../../tests/support/everyCommand'
import { emptyRooms } from '../../tests/support/emptyRooms'
import { factsOf } from '../../tests/support/facts'
import { redo, undo, YondercrestDb } from './index'
import * as commands from './commands'
import { upgradeTo } from './upgrade'

const { room, drop } = emptyRooms()
afterEach(drop)
const unplaced = { place: null, state: 'toFile' as const, draftId: null, written: '' }
const firstOf = async <T extends TableName>(db: YondercrestDb, table: T): Promise<RecordOf<T>> => {
  const [first] = (await db.records(table).toArray()) as RecordOf<T>[]
  if (!first) throw new Error(`no ${table}`)
  return first
}

/** Each form: the record it changes, what one tab changes of it, and what another tab does that has the form open all the while. */
const FORMS: readonly {
  readonly table: TableName
  readonly make?: (db: YondercrestDb) => Promise<unknown>
  readonly meanwhile: (db: YondercrestDb, id: string) => Promise<unknown>
  readonly form: (db: YondercrestDb, id: string) => Promise<unknown>
  readonly both: Old
  readonly before: Old
}[] = [
  {
    table: 'zones',
    meanwhile: (db, id) => commands.changeZone(db, id, { filingRule: { keys: [{ by: 'number', order: 'ascending' }] } }),
    form: (db, id) => commands.changeZone(db, id, { growthReserve: 0.3 }),
    both: { filingRule: { keys: [{ by: 'number', order: 'ascending' }] }, growthReserve: 0.3 },
    before: { growthReserve: 0.1 },
  },
  {
    table: 'fixtures',
    meanwhile: (db, id) => commands.changeFixture(db, id, { isSunlit: true }),
    form: (db, id) => commands.changeFixture(db, id, { name: 'By the window' }),
    both: { isSunlit: true, name: 'By the window' },
    before: {},
  },
  {
    table: 'containers',
    meanwhile: (db, id) => commands.changeContainer(db, id, { lengthMm: 444 }),
    form: (db, id) => commands.changeContainer(db, id, { name: 'Deep bin' }),
    both: { lengthMm: 444, name: 'Deep bin' },
    before: { name: 'Bin 1' },
  },
  {
    table: 'brands',
    make: db => commands.addName(db, 'brands', blankBrand(ulid(), 'Copperlatch')),
    meanwhile: (db, id) => commands.changeName(db, 'brands', id, { variants: ['Copper Latch'] }),
    form: (db, id) => commands.changeName(db, 'brands', id, { notes: 'seen at the fair' }),
    both: { variants: ['Copper Latch'], notes: 'seen at the fair' },
    before: { notes: '' },
  },
  {
    table: 'holderTypes',
    meanwhile: (db, id) => commands.changeHolderType(db, id, { stockOnHand: 12 }),
    form: (db, id) => commands.changeHolderType(db, id, { notes: 'from the market' }),
    both: { stockOnHand: 12, notes: 'from the market' },
    before: { notes: '' },
  },
  {
    table: 'series',
    meanwhile: (db, id) => commands.changeSeries(db, id, { padding: 4 }),
    form: (db, id) => commands.changeSeries(db, id, { prefix: 'LQ ' }),
    both: { padding: 4, prefix: 'LQ' },
    before: { prefix: '' },
  },
  {
    table: 'labelSheets',
    make: db => commands.addLabelSheet(db, { ...(START_SHEETS[0] as (typeof START_SHEETS)[number]), name: 'Begun', nextFree: 0 }),
    meanwhile: (db, id) => commands.changeLabelSheet(db, id, { nextFree: 5 }),
    form: (db, id) => commands.changeLabelSheet(db, id, { name: 'The begun sheet' }),
    both: { nextFree: 5, name: 'The begun sheet' },
    before: { name: 'Begun' },
  },
  {
    table: 'printers',
    make: db => commands.addPrinter(db, { name: 'By the door', rightMm: 0, downMm: 0 }),
    meanwhile: (db, id) => commands.changePrinter(db, id, { rightMm: 1.5 }),
    form: (db, id) => commands.changePrinter(db, id, { downMm: -1 }),
    both: { rightMm: 1.5, downMm: -1, name: 'By the door' },
    before: { downMm: 0 },
  },
  {
    table: 'sections',
    make: async db => {
      const { id } = await firstOf(db, 'containers')
      await commands.addSection(db, { containerId: id, lane: 1, order: 'a0', title: 'Harbour', colour: 0, standsFor: null })
    },
    meanwhile: (db, id) => commands.editSection(db, id, { colour: 4 }),
    form: (db, id) => commands.editSection(db, id, { title: 'Tide pools' }),
    both: { colour: 4, title: 'Tide pools' },
    before: { title: 'Harbour' },
  },
  {
    table: 'holdings',
    make: db => commands.takeIn(db, factsOf('Kelp Study', { notes: 'from the quay', words: ['kelp'] }), unplaced),
    meanwhile: (db, id) => commands.editHolding(db, id, { words: ['kelp', 'tide'], themeNames: ['Harbour'] }),
    form: (db, id) => commands.editHolding(db, id, { notes: 'washed' }),
    both: { words: ['kelp', 'tide'], notes: 'washed', name: 'Kelp Study' },
    before: { notes: 'from the quay' },
  },
]

describe('a change is fields', () => {
  test.each(FORMS)(
    'of $table: a form leaves what another tab changed meanwhile, undone too',
    async ({ table, make, meanwhile, form, both, before }) => {
      const db = await room()
      await make?.(db)
      const { id } = await firstOf(db, table)
      const other = new YondercrestDb(db.name)
      await meanwhile(other, id)
      const changed = (await other.anyRecords(table).get(id)) as unknown as Old
      await form(db, id)
      expect(await db.anyRecords(table).get(id)).toMatchObject(both)
      await undo(db)
      const undone = (await db.anyRecords(table).get(id)) as unknown as Old
      expect(undone).toEqual(changed)
      expect(undone).toMatchObject(before)
      await redo(db)
      expect(await db.anyRecords(table).get(id)).toMatchObject(both)
      other.close()
    },
  )

  test('undo of a step leaves habits alone that are no steps, also where the step changed one', async () => {
    const db = await room()
    const { id } = await firstOf(db, 'containers')
    await commands.changeSettings(db, { forNowContainerId: id })
    await commands.removeContainer(db, id)
    await commands.changeSettings(db, { unit: 'cm' })
    expect(await db.records('settings').get('room')).toMatchObject({ forNowContainerId: null, unit: 'cm' })
    await undo(db)
    expect(await db.records('settings').get('room')).toMatchObject({ forNowContainerId: id, unit: 'cm' })
  })

  test('what changes nothing is no step, and what can be done again stays so', async () => {
    const db = await room()
    const set = await commands.takeIn(db, factsOf('Kelp Study'), unplaced)
    await commands.setSticky(db, set.id, true)
    await undo(db)
    await commands.setSticky(db, set.id, false)
    await commands.editHolding(db, set.id, { name: 'Kelp Study' })
    expect(await redo(db)).toMatchObject({ command: 'editHolding', state: 'undone' })
    expect((await db.records('holdings').get(set.id))?.isSticky).toBe(true)
  })

  test('one field of many sets takes less than half the bytes of the sets', async () => {
    const db = await room()
    const ids: string[] = []
    for (let nth = 0; nth < 60; nth += 1)
      ids.push((await commands.takeIn(db, factsOf(`Set ${nth}`, { brandName: 'Copperlatch', themeNames: ['Rope'] }), unplaced)).id)
    const sets = JSON.stringify(await db.records('holdings').toArray()).length
    await commands.changeMany(db, [{ ids, brandName: 'Tidewrack Press' }])
    const part = await db.journalParts.toCollection().last()
    expect(part?.changes).toHaveLength(61)
    expect(JSON.stringify(part).length).toBeLessThan(sets / 2)
  })
})

/** A version to come: a field more, a field fewer, a field that follows from another, and a record of its own for each set with notes. */
const TO_COME: Version = {
  number: 99,
  stores: {},
  brings: [],
  upgrade: {
    holdings: ({ notes: _notes, ...record }) => ({ ...record, initial: String(record.name).slice(0, 1), isKept: true }),
    holders: record => ({ ...record, order: `x${String(record.order)}` }),
  },
  gives: { holdings: { to: 'uses', make: ({ id, notes }) => (notes ? { id, holdingId: id, on: null, times: 9, from: 'said' } : null) } },
}
type State = Readonly<Record<'holdings' | 'holders', readonly Old[]>>
async function stateOf(db: YondercrestDb): Promise<State> {
  const sorted = async (table: TableName): Promise<readonly Old[]> =>
    (await db.anyRecords(table).toArray()).sort((a, b) => (a.id < b.id ? -1 : 1)) as unknown as Old[]
  return { holdings: await sorted('holdings'), holders: await sorted('holders') }
}
const raised = ({ holdings, holders }: State) => ({
  holdings: holdings.map(record => TO_COME.upgrade.holdings?.(record)),
  holders: holders.map(record => TO_COME.upgrade.holders?.(record)),
})

test('a version to come brings up every step: undone and done again, each moment is what it was, brought up (property)', async () => {
  const names = [
    'takeIn',
    'placeAll',
    'edit',
    'many',
    'remove',
    'move',
    'share',
    'pieces',
    'measureSet',
    'cutInTwo',
    'undo',
    'redo',
  ] as const
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom(...names), { minLength: 4, maxLength: 14 }),
      fc.integer({ min: 1, max: 99_999 }),
      fc.nat(4),
      async (drawn, seed, undone) => {
        const db = await room()
        const luck = luckOf(seed)
        for (const name of ['takeIn', 'takeIn', ...drawn]) await ACTIONS[name]?.(db, luck)
        for (let nth = 0; nth < undone; nth += 1) await undo(db)
        // Every moment there is, from the first step to the last that can be done again.
        while (await redo(db));
        const moments = [await stateOf(db)]
        while ((await db.journal.where('state').equals('done').count()) > 1) {
          await undo(db)
          moments.unshift(await stateOf(db))
        }
        for (let nth = 0; nth + 1 < moments.length - undone; nth += 1) await redo(db)
        await db.transaction('rw', db.tables, transaction => upgradeTo(TO_COME, transaction))
        while (await redo(db));
        for (let at = moments.length - 1; at >= 0; at -= 1) {
          expect(await stateOf(db)).toEqual(raised(moments[at] as State))
          if (at > 0) await undo(db)
        }
        while (await redo(db));
        expect(await stateOf(db)).toEqual(raised(moments.at(-1) as State))
      },
    ),
    { numRuns: 25, seed: 20_261_201 },
  )
})
