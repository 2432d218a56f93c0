import { picturesOf } from '#core/catalog'
import type { YondercrestDb } from '../../database'
import { tryKept } from '../../kept'
import { readCatalogue } from './whole'

/** What takes room in the browser, in bytes, and how much of it could be let go. */
export interface StorageUse {
  readonly pictures: number
  readonly unnamedPictures: { readonly count: number; readonly bytes: number }
  readonly steps: { readonly count: number; readonly bytes: number }
}

/** Pictures that a record of the catalogue names, or one that undo or redo would bring back. */
async function namedHashes(db: YondercrestDb): Promise<ReadonlySet<string>> {
  const named = new Set(picturesOf(await readCatalogue(db)).map(each => each.hash))
  await db.journalParts.each(({ changes }) => {
    for (const change of changes) for (const hash of JSON.stringify(change).match(/[0-9a-f]{64}/g) ?? []) named.add(hash)
  })
  return named
}

/** How much room the pictures and the steps take. O(everything): asked by a page, never while one works. */
export async function storageUse(db: YondercrestDb): Promise<StorageUse> {
  const named = await namedHashes(db)
  let [pictures, unnamed, unnamedBytes, stepBytes] = [0, 0, 0, 0]
  await db.pictures.each(({ hash, bytes }) => {
    pictures += bytes.byteLength
    if (named.has(hash)) return
    unnamed += 1
    unnamedBytes += bytes.byteLength
  })
  await db.journalParts.each(part => (stepBytes += JSON.stringify(part).length))
  return {
    pictures,
    unnamedPictures: { count: unnamed, bytes: unnamedBytes },
    steps: { count: await db.journal.count(), bytes: stepBytes },
  }
}

/** Lets go of pictures that nothing names any more. How many went. No step: nothing that could be undone needs them. */
export async function sweepPictures(db: YondercrestDb): Promise<number> {
  return db.transaction('rw', db.tables, async () => {
    const named = await namedHashes(db)
    const unnamed = (await db.pictures.toCollection().primaryKeys()).filter(hash => !named.has(hash))
    for (const table of [db.pictures, db.thumbs, db.inkMaps, db.shapes]) await table.bulkDelete(unnamed)
    return unnamed.length
  })
}

/** When the pictures were last looked through, and since when each of these is named by nothing. */
interface Unnamed {
  readonly lookedAt: string
  readonly since: Readonly<Record<string, string>>
}
const DAY_MS = 86_400_000
/** A form that is open may name a picture that no record names yet: after so many days none does. */
const GONE_AFTER_DAYS = 7

/**
 * Lets go of the pictures that nothing has named for a week. Looks once a day, however often it is called. How many went. O(everything):
 * called by a worker, where nobody waits.
 */
export async function sweepForgotten(db: YondercrestDb, now = new Date()): Promise<number> {
  const kept = await tryKept(db, ['unnamedPictures'], async () => {
    const fact = await db.device.get('unnamedPictures')
    return fact ? (JSON.parse(fact.value) as Unnamed) : null
  })
  if (kept && now.getTime() - Date.parse(kept.lookedAt) < DAY_MS) return 0
  return db.transaction('rw', db.tables, async () => {
    const named = await namedHashes(db)
    const unnamed = (await db.pictures.toCollection().primaryKeys()).filter(hash => !named.has(hash))
    const since = Object.fromEntries(unnamed.map(hash => [hash, kept?.since[hash] ?? now.toISOString()]))
    const gone = unnamed.filter(hash => now.getTime() - Date.parse(since[hash] ?? '') >= GONE_AFTER_DAYS * DAY_MS)
    for (const table of [db.pictures, db.thumbs, db.inkMaps, db.shapes]) await table.bulkDelete(gone)
    for (const hash of gone) delete since[hash]
    await db.device.put({ id: 'unnamedPictures', value: JSON.stringify({ lookedAt: now.toISOString(), since } satisfies Unnamed) })
    return gone.length
  })
}

/** Forgets every step: what is here stays as it is, and nothing of before can be undone any more. How many went. */
export async function forgetSteps(db: YondercrestDb): Promise<number> {
  return db.transaction('rw', db.journal, db.journalParts, async () => {
    const count = await db.journal.count()
    await Promise.all([db.journal.clear(), db.journalParts.clear()])
    return count
  })
}
