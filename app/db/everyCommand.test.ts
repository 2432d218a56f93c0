import 'fake-indexeddb/auto'
import { createHash } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { ulid } from 'ulid'
import { type CatalogueData, TABLE_NAMES, TABLES } from '#core/catalog'
import { allIn } from '#core/room'
import { packArchive, unpackArchive } from '#core/exchange'
import { findingsIn } from '#core/soundness'
import { luckOf, roomFrom, tablesOf } from '../../tests/support/cases'
import { ACTIONS } from '../../tests/support/everyCommand'
import { plainly } from '~/kit/plainly'
import { redo, undo, YondercrestDb } from './index'
import * as commands from './commands'
import { STEPS } from './commands/steps'

async function emptyRoom(): Promise<YondercrestDb> {
  const db = new YondercrestDb(`test-${ulid()}`)
  await commands.startEmpty(db)
  return db
}
const sha256 = (bytes: Uint8Array): Promise<string> => Promise.resolve(createHash('sha256').update(bytes).digest('hex'))

/**
 * The same histories each time, several hundred commands; for others change the seed. What fails is not made smaller: a
 * history costs seconds.
 */
const HOW = { numRuns: 18, seed: 20_261_125, endOnFailure: true } as const

const GIVEN = { at: '2026-12-01T00:00:00.000Z', newId: ulid }
/** Each table as its schema last took it: most commands change a few tables only. */
const lawful = new Map<string, string>()

/** Everything that must hold after any command whatever: the first thing that does not, or null. */
async function whatIsWrong(db: YondercrestDb, tabs: 1 | 2 = 1): Promise<string | null> {
  const data = await tablesOf(db, TABLE_NAMES)
  for (const table of TABLE_NAMES) {
    const text = JSON.stringify(data[table])
    if (lawful.get(table) === text) continue
    const read = TABLES[table].array().safeParse(data[table])
    if (!read.success) return `${table}: ${read.error.issues[0]?.path.join('.')} ${read.error.issues[0]?.message}`
    if (!isDeepStrictEqual(plainly(read.data), JSON.parse(text))) return `${table}: more or less than its schema says`
    lawful.set(table, text)
  }
  const [found] = findingsIn(data, { ...GIVEN, pictures: new Set() })
  if (found) return JSON.stringify(found)
  const { rows } = roomFrom(data)
  const seen = [...rows.values()].flatMap(row => allIn(row).map(each => each.holder.id))
  if (seen.length !== data.holders.length || new Set(seen).size !== seen.length) return 'a holder stands nowhere, or twice'
  // Two tabs may set down in one gap at one moment; the two then stand there one behind the other, by their ids.
  // What nobody has looked at has a place in no row.
  const places = data.holders.flatMap(({ id, containerId, lane, order, cell, somewhere }) =>
    somewhere || cell ? [] : [`${containerId} ${lane} ${order}${tabs === 2 ? id : ''}`],
  )
  return new Set(places).size === places.length ? null : 'two holders in one place'
}
/** The first record that differs between two catalogues, or null: a whole diff of two rooms is nothing to read. */
function difference(one: Lasting, other: Lasting): string | null {
  for (const [table, records] of Object.entries(one)) {
    const [a, b] = [
      new Map(records.map(each => [each.id, each])),
      new Map((other[table as keyof Lasting] as { id: string }[]).map(each => [each.id, each])),
    ]
    for (const id of new Set([...a.keys(), ...b.keys()]))
      if (!isDeepStrictEqual(plainly(a.get(id) ?? null), plainly(b.get(id) ?? null)))
        return `${table}: ${JSON.stringify(a.get(id))} or ${JSON.stringify(b.get(id))}`
  }
  return null
}
type Lasting = Omit<CatalogueData, 'register' | 'series' | 'settings' | 'setAside'>
/** What undo gives back: all but the register, what numbers are given from, habits, and what was set aside, which are no steps. */
const withoutLasting = ({ register: _r, series: _s, settings: _h, setAside: _a, ...rest }: CatalogueData): Lasting => rest

