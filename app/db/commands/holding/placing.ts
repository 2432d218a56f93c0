import { newId } from '~/db/newId'
import type { Holder, Holding, Section } from '#core/catalog'
import { withoutSets } from '#core/fetching'
import { stageOf } from '#core/pile'
import { type PlacesPlan, planPlaces, type SpreadFacts } from '#core/refiling'
import type { YondercrestDb } from '../../database'
import type { Desk } from '../../desk'
import { transact } from '../../transact'
import { openLoans } from '../fetching/loans'
import { freePlaces } from './places'
import { type PlaceChoice, putInPlace } from './takeIn'

/** Word to stop is listened for this often while many sets are placed. */
const BREATH_MS = 30

/** Gives a set without a place its place. A set that has one keeps its holder, which moves. */
export async function placeHolding(db: YondercrestDb, holdingId: string, place: PlaceChoice): Promise<boolean> {
  return transact(db, 'placeHolding', {}, async desk => {
    const holding = await db.records('holdings').get(holdingId)
    const own = await db.records('holders').where('holdingIds').equals(holdingId).first()
    if (!holding || !(await freePlaces(db, [place]))(place, own?.id ?? null)) return false
    await putInPlace(desk, holding, place)
    await areInPlace(desk, [holding])
    return true
  })
}

/**
 * Moves holders to where a move plan has put them, and gives dividers the keys that it gave them. The addresses of all
 * others follow from the order. `count` of the holders are lifted; the rest only get a key of their own.
 */
export async function moveHolders(
  db: YondercrestDb,
  moved: readonly Holder[],
  sections: readonly Section[] = [],
  count = moved.length,
): Promise<void> {
  await transact(db, 'moveHolders', { count }, async desk => {
    const known = await db.records('holders').bulkGet(moved.map(holder => holder.id))
    const isFree = await freePlaces(db, moved)
    // Only the place is taken from the plan: what a holder holds may have changed in another tab.
    const holders = moved.flatMap((plan, index) => {
      const now = known[index]
      return now && isFree(plan, plan.id)
        ? [{ ...now, containerId: plan.containerId, lane: plan.lane, order: plan.order, cell: plan.cell, somewhere: plan.somewhere }]
        : []
    })
    await desk.put('holders', holders)
    // Who was carried has been looked at: what an old list says of where it is is past.
    const carried = holders.slice(0, count).flatMap(({ holdingIds }) => holdingIds)
    const told = (await db.records('holdings').bulkGet(carried)).flatMap(holding => (holding?.placeText ? [holding] : []))
    await desk.put(
      'holdings',
      told.map(holding => ({ ...holding, placeText: '' })),
    )
    await keepKeys(desk, sections)
  })
}

/** It waits for its place, or is in one: whoever carries what it sits in has looked at it. */
export const isAtHand = (holding: Pick<Holding, 'state'>): boolean => holding.state === 'filed' || stageOf(holding) !== null

/** Sets that stand in their place now: filed, back from wherever they were, and what an old list says of them is past. */
export async function areInPlace(desk: Desk, holdings: readonly Holding[]): Promise<void> {
  await desk.put(
    'holdings',
    holdings.flatMap(holding =>
      holding.state === 'filed' && holding.placeText === '' ? [] : [{ ...holding, state: 'filed' as const, placeText: '' }],
    ),
  )
  const ids = new Set(holdings.flatMap(holding => (holding.state === 'out' || holding.state === 'lent' ? [holding.id] : [])))
  if (ids.size === 0) return
  const open = [...(await openLoans(desk.db, [...ids])).values()]
  const backAt = new Date().toISOString()
  await desk.put(
    'loans',
    open.map(loan => ({ ...loan, backAt })),
  )
}

/** Dividers with the keys of a move plan, those that are still there. */
async function keepKeys(desk: Desk, sections: readonly Section[]): Promise<void> {
  const known = await desk.db.records('sections').bulkGet(sections.map(section => section.id))
  await desk.put(
    'sections',
    known.flatMap((now, index) => (now ? [{ ...now, order: sections[index]?.order ?? now.order }] : [])),
  )
}

