import { newId } from '~/db/newId'
import type { Relation } from '#core/catalog'
import { faultOf } from '#core/classing'
import type { YondercrestDb } from '../../database'
import { transact } from '../../transact'

/** Says of many dies which stamps they are for, in one step; the stamps have a matching die from now on. How many pairs were new. */
export async function pairDies(db: YondercrestDb, pairs: readonly { readonly dieId: string; readonly stampId: string }[]): Promise<number> {
  return transact(
    db,
    'pairDies',
    count => ({ count }),
    async desk => {
      const known: Pick<Relation, 'fromId' | 'toId' | 'kind' | 'id'>[] = await db.records('relations').toArray()
      const ids = pairs.flatMap(({ dieId, stampId }) => [dieId, stampId])
      const sets = new Map((await db.records('holdings').bulkGet(ids)).flatMap(each => (each ? [[each.id, each] as const] : [])))
      const made = pairs.flatMap(({ dieId, stampId }): Relation[] => {
        const wanted = { fromId: dieId, toId: stampId, kind: 'dieForStamp' as const }
        if (!sets.has(dieId) || !sets.has(stampId) || faultOf(wanted, known)) return []
        const relation = { id: newId(), ...wanted }
        known.push(relation)
        return [relation]
      })
      await desk.put('relations', made)
      const stamps = new Map(made.flatMap(({ toId }) => sets.get(toId) ?? []).map(each => [each.id, each]))
      await desk.put(
        'holdings',
        [...stamps.values()].filter(each => each.hasMatchingDie !== true).map(each => ({ ...each, hasMatchingDie: true })),
      )
      return made.length
    },
  )
}
