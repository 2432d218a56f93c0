import type { Draft, RecordOf, TableName } from '#core/catalog'
import type { YondercrestDb } from './database'
import { tryKept } from './kept'

const RECORDS_A_PART = 500

/**
 * A table part by part, in the order of its ids, so that neither the screen nor the memory has to hold all of it. Each part is read by
 * itself: no write waits long, and what is done meanwhile may be seen or not.
 */
export async function* partsOf<T extends TableName>(db: YondercrestDb, table: T): AsyncGenerator<readonly RecordOf<T>[]> {
  for (let last = ''; ;) {
    const part = await db.anyRecords(table).where(':id').above(last).limit(RECORDS_A_PART).toArray()
    yield part as unknown as readonly RecordOf<T>[]
    if (part.length < RECORDS_A_PART) return
    last = part.at(-1)?.id ?? last
  }
}

/** Pictures may be some megabytes each. */
const HELD = 8

/** Records of a table by their keys, a few at a time, each few read by themselves. What is not there is passed over. */
export async function* eachOf<R>(
  table: { bulkGet(keys: string[]): PromiseLike<(R | undefined)[]> },
  keys: readonly string[],
): AsyncGenerator<R> {
  for (let at = 0; at < keys.length; at += HELD)
    for (const record of await table.bulkGet(keys.slice(at, at + HELD))) if (record !== undefined) yield record
}

/** The strips of the pile, in order. */
export async function readDrafts(db: YondercrestDb): Promise<readonly Draft[]> {
  return (await db.records('drafts').toArray()).sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1))
}

/** When a copy was last saved, and which step was the last by then. */
export interface LastCopy {
  readonly at: string
  readonly seq: number
  readonly swings: number
}
export function readLastCopy(db: YondercrestDb): Promise<LastCopy | null> {
  return tryKept(db, ['lastCopy'], async () => {
    const fact = await db.device.get('lastCopy')
    return fact ? (JSON.parse(fact.value) as LastCopy) : null
  })
}

/** Where sets were ever taken to, in order. O(loans): asked by a page that offers these names. */
export async function readLoanPlaces(db: YondercrestDb): Promise<readonly string[]> {
  const places = new Set<string>()
  await db.records('loans').each(({ to }) => void places.add(to))
  return [...places].sort()
}
