import type { RecordOf } from '#core/catalog'
import { endOfRun, FAR, registerId } from '#core/numbering'
import type { YondercrestDb } from '../../database'

/**
 * The highest number of the run of a series; 0 when none was given. Numbers that were issued count for ever, those that
 * were taken over from a thing only while that thing is here, and those far above the run not at all.
 */
export async function highestGiven(db: YondercrestDb, seriesId: string): Promise<number> {
  const lines = db.records('register').where('[seriesId+number]')
  const all = () => lines.between([seriesId, 0], [seriesId, Infinity])
  const last = await all().last()
  const count = await all().count()
  if (!last) return 0
  // With fewer numbers missing than a gap is wide, nothing is far from anything.
  const end =
    last.number <= count + FAR ? last.number : endOfRun(((await all().keys()) as unknown as [string, number][]).map(([, number]) => number))
  for (let below = end; below > 0;) {
    const some = await lines.between([seriesId, 0], [seriesId, below], true, true).reverse().limit(AT_ONCE).toArray()
    const holdings = await db.records('holdings').bulkGet(some.map(line => line.holdingId))
    const at = some.findIndex((line, index) => line.how === 'issued' || holdings[index])
    if (at >= 0) return some[at]?.number ?? 0
    below = some.length < AT_ONCE ? 0 : (some.at(-1)?.number ?? 1) - 1
  }
  return 0
}
const AT_ONCE = 200

/** The series that runs over all kinds: the one that new sets get their number from. */
export async function runningSeries(db: YondercrestDb): Promise<RecordOf<'series'>> {
  const series = (await db.records('series').toArray()).filter(each => each.isRunning)
  const first = series.sort((a, b) => (a.id < b.id ? -1 : 1))[0]
  if (!first) throw new Error('a catalogue without a running series was let in')
  return first
}

/** The highest number of the running series. */
export async function highestNumber(db: YondercrestDb): Promise<number> {
  return highestGiven(db, (await runningSeries(db)).id)
}

/** The number that the next new set of each series will most likely get; another tab may be quicker. */
export async function nextNumbers(db: YondercrestDb): Promise<ReadonlyMap<string, number>> {
  const ids = await db.records('series').toCollection().primaryKeys()
  return new Map(await Promise.all(ids.map(async id => [id, (await highestGiven(db, id)) + 1] as const)))
}

/** What the register says of the numbers above the run, where the next one is looked for, and of one more. */
export async function linesFrom(
  db: YondercrestDb,
  seriesId: string,
  end: number,
  also: number | null,
): Promise<readonly RecordOf<'register'>[]> {
  const register = db.records('register')
  const above = await register.where('[seriesId+number]').between([seriesId, end], [seriesId, Infinity]).toArray()
  const own = also === null ? undefined : await register.get(registerId(seriesId, also))
  return own ? [...above, own] : above
}
