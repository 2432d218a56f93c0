import { ulid } from 'ulid'
import { blankHolding, type Holder, type Holding, newTheme } from '#core/catalog'
import { proposeRefiling, type RefilingFacts, remainingRefiling } from '#core/refiling'
import { arrangeRoom, containersInOrder, keysBehind, shortAddress } from '#core/room'
import { YondercrestDb } from '~/db'
import * as commands from '~/db/commands'

// Rooms in the database with a bin that is filled, and re-filings of them: for tests of commands.

/** The series that their numbers are of. */
export const SERIES = ulid()
let opened: YondercrestDb[] = []
/** Deletes every room that was filled. */
export async function dropRooms(): Promise<void> {
  await Promise.all(opened.map(db => db.delete()))
  opened = []
}
/** One bin with so many sets in the order of their numbers, whose themes are out of order. */
export async function filledRoom(count: number): Promise<YondercrestDb> {
  const db = new YondercrestDb(`test-${ulid()}`)
  opened.push(db)
  await commands.startEmpty(db)
  const [container] = await db.records('containers').toArray()
  const themes = ['Ropes', 'Harbour', 'Kelp'].map(name => newTheme(ulid(), name, []))
  await db.records('themes').bulkPut(themes)
  const sets = Array.from({ length: count }, (_, at): Holding => ({
    ...blankHolding({
      id: ulid(),
      number: at + 1,
      seriesId: SERIES,
      name: `Set ${String(at + 1).padStart(2, '0')}`,
      createdAt: '2026-01-01T00:00:00.000Z',
    }),
    themeIds: [themes[at % 3]?.id ?? ''],
    state: 'filed',
  }))
  const keys = keysBehind([], -1, count)
  await db.records('holdings').bulkPut(sets)
  await db.records('holders').bulkPut(
    sets.map((set, at): Holder => ({
      id: ulid(),
      holderTypeId: null,
      type: 'pocket',
      containerId: container?.id ?? '',
      lane: 1,
      order: keys[at] ?? '',
      cell: null,
      somewhere: null,
      apartBecause: null,
      holdingIds: [set.id],
    })),
  )
  return db
}
/** The room as the database has it. */
export async function facts(db: YondercrestDb) {
  const { rows } = arrangeRoom({
    containers: await db.records('containers').toArray(),
    sections: await db.records('sections').toArray(),
    holders: await db.records('holders').toArray(),
  })
  const mapOf = <T extends { id: string }>(list: T[]) => new Map(list.map(each => [each.id, each]))
  const [holdings, fixtures, themes, kinds] = [
    mapOf(await db.records('holdings').toArray()),
    mapOf(await db.records('fixtures').toArray()),
    mapOf(await db.records('themes').toArray()),
    mapOf(await db.records('kinds').toArray()),
  ]
  const [zone] = await db.records('zones').toArray()
  if (!zone) throw new Error('a zone')
  const found: RefilingFacts = {
    rows: containersInOrder({ rows, fixtures }, zone.id),
    holdings,
    authority: { brands: new Map(), categories: new Map(), themes, kinds },
    learnt: new Map(),
    holderTypes: new Map(),
  }
  return {
    zone,
    rows,
    found,
    names: [...rows.values()].flatMap(row =>
      row.placements.map(each => [shortAddress(each), holdings.get(each.holder.holdingIds[0] ?? '')?.name ?? '']),
    ),
  }
}
/** Begins a re-filing by theme, then name; `meanwhile` another tab does something. */
export async function begin(db: YondercrestDb, heap: readonly Holder[] = [], meanwhile: () => Promise<unknown> = () => Promise.resolve()) {
  const { zone, found } = await facts(db)
  const rule = {
    keys: [
      { by: 'theme' as const, order: 'alphabetical' as const },
      { by: 'name' as const, order: 'alphabetical' as const },
    ],
  }
  const proposal = proposeRefiling(
    found,
    {
      zone,
      rule,
      containerIds: found.rows.map(row => row.container.id),
      reserve: 0,
      aims: { group: 4, subgroup: 1, container: 2, even: 3 },
      isEven: false,
      tableMm: 300,
      armfulMm: 12,
      heap,
    },
    ({ id }) => found.authority.themes.get(id)?.name ?? '',
  )
  if (!proposal.ok) throw new Error(proposal.problem.code)
  await meanwhile()
  const begun = await commands.beginRefiling(db, {
    zone,
    rule,
    lanes: proposal.lanes.map(lane => lane.target),
    tableMm: 300,
    armfulMm: 12,
    heap,
    tableName: 'The table',
    name: 'Everything',
  })
  if (!begun.ok) throw new Error(begun.code)
  return begun.id
}
/** What is left of it, as the room stands. */
export async function left(db: YondercrestDb, id: string) {
  const refiling = await db.records('refilings').get(id)
  const { found, rows } = await facts(db)
  if (!refiling) throw new Error('a re-filing')
  const { moves, lanes } = remainingRefiling(found, refiling, 'apart', rows.get(refiling.tableContainerId) ?? null)
  if (!moves.ok) throw new Error(moves.code)
  return { steps: moves.steps, lanes }
}
