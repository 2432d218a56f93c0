import { type Finding, findingsIn, type Given, mend, type Mended, repair } from '#core/soundness'
import type { CatalogueData, RecordOf, TableName } from '#core/catalog'
import { newId } from '~/db/newId'
import type { YondercrestDb } from '../../database'
import { transact } from '../../transact'
import { readCatalogue } from './whole'

async function givenIn(db: YondercrestDb): Promise<Given> {
  return { pictures: new Set(await db.pictures.toCollection().primaryKeys()), at: new Date().toISOString(), newId }
}

/** All that is not as it should be in the room, as it was read. O(records). */
export async function findingsInRoom(db: YondercrestDb, data: CatalogueData): Promise<readonly Finding[]> {
  return findingsIn(data, await givenIn(db))
}

/** Mends all that can be mended, as one step. */
export async function mendRoom(
  db: YondercrestDb,
  onProgress: (done: number, total: number) => void = () => undefined,
): Promise<Pick<Mended, 'mended' | 'left'>> {
  return transact(
    db,
    'mendRoom',
    ({ mended }) => ({ count: mended.length }),
    async desk => {
      const { edits, mended, left } = mend(await readCatalogue(db), await givenIn(db))
      // One by one, in the order in which they were found: a later one may change what an earlier one made.
      for (const [at, edit] of edits.entries()) {
        if (at % 100 === 0) onProgress(at, edits.length)
        if ('put' in edit) await desk.put(edit.table, [edit.put as RecordOf<TableName>])
        else await desk.remove(edit.table, [edit.remove])
      }
      return { mended, left }
    },
  )
}

/**
 * Puts a record that was set aside back into its table, mended; `said` holds what was asked for. False where it cannot be made right, or
 * where another has its id by now: then nothing is changed.
 */
export async function putBackAside(db: YondercrestDb, id: string, said: Readonly<Record<string, string>>): Promise<boolean> {
  return transact(db, 'putBackAside', {}, async desk => {
    const aside = await db.records('setAside').get(id)
    const mended = aside && repair(aside.from, aside.text, said).record
    if (!aside || !mended || (await db.anyRecords(aside.from).get(mended.id))) return false
    await desk.put(aside.from, [mended as RecordOf<TableName>])
    await desk.remove('setAside', [id])
    return true
  })
}

/** Lets go of a record that was set aside. */
export async function letAsideGo(db: YondercrestDb, id: string): Promise<void> {
  await transact(db, 'letAsideGo', {}, desk => desk.remove('setAside', [id]))
}