/** What asks for something that is seldom there is drawn more often. */
const RARE = [
  ...['relate', 'relate', 'pieces', 'remove', 'share', 'beginRefiling', 'refileStep', 'refileToTheEnd'],
  ...['container', 'tab', 'tab', 'writtenCode', 'writtenCode', 'holderType', 'holderType', 'startHolders', 'strips', 'strips'],
  ...['pullSets', 'pullSets', 'walk', 'walk', 'walk', 'noteUse', 'dateUse', 'beginBook', 'changeBook', 'confirmPrinted', 'confirmPrinted'],
  ...[
    'linkWords',
    'linkWords',
    'linkWords',
    'linkWords',
    'tidy',
    'tidy',
    'leaveRefiling',
    'startHolders',
    'many',
    'many',
    'many',
    'importList',
    'empty',
    'empty',
  ],
  ...['labelSheet', 'labelSheet', 'labelSheet', 'printer', 'printer', 'printer'],
  ...['sift', 'sift', 'putBackAside', 'letAsideGo'],
  ...['leaveOut', 'leaveOut', 'fetchAgain', 'forgetLink', 'leaveRefiling', 'tab', 'strips', 'writtenCode'],
] as const

describe('every command, in any order', () => {
  const names = Object.keys(ACTIONS)
  const more = fc.array(fc.constantFrom(...names, ...RARE), { minLength: 15, maxLength: 40, size: 'max' })
  const someSteps = fc.tuple(fc.shuffledSubarray(names, { minLength: names.length }), more).map(([all, rest]) => [...all, ...rest])

  test('leaves a catalogue that holds together, undone to the beginning and done again (property)', async () => {
    const [done, steps, refilings] = [new Set<string>(), new Set<string>(), new Set<string>()]
    await fc.assert(
      fc.asyncProperty(someSteps, fc.integer({ min: 1, max: 2147483646 }), async (drawn, seed) => {
        const db = await emptyRoom()
        const luck = luckOf(seed)
        const before = withoutLasting(await commands.readCatalogue(db))
        for (const name of [...Array.from({ length: 6 }, () => 'takeIn'), 'placeAll', ...drawn]) {
          await ACTIONS[name]?.(db, luck)
          done.add(name)
          for (const { command } of await db.journal.toArray()) steps.add(command)
          expect([name, await whatIsWrong(db)]).toEqual([name, null])
        }
        const archive = await unpackArchive(
          await packArchive(await commands.readCatalogue(db), [], [], '2026-11-01T00:00:00.000Z', sha256),
          sha256,
          GIVEN,
        )
        expect(archive).toMatchObject({ ok: true, archive: { mended: [], left: [] } })
        while (await redo(db));
        const after = await commands.readCatalogue(db)
        for (const { state, stepsDone } of after.refilings) refilings.add(stepsDone > 0 ? state : 'begun')
        while ((await db.journal.where('state').equals('done').count()) > 1) await undo(db)
        expect(difference(withoutLasting(await commands.readCatalogue(db)), before)).toBeNull()
        while (await redo(db));
        expect(difference(withoutLasting(await commands.readCatalogue(db)), withoutLasting(after))).toBeNull()
        await db.delete()
      }),
      HOW,
    )
    expect(names.filter(name => !done.has(name))).toEqual([])
    // Each command really did something, somewhere on the way.
    // No command leaves a room in which there is something to mend.
    expect(Object.keys(STEPS).filter(command => !steps.has(command))).toEqual(['mendRoom'])
    expect(refilings).toContain('done')
  }, 120_000)

  test('from two tabs at once, neither knowing what the other does: it holds together all the same (property)', async () => {
    await fc.assert(
      fc.asyncProperty(someSteps, fc.integer({ min: 1, max: 2147483646 }), async (drawn, seed) => {
        // A record that is spoilt on purpose would be met by the other tab before it is set aside.
        const steps = drawn.filter(name => name !== 'sift')
        const here = await emptyRoom()
        const there = new YondercrestDb(here.name)
        const luck = luckOf(seed)
        for (let at = 0; at < 6; at += 1) await ACTIONS.takeIn?.(here, luck)
        for (let at = 0; at + 1 < steps.length; at += 2) {
          const both = [steps[at] ?? '', steps[at + 1] ?? '']
          await Promise.all([ACTIONS[both[0] ?? '']?.(here, luck), ACTIONS[both[1] ?? '']?.(there, luck)])
          expect([both, await whatIsWrong(here, 2)]).toEqual([both, null])
        }
        there.close()
        await here.delete()
      }),
      HOW,
    )
  }, 120_000)
})
