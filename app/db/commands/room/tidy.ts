import type { TidyPlan } from '#core/tidy'
import type { YondercrestDb } from '../../database'
import { transact } from '../../transact'
import { firstClash, newContainers, newFixtures, type NotBuilt } from './fromList'

export interface TidyWish extends Pick<TidyPlan, 'fixtures' | 'containers'> {
  /** The holder type that was chosen for each set. */
  readonly sits: readonly { readonly holdingId: string; readonly holderTypeId: string }[]
}
export type TidyOutcome = { readonly ok: true; readonly containers: number } | NotBuilt

/**
 * Builds the room that waiting sets need, and writes down what each will sit in: one step, all or nothing. A set of which that was
 * said meanwhile keeps it.
 */
export async function buildTidy(db: YondercrestDb, { fixtures: furniture, containers: wanted, sits }: TidyWish): Promise<TidyOutcome> {
  return transact(
    db,
    'buildTidy',
    outcome => (outcome.ok ? { count: outcome.containers } : {}),
    async (desk): Promise<TidyOutcome> => {
      const fixtures = await newFixtures(db, { fixtures: furniture })
      const containers = await newContainers(db, wanted, fixtures)
      if (containers.size < wanted.length) return { ok: false, code: 'gone' }
      const clash = await firstClash(db, [...containers.values()])
      if (clash) return { ok: false, code: 'addressTaken', ...clash }
      await desk.put('fixtures', [...fixtures.values()])
      await desk.put('containers', [...containers.values()])
      const types = new Map((await db.records('holderTypes').toArray()).map(type => [type.id, type]))
      const holdings = await db.records('holdings').bulkGet(sits.map(({ holdingId }) => holdingId))
      await desk.put(
        'holdings',
        holdings.flatMap((holding, at) => {
          const type = types.get(sits[at]?.holderTypeId ?? '')
          return holding && type && holding.holderTypeId === null ? [{ ...holding, holderTypeId: type.id, sitsIn: type.type }] : []
        }),
      )
      return { ok: true, containers: containers.size }
    },
  )
}
