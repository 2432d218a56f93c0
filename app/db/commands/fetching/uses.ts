import { newId } from '~/db/newId'
import type { RecordOf, Use } from '#core/catalog'
import type { YondercrestDb } from '../../database'
import { transact } from '../../transact'

/** Notes that sets were used on a day. A day that is noted already is not noted twice. How many it was new to. */
export async function noteUse(db: YondercrestDb, holdingIds: readonly string[], on: string): Promise<number> {
  return transact(
    db,
    'noteUse',
    count => ({ count }),
    async desk => {
      const ids = [...new Set(holdingIds)]
      const there = (await db.records('holdings').bulkGet(ids)).flatMap(each => (each ? [each.id] : []))
      const known = await db.records('uses').where('holdingId').anyOf(there).toArray()
      const fresh = there.filter(id => !known.some(use => use.holdingId === id && use.on === on))
      await desk.put(
        'uses',
        fresh.map((holdingId): Use => ({ id: newId(), holdingId, on, times: 1, from: 'noted' })),
      )
      return fresh.length
    },
  )
}

/** Takes a line of the log back. */
export async function forgetUse(db: YondercrestDb, useId: string): Promise<void> {
  const use = await db.records('uses').get(useId)
  const holding = await db.records('holdings').get(use?.holdingId ?? '')
  if (use) await transact(db, 'forgetUse', subjectOf(holding), desk => desk.remove('uses', [useId]))
}

/** Gives a line of the log another day, or the first it has. */
export async function dateUse(db: YondercrestDb, useId: string, on: string): Promise<void> {
  await transact(db, 'dateUse', subjectOf, async (desk): Promise<RecordOf<'holdings'> | undefined> => {
    const use = await db.records('uses').get(useId)
    if (use && use.on !== on) await desk.put('uses', [{ ...use, on }])
    return db.records('holdings').get(use?.holdingId ?? '')
  })
}
const subjectOf = (holding: RecordOf<'holdings'> | undefined) => ({ name: holding?.name, number: holding?.number })
