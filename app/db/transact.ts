import { type RecordOf, TABLE_NAMES, type TableName } from '#core/catalog'
import { BESIDE, type YondercrestDb } from './database'
import type { Subject } from './commands/said'
import type { CommandName } from './commands/steps'
import { type Change, CHANGES_A_PART, type JournalEntry, STEPS_KEPT } from './journal'

/** What a command may do inside its transaction. Every change goes through here and is journaled with its inverse. */
export interface Desk {
  readonly db: YondercrestDb
  put<T extends TableName>(table: T, records: readonly RecordOf<T>[]): Promise<void>
  /** Records that were just made: nothing is asked for that they might take the place of. One that is there ends the step. */
  add<T extends TableName>(table: T, records: readonly RecordOf<T>[]): Promise<void>
  remove(table: TableName, ids: readonly string[]): Promise<void>
  /** A series that numbers are given from stays, also when the step is undone: what it has given would be given again. */
  putForGood(series: RecordOf<'series'>): Promise<void>
  /** Register lines stay for ever, also when the step is undone: a number is given once. */
  register(lines: readonly RecordOf<'register'>[]): Promise<void>
}

/**
 * Runs a command: one transaction over all tables, all or nothing. Afterwards the journal holds one more step. Steps
 * that had been undone are forgotten, as a new step takes their place.
 */
export async function transact<R>(
  db: YondercrestDb,
  command: CommandName,
  subject: Subject | ((result: R) => Subject),
  work: (desk: Desk) => Promise<R>,
): Promise<R> {
  // Loaded before the transaction begins: it would not wait for it.
  const { firstFault } = await import('./checked')
  return db.transaction(
    'rw',
    db.tables.filter(table => !BESIDE.includes(table.name)),
    async () => {
      const changes = new Map<string, Change>()
      const touched = new Set<TableName>()
      const result = await work(deskOver(db, changes, touched, firstFault))
      if (changes.size === 0 && touched.size === 0) return result
      await forgetUndone(db)
      const entry: Omit<JournalEntry, 'seq'> = {
        at: new Date().toISOString(),
        command,
        subject: typeof subject === 'function' ? subject(result) : subject,
        state: 'done',
        tables: [...touched],
        swings: 0,
      }
      const seq = await db.journal.add(entry as JournalEntry)
      await writeParts(db, seq, [...changes.values()])
      await dropOldest(db)
      return result
    },
  )
}

/** Changes some facts of one set, as it is at that moment: another tab may have changed others. Nothing happens where it is gone. */
export async function changeHolding(
  db: YondercrestDb,
  command: CommandName,
  id: string,
  change: Partial<RecordOf<'holdings'>> | (() => Promise<Partial<RecordOf<'holdings'>>>),
): Promise<void> {
  await transact(
    db,
    command,
    (holding: RecordOf<'holdings'> | undefined) => ({ name: holding?.name, number: holding?.number }),
    async desk => {
      const holding = await db.records('holdings').get(id)
      if (holding) await desk.put('holdings', [{ ...holding, ...(typeof change === 'function' ? await change() : change) }])
      return holding
    },
  )
}

type FaultFinder = typeof import('./checked').firstFault
/**
 * The last line of defence: a record that its schema would refuse could never be read back from a copy. Fields and imports
 * keep within the limits before; what gets past them ends the transaction, and nothing of it is kept.
 */
export function expectFaultless(firstFault: FaultFinder, table: TableName, records: readonly unknown[]): void {
  const fault = firstFault(table, records)
  if (fault) throw new Error(`refused: ${fault}`)
}

