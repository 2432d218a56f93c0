import { expose } from 'comlink'
import { type Container, type HolderType, START_HABITS } from '#core/catalog'
import {
  adviseHolder,
  type Contents,
  contentsOf,
  type FilledHolder,
  type FitHabits,
  type HolderAdvice,
  holdersWithRoom,
  oneSizeForAll,
  type OneSizeReport,
  type Replacement,
  replacementsFor,
  type SizedSet,
} from '#core/holders'
import { zoneFor } from '#core/filing'
import { type Fittings, fittingsOf } from '#core/tidy'
import { database } from '~/db'

/** Every set with what goes into a holder, by the habits of its zone. */
async function sizedSets(): Promise<readonly SizedSet[]> {
  const db = database()
  const [holdings, kinds, zones] = await Promise.all([
    db.records('holdings').toArray(),
    db.records('kinds').toArray(),
    db.records('zones').toArray(),
  ])
  const kindOf = new Map(kinds.map(kind => [kind.id, kind]))
  return holdings
    .filter(holding => holding.state !== 'gone')
    .map(holding => ({
      id: holding.id,
      contents: contentsOf(holding, kindOf.get(holding.kindId ?? '') ?? null, zoneFor(holding, zones)?.habits ?? START_HABITS),
    }))
}

const api = {
  advise(contents: Contents, types: readonly HolderType[], habits: FitHabits, container: Container | null): HolderAdvice {
    return adviseHolder(contents, types, habits, container)
  },

  /** Ids of the first `most` holders with room for one set more. */
  withRoom(own: Contents, holders: readonly FilledHolder[], most: number): readonly string[] {
    return holdersWithRoom(own, holders, most)
  },

  /** What each of many sets that stand nowhere could sit in as it is. Read from the database at each asking. */
  async fittings(ids: readonly string[]): Promise<Fittings> {
    const db = database()
    const [holdings, kinds, zones, types, settings] = await Promise.all([
      db.records('holdings').bulkGet([...ids]),
      db.records('kinds').toArray(),
      db.records('zones').toArray(),
      db.records('holderTypes').orderBy('id').toArray(),
      db.records('settings').get('room'),
    ])
    return fittingsOf(
      holdings.flatMap(holding => holding ?? []),
      types.sort((a, b) => a.rank - b.rank),
      new Map(kinds.map(kind => [kind.id, kind])),
      zones,
      { fitOrder: settings?.fitOrder ?? [], fitNever: settings?.fitNever ?? [] },
    )
  },

  /** One size for all, and what could take its place. Read from the database at each asking: it is asked rarely. */
  async report(type: HolderType): Promise<{ readonly report: OneSizeReport; readonly replacements: readonly Replacement[] }> {
    const db = database()
    const settings = await db.records('settings').get('room')
    const habits = { fitOrder: settings?.fitOrder ?? [], fitNever: settings?.fitNever ?? [] }
    const sets = await sizedSets()
    return {
      report: oneSizeForAll(type, sets, habits),
      replacements: replacementsFor(type, await db.records('holderTypes').toArray(), sets, habits),
    }
  },
}
export type FitApi = typeof api
expose(api)
