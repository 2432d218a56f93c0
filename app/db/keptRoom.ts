import { LATEST_VERSION, type RecordOf } from '#core/catalog'
import type { YondercrestDb } from './database'
import { tryKept } from './kept'
import { areSeen, type SeenStep, whatChanged } from './whatChanged'

/** The tables with a record a set: the ones that are slow to read record by record. */
export const LARGE_TABLES = ['holdings', 'holders'] as const
export type LargeTable = (typeof LARGE_TABLES)[number]

/** The large tables as they were after the steps `seen`. Can always be made again from the tables. */
export interface KeptRoom {
  readonly seen: readonly SeenStep[]
  readonly records: { readonly [T in LargeTable]: readonly RecordOf<T>[] }
}
/** What tells, without reading it, whether what is kept is worth writing anew. */
interface KeptSteps {
  /** Version of the tables: another one's records are not trusted. */
  readonly version: number
  readonly seen: readonly SeenStep[]
}

const FACTS = ['keptSteps', 'keptRoom'] as const
/** A room of fewer sets is read as quickly from its tables; so many changes behind, a kept one still opens quicker. */
const KEPT_FROM = { sets: 2000, changes: 500 } as const

async function keptSteps(db: YondercrestDb): Promise<KeptSteps | null> {
  const fact = await db.device.get('keptSteps')
  const kept = fact ? (JSON.parse(fact.value) as KeptSteps) : null
  return kept?.version === LATEST_VERSION && areSeen(kept.seen) ? kept : null
}

/**
 * What is kept of the large tables, or null. One long text is read and taken apart ten times quicker than many records. A browser keeps so
 * long a text in a file of its own, which can be lost without the rest.
 */
export function readKeptRoom(db: YondercrestDb): Promise<KeptRoom | null> {
  return tryKept(db, FACTS, async () => {
    const [steps, fact] = await db.transaction('r', db.device, () => Promise.all([keptSteps(db), db.device.get('keptRoom')]))
    if (!steps || !fact) return null
    const records = JSON.parse(fact.value) as KeptRoom['records']
    for (const table of LARGE_TABLES) if (!records[table].every(({ id }) => typeof id === 'string')) throw new TypeError(table)
    return { seen: steps.seen, records }
  })
}

/**
 * Keeps the large tables of a large room as one text in this browser, where enough has changed since it was last done; true
 * where it was. Called where nobody waits. A room without a step has nothing to tell what came after, and is not kept.
 */
export async function keepRoom(db: YondercrestDb, from: { readonly sets: number; readonly changes: number } = KEPT_FROM): Promise<boolean> {
  const before = await tryKept(db, FACTS, () => keptSteps(db))
  const read = await db.transaction('r', [...LARGE_TABLES.map(name => db.table(name)), db.journal, db.journalParts], async () => {
    const journal = await db.journal.toArray()
    const touched = before ? await whatChanged(db, before.seen, journal) : 'all'
    const changes = touched === 'all' ? Infinity : LARGE_TABLES.reduce((sum, name) => sum + (touched?.get(name)?.size ?? 0), 0)
    if (journal.length === 0 || changes < from.changes || (await db.table('holdings').count()) < from.sets) return null
    return { journal, lists: await Promise.all(LARGE_TABLES.map(name => db.records(name).toArray())) }
  })
  if (!read) return false
  const steps: KeptSteps = { version: LATEST_VERSION, seen: read.journal.map(({ seq, state, swings }) => ({ seq, state, swings })) }
  const records = Object.fromEntries(LARGE_TABLES.map((name, at) => [name, read.lists[at]]))
  await db.device.bulkPut([
    { id: 'keptSteps', value: JSON.stringify(steps) },
    { id: 'keptRoom', value: JSON.stringify(records) },
  ])
  return true
}
