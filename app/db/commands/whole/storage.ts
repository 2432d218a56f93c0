import { hashesOf, hashesWithin } from '#core/catalog'
import type { YondercrestDb } from '../../database'
import { tryKept } from '../../kept'
import { dropPictures, pictureSizes } from '../../pictureSizes'
import { partsOf } from '../../reads'

/** What takes room in the browser, in bytes, and how much of it could be let go. */
export interface StorageUse {
  readonly pictures: number
  readonly unnamedPictures: { readonly count: number; readonly bytes: number }
  readonly steps: { readonly count: number; readonly bytes: number }
}

/** Pictures that a record of the catalogue names, also one that is set aside, or one that undo or redo would bring back. */
async function namedHashes(db: YondercrestDb, onStep: (text: string) => void = () => undefined): Promise<ReadonlySet<string>> {
  const named = new Set<string>()
  const name = (hashes: readonly string[]): void => hashes.forEach(hash => named.add(hash))
  for await (const part of partsOf(db, 'holdings')) name(part.flatMap(hashesOf))
  for await (const part of partsOf(db, 'drafts')) name(part.flatMap(hashesOf))
  for await (const part of partsOf(db, 'setAside')) name(hashesWithin(JSON.stringify(part)))
  await db.journalParts.each(({ changes }) => {
    const text = JSON.stringify(changes)
    onStep(text)
    name(hashesWithin(text))
  })
  return named
}

/** How much room the pictures and the steps take. O(records and steps), no picture: called by a worker. */
export async function storageUse(db: YondercrestDb): Promise<StorageUse> {
  let [pictures, unnamed, unnamedBytes, stepBytes] = [0, 0, 0, 0]
  const named = await namedHashes(db, text => (stepBytes += text.length))
  for (const [hash, bytes] of await pictureSizes(db)) {
    pictures += bytes
    if (named.has(hash)) continue
    unnamed += 1
    unnamedBytes += bytes
  }
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
    await dropPictures(db, unnamed)
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

const unnamedBefore = (db: YondercrestDb): Promise<Unnamed | null> =>
  tryKept(db, ['unnamedPictures'], async () => {
    const fact = await db.device.get('unnamedPictures')
    return fact ? (JSON.parse(fact.value) as Unnamed) : null
  })

/**
 * Lets go of the pictures that nothing has named for a week. Looks once a day, however often it is called. How many went. O(everything):
 * called by a worker, where nobody waits. What is named is read beside the work of others, part by part: a picture goes only if it was
 * named by nothing at every look of a week, and if nobody has brought it in again since.
 */
export async function sweepForgotten(db: YondercrestDb, now = new Date()): Promise<number> {
  const before = await unnamedBefore(db)
  if (before && now.getTime() - Date.parse(before.lookedAt) < DAY_MS) return 0
  const named = await namedHashes(db)
  return db.transaction('rw', [db.pictures, db.thumbs, db.inkMaps, db.shapes, db.device], async () => {
    const kept = await unnamedBefore(db)
    const unnamed = (await db.pictures.toCollection().primaryKeys()).filter(hash => !named.has(hash))
    const since = Object.fromEntries(unnamed.map(hash => [hash, kept?.since[hash] ?? now.toISOString()]))
    const gone = unnamed.filter(hash => now.getTime() - Date.parse(since[hash] ?? '') >= GONE_AFTER_DAYS * DAY_MS)
    await dropPictures(db, gone)
    for (const hash of gone) delete since[hash]
    await noteUnnamed(db, { lookedAt: now.toISOString(), since })
    return gone.length
  })
}
async function noteUnnamed(db: YondercrestDb, unnamed: Unnamed): Promise<void> {
  await db.device.put({ id: 'unnamedPictures', value: JSON.stringify(unnamed) })
}

/** Pictures that are brought in, again perhaps: a form has a week from now to name them. */
export async function noteBroughtIn(db: YondercrestDb, hashes: readonly string[]): Promise<void> {
  const kept = await unnamedBefore(db)
  if (!kept || !hashes.some(hash => hash in kept.since)) return
  const again = new Set(hashes)
  await noteUnnamed(db, { ...kept, since: Object.fromEntries(Object.entries(kept.since).filter(([hash]) => !again.has(hash))) })
}

/** Forgets every step: what is here stays as it is, and nothing of before can be undone any more. How many went. */
export async function forgetSteps(db: YondercrestDb): Promise<number> {
  return db.transaction('rw', db.journal, db.journalParts, async () => {
    const count = await db.journal.count()
    await Promise.all([db.journal.clear(), db.journalParts.clear()])
    return count
  })
}
