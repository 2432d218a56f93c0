import type { RecordOf, TableName } from '#core/catalog'
import type { YondercrestDb } from './database'
import { beforeChange } from './journal'

type Maps<T extends TableName> = { readonly [K in T]: ReadonlyMap<string, RecordOf<K>> }

/** The tables as they were at each of some moments, the latest first; and how far back the journal goes. */
export interface History<T extends TableName> {
  readonly states: readonly { readonly at: string; readonly tables: Maps<T> }[]
}

/**
 * The catalogue as it was, out of the journal: from now backwards, every step that was done since a moment is taken back in memory.
 * `moments` that are before the first step that is kept cannot be told, and are left out. One transaction. O(records + changes).
 */
export async function statesAt<T extends TableName>(
  db: YondercrestDb,
  names: readonly T[],
  moments: readonly string[],
): Promise<History<T>> {
  return db.transaction('r', [...names.map(name => db.table(name)), db.journal, db.journalParts], async () => {
    const lists = await Promise.all(names.map(name => db.anyRecords(name).toArray()))
    const tables = new Map<TableName, Map<string, { readonly id: string }>>(
      names.map((name, at) => [name, new Map((lists[at] ?? []).map(record => [record.id, record]))]),
    )
    const steps = (await db.journal.toArray()).filter(({ state }) => state === 'done').reverse()
    const first = steps.at(-1)?.at ?? ''
    const states: { at: string; tables: Maps<T> }[] = []
    let next = 0
    for (const at of [...moments].sort().reverse()) {
      if (at < first) break
      for (; (steps[next]?.at ?? '') > at; next += 1) {
        const parts = await db.journalParts
          .where('seq')
          .equals(steps[next]?.seq ?? 0)
          .toArray()
        for (const change of parts.flatMap(part => part.changes)) {
          const map = tables.get(change.table)
          const before = beforeChange(change, map?.get(change.id) ?? null)
          if (before) map?.set(change.id, before)
          else map?.delete(change.id)
        }
      }
      states.push({ at, tables: Object.fromEntries(names.map(name => [name, new Map(tables.get(name))])) as unknown as Maps<T> })
    }
    return { states }
  })
}
