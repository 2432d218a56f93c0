import { newId } from '~/db/newId'
import { type MeasuredLength, nextRank, START_HABITS, type Zone } from '#core/catalog'
import type { YondercrestDb } from '../../database'
import { transact } from '../../transact'
import type { RoomOutcome } from './furniture'
import { openRefilings } from '../refiling/refiling'

/** A new zone: files by theme, then brand, until its rule is changed. */
export async function addZone(db: YondercrestDb, name: string): Promise<string> {
  const id = newId()
  await transact(db, 'changeZone', { name }, async desk => {
    const rank = nextRank(await db.records('zones').toArray())
    await desk.put('zones', [
      {
        id,
        name,
        rank,
        filingRule: {
          keys: [
            { by: 'theme', order: 'alphabetical' },
            { by: 'brand', order: 'alphabetical' },
            { by: 'name', order: 'alphabetical' },
          ],
        },
        takesKindIds: [],
        growthReserve: 0.1,
        capHoldings: null,
        labelTemplate: null,
        habits: START_HABITS,
      },
    ])
  })
  return id
}

type ZoneFields = Partial<Omit<Zone, 'id'>>
/**
 * Changes how a zone files. Nothing is moved by it: new sets go by the new rule, views show what stands otherwise. What is one more or
 * one fewer of a list is a function of the zone as it is at that moment.
 */
export async function changeZone(db: YondercrestDb, id: string, wanted: ZoneFields | ((now: Zone) => ZoneFields)): Promise<void> {
  await transact(
    db,
    'changeZone',
    (zone: Zone | null) => ({ name: zone?.name }),
    async desk => {
      const zone = await db.records('zones').get(id)
      if (!zone) return null
      const fields = typeof wanted === 'function' ? wanted(zone) : wanted
      const kinds = new Set(await db.records('kinds').toCollection().primaryKeys())
      const { takesKindIds } = fields
      return desk.change('zones', id, {
        ...fields,
        ...(takesKindIds ? { takesKindIds: takesKindIds.filter(each => kinds.has(each)) } : {}),
      })
    },
  )
}

/** Ends a zone: its bins, drawers and binders go over to another. The last zone stays, and one that is being re-filed. */
export async function removeZone(db: YondercrestDb, id: string, intoId: string): Promise<RoomOutcome> {
  const zone = await db.records('zones').get(id)
  return transact(db, 'changeZone', { name: zone?.name }, async (desk): Promise<RoomOutcome> => {
    if (id === intoId || !(await db.records('zones').get(intoId))) return { ok: false, code: 'gone' }
    if (
      (await openRefilings(db)
        .filter(each => each.zoneId === id)
        .count()) > 0
    )
      return { ok: false, code: 'inUse' }
    const containers = await db
      .records('containers')
      .filter(each => each.zoneId === id)
      .toArray()
    await desk.put(
      'containers',
      containers.map(each => ({ ...each, zoneId: intoId })),
    )
    await desk.remove('zones', [id])
    return { ok: true }
  })
}

/** Keeps the filled length of a lane as measured, with what stood there; an earlier measure of the same lane goes. */
export async function measureLength(db: YondercrestDb, measured: Omit<MeasuredLength, 'id' | 'at'>): Promise<void> {
  const container = await db.records('containers').get(measured.containerId)
  await transact(db, 'measureLength', { name: container?.name }, async desk => {
    if (!(await db.records('containers').get(measured.containerId))) return
    const before = await db
      .records('measuredLengths')
      .where('containerId')
      .equals(measured.containerId)
      .filter(each => each.lane === measured.lane)
      .primaryKeys()
    await desk.remove('measuredLengths', before)
    await desk.put('measuredLengths', [{ ...measured, id: newId(), at: new Date().toISOString() }])
  })
}

/** Forgets a measured length. */
export async function forgetLength(db: YondercrestDb, id: string): Promise<void> {
  await transact(db, 'measureLength', {}, desk => desk.remove('measuredLengths', [id]))
}

/** Says why a holder stands outside of the filing rule; null: it files by the rule again. */
export async function keepApart(db: YondercrestDb, holderId: string, because: string | null): Promise<void> {
  await transact(db, 'keepApart', {}, async desk => {
    const holder = await db.records('holders').get(holderId)
    if (holder) await desk.put('holders', [{ ...holder, apartBecause: because }])
  })
}
