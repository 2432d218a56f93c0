import { newId } from '~/db/newId'
import { type Container, type Fixture, LIMITS, nextRank, PLAIN_FIXTURE } from '#core/catalog'
import { type AddressPatterns, allIn, arrangeContainer, containerClash, type ContainerRow, namesAlong, planEmptying } from '#core/room'
import type { YondercrestDb } from '../../database'
import type { Desk } from '../../desk'
import { transact } from '../../transact'

export type RoomOutcome =
  | { readonly ok: true }
  /** One of its addresses would be read as one of another container. */
  | { readonly ok: false; readonly code: 'addressTaken'; readonly by: string; readonly address: string }
  | { readonly ok: false; readonly code: 'notEmpty'; readonly count: number }
  | { readonly ok: false; readonly code: 'cellsRunOut'; readonly free: number; readonly needed: number }
  | { readonly ok: false; readonly code: 'gone' }
  /** A re-filing under way needs it. */
  | { readonly ok: false; readonly code: 'inUse' }

/** How addresses are written in this room. */
export async function addressPatterns(db: YondercrestDb): Promise<AddressPatterns> {
  return (await db.records('settings').get('room'))?.addressPatterns ?? {}
}

/** Puts furniture into the room. Returns its id. */
export async function addFixture(
  db: YondercrestDb,
  fixture: Pick<Fixture, 'name' | 'type' | 'shelves'> & Partial<Omit<Fixture, 'id'>>,
): Promise<string> {
  return transact(db, 'changeFixture', { name: fixture.name }, async desk => {
    const id = newId()
    await desk.put('fixtures', [{ rank: nextRank(await db.records('fixtures').toArray()), ...PLAIN_FIXTURE, ...fixture, id }])
    return id
  })
}

/** Changes furniture. What stood on a shelf that is no longer there stands on the lowest one. */
export async function changeFixture(db: YondercrestDb, id: string, fields: Partial<Omit<Fixture, 'id'>>): Promise<void> {
  await transact(
    db,
    'changeFixture',
    (fixture: Fixture | null) => ({ name: fixture?.name }),
    async desk => {
      const fixture = await desk.change('fixtures', id, fields)
      if (!fixture) return null
      const { shelves } = fixture
      const low = await db
        .records('containers')
        .filter(each => each.fixtureId === id && each.shelf > shelves)
        .toArray()
      await desk.put(
        'containers',
        low.map(each => ({ ...each, shelf: shelves })),
      )
      return fixture
    },
  )
}

/** Takes furniture out of the room. Only empty furniture goes. */
export async function removeFixture(db: YondercrestDb, id: string): Promise<RoomOutcome> {
  const fixture = await db.records('fixtures').get(id)
  return transact(db, 'changeFixture', { name: fixture?.name }, async (desk): Promise<RoomOutcome> => {
    const count = await db
      .records('containers')
      .filter(each => each.fixtureId === id)
      .count()
    if (count > 0) return { ok: false, code: 'notEmpty', count }
    await desk.remove('fixtures', [id])
    return { ok: true }
  })
}

/** Changes what a container is, what it is called and where it stands. Its sets stay in it. */
export async function changeContainer(db: YondercrestDb, id: string, fields: Partial<Omit<Container, 'id'>>): Promise<RoomOutcome> {
  const { name } = { ...(await db.records('containers').get(id)), ...fields }
  return transact(db, 'changeContainer', { name }, async (desk): Promise<RoomOutcome> => {
    const before = await db.records('containers').get(id)
    if (!before) return { ok: false, code: 'gone' }
    const container = { ...before, ...fields }
    const isSomewhere = (await db.records('zones').get(container.zoneId)) && (await db.records('fixtures').get(container.fixtureId))
    if (!isSomewhere) return { ok: false, code: 'gone' }
    if (before.isTable) return { ok: false, code: 'inUse' }
    const all = await db.records('containers').toArray()
    const patterns = await addressPatterns(db)
    // Two that were alike before may stay so: what is changed now is not what made them alike.
    const known = containerClash(before, all, patterns)?.other.id
    const clash = containerClash(
      container,
      all.filter(each => each.id !== known),
      patterns,
    )
    if (clash) return { ok: false, code: 'addressTaken', by: clash.other.name, address: clash.address }
    // Who stands in a cell that would be no more, or in a row that becomes pages, has to be moved first.
    const inIt = await db.records('holders').where('containerId').equals(container.id).toArray()
    const { cells } = container
    const homeless = inIt.filter(({ cell, somewhere }) => {
      if (somewhere) return (somewhere.page ?? 1) > (cells?.pages ?? LIMITS.pages)
      return cells
        ? !cell || cell.page > cells.pages || cell.cell > cells.rows * cells.columns || (cell.side === 'back' && !cells.isTwoSided)
        : cell !== null
    })
    if (homeless.length > 0) return { ok: false, code: 'notEmpty', count: homeless.length }
    await desk.change('containers', id, fields)
    return { ok: true }
  })
}

