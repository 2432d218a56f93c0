import { hashesOf, type Pictured, type RecordOf, type TableName, withPictures } from '#core/catalog'
import type { YondercrestDb } from './database'
import { type AnyRecord, type Change, changeBetween } from './journal'
import { readMany, removeMany } from './many'

/** What a command may do inside its transaction. Every change goes through here and is journaled with its inverse. */
export interface Desk {
  readonly db: YondercrestDb
  /** Changes fields of one record, as it is at that moment: another tab may have changed others. The record after it; null: it is gone. */
  change<T extends TableName>(table: T, id: string, fields: Partial<Omit<RecordOf<T>, 'id'>>): Promise<RecordOf<T> | null>
  /** Writes records that were read or made in this transaction. */
  put<T extends TableName>(table: T, records: readonly RecordOf<T>[]): Promise<void>
  /** Records that were just made: nothing is asked for that they might take the place of. One that is there ends the step. */
  add<T extends TableName>(table: T, records: readonly RecordOf<T>[]): Promise<void>
  remove(table: TableName, ids: readonly string[]): Promise<void>
  /** A series that numbers are given from stays, also when the step is undone: what it has given would be given again. */
  putForGood(series: RecordOf<'series'>): Promise<void>
  /** Register lines stay for ever, also when the step is undone: a number is given once. */
  register(lines: readonly RecordOf<'register'>[]): Promise<void>
}

type Taker = typeof import('./checked').taken
/**
 * The records as they are written. The last line of defence: one that its schema would refuse could never be read back from a copy.
 * Fields and imports keep within the limits before; what gets past them ends the transaction, and nothing of it is kept.
 */
export function expectTaken<T extends TableName>(taken: Taker, table: T, records: readonly RecordOf<T>[]): readonly RecordOf<T>[] {
  const read = taken(table, records)
  if (read.fault !== null) throw new Error(`refused: ${read.fault}`)
  return read.records
}

/** From so many pictures on, all keys are read at once. */
const MANY_PICTURES = 30
/** The pictures that records name and none of those before them did. */
function freshPictures(records: readonly Pictured[], before: readonly (Pictured | undefined)[]): readonly string[] {
  const known = new Set(before.flatMap(record => (record ? hashesOf(record) : [])))
  return [...new Set(records.flatMap(hashesOf))].filter(hash => !known.has(hash))
}
/**
 * The records without those of the pictures `fresh` that this browser does not keep: swept since they were chosen, say. A copy of a
 * record that names a missing picture would not open.
 */
export async function withKeptPictures<R extends Pictured>(
  db: YondercrestDb,
  records: readonly R[],
  fresh = freshPictures(records, []),
): Promise<readonly R[]> {
  const keys = fresh.length < MANY_PICTURES ? db.pictures.where('hash').anyOf([...fresh]) : db.pictures.toCollection()
  const kept = new Set(await keys.primaryKeys())
  const missing = new Set(fresh.filter(hash => !kept.has(hash)))
  return records.map(record => withPictures(record, hash => !missing.has(hash)))
}

/** One record as it was before the step, and as it is by now. */
interface Sides {
  readonly table: TableName
  readonly id: string
  readonly before: AnyRecord | null
  after: AnyRecord | null
}

/** The desk of one step, and the changes that it has noted. */
export class JournaledDesk implements Desk {
  private readonly sides = new Map<string, Sides>()
  /** What is heard of although undo leaves it alone. */
  private readonly lasting: Change[] = []
  private readonly touched = new Set<TableName>()

  constructor(
    readonly db: YondercrestDb,
    private readonly taken: Taker,
  ) {}

  /** What the step did, record by record, and the tables that it touched. What is as it was before is no change. O(records). */
  whatWasDone(): { readonly changes: readonly Change[]; readonly tables: readonly TableName[] } {
    const changed = [...this.sides.values()].flatMap(({ table, id, before, after }) => changeBetween(table, id, before, after) ?? [])
    const changes = [...changed, ...this.lasting]
    return { changes, tables: [...new Set([...changes.map(({ table }) => table), ...this.touched])] }
  }

  async change<T extends TableName>(table: T, id: string, fields: Partial<Omit<RecordOf<T>, 'id'>>): Promise<RecordOf<T> | null> {
    const now = await this.db.anyRecords(table).get(id)
    if (!now) return null
    await this.put(table, [{ ...now, ...fields } as RecordOf<T>])
    return (this.sides.get(`${table}/${id}`)?.after ?? null) as RecordOf<T> | null
  }

  async put<T extends TableName>(table: T, records: readonly RecordOf<T>[]): Promise<void> {
    if (records.length === 0) return
    const rows = this.db.anyRecords(table)
    const ids = records.map(({ id }) => id)
    const before = (await rows.count()) === 0 ? [] : await readMany(rows, ids)
    const found = this.written(table, records, before)
    const written = 'then' in found ? await found : found
    written.forEach((record, at) => this.note(table, record.id, before[at] ?? null, record))
    await rows.bulkPut(written)
  }

  async add<T extends TableName>(table: T, records: readonly RecordOf<T>[]): Promise<void> {
    const found = this.written(table, records, [])
    const written = 'then' in found ? await found : found
    for (const record of written) this.note(table, record.id, null, record)
    await this.db.anyRecords(table).bulkAdd(written)
  }

  async remove(table: TableName, ids: readonly string[]): Promise<void> {
    const rows = this.db.anyRecords(table)
    const before = (await readMany(rows, ids)).filter(record => record !== undefined)
    for (const record of before) this.note(table, record.id, record, null)
    await removeMany(
      rows,
      before.map(({ id }) => id),
    )
  }

  async putForGood(series: RecordOf<'series'>): Promise<void> {
    const written = expectTaken(this.taken, 'series', [series])
    // No field of it is undone, and every screen hears of it.
    this.lasting.push({ table: 'series', id: series.id, was: {}, is: {} })
    await this.db.records('series').bulkPut([...written])
  }

  async register(lines: readonly RecordOf<'register'>[]): Promise<void> {
    if (lines.length === 0) return
    await this.db.records('register').bulkPut([...expectTaken(this.taken, 'register', lines)])
    this.touched.add('register')
  }

  /** The records as they are written. Waits for the database alone: Dexie ends a transaction in which anything else is waited for. */
  private written<T extends TableName>(
    table: T,
    given: readonly RecordOf<T>[],
    before: readonly (AnyRecord | undefined)[],
  ): readonly AnyRecord[] | Promise<readonly AnyRecord[]> {
    const records: readonly AnyRecord[] = expectTaken(this.taken, table, given)
    if (table !== 'holdings' && table !== 'drafts') return records
    const pictured = records as readonly (AnyRecord & Pictured)[]
    const fresh = freshPictures(pictured, before as readonly ((AnyRecord & Pictured) | undefined)[])
    return fresh.length === 0 ? records : withKeptPictures(this.db, pictured, fresh)
  }
  /** Only what a record was before the whole step counts. */
  private note(table: TableName, id: string, before: AnyRecord | null, after: AnyRecord | null): void {
    const key = `${table}/${id}`
    const known = this.sides.get(key)
    if (known) known.after = after
    else this.sides.set(key, { table, id, before, after })
  }
}