function deskOver(db: YondercrestDb, changes: Map<string, Change>, touched: Set<TableName>, firstFault: FaultFinder): Desk {
  /** Only what a record was before the whole step counts. */
  const note = (table: TableName, id: string, other: Change['other']): void => {
    const key = `${table}/${id}`
    if (!changes.has(key)) changes.set(key, { table, id, other })
    touched.add(table)
  }
  return {
    db,
    async put(table, records) {
      expectFaultless(firstFault, table, records)
      const rows = db.anyRecords(table)
      const before = (await rows.count()) === 0 ? [] : await rows.bulkGet(records.map(record => record.id))
      records.forEach((record, index) => note(table, record.id, before[index] ?? null))
      await rows.bulkPut(records as readonly { id: string }[])
    },
    async add(table, records) {
      expectFaultless(firstFault, table, records)
      for (const { id } of records) note(table, id, null)
      await db.anyRecords(table).bulkAdd(records as readonly { id: string }[])
    },
    async remove(table, ids) {
      const before = await db.anyRecords(table).bulkGet([...ids])
      for (const record of before) if (record) note(table, record.id, record)
      await db.anyRecords(table).bulkDelete([...ids])
    },
    async putForGood(series) {
      expectFaultless(firstFault, 'series', [series])
      // Its other side is itself: undo puts it back as it is, and every screen hears of it.
      note('series', series.id, series)
      await db.records('series').put(series)
    },
    async register(lines) {
      if (lines.length === 0) return
      expectFaultless(firstFault, 'register', lines)
      await db.records('register').bulkPut([...lines])
      touched.add('register')
    },
  }
}

async function writeParts(db: YondercrestDb, seq: number, changes: readonly Change[]): Promise<void> {
  for (let at = 0; at < changes.length; at += CHANGES_A_PART) {
    await db.journalParts.add({ seq, changes: changes.slice(at, at + CHANGES_A_PART) })
  }
}

async function forgetUndone(db: YondercrestDb): Promise<void> {
  const undone = await db.journal.where('state').equals('undone').primaryKeys()
  await db.journalParts.where('seq').anyOf(undone).delete()
  await db.journal.bulkDelete(undone)
}

async function dropOldest(db: YondercrestDb): Promise<void> {
  const surplus = (await db.journal.count()) - STEPS_KEPT
  if (surplus <= 0) return
  const oldest = await db.journal.orderBy('seq').limit(surplus).primaryKeys()
  await db.journalParts.where('seq').anyOf(oldest).delete()
  await db.journal.bulkDelete(oldest)
}

/**
 * Swings a step over: every record goes to its other side, and the side it was on is kept in its place. Undo and redo
 * are therefore the same movement. A step holds each record once, so the order of its changes does not matter.
 */
async function swing(db: YondercrestDb, entry: JournalEntry, onProgress: SwingProgress): Promise<void> {
  const parts = await db.journalParts.where('seq').equals(entry.seq).toArray()
  for (const [at, part] of parts.entries()) {
    onProgress(at, parts.length)
    const swung: Change[] = []
    for (const table of entry.tables) {
      const changes = part.changes.filter(change => change.table === table)
      const rows = db.anyRecords(table)
      const now = await rows.bulkGet(changes.map(change => change.id))
      changes.forEach((change, index) => swung.push({ ...change, other: now[index] ?? null }))
      await rows.bulkDelete(changes.filter(change => !change.other).map(change => change.id))
      await rows.bulkPut(changes.flatMap(change => (change.other ? [change.other] : [])))
    }
    await db.journalParts.put({ ...part, changes: swung })
  }
  await db.journal.put({ ...entry, state: entry.state === 'done' ? 'undone' : 'done', swings: entry.swings + 1 })
}

/** Told how many parts of a step are swung over. What it throws ends the swing, and nothing of it stays. */
export type SwingProgress = (done: number, total: number) => void

/** Undoes the latest step that is done; the answer is that step, or null when there is none. */
export async function undo(db: YondercrestDb, onProgress: SwingProgress = () => undefined): Promise<JournalEntry | null> {
  return db.transaction('rw', [...TABLE_NAMES.map(name => db.table(name)), db.journal, db.journalParts], async () => {
    const entry = await db.journal.where('state').equals('done').last()
    if (entry) await swing(db, entry, onProgress)
    return entry ?? null
  })
}

/** Does the earliest undone step again; the answer is that step, or null when there is none. */
export async function redo(db: YondercrestDb, onProgress: SwingProgress = () => undefined): Promise<JournalEntry | null> {
  return db.transaction('rw', [...TABLE_NAMES.map(name => db.table(name)), db.journal, db.journalParts], async () => {
    const entry = await db.journal.where('state').equals('undone').first()
    if (entry) await swing(db, entry, onProgress)
    return entry ?? null
  })
}
