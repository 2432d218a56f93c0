import { liveQuery } from 'dexie'
import { type RecordOf, TABLE_NAMES, type TableName } from '#core/catalog'
import type { YondercrestDb } from './database'
import { CHANGES_A_PART, type JournalEntry } from './journal'

/** The tables a screen keeps in memory: all but the register, which only commands read, and the pile, which is watched. */
export const SCREEN_TABLES = TABLE_NAMES.filter(
  (name): name is Exclude<TableName, 'register' | 'drafts'> => name !== 'register' && name !== 'drafts',
)
export type ScreenTable = (typeof SCREEN_TABLES)[number]
export type ScreenRecords = { [T in ScreenTable]: RecordOf<T>[] }

export interface Snapshot {
  readonly records: ScreenRecords
  readonly journal: readonly JournalEntry[]
}

/** Ids of records that a step touched, by table; `all` where it is simpler to read everything anew. */
export type Touched = 'all' | ReadonlyMap<TableName, ReadonlySet<string>>

/** Above this many changes in one go, reading everything anew is quicker than record by record. */
const READ_ANEW_FROM = 4000
const RECORDS_A_PART = 1500

export async function readSnapshot(db: YondercrestDb): Promise<Snapshot> {
  return db.transaction('r', [...SCREEN_TABLES.map(name => db.table(name)), db.journal], async () => {
    const lists = await Promise.all(SCREEN_TABLES.map(name => readInParts(db, name)))
    return {
      records: Object.fromEntries(SCREEN_TABLES.map((name, index) => [name, lists[index]])) as unknown as ScreenRecords,
      journal: await db.journal.toArray(),
    }
  })
}

/** Part by part, so that no single task of the main thread has to unpack a whole large table. */
async function readInParts(db: YondercrestDb, table: ScreenTable): Promise<{ id: string }[]> {
  const all: { id: string }[] = []
  for (let last = ''; ;) {
    const part = await db.anyRecords(table).where(':id').above(last).limit(RECORDS_A_PART).toArray()
    all.push(...part)
    if (part.length < RECORDS_A_PART) return all
    last = part.at(-1)?.id ?? last
  }
}

/**
 * Watches the journal, in this tab, other tabs and workers alike, and tells which records to read again. `from` is the
 * journal of the snapshot that the watcher already has. Returns the way to stop.
 */
export function followJournal(
  db: YondercrestDb,
  from: readonly JournalEntry[],
  tell: (touched: Touched, journal: readonly JournalEntry[]) => Promise<void>,
): () => void {
  let known = from
  let queue: Promise<void> = Promise.resolve()
  const subscription = liveQuery(() => db.journal.toArray()).subscribe(journal => {
    queue = queue.then(async () => {
      const touched = await whatChanged(db, known, journal)
      known = journal
      if (touched) await tell(touched, journal)
    })
  })
  return () => subscription.unsubscribe()
}

/** As much of a step as tells whether it was seen. */
export type SeenStep = Pick<JournalEntry, 'seq' | 'state' | 'swings'>

/** What the steps of `journal` touched that were not in `known`, or swung since; null where there is none. */
export async function whatChanged(
  db: YondercrestDb,
  known: readonly SeenStep[],
  journal: readonly JournalEntry[],
): Promise<Touched | null> {
  const before = new Map(known.map(entry => [entry.seq, entry]))
  const now = new Set(journal.map(entry => entry.seq))
  const oldest = journal[0]?.seq ?? Infinity
  // A step that was done when last seen, and is gone without having grown old, was undone and forgotten in between.
  if (known.some(entry => entry.state === 'done' && !now.has(entry.seq) && entry.seq > oldest)) return 'all'
  if (known.length === 0 && journal.length > 0) return 'all'
  // None of the steps is left: they were forgotten, or it was too long ago.
  if (known.length > 0 && !known.some(entry => now.has(entry.seq))) return 'all'
  const swung = journal.filter(entry => before.get(entry.seq)?.swings !== entry.swings)
  if (swung.length === 0) return now.size === known.length ? null : new Map()
  // A new query each time: one with anyOf remembers how far it came, and would go on from there.
  const touchedParts = () => db.journalParts.where('seq').anyOf(swung.map(entry => entry.seq))
  if ((await touchedParts().count()) > READ_ANEW_FROM / CHANGES_A_PART) return 'all'
  const changes = (await touchedParts().toArray()).flatMap(part => part.changes)
  const touched = new Map<TableName, Set<string>>()
  for (const { table, id } of changes) touched.set(table, (touched.get(table) ?? new Set()).add(id))
  return touched
}

/** Watches one small question to the database and tells each new answer. */
export function watch<R>(question: () => Promise<R>, tell: (answer: R) => void): () => void {
  const subscription = liveQuery(question).subscribe(tell)
  return () => subscription.unsubscribe()
}
