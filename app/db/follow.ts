import { liveQuery } from 'dexie'
import { type RecordOf, TABLE_NAMES, type TableName } from '#core/catalog'
import type { YondercrestDb } from './database'
import { answersWithin, QUICKER, SLOW_MS, tryKept } from './kept'
import { type KeptRoom, LARGE_TABLES, type LargeTable, readKeptRoom } from './keptRoom'
import type { JournalEntry } from './journal'
import { type Touched, whatChanged } from './whatChanged'

/**
 * The tables a screen keeps in memory: all but the register, which only commands read, the pile, which is watched, the log of use,
 * which grows for ever, and what was printed, which the one who prints reads. Of loans it keeps those that are open: the rest are a log.
 */
export const SCREEN_TABLES = TABLE_NAMES.filter(
  (name): name is Exclude<TableName, 'register' | 'drafts' | 'uses' | 'bookLeaves' | 'labels'> =>
    !['register', 'drafts', 'uses', 'bookLeaves', 'labels'].includes(name),
)
export type ScreenTable = (typeof SCREEN_TABLES)[number]
export type ScreenRecords = { [T in ScreenTable]: RecordOf<T>[] }

export interface Snapshot {
  readonly records: ScreenRecords
  readonly journal: readonly JournalEntry[]
}

const RECORDS_A_PART = 1500
/** After so long what could not be told is told again. */
const AGAIN_MS = 500
/** So many failures in a row are no accident. */
const TOLD_AT = 2

/** All that the screen keeps, after exactly the steps of its journal. */
export async function readSnapshot(db: YondercrestDb): Promise<Snapshot> {
  const first = readKept(db).then(async kept => kept ?? (await readAfter(db, null)))
  // What is kept may be held by another page: the tables are read as well then, and the first answer counts.
  return answersWithin(first, SLOW_MS, () => readAfter(db, null))
}
async function readKept(db: YondercrestDb): Promise<Snapshot | null> {
  const kept = await readKeptRoom(db)
  return kept && tryKept(db, QUICKER, () => readAfter(db, kept))
}
function readAfter(db: YondercrestDb, kept: KeptRoom | null): Promise<Snapshot> {
  return db.transaction('r', [...SCREEN_TABLES.map(name => db.table(name)), db.journal, db.journalParts], async () => {
    const journal = await db.journal.toArray()
    const touched = kept ? await whatChanged(db, kept.seen, journal) : 'all'
    const lists = await Promise.all(
      SCREEN_TABLES.map(name => {
        if (name === 'loans') return []
        const isKept = kept && touched !== 'all' && isLarge(name)
        return isKept ? readOn(db, name, kept.records[name], touched?.get(name) ?? NOTHING) : readInParts(db, name)
      }),
    )
    const records = Object.fromEntries(SCREEN_TABLES.map((name, index) => [name, lists[index]])) as unknown as ScreenRecords
    return { records: { ...records, loans: await openLoansOf(db, records.holdings) }, journal }
  })
}
/** The open loans. Only a set that is out or lent has one, so that the log of all loans is not read. */
async function openLoansOf(db: YondercrestDb, holdings: ScreenRecords['holdings']): Promise<ScreenRecords['loans']> {
  const away = holdings.filter(({ state }) => state === 'out' || state === 'lent').map(({ id }) => id)
  const loans = await db.records('loans').where('holdingId').anyOf(away).toArray()
  return loans.filter(isOnScreen).sort((a, b) => (a.id < b.id ? -1 : 1))
}
/** Whether a screen keeps a record of its tables: all but loans that are over. */
export const isOnScreen = (record: object): boolean => !('backAt' in record) || record.backAt === null
const NOTHING: ReadonlySet<string> = new Set()
const isLarge = (name: ScreenTable): name is LargeTable => (LARGE_TABLES as readonly string[]).includes(name)

/** A table from what is kept of it, and what was touched since. What does not count up to the table is read anew. */
async function readOn(
  db: YondercrestDb,
  table: LargeTable,
  kept: readonly { id: string }[],
  touched: ReadonlySet<string>,
): Promise<{ id: string }[]> {
  const now = touched.size > 0 ? await db.anyRecords(table).bulkGet([...touched]) : []
  const all = [...kept.filter(record => !touched.has(record.id)), ...now.filter(record => record !== undefined)]
  return all.length === (await db.anyRecords(table).count()) ? all : readInParts(db, table)
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
 * journal of the snapshot that the watcher already has. What could not be told is told again with the next step, or after a pause;
 * what fails twice in a row is passed on as an error that nobody waits for. Returns the way to stop.
 */
export function followJournal(
  db: YondercrestDb,
  from: readonly JournalEntry[],
  tell: (touched: Touched, journal: readonly JournalEntry[]) => Promise<void>,
): () => void {
  let known = from
  let queue: Promise<void> = Promise.resolve()
  let again: ReturnType<typeof setTimeout> | undefined
  let failures = 0
  function follow(journal: readonly JournalEntry[]): void {
    clearTimeout(again)
    queue = queue
      .then(async () => {
        const touched = await whatChanged(db, known, journal)
        if (touched) await tell(touched, journal)
        known = journal
        failures = 0
      })
      .catch((reason: unknown) => {
        // Of a database that is closed there is nothing to hear any more.
        if (!db.isOpen()) return
        failures += 1
        if (failures === TOLD_AT) void Promise.reject(reason)
        again = setTimeout(() => follow(journal), failures * AGAIN_MS)
      })
  }
  const subscription = liveQuery(() => db.journal.toArray()).subscribe(follow)
  return () => {
    clearTimeout(again)
    subscription.unsubscribe()
  }
}

/** Watches one small question to the database and tells each new answer. */
export function watch<R>(question: () => Promise<R>, tell: (answer: R) => void): () => void {
  const subscription = liveQuery(question).subscribe(tell)
  return () => subscription.unsubscribe()
}
