import { newId } from '~/db/newId'
import {
  blankDraft,
  type Cell,
  type Container,
  type Draft,
  type Holder,
  type Holding,
  newHolder,
  nextRank,
  type Section,
} from '#core/catalog'
import { keysBehind } from '#core/room'
import type { YondercrestDb } from '../../database'
import { transact } from '../../transact'
import { freePlaces } from '../holding/places'
import { areInPlace } from '../holding/placing'
import { rowOf } from './furniture'

/** What somebody saw next, walking along a container. */
export type Stood =
  | { readonly as: 'set'; readonly holdingId: string; readonly cell: Cell | null }
  | { readonly as: 'tab'; readonly title: string }
  /** Something that is in no list: it goes to the pile, with where it stands. */
  | { readonly as: 'strange'; readonly name: string; readonly note: string }

/**
 * Keeps what somebody saw along one row or its pages, in that order: behind what was looked at there before, one step. What the list
 * put elsewhere is taken here; who shares a holder comes along. Those that were not seen stay somewhere in it. How many sets were
 * seen; a cell that is taken by now, and a set that is gone, are left as they are.
 */
export async function standAsSeen(db: YondercrestDb, containerId: string, lane: number, seen: readonly Stood[]): Promise<number> {
  return transact(
    db,
    'standAsSeen',
    ({ name, count }: { name?: string; count: number }) => ({ name, count }),
    async desk => {
      const row = await rowOf(db, containerId)
      if (!row) return { count: 0 }
      const { container } = row
      const ids = seen.flatMap(each => (each.as === 'set' ? [each.holdingId] : []))
      const holdings = new Map((await db.records('holdings').bulkGet(ids)).flatMap(each => (each ? [[each.id, each] as const] : [])))
      const known = await db.records('holders').where('holdingIds').anyOf(ids).toArray()
      const isFree = await freePlaces(
        db,
        seen.flatMap(each => (each.as === 'set' ? [{ containerId, cell: each.cell }] : [])),
      )
      const entries = row.lanes[lane - 1] ?? []
      // What is carried within the row leaves its key behind: it is not stood behind itself.
      const keys = keysBehind(entries, entries.length - 1, seen.length)
      const [holders, sections, drafts] = [new Map<string, Holder>(), [] as Section[], [] as Draft[]]
      const stood: Holding[] = []
      for (const [at, each] of seen.entries()) {
        const order = keys[at] ?? ''
        if (each.as === 'tab') {
          if (!container.cells) sections.push(tab(container, lane, order, each.title))
        } else if (each.as === 'strange') drafts.push(strange(each, drafts.length))
        else {
          const holding = holdings.get(each.holdingId)
          const own = holding ? next(known, holding.id, holders) : undefined
          const place = { containerId, lane: container.cells ? 1 : lane, order, cell: container.cells ? each.cell : null }
          if (!holding || (container.cells !== null && !each.cell) || !isFree(place, own?.id ?? null)) continue
          // Who shares its holder was put down with it.
          if (own && holders.has(own.id)) continue
          const holder = own ? { ...own, ...place, somewhere: null } : newHolder(newId(), holding, place)
          holders.set(holder.id, holder)
          stood.push(...holder.holdingIds.flatMap(id => holdings.get(id) ?? []))
        }
      }
      await desk.put('holders', [...holders.values()])
      await desk.put('sections', sections)
      const rank = nextRank(await db.records('drafts').toArray())
      await desk.put(
        'drafts',
        drafts.map((draft, at) => ({ ...draft, rank: rank + at })),
      )
      await areInPlace(desk, stood)
      return { name: container.name, count: stood.length }
    },
  ).then(({ count }) => count)
}

/** The holder of a set that was not put down yet. Prefers the half whose position is unknown. */
function next(known: readonly Holder[], holdingId: string, put: ReadonlyMap<string, Holder>): Holder | undefined {
  const own = known.filter(holder => holder.holdingIds.includes(holdingId))
  return own.find(holder => holder.somewhere && !put.has(holder.id)) ?? own.find(holder => !put.has(holder.id)) ?? own[0]
}
const tab = ({ id }: Container, lane: number, order: string, title: string): Section => ({
  id: newId(),
  containerId: id,
  lane,
  order,
  title,
  colour: 0,
  standsFor: null,
})
function strange({ name, note }: Extract<Stood, { as: 'strange' }>, rank: number): Draft {
  const draft = blankDraft({ id: newId(), rank, createdAt: new Date().toISOString() })
  return { ...draft, texts: { ...draft.texts, name, notes: note } }
}