/** Lets a set go from the catalogue. Its number stays given. */
export async function removeHolding(db: YondercrestDb, holdingId: string): Promise<void> {
  const holding = await db.records('holdings').get(holdingId)
  await transact(db, 'removeHolding', { name: holding?.name, number: holding?.number }, async desk => {
    const holders = await db.records('holders').where('holdingIds').equals(holdingId).toArray()
    const emptied = holders.filter(holder => holder.holdingIds.length === 1)
    const shared = holders.filter(holder => holder.holdingIds.length > 1)
    await desk.remove(
      'holders',
      emptied.map(holder => holder.id),
    )
    await desk.put(
      'holders',
      shared.map(holder => ({ ...holder, holdingIds: holder.holdingIds.filter(id => id !== holdingId) })),
    )
    const relations = await db
      .records('relations')
      .filter(each => each.fromId === holdingId || each.toId === holdingId)
      .primaryKeys()
    await desk.remove('relations', relations)
    await desk.remove('loans', await db.records('loans').where('holdingId').equals(holdingId).primaryKeys())
    await desk.remove('uses', await db.records('uses').where('holdingId').equals(holdingId).primaryKeys())
    const pulled = await db
      .records('pullLists')
      .filter(({ lines }) => lines.some(line => line.holdingId === holdingId || line.alongWithId === holdingId))
      .toArray()
    await desk.put(
      'pullLists',
      pulled.map(list => ({ ...list, lines: [...withoutSets(list.lines, [holdingId])] })),
    )
    const hosts = await db
      .records('holdings')
      .filter(other => other.pieces.some(piece => piece.livesWithId === holdingId))
      .toArray()
    await desk.put(
      'holdings',
      hosts.map(other => ({
        ...other,
        pieces: other.pieces.map(piece => (piece.livesWithId === holdingId ? { ...piece, livesWithId: null } : piece)),
      })),
    )
    await desk.remove('holdings', [holdingId])
  })
}

/**
 * Places many sets by their zones' rules and as far as there is room, as one undoable step. `goOn` is told how many are placed
 * and may stop the work: what is placed by then stays. How many were placed.
 */
export async function placeMany(
  db: YondercrestDb,
  holdings: readonly Holding[],
  facts: SpreadFacts,
  goOn: (done: number) => boolean,
): Promise<number> {
  const plan = await planWhile(holdings, facts, goOn)
  return transact(
    db,
    'placeMany',
    count => ({ count }),
    async desk => {
      // What is gone, or was placed meanwhile, or finds its place taken, waits for another time.
      const ids = plan.placed.map(holding => holding.id)
      const now = await db.records('holdings').bulkGet(ids)
      const standing = new Set((await db.records('holders').where('holdingIds').anyOf(ids).toArray()).flatMap(holder => holder.holdingIds))
      const isFree = await freePlaces(db, plan.holders)
      const living = new Map(now.flatMap(holding => (holding && !standing.has(holding.id) ? [[holding.id, holding]] : [])))
      const holders = plan.holders.filter(holder => isFree(holder, null) && living.has(holder.holdingIds[0] ?? ''))
      const placed = [...new Set(holders.flatMap(holder => holder.holdingIds))].flatMap(id => living.get(id) ?? [])
      await desk.put('holders', holders)
      await areInPlace(desk, placed)
      return placed.length
    },
  )
}

/** Works out a plan of places, and listens for word to stop every so often: then it is the plan so far. */
async function planWhile(holdings: readonly Holding[], facts: SpreadFacts, goOn: (done: number) => boolean): Promise<PlacesPlan> {
  const planning = planPlaces(holdings, facts, newId)
  let breathAt = performance.now()
  for (let step = planning.next(); ; step = planning.next()) {
    if (step.done) return step.value
    if (performance.now() - breathAt <= BREATH_MS) continue
    if (!goOn(step.value.placed.length)) return step.value
    await new Promise(resolve => setTimeout(resolve))
    breathAt = performance.now()
  }
}
