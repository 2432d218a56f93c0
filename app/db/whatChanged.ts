import type { TableName } from '#core/catalog'
import type { YondercrestDb } from './database'
import { CHANGES_A_PART, type JournalEntry } from './journal'

/** Ids of records that a step touched, by table; `all` where it is simpler to read everything anew. */
export type Touched = 'all' | ReadonlyMap<TableName, ReadonlySet<string>>

/** Above this many changes in one go, reading everything anew is quicker than record by record. */
const READ_ANEW_FROM = 4000

/** As much of a step as tells whether it was seen. */
export type SeenStep = Pick<JournalEntry, 'seq' | 'state' | 'swings'>

/** Whether steps that were kept as a text are steps. */
export const areSeen = (steps: readonly SeenStep[]): boolean => Array.isArray(steps) && steps.every(step => Number.isInteger(step.seq))

/** What the steps of `journal` touched that were not in `known`, or swung since; null where there is none. */
export async function whatChanged(
  db: YondercrestDb,
  known: readonly SeenStep[],
  journal: readonly JournalEntry[],
): Promise<Touched | null> {
  const before = new Map(known.map(entry => [entry.seq, entry]))
  const now = new Set(journal.map(entry => entry.seq))
  const oldest = journal[0]?.seq ?? Infinity
  // A step that was done when last seen, and is gone without having grown old, was undone and forgotten in between.
  if (known.some(entry => entry.state === 'done' && !now.has(entry.seq) && entry.seq > oldest)) return 'all'
  if (known.length === 0 && journal.length > 0) return 'all'
  // None of the steps is left: they were forgotten, or it was too long ago.
  if (known.length > 0 && !known.some(entry => now.has(entry.seq))) return 'all'
  const swung = journal.filter(entry => before.get(entry.seq)?.swings !== entry.swings)
  if (swung.length === 0) return now.size === known.length ? null : new Map()
  // A new query each time: one with anyOf remembers how far it came, and would go on from there.
  const touchedParts = () => db.journalParts.where('seq').anyOf(swung.map(entry => entry.seq))
  if ((await touchedParts().count()) > READ_ANEW_FROM / CHANGES_A_PART) return 'all'
  const changes = (await touchedParts().toArray()).flatMap(part => part.changes)
  const touched = new Map<TableName, Set<string>>()
  for (const { table, id } of changes) touched.set(table, (touched.get(table) ?? new Set()).add(id))
  return touched
}
