import { newId } from '~/db/newId'
import { type Holding, LIMITS, type Loan, type Use } from '#core/catalog'
import { daysOfUse } from '#core/fetching'
import { dayOf } from '#core/units'
import type { YondercrestDb } from '../../database'
import type { Desk } from '../../desk'
import { transact } from '../../transact'
import { areInPlace } from '../holding/placing'
import { type PlaceChoice, putInPlace } from '../holding/takeIn'
import { freePlaces } from '../holding/places'
import { openLoans } from './loans'

/** One set as it was taken from one place. */
export interface Taken {
  readonly holdingId: string
  /** The holder it was in; itself where it stood in none. */
  readonly placeId: string
}

/**
 * What was taken at a stop of a walk: ticked on its list, and out from now on, all of it at `to`. What another tab has taken
 * already is not taken twice; a set that was cut in two is out once both halves are taken. How many sets went out.
 */
export async function takeSets(db: YondercrestDb, listId: string, taken: readonly Taken[], to: string): Promise<number> {
  return transact(
    db,
    'takeSets',
    count => ({ count, name: to }),
    async desk => {
      const list = await db.records('pullLists').get(listId)
      if (!list) return 0
      const placesOf = new Map<string, Set<string>>()
      for (const { holdingId, placeId } of taken) placesOf.set(holdingId, (placesOf.get(holdingId) ?? new Set()).add(placeId))
      const lines = list.lines.map(line => ({
        ...line,
        takenFromIds: [...new Set([...line.takenFromIds, ...(placesOf.get(line.holdingId) ?? [])])].slice(-2),
      }))
      if (lines.every((line, at) => line.takenFromIds.length === list.lines[at]?.takenFromIds.length)) return 0
      await desk.put('pullLists', [{ ...list, lines }])
      const ticked = lines.filter(line => placesOf.has(line.holdingId))
      const holders = await db
        .records('holders')
        .where('holdingIds')
        .anyOf(ticked.map(line => line.holdingId))
        .toArray()
      const whole = ticked.filter(({ holdingId, takenFromIds }) =>
        holders.every(({ id, holdingIds }) => !holdingIds.includes(holdingId) || takenFromIds.includes(id)),
      )
      return goOut(
        desk,
        whole.map(line => line.holdingId),
        to,
        true,
      )
    },
  )
}

/** Sets that are out of their place from now on, at one place. Those that are out already only change the place. How many there were. */
export async function takeOut(db: YondercrestDb, holdingIds: readonly string[], to: string, isForUse: boolean): Promise<number> {
  return transact(
    db,
    'takeOut',
    count => ({ count, name: to }),
    desk => goOut(desk, holdingIds, to, isForUse),
  )
}

async function goOut(desk: Desk, holdingIds: readonly string[], to: string, isForUse: boolean): Promise<number> {
  const place = to.trim().slice(0, LIMITS.name)
  const outAt = new Date().toISOString()
  const open = await openLoans(desk.db, holdingIds)
  const found = (await desk.db.records('holdings').bulkGet([...new Set(holdingIds)])).flatMap(each => each ?? [])
  // What nobody has put away yet, or is gone, is in no place that it could be out of.
  const going = found.filter(({ id, state }) => (state === 'filed' || open.has(id)) && open.get(id)?.to !== place)
  if (place === '' || going.length === 0) return 0
  await desk.put(
    'loans',
    going.map(({ id }): Loan => {
      const loan = open.get(id)
      return loan ? { ...loan, to: place } : { id: newId(), holdingId: id, to: place, outAt, backAt: null, isForUse }
    }),
  )
  await desk.put(
    'holdings',
    going.flatMap((holding): Holding[] => (holding.state === 'filed' ? [{ ...holding, state: 'out' }] : [])),
  )
  return going.length
}

