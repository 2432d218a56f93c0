import { newId } from '~/db/newId'
import { addTo, type Container, type Fixture, type Holder, LIMITS, type Loan, nextRank, PLAIN_FIXTURE } from '#core/catalog'
import { allIn, containerClash, type ContainerRow, keysBehind } from '#core/room'
import type { NewContainer, NewHolder, RoomPlan } from '#core/room/places'
import type { YondercrestDb } from '../../database'
import type { Desk } from '../../desk'
import { transact } from '../../transact'
import { openLoans } from '../fetching/loans'
import { freePlaces } from '../holding/places'
import { isAtHand } from '../holding/placing'
import { addressPatterns, rowOf } from './furniture'

export type NotBuilt =
  /** One of its addresses would be read as one of another container. */
  | { readonly ok: false; readonly code: 'addressTaken'; readonly name: string; readonly by: string; readonly address: string }
  /** Furniture, a container or a corner that the plan counts on is no longer there. */
  | { readonly ok: false; readonly code: 'gone' }
export type FromListOutcome = { readonly ok: true; readonly placed: number; readonly out: number; readonly containers: number } | NotBuilt

/**
 * Builds the room that a list tells of, and gives its sets their places: one step, all or nothing. Sets that have a place by now,
 * or are gone, keep what they have.
 */
export async function buildFromList(db: YondercrestDb, plan: RoomPlan): Promise<FromListOutcome> {
  return transact(
    db,
    'buildFromList',
    outcome => (outcome.ok ? { count: outcome.placed + outcome.out } : {}),
    async (desk): Promise<FromListOutcome> => {
      const fixtures = await newFixtures(db, plan)
      const containers = await newContainers(db, plan.containers, fixtures)
      const clash = await firstClash(db, [...containers.values()])
      if (clash) return { ok: false, code: 'addressTaken', ...clash }
      const idOf = (ref: NewHolder['container']): string | undefined => ('id' in ref ? ref.id : containers.get(ref.key)?.id)
      const there = await db
        .records('containers')
        .bulkGet(plan.holders.flatMap(({ container }) => ('id' in container ? [container.id] : [])))
      if (containers.size < plan.containers.length || there.includes(undefined)) return { ok: false, code: 'gone' }
      await desk.put('fixtures', [...fixtures.values()])
      await desk.put('containers', [...containers.values()])
      const placed = await giveHolders(desk, plan.holders, idOf)
      const out = await takeOut(desk, plan.out)
      return { ok: true, placed, out, containers: containers.size }
    },
  )
}

/** Furniture to be made, by its key, with an identity. */
export async function newFixtures(db: YondercrestDb, { fixtures }: Pick<RoomPlan, 'fixtures'>): Promise<ReadonlyMap<string, Fixture>> {
  const rank = nextRank(await db.records('fixtures').toArray())
  return new Map(
    fixtures.map(({ key, name, type, shelves }, at) => [key, { ...PLAIN_FIXTURE, id: newId(), name, type, shelves, rank: rank + at }]),
  )
}

/** Those whose furniture and corner are there. */
export async function newContainers(
  db: YondercrestDb,
  wanted: readonly NewContainer[],
  fixtures: ReadonlyMap<string, Fixture>,
): Promise<ReadonlyMap<string, Container>> {
  const all = await db.records('containers').toArray()
  const known = new Set(await db.records('fixtures').toCollection().primaryKeys())
  const zones = new Set(await db.records('zones').toCollection().primaryKeys())
  const first = nextRank(all)
  return new Map(
    wanted.flatMap(({ key, fixture, ...shape }, at) => {
      const knownId = 'id' in fixture && known.has(fixture.id) ? fixture.id : undefined
      const fixtureId = 'key' in fixture ? fixtures.get(fixture.key)?.id : knownId
      return fixtureId && zones.has(shape.zoneId)
        ? [[key, { ...shape, id: newId(), fixtureId, rank: first + at, isTable: false }] as const]
        : []
    }),
  )
}