/** So many more like it on the same shelf or another, empty, named on from it. */
export async function copyContainer(
  db: YondercrestDb,
  id: string,
  count: number,
  to?: Pick<Container, 'fixtureId' | 'shelf'>,
): Promise<number> {
  const named = await db.records('containers').get(id)
  return transact(db, 'copyContainer', { name: named?.name, count }, async desk => {
    const original = await db.records('containers').get(id)
    if (!original || original.isTable) return 0
    const all = await db.records('containers').toArray()
    const patterns = await addressPatterns(db)
    const place = to && (await db.records('fixtures').get(to.fixtureId)) ? to : { fixtureId: original.fixtureId, shelf: original.shelf }
    const rank = nextRank(all.filter(each => each.fixtureId === place.fixtureId && each.shelf === place.shelf))
    await desk.put(
      'containers',
      namesAlong(original, all, patterns, count).map((names, at) => ({
        ...original,
        ...names,
        ...place,
        id: newId(),
        rank: rank + at,
      })),
    )
    return count
  })
}

/** Empties a container into another (merging the two), or, with null, leaves its sets without a place. */
export async function emptyContainer(db: YondercrestDb, id: string, intoId: string | null, isRemoved: boolean): Promise<RoomOutcome> {
  const from = await db.records('containers').get(id)
  return transact(db, isRemoved ? 'removeContainer' : 'emptyContainer', { name: from?.name }, async (desk): Promise<RoomOutcome> => {
    const row = await rowOf(db, id)
    const into = intoId === null ? null : await rowOf(db, intoId)
    if (!row || (intoId !== null && !into)) return { ok: false, code: 'gone' }
    if ((isRemoved && row.container.isTable) || into?.container.isTable) return { ok: false, code: 'inUse' }
    if (into) {
      const plan = planEmptying(row, into)
      if (!plan.ok) return plan
      await desk.put('holders', plan.holders)
    } else {
      await leavePlaceless(desk, row)
    }
    if (isRemoved) await clearAway(desk, row)
    return { ok: true }
  })
}

/** Takes an empty container out of the room. */
export async function removeContainer(db: YondercrestDb, id: string): Promise<RoomOutcome> {
  const container = await db.records('containers').get(id)
  return transact(db, 'removeContainer', { name: container?.name }, async (desk): Promise<RoomOutcome> => {
    const row = await rowOf(db, id)
    if (!row) return { ok: false, code: 'gone' }
    if (row.container.isTable) return { ok: false, code: 'inUse' }
    const inIt = allIn(row).length
    if (inIt > 0) return { ok: false, code: 'notEmpty', count: inIt }
    await clearAway(desk, row)
    return { ok: true }
  })
}

/** A container with what stands in it, in order. */
export async function rowOf(db: YondercrestDb, id: string): Promise<ContainerRow | null> {
  const container = await db.records('containers').get(id)
  if (!container) return null
  const holders = await db.records('holders').where('containerId').equals(id).toArray()
  const sections = await db.records('sections').where('containerId').equals(id).toArray()
  return arrangeContainer(container, holders, sections)
}

/** Sets of a container stand nowhere from now on. */
export async function leavePlaceless(desk: Desk, row: ContainerRow): Promise<void> {
  const inIt = allIn(row).map(({ holder }) => holder)
  const ids = inIt.flatMap(holder => holder.holdingIds)
  await desk.remove(
    'holders',
    inIt.map(holder => holder.id),
  )
  const holdings = (await desk.db.records('holdings').bulkGet(ids)).flatMap(holding =>
    holding?.state === 'filed' ? [{ ...holding, state: 'toFile' as const }] : [],
  )
  await desk.put('holdings', holdings)
}

/** Takes a container away with all that names it; what stood in it has to be elsewhere by then. */
export async function clearAway(desk: Desk, row: ContainerRow): Promise<void> {
  const { id } = row.container
  const [settings] = await desk.db.records('settings').toArray()
  if (settings?.forNowContainerId === id) await desk.put('settings', [{ ...settings, forNowContainerId: null }])
  await desk.remove('sections', await desk.db.records('sections').where('containerId').equals(id).primaryKeys())
  await desk.remove('measuredLengths', await desk.db.records('measuredLengths').where('containerId').equals(id).primaryKeys())
  await desk.remove('containers', [id])
}
