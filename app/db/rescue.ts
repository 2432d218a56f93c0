import { TABLE_NAMES, type TableName } from '#core/catalog'
import { DATABASE_NAME, type PictureRecord } from './database'

/** What was found in the database of this browser, as it stands there. */
export interface Found {
  /** The version of its tables. */
  readonly version: number
  readonly tables: { readonly [T in TableName]: readonly unknown[] }
  readonly pictures: readonly Pick<PictureRecord, 'hash' | 'type' | 'bytes'>[]
  /** Records that the browser itself could not give out. */
  readonly unread: number
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

const isPicture = (record: unknown): record is PictureRecord => {
  const { hash, type, bytes } = (record ?? {}) as Partial<Record<string, unknown>>
  return typeof hash === 'string' && /^[0-9a-f]{64}$/.test(hash) && typeof type === 'string' && bytes instanceof ArrayBuffer
}

/**
 * Reads every table without the layer that the application works through, and checks nothing: for a copy from which as much is read back as
 * goes, where the room does not open. null: this browser holds no room. Fails where the browser does not let the database be opened.
 */
export async function readAsFound(name: string = DATABASE_NAME): Promise<Found | null> {
  const db = await openAsItIs(name)
  if (!db) return null
  try {
    const tables: Partial<Record<TableName, readonly unknown[]>> = {}
    let unread = 0
    const readTable = async (table: string): Promise<readonly unknown[]> => {
      if (!db.objectStoreNames.contains(table)) return []
      const read = await readAll(db, table)
      unread += read.unread
      return read.records
    }
    for (const table of TABLE_NAMES) tables[table] = await readTable(table)
    const pictures = (await readTable('pictures')).filter(isPicture)
    // A database counts ten for each version of the tables.
    return { version: Math.floor(db.version / 10), tables: tables as Found['tables'], pictures, unread }
  } finally {
    db.close()
  }
}
