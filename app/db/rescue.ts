import { TABLE_NAMES, type TableName } from '#core/catalog'
import { DATABASE_NAME, type PictureRecord } from './database'

type Picture = Pick<PictureRecord, 'hash' | 'type' | 'bytes'>

/** What was found in the database of this browser, as it stands there. */
export interface Found {
  /** The version of its tables. */
  readonly version: number
  readonly tables: { readonly [T in TableName]: readonly unknown[] }
  /** So many pictures are there; each is read when its turn comes. */
  readonly pictureCount: number
  readonly pictures: AsyncIterable<Picture>
  /** Records, and pictures so far, that the browser itself could not give out. */
  unread: number
}

const answered = <R>(request: IDBRequest<R>): Promise<R> =>
  new Promise((resolve, reject) => {
    request.onsuccess = () => resolve(request.result)
    request.onerror = () => reject(new Error(request.error?.message))
  })

/** The database as it is, of whatever version; null: there is none. Nothing is upgraded, and nothing is made. */
async function openAsItIs(name: string): Promise<IDBDatabase | null> {
  const request = indexedDB.open(name)
  let isNew = false
  request.onupgradeneeded = () => {
    isNew = true
    request.transaction?.abort()
  }
  return answered(request).catch((reason: unknown) => {
    if (isNew) return null
    throw reason
  })
}

/** All of a table. Where one record cannot be given out, each is asked for by itself. */
async function readAll(db: IDBDatabase, table: string): Promise<{ readonly records: readonly unknown[]; readonly unread: number }> {
  const store = (): IDBObjectStore => db.transaction(table).objectStore(table)
  try {
    return { records: await answered(store().getAll()), unread: 0 }
  } catch {
    const records: unknown[] = []
    let unread = 0
    for (const key of await answered(store().getAllKeys()).catch(() => [])) {
      const record = await answered<unknown>(store().get(key)).catch(() => undefined)
      if (record === undefined) unread += 1
      else records.push(record)
    }
    return { records, unread }
  }
}

async function* picturesOf(db: IDBDatabase, hashes: readonly IDBValidKey[], missed: () => unknown): AsyncGenerator<Picture> {
  for (const hash of hashes) {
    const record = await answered<unknown>(db.transaction('pictures').objectStore('pictures').get(hash)).catch(missed)
    if (isPicture(record)) yield record
  }
}

const isPicture = (record: unknown): record is PictureRecord => {
  const { hash, type, bytes } = (record ?? {}) as Partial<Record<string, unknown>>
  return typeof hash === 'string' && /^[0-9a-f]{64}$/.test(hash) && typeof type === 'string' && bytes instanceof ArrayBuffer
}

/**
 * Reads every table without the layer that the application works through, and checks nothing: for a copy from which as much is read back as
 * goes, where the room does not open. null: this browser holds no room. Fails where the browser does not let the database be opened.
 */
export async function readAsFound<R>(work: (found: Found) => Promise<R>, name: string = DATABASE_NAME): Promise<R | null> {
  const db = await openAsItIs(name)
  if (!db) return null
  try {
    const tables: Partial<Record<TableName, readonly unknown[]>> = {}
    let unread = 0
    for (const table of TABLE_NAMES) {
      const read = db.objectStoreNames.contains(table) ? await readAll(db, table) : { records: [], unread: 0 }
      tables[table] = read.records
      unread += read.unread
    }
    const hasPictures = db.objectStoreNames.contains('pictures')
    const hashes = hasPictures ? await answered(db.transaction('pictures').objectStore('pictures').getAllKeys()).catch(() => []) : []
    const found: Found = {
      // A database counts ten for each version of the tables.
      version: Math.floor(db.version / 10),
      tables: tables as Found['tables'],
      pictureCount: hashes.length,
      pictures: picturesOf(db, hashes, () => (found.unread += 1)),
      unread,
    }
    return await work(found)
  } finally {
    db.close()
  }
}
