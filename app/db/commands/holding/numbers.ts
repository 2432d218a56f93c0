import type { RecordOf } from '#core/catalog'
import type { YondercrestDb } from '../../database'

/** The highest number ever given in a series, undone givings included; 0 when none was. */
export async function highestGiven(db: YondercrestDb, seriesId: string): Promise<number> {
  const last = await db.records('register').where('[seriesId+number]').between([seriesId, 0], [seriesId, Infinity]).last()
  return last?.number ?? 0
}

/** The series that runs over all kinds: the one that new sets get their number from. */
export async function runningSeries(db: YondercrestDb): Promise<RecordOf<'series'>> {
  const series = (await db.records('series').toArray()).filter(each => each.isRunning)
  const first = series.sort((a, b) => (a.id < b.id ? -1 : 1))[0]
  if (!first) throw new Error('a catalogue without a running series was let in')
  return first
}

/** The number that the next new set of each series will most likely get; another tab may be quicker. */
export async function nextNumbers(db: YondercrestDb): Promise<ReadonlyMap<string, number>> {
  const ids = await db.records('series').toCollection().primaryKeys()
  return new Map(await Promise.all(ids.map(async id => [id, (await highestGiven(db, id)) + 1] as const)))
}
