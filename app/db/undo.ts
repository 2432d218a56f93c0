import { TABLE_NAMES } from '#core/catalog'
import type { YondercrestDb } from './database'
import { readMany } from './many'
import { afterChange, type AnyRecord, beforeChange, type Change, isOfFields, type JournalEntry } from './journal'

const RECORDS_A_PART = 1000
/** Told how many records of a step are swung over. What it throws ends the swing, and nothing of it stays. */
export type SwingProgress = (done: number, total: number) => void

/**
 * Swings a step over, from done to undone or back. Of a change of fields only these fields change; a record that was made or removed
 * goes or comes back as it is at that moment. A step holds each record once, so the order of its changes does not matter.
 */
async function swing(db: YondercrestDb, entry: JournalEntry, onProgress: SwingProgress): Promise<void> {
  const other = entry.state === 'done' ? beforeChange : afterChange
  const parts = await db.journalParts.where('seq').equals(entry.seq).toArray()
  const swung: Change[][] = parts.map(() => [])
  const total = parts.reduce((sum, { changes }) => sum + changes.length, 0)
  let done = 0
  for (const table of entry.tables) {
    onProgress(done, total)
    const changes = parts.flatMap((part, index) => part.changes.flatMap(change => (change.table === table ? { change, index } : [])))
    const rows = db.anyRecords(table)
    const now = await readMany(
      rows,
      changes.map(({ change }) => change.id),
    )
    const [coming, going]: [AnyRecord[], string[]] = [[], []]
    for (const [nth, { change, index }] of changes.entries()) {
      const present = now[nth] ?? null
      const record = other(change, present)
      if (record) coming.push(record)
      else if (present) going.push(change.id)
      swung[index]?.push(isOfFields(change) ? change : { ...change, other: present })
    }
    const inParts = async <R>(list: readonly R[], work: (part: R[]) => PromiseLike<unknown>): Promise<void> => {
      for (let at = 0; at < list.length; at += RECORDS_A_PART) {
        onProgress(done, total)
        const part = list.slice(at, at + RECORDS_A_PART)
        await work(part)
        done += part.length
      }
    }
    // A table that is left with none is quicker cleared.
    if (going.length > 0 && going.length === (await rows.count())) {
      await rows.clear()
      done += going.length
    } else await inParts(going, ids => rows.bulkDelete(ids))
    await inParts(coming, records => rows.bulkPut(records))
  }
  await db.journalParts.bulkPut(parts.map((part, index) => ({ ...part, changes: swung[index] ?? [] })))
  await db.journal.put({ ...entry, state: entry.state === 'done' ? 'undone' : 'done', swings: entry.swings + 1 })
}

/** The step that would be swung over is not the one that was meant, but one that was done since. Nothing was changed. */
export class AnotherStep extends Error {
  constructor(readonly step: JournalEntry) {
    super(`another step: ${step.command}`)
  }
}

async function swingNext(
  db: YondercrestDb,
  state: JournalEntry['state'],
  onProgress: SwingProgress,
  meant: number | undefined,
): Promise<JournalEntry | null> {
  return db.transaction('rw', [...TABLE_NAMES.map(name => db.table(name)), db.journal, db.journalParts], async () => {
    const steps = db.journal.where('state').equals(state)
    const entry = await (state === 'done' ? steps.last() : steps.first())
    if (!entry || (meant !== undefined && (await db.journal.get(meant))?.state !== state)) return null
    if (meant !== undefined && meant !== entry.seq) throw new AnotherStep(entry)
    await swing(db, entry, onProgress)
    return entry
  })
}

/**
 * Undoes the latest step that is done; the answer is that step, or null when there is none. `meant` is the number of the step that the
 * screen showed as the latest: null where it is undone or forgotten, `AnotherStep` is thrown where a later one was done. Without it,
 * whichever is the latest is undone.
 */
export const undo = (db: YondercrestDb, onProgress: SwingProgress = () => undefined, meant?: number): Promise<JournalEntry | null> =>
  swingNext(db, 'done', onProgress, meant)

/** Does the earliest undone step again, under the same condition. */
export const redo = (db: YondercrestDb, onProgress: SwingProgress = () => undefined, meant?: number): Promise<JournalEntry | null> =>
  swingNext(db, 'undone', onProgress, meant)