/** The first of them whose addresses would be read as those of another container. */
export async function firstClash(db: YondercrestDb, made: readonly Container[]) {
  const all = [...(await db.records('containers').toArray()), ...made]
  const patterns = await addressPatterns(db)
  for (const container of made) {
    const clash = containerClash(container, all, patterns)
    if (clash) return { name: container.name, by: clash.other.name, address: clash.address }
  }
  return null
}

/** Puts the sets of a plan into their containers, in its order, behind what is there. How many there were. */
async function giveHolders(
  desk: Desk,
  wanted: readonly NewHolder[],
  idOf: (ref: NewHolder['container']) => string | undefined,
): Promise<number> {
  const ids = wanted.flatMap(({ holdingIds }) => holdingIds)
  const holdings = new Map((await desk.db.records('holdings').bulkGet(ids)).flatMap(each => (each ? [[each.id, each] as const] : [])))
  const standing = new Set((await desk.db.records('holders').where('holdingIds').anyOf(ids).toArray()).flatMap(holder => holder.holdingIds))
  const byContainer = new Map<string, NewHolder[]>()
  for (const each of wanted) {
    const id = idOf(each.container) ?? ''
    const living = each.holdingIds.filter(holdingId => holdings.has(holdingId) && !standing.has(holdingId))
    if (living.length > 0) addTo(byContainer, id, { ...each, holdingIds: living })
  }
  const holders: Holder[] = []
  for (const [containerId, own] of byContainer) {
    const row = await rowOf(desk.db, containerId)
    if (!row) continue
    const keys = keysAtTheEnd(row, own.length)
    const made = own.map(({ container: _ref, ...rest }, at): Holder => {
      const first = holdings.get(rest.holdingIds[0] ?? '')
      const type = rest.type === 'pocket' ? (first?.sitsIn ?? rest.type) : rest.type
      return {
        ...rest,
        type,
        id: newId(),
        holderTypeId: first?.holderTypeId ?? null,
        containerId,
        order: keys[at] ?? '',
        apartBecause: null,
      }
    })
    const isFree = await freePlaces(desk.db, made)
    // A cell that was filled meanwhile: then only its page is known.
    holders.push(
      ...made.map(holder =>
        holder.somewhere || isFree(holder, null) ? holder : { ...holder, cell: null, somewhere: { page: holder.cell?.page ?? null } },
      ),
    )
  }
  await desk.put('holders', holders)
  const placed = holders.flatMap(({ holdingIds }) => holdingIds.flatMap(id => holdings.get(id) ?? []))
  await desk.put(
    'holdings',
    // What is away has a place to come back to; it is not back.
    placed.map(holding => (isAtHand(holding) ? { ...holding, state: 'filed' as const } : holding)),
  )
  return placed.length
}

/** Keys behind all that is in a container, in whatever lane. */
function keysAtTheEnd(row: ContainerRow, count: number): readonly string[] {
  const orders = [...allIn(row).map(({ holder }) => holder.order), ...row.lanes.flat().map(entry => entry.order)].sort((a, b) => {
    if (a < b) return -1
    return a > b ? 1 : 0
  })
  return keysBehind(
    orders.map(order => ({ order })),
    orders.length - 1,
    count,
  )
}

/** Sets that are out of their place, on the table most often. How many there were. */
async function takeOut(desk: Desk, wanted: RoomPlan['out']): Promise<number> {
  const now = new Date().toISOString()
  const holdings = (await desk.db.records('holdings').bulkGet(wanted.map(({ holdingId }) => holdingId))).flatMap(each => each ?? [])
  const away = await openLoans(
    desk.db,
    holdings.map(({ id }) => id),
  )
  const going = holdings.filter(({ id }) => !away.has(id))
  const toOf = new Map(wanted.map(({ holdingId, to }) => [holdingId, to]))
  await desk.put(
    'loans',
    going.map(({ id }): Loan => ({
      id: newId(),
      holdingId: id,
      to: (toOf.get(id) ?? '').trim().slice(0, LIMITS.name),
      outAt: now,
      backAt: null,
      isForUse: false,
    })),
  )
  await desk.put(
    'holdings',
    going.map(holding => ({ ...holding, state: 'out' as const })),
  )
  return going.length
}
