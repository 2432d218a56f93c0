import type { PromiseExtended, Table } from 'dexie'

interface AnyRow {
  readonly id: string
}
type Rows = Table<AnyRow, string>
/** From so many on, it pays to look at a table as a whole: a browser takes as long for one record by its id as for ten in a row. */
const MANY = 1000

// The promises are Dexie's own: a transaction may end while any other is waited for.

/** The records of these ids, in that order. Of most of a large table all is read at once. */
export function readMany(rows: Rows, ids: readonly string[]): PromiseExtended<(AnyRow | undefined)[]> {
  if (ids.length < MANY) return rows.bulkGet([...ids])
  return rows.count().then(count => {
    if (ids.length < count / 4) return rows.bulkGet([...ids])
    return rows.toArray().then(list => {
      const all = new Map(list.map(record => [record.id, record]))
      return ids.map(id => all.get(id))
    })
  })
}

/** Removes records that are there. A table that is left with none is cleared. */
export function removeMany(rows: Rows, ids: readonly string[]): PromiseExtended<void> {
  if (ids.length < MANY) return rows.bulkDelete([...ids])
  return rows.count().then(count => (count === ids.length ? rows.clear() : rows.bulkDelete([...ids])))
}
