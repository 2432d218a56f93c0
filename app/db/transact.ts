import { NOT_JOURNALED, type YondercrestDb } from './database'
import type { Subject } from './commands/said'
import type { CommandName } from './commands/steps'
import { type Desk, JournaledDesk } from './desk'
import { type Change, CHANGES_A_PART, type JournalEntry, ownSteps, STEPS_KEPT } from './journal'
import type { RecordOf } from '#core/catalog'

/**
 * Runs a command: one transaction over all tables, all or nothing. Afterwards the journal holds one more step, unless nothing is
 * otherwise than before. Steps that had been undone are forgotten, as a new step takes their place.
 */
export async function transact<R>(
  db: YondercrestDb,
  command: CommandName,
  subject: Subject | ((result: R) => Subject),
  work: (desk: Desk) => Promise<R>,
): Promise<R> {
  // Loaded before the transaction begins: it would not wait for it.
  const { taken } = await import('./checked')
  return db.transaction(
    'rw',
    db.tables.filter(table => !NOT_JOURNALED.includes(table.name)),
    async () => {
      const desk = new JournaledDesk(db, taken)
      const result = await work(desk)
      const { changes, tables } = desk.whatWasDone()
      if (tables.length === 0) return result
      await forgetUndone(db)
      const entry: Omit<JournalEntry, 'seq'> = {
        at: new Date().toISOString(),
        command,
        subject: typeof subject === 'function' ? subject(result) : subject,
        state: 'done',
        tables,
        swings: 0,
      }
      const seq = await db.journal.add(entry as JournalEntry)
      ownSteps.add(seq)
      await writeParts(db, seq, changes)
      await dropOldest(db)
      return result
    },
  )
}

/** Changes some facts of one set. Nothing happens where it is gone. */
export async function changeHolding(
  db: YondercrestDb,
  command: CommandName,
  id: string,
  change: Partial<RecordOf<'holdings'>> | (() => Promise<Partial<RecordOf<'holdings'>>>),
): Promise<void> {
  await transact(
    db,
    command,
    (holding: RecordOf<'holdings'> | null) => ({ name: holding?.name, number: holding?.number }),
    async desk => desk.change('holdings', id, typeof change === 'function' ? await change() : change),
  )
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
