import { isSame, type TableName } from '#core/catalog'
import type { Subject } from './commands/said'
import type { StepName } from './commands/steps'

/** One step. `done` steps can be undone, the latest first; `undone` ones can be done again, the earliest first. */
export interface JournalEntry {
  seq: number
  readonly at: string
  readonly command: StepName
  readonly subject: Subject
  state: 'done' | 'undone'
  /** The tables touched, so that a view need not read what did not change. */
  readonly tables: readonly TableName[]
  /** Grows with every swing, so that a watcher sees an undo as a change. */
  swings: number
}

/** A record of any table. */
export interface AnyRecord {
  readonly id: string
}
type Fields = Readonly<Record<string, unknown>>
interface Changed {
  readonly table: TableName
  readonly id: string
}
/**
 * A record that was made or removed. Steps of before version 11 say so of changed records too. `other` is the record before the step, or,
 * once the step is undone, the record after it; null: there is none.
 */
interface WholeChange extends Changed {
  readonly other: AnyRecord | null
}
/** Fields of a record that stays: what each was before the step, and what it is after it. */
export interface FieldsChange extends Changed {
  readonly was: Fields
  readonly is: Fields
}
export type Change = WholeChange | FieldsChange
export const isOfFields = (change: Change): change is FieldsChange => 'is' in change

/** The changes of a step, in parts of bounded size. */
export interface JournalPart {
  id: number
  readonly seq: number
  readonly changes: readonly Change[]
}

/** Numbers of the steps that were done from this page: whoever did them knows of them, also before the screen shows them. */
export const ownSteps = new Set<number>()

export const CHANGES_A_PART = 1000
/** Steps kept. Older ones are dropped with their changes. */
export const STEPS_KEPT = 400

/**
 * What a step did to one record; null: nothing.
 * @example changeBetween('zones', 'z', { id: 'z', name: 'A', rank: 1 }, { id: 'z', name: 'B', rank: 1 })
 * //=> { table: 'zones', id: 'z', was: { name: 'A' }, is: { name: 'B' } }
 */
export function changeBetween(table: TableName, id: string, before: AnyRecord | null, after: AnyRecord | null): Change | null {
  if (!before || !after) return before || after ? { table, id, other: before } : null
  const [was, is]: [Record<string, unknown>, Record<string, unknown>] = [{}, {}]
  let isChanged = false
  for (const field of new Set([...Object.keys(before), ...Object.keys(after)])) {
    const [one, other] = [(before as unknown as Fields)[field], (after as unknown as Fields)[field]]
    if (isSame(one, other)) continue
    was[field] = one
    is[field] = other
    isChanged = true
  }
  return isChanged ? { table, id, was, is } : null
}

/** The record as it was before a change of a step that is done; `after` is the record after it. */
export const beforeChange = (change: Change, after: AnyRecord | null): AnyRecord | null => {
  if (!isOfFields(change)) return change.other
  return after && { ...after, ...change.was }
}
/** The record as it will be after a change of a step that is undone; `before` is the record before it. */
export const afterChange = (change: Change, before: AnyRecord | null): AnyRecord | null => {
  if (!isOfFields(change)) return change.other
  return before && { ...before, ...change.is }
}
