import type { TableName } from '#core/catalog'
import type { Subject } from './commands/said'
import type { CommandName } from './commands/steps'

/** One step. `done` steps can be undone, the latest first; `undone` ones can be done again, the earliest first. */
export interface JournalEntry {
  seq: number
  readonly at: string
  readonly command: CommandName
  readonly subject: Subject
  state: 'done' | 'undone'
  /** The tables touched, so that a view need not read what did not change. */
  readonly tables: readonly TableName[]
  /** Grows with every swing, so that a watcher sees an undo as a change. */
  swings: number
}

/** The other side of a record: what it was before the step, or, once the step is undone, what it was after. */
export interface Change {
  readonly table: TableName
  readonly id: string
  readonly other: { readonly id: string } | null
}

/** The changes of a step, in parts of bounded size. */
export interface JournalPart {
  id: number
  readonly seq: number
  readonly changes: readonly Change[]
}

export const CHANGES_A_PART = 1000
/** Steps kept. Older ones are dropped with their changes. */
export const STEPS_KEPT = 400