export interface Return {
  readonly holdingId: string
  /** It goes into the log of use, on the days of its going and coming. */
  readonly wasUsed: boolean
  /** It goes to this place for good, not where it stood. */
  readonly place?: PlaceChoice
}
export type ReturnOutcome =
  | { readonly ok: true; readonly back: number }
  /** Every one of them was back already, or is gone. */
  | { readonly ok: false; readonly code: 'notOut' }
  /** Something else stands by now where it should go for good. */
  | { readonly ok: false; readonly code: 'placeTaken' }

/** Sets that are back. What has no place waits for one; what was used goes into the log. All or nothing. */
export async function bringBack(db: YondercrestDb, returns: readonly Return[]): Promise<ReturnOutcome> {
  return transact(
    db,
    'bringBack',
    outcome => (outcome.ok ? { count: outcome.back } : {}),
    async (desk): Promise<ReturnOutcome> => {
      const wanted = new Map(returns.map(each => [each.holdingId, each]))
      const open = await openLoans(db, [...wanted.keys()])
      const found = (await db.records('holdings').bulkGet([...wanted.keys()])).flatMap(each => each ?? [])
      const coming = found.filter(({ id }) => open.has(id))
      if (coming.length === 0) return { ok: false, code: 'notOut' }
      for (const holding of coming) {
        const place = wanted.get(holding.id)?.place
        if (!place) continue
        const isFree = await freePlaces(db, [place])
        if (!isFree(place, null)) return { ok: false, code: 'placeTaken' }
        await leaveShared(desk, holding.id)
        await putInPlace(desk, holding, place)
      }
      await logUses(desk, coming, open, wanted)
      const ids = coming.map(({ id }) => id)
      const standing = new Set((await db.records('holders').where('holdingIds').anyOf(ids).toArray()).flatMap(holder => holder.holdingIds))
      await areInPlace(
        desk,
        coming.filter(({ id }) => standing.has(id)),
      )
      await waitForPlace(
        desk,
        coming.filter(({ id }) => !standing.has(id)),
        open,
      )
      return { ok: true, back: coming.length }
    },
  )
}

/** What stays where it was shares its pocket with it no more. */
async function leaveShared(desk: Desk, holdingId: string): Promise<void> {
  const holders = await desk.db.records('holders').where('holdingIds').equals(holdingId).toArray()
  await desk.put(
    'holders',
    holders
      .filter(({ holdingIds }) => holdingIds.length > 1)
      .map(each => ({ ...each, holdingIds: each.holdingIds.filter(id => id !== holdingId) })),
  )
}

async function logUses(
  desk: Desk,
  coming: readonly Holding[],
  open: ReadonlyMap<string, Loan>,
  wanted: ReadonlyMap<string, Return>,
): Promise<void> {
  const today = dayOf(new Date())
  const days = coming.flatMap(({ id }) =>
    wanted.get(id)?.wasUsed ? daysOfUse(dayOf(new Date(open.get(id)?.outAt ?? '')), today).map(on => ({ id, on })) : [],
  )
  const known = await desk.db
    .records('uses')
    .where('holdingId')
    .anyOf(days.map(({ id }) => id))
    .toArray()
  // Fetched and returned twice on one day, it was used on one day.
  const isKnown = new Set(known.map(use => `${use.holdingId} ${use.on ?? ''}`))
  await desk.put(
    'uses',
    days
      .filter(({ id, on }) => !isKnown.has(`${id} ${on}`))
      .map(({ id, on }): Use => ({ id: newId(), holdingId: id, on, times: 1, from: 'fetched' })),
  )
}

/** Back, and with no place of their own: they are to be put away. */
async function waitForPlace(desk: Desk, holdings: readonly Holding[], open: ReadonlyMap<string, Loan>): Promise<void> {
  const backAt = new Date().toISOString()
  await desk.put(
    'holdings',
    holdings.map((holding): Holding => ({ ...holding, state: 'toFile' })),
  )
  await desk.put(
    'loans',
    holdings.flatMap(({ id }): Loan[] => {
      const loan = open.get(id)
      return loan ? [{ ...loan, backAt }] : []
    }),
  )
}
