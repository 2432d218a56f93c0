import type { TableName } from '#core/catalog'

/** The names of all commands, as the journal keeps them: stored names are promises. */
export const COMMAND_NAMES = [
  'takeIn',
  'editHolding',
  'placeHolding',
  'placeMany',
  'moveHolders',
  'importList',
  'restoreArchive',
  'loadDemo',
  'startEmpty',
  'classSet',
  'fitSet',
  'labelSet',
  'addDrafts',
  'dropDrafts',
  'changeName',
  'orderNames',
  'joinNames',
  'splitName',
  'changeSeries',
  'addRelation',
  'removeRelation',
  'keepPieces',
  'addContainer',
  'addSection',
  'changeZone',
  'removeHolding',
  'editSection',
  'sharePages',
  'addStartThemes',
  'readCode',
  'renewLabels',
  'changeHolderType',
  'addStartHolders',
  'shareHolder',
  'addPages',
  'measureSet',
  'changeFixture',
  'changeContainer',
  'copyContainer',
  'emptyContainer',
  'removeContainer',
  'measureLength',
  'keepApart',
  'beginRefiling',
  'doRefilingStep',
  'finishRefiling',
  'leaveRefiling',
] as const
export type CommandName = (typeof COMMAND_NAMES)[number]

/** What a message needs to say which step it was: a name, a number, a count. */
export interface Subject {
  readonly name?: string
  readonly number?: number
  readonly count?: number
}

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
