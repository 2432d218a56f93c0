import { ulid } from 'ulid'
import type { Holder, Holding, Section } from '#core/catalog'
import { proposePlace, type RoomFacts } from '#core/filing'
import { arrangeContainer, besideFirstHalf } from '#core/room'
import type { YondercrestDb } from '../../database'
import { type Desk, transact } from '../../transact'
import { freePlaces } from './places'
import { newHolder, type PlaceChoice, putInPlace } from './takeIn'

/** Word to stop is listened for this often while many sets are placed. */
const BREATH_MS = 30

/** Gives a set without a place its place. A set that has one keeps its holder, which moves. */
export async function placeHolding(db: YondercrestDb, holdingId: string, place: PlaceChoice): Promise<boolean> {
  return transact(db, 'placeHolding', {}, async desk => {
    const holding = await db.records('holdings').get(holdingId)
    const own = await db.records('holders').where('holdingIds').equals(holdingId).first()
    if (!holding || !(await freePlaces(db, [place]))(place, own?.id ?? null)) return false
    await putInPlace(desk, holding, place)
    if (holding.state !== 'filed') await desk.put('holdings', [{ ...holding, state: 'filed' }])
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
        ? [{ ...now, containerId: plan.containerId, lane: plan.lane, order: plan.order, cell: plan.cell }]
        : []
    })
    await desk.put('holders', holders)
    await keepKeys(desk, sections)
  })
}

/** Dividers with the keys of a move plan, those that are still there. */
export async function keepKeys(desk: Desk, sections: readonly Section[]): Promise<void> {
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
 * Places many sets one after the other by their zones' rules, as one undoable step. Each proposal sees those before
 * it. `goOn` is told how many are placed and may stop the work: what is placed by then stays.
 */
export async function placeMany(
  db: YondercrestDb,
  holdings: readonly Holding[],
  facts: RoomFacts,
  goOn: (done: number) => boolean,
): Promise<number> {
  const plan = await planPlacing(holdings, facts, goOn)
  return transact(
    db,
    'placeMany',
    count => ({ count }),
    async desk => {
      // What is gone, or was placed meanwhile, or finds its place taken, waits for another time.
      const ids = plan.placed.map(holding => holding.id)
      const [now, standing, isFree] = [
        await db.records('holdings').bulkGet(ids),
        new Set((await db.records('holders').where('holdingIds').anyOf(ids).toArray()).flatMap(holder => holder.holdingIds)),
        await freePlaces(db, plan.holders),
      ]
      const living = new Map(now.flatMap(holding => (holding && !standing.has(holding.id) ? [[holding.id, holding]] : [])))
      const holders = plan.holders.filter(holder => isFree(holder, null) && living.has(holder.holdingIds[0] ?? ''))
      const placed = [...new Set(holders.flatMap(holder => holder.holdingIds))].flatMap(id => living.get(id) ?? [])
      await desk.put('holders', holders)
      await desk.put(
        'holdings',
        placed.map(holding => ({ ...holding, state: 'filed' as const })),
      )
      return placed.length
    },
  )
}

/** Listens for word to stop every so often; the transaction begins only when the plan stands. */
async function planPlacing(
  holdings: readonly Holding[],
  facts: RoomFacts,
  goOn: (done: number) => boolean,
): Promise<{ holders: Holder[]; placed: Holding[] }> {
  const rows = new Map(facts.rows)
  const [holders, placed]: [Holder[], Holding[]] = [[], []]
  let breathAt = performance.now()
  for (const holding of holdings) {
    if (performance.now() - breathAt > BREATH_MS) {
      if (!goOn(holders.length)) break
      await new Promise(resolve => setTimeout(resolve))
      breathAt = performance.now()
    }
    const proposal = proposePlace(holding, { ...facts, rows })
    if (!proposal.ok) continue
    const { container, lane, order, cell } = proposal.point
    const holder = newHolder(holding, { containerId: container.id, lane, order, cell })
    holders.push(holder)
    placed.push(holding)
    const row = rows.get(container.id)
    const sections = row?.lanes.flat().flatMap(entry => (entry.type === 'section' ? [entry.section] : [])) ?? []
    const inIt = [...(row?.placements.map(each => each.holder) ?? []), holder]
    const arranged = arrangeContainer(container, inIt, sections)
    const beside = holding.isCutInTwo ? besideFirstHalf(arranged, holder) : null
    const second = beside && { ...holder, id: ulid(), ...beside }
    if (second) holders.push(second)
    rows.set(container.id, second ? arrangeContainer(container, [...inIt, second], sections) : arranged)
  }
  return { holders, placed }
}
