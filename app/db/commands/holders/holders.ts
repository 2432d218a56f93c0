import { newId } from '~/db/newId'
import { type HolderType, type Holding, nextRank, START_HOLDER_TYPES, isBlank } from '#core/catalog'
import { type Stage, stageOf, stateAfter } from '#core/pile'
import { isSameName } from '#core/grammar'
import type { YondercrestDb } from '../../database'
import type { Desk } from '../../desk'
import { changeHolding, transact } from '../../transact'

export type HolderTypeOutcome =
  | { readonly ok: true }
  | { readonly ok: false; readonly code: 'nameMissing' | 'nameTaken' | 'inUse' | 'gone'; readonly count: number }

/** Puts a new type of holder into the list. No two are called the same. */
export async function addHolderType(db: YondercrestDb, type: HolderType): Promise<HolderTypeOutcome> {
  return transact(db, 'changeHolderType', { name: type.name }, desk => writeHolderType(desk, type))
}

/** Changes a type of holder. No two are called the same. */
export async function changeHolderType(db: YondercrestDb, id: string, fields: Partial<Omit<HolderType, 'id'>>): Promise<HolderTypeOutcome> {
  const { name } = { ...(await db.records('holderTypes').get(id)), ...fields }
  return transact(db, 'changeHolderType', { name }, async (desk): Promise<HolderTypeOutcome> => {
    const before = await db.records('holderTypes').get(id)
    return before ? writeHolderType(desk, { ...before, ...fields }) : { ok: false, code: 'gone', count: 0 }
  })
}

async function writeHolderType(desk: Desk, type: HolderType): Promise<HolderTypeOutcome> {
  const rows = desk.db.records('holderTypes')
  const name = type.name.trim()
  if (isBlank(name)) return { ok: false, code: 'nameMissing', count: 0 }
  const others = (await rows.toArray()).filter(each => each.id !== type.id)
  if (others.some(each => isSameName(each.name, name))) return { ok: false, code: 'nameTaken', count: 0 }
  const replacement = type.replacedById ? await rows.get(type.replacedById) : undefined
  await desk.put('holderTypes', [{ ...type, name, replacedById: replacement?.id ?? null }])
  return { ok: true }
}

/** Takes a type off the list. One that holds sets stays: it can be retired. */
export async function removeHolderType(db: YondercrestDb, id: string): Promise<HolderTypeOutcome> {
  const type = await db.records('holderTypes').get(id)
  return transact(db, 'changeHolderType', { name: type?.name }, async (desk): Promise<HolderTypeOutcome> => {
    const holders = await db
      .records('holders')
      .filter(holder => holder.holderTypeId === id)
      .count()
    const holdings = await db
      .records('holdings')
      .filter(holding => holding.holderTypeId === id)
      .count()
    if (holders + holdings > 0) return { ok: false, code: 'inUse', count: Math.max(holders, holdings) }
    const named = await db
      .records('holderTypes')
      .filter(each => each.replacedById === id)
      .toArray()
    await desk.put(
      'holderTypes',
      named.map(each => ({ ...each, replacedById: null })),
    )
    await desk.remove('holderTypes', [id])
    return { ok: true }
  })
}

/** Adds the common sizes that the list does not have yet. Returns how many came. */
export async function addStartHolders(db: YondercrestDb): Promise<number> {
  return transact(
    db,
    'addStartHolders',
    count => ({ count }),
    async desk => {
      const known = await db.records('holderTypes').toArray()
      const names = new Set(known.map(type => type.name.toLowerCase()))
      const from = nextRank(known)
      const fresh = START_HOLDER_TYPES.filter(type => !names.has(type.name.toLowerCase()))
      await desk.put(
        'holderTypes',
        fresh.map((type, at) => ({ ...type, id: newId(), rank: from + at })),
      )
      return fresh.length
    },
  )
}

/**
 * Puts a set into a holder that others are in already; each keeps its number. The holder it was in before, if it was
 * alone in it, goes. A set that waits for its pocket goes on to the next of the stages `used`. False where the set or the holder is gone,
 * or the set is in it already.
 */
export async function shareHolder(db: YondercrestDb, holdingId: string, holderId: string, used: readonly Stage[]): Promise<boolean> {
  const { name, number } = (await db.records('holdings').get(holdingId)) ?? {}
  return transact(db, 'shareHolder', { name, number }, async desk => {
    const holding = await db.records('holdings').get(holdingId)
    const target = await db.records('holders').get(holderId)
    if (!holding || !target || target.holdingIds.includes(holdingId)) return false
    const before = await db.records('holders').where('holdingIds').equals(holdingId).toArray()
    const left = before.map(holder => ({ ...holder, holdingIds: holder.holdingIds.filter(id => id !== holdingId) }))
    await desk.put('holders', [
      ...left.filter(holder => holder.holdingIds.length > 0),
      { ...target, holdingIds: [...target.holdingIds, holdingId] },
    ])
    await desk.remove(
      'holders',
      left.filter(holder => holder.holdingIds.length === 0).map(holder => holder.id),
    )
    const state = stageOf(holding) === 'fit' ? stateAfter('fit', used) : holding.state
    await desk.change('holdings', holdingId, { sitsIn: target.type, holderTypeId: target.holderTypeId, state })
    return true
  })
}

/** Says that a set has gone sticky, or has not: it harms what lies beside it. */
export async function setSticky(db: YondercrestDb, holdingId: string, isSticky: boolean): Promise<void> {
  await changeHolding(db, 'editHolding', holdingId, { isSticky })
}

/** Keeps what was measured of a set: its size, its impression, its pieces. What is left out stays as it is. */
export async function measureSet(
  db: YondercrestDb,
  holdingId: string,
  measured: Partial<Pick<Holding, 'size' | 'pictureHash' | 'pieces' | 'thicknessMm'>>,
): Promise<void> {
  await changeHolding(db, 'measureSet', holdingId, measured)
}
