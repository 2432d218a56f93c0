import { LIMITS, START_SETTINGS, type SetAside, TABLE_NAMES, type TableName } from '#core/catalog'
import type { YondercrestDb } from './database'
import { QUICKER } from './kept'
import { newId } from './newId'
import { partsOf } from './reads'

/** What was found, and is right now. */
export interface Sifted {
  readonly aside: readonly SetAside[]
  /** The settings were lost, and are the usual ones now. */
  readonly lacksSettings: boolean
}

/** Ids of records that their schema refuses. */
async function faultyIn(db: YondercrestDb, table: TableName, isFaulty: (record: unknown) => boolean): Promise<readonly string[]> {
  const ids: string[] = []
  for await (const part of partsOf(db, table)) for (const record of part) if (isFaulty(record)) ids.push(record.id)
  return ids
}

/**
 * Sets aside every record that its schema refuses: each goes, word for word, to the table of what is set aside. A room that has lost its
 * settings gets the usual ones. No step: undone, the room would be shut again. What is kept beside the tables is let go, as it may hold
 * the same. O(records).
 */
export async function siftRecords(db: YondercrestDb, onProgress: (done: number, total: number) => void = () => undefined): Promise<Sifted> {
  const { firstFault } = await import('./checked')
  const found: (readonly [table: TableName, ids: readonly string[]])[] = []
  for (const [at, table] of TABLE_NAMES.entries()) {
    onProgress(at, TABLE_NAMES.length)
    const ids = await faultyIn(db, table, record => firstFault(table, [record]) !== null)
    if (ids.length > 0) found.push([table, ids])
  }
  return db.transaction('rw', [...TABLE_NAMES.map(name => db.table(name)), db.device], async () => {
    const aside: SetAside[] = []
    for (const [table, ids] of found) {
      const records = await db.anyRecords(table).bulkGet([...ids])
      for (const record of records) {
        // Another tab may have been quicker.
        const fault = record && firstFault(table, [record])
        const text = JSON.stringify(record)
        if (!fault || text.length > LIMITS.setAside) continue
        aside.push({ id: newId(), from: table, text, fault: fault.slice(0, LIMITS.fault), at: new Date().toISOString() })
        await db.anyRecords(table).delete(record.id)
      }
    }
    await db.records('setAside').bulkAdd(aside)
    const hasSets = (await db.records('holdings').count()) > 0
    const lacksSettings = hasSets && (await db.records('settings').count()) === 0
    if (lacksSettings) await db.records('settings').add({ ...START_SETTINGS })
    await db.device.bulkDelete([...QUICKER])
    return { aside, lacksSettings }
  })
}
