import { plainly } from '~/kit/plainly'

/** A database as the browser keeps it, table by table, without Dexie: what a frozen copy is written from and made with. */
export interface RawDatabase {
  readonly version: number
  readonly stores: Readonly<
    Record<
      string,
      {
        readonly keyPath: string | string[] | null
        readonly autoIncrement: boolean
        readonly indexes: readonly {
          readonly name: string
          readonly keyPath: string | string[]
          readonly multiEntry: boolean
          readonly unique: boolean
        }[]
        readonly rows: readonly unknown[]
      }
    >
  >
}

export const finished = <T>(request: IDBRequest<T>): Promise<T> =>
  new Promise((resolve, reject) => {
    request.onsuccess = () => resolve(request.result)
    request.onerror = () => reject(new Error(String(request.error)))
  })

/** Bytes as text, so that a frozen copy is plain JSON. */
const frozen = (value: unknown): unknown =>
  JSON.parse(
    JSON.stringify(value, (_key, each: unknown) => (each instanceof ArrayBuffer ? { bytes: Buffer.from(each).toString('base64') } : each)),
  )
const thawed = (value: unknown): unknown =>
  plainly(value, (_key, each) => {
    if (typeof each !== 'object' || each === null || !('bytes' in each) || typeof each.bytes !== 'string') return each
    return Uint8Array.from(Buffer.from(each.bytes, 'base64')).buffer
  })

export async function readRaw(name: string): Promise<RawDatabase> {
  const db = await finished(indexedDB.open(name))
  const stores: Record<string, RawDatabase['stores'][string]> = {}
  for (const store of [...db.objectStoreNames]) {
    const table = db.transaction(store).objectStore(store)
    const indexes = [...table.indexNames]
      .map(each => table.index(each))
      .map(({ name: own, keyPath, multiEntry, unique }) => ({ name: own, keyPath, multiEntry, unique }))
    stores[store] = {
      keyPath: table.keyPath,
      autoIncrement: table.autoIncrement,
      indexes,
      rows: frozen(await finished(table.getAll())) as unknown[],
    }
  }
  const { version } = db
  db.close()
  return { version, stores }
}

/** Makes the database anew, exactly as it was frozen. */
export async function makeRaw(name: string, raw: RawDatabase): Promise<void> {
  const request = indexedDB.open(name, raw.version)
  request.onupgradeneeded = () => {
    for (const [store, { keyPath, autoIncrement, indexes }] of Object.entries(raw.stores)) {
      const table = request.result.createObjectStore(store, { keyPath, autoIncrement })
      for (const index of indexes) table.createIndex(index.name, index.keyPath, { multiEntry: index.multiEntry, unique: index.unique })
    }
  }
  const db = await finished(request)
  for (const [store, { rows }] of Object.entries(raw.stores)) {
    const table = db.transaction(store, 'readwrite').objectStore(store)
    for (const row of rows) await finished(table.put(thawed(row)))
  }
  db.close()
}
