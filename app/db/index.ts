export { database, type DeviceFact, type PictureRecord, type ThumbRecord, YondercrestDb } from './database'
export type { Change, CommandName, JournalEntry, JournalPart, Subject } from './journal'
export { redo, transact, undo } from './transact'
export * as commands from './commands'
