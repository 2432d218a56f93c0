import Dexie from 'dexie'
import { IDBKeyRange, indexedDB } from 'fake-indexeddb'
import { YondercrestDb } from '~/db'
import * as commands from '~/db/commands'
import { makeLarge } from './collection'
import { report } from './measure'

const COUNT = 20_000

/** What the journal keeps of one field that is changed in many sets, against the sets themselves (kept whole before version 11). */
export async function journal(): Promise<void> {
  Object.assign(Dexie.dependencies, { indexedDB, IDBKeyRange })
  const db = new YondercrestDb('journal')
  const data = makeLarge(COUNT)
  await commands.replaceCatalogue(db, 'restoreArchive', data, [], [])
  await commands.changeMany(db, [{ ids: data.holdings.map(({ id }) => id), set: { hasMatchingDie: true } }])
  const last = await db.journal.toCollection().last()
  const parts = await db.journalParts
    .where('seq')
    .equals(last?.seq ?? 0)
    .toArray()
  const bytes = (value: unknown): number => Buffer.byteLength(JSON.stringify(value))
  const kept = bytes(parts)
  const whole = bytes(data.holdings)
  const count = parts.reduce((sum, part) => sum + part.changes.length, 0)
  report(`journal of one field of ${count} sets`, `${(kept / 1e6).toFixed(1)} MB, ${(kept / whole).toFixed(2)} x the sets`, '0.5 x')
  await db.delete()
}
