export {
  database,
  databaseExists,
  type DatabaseTrouble,
  onTrouble,
  type PictureRecord,
  type ShapesRecord,
  type ThumbRecord,
  YondercrestDb,
} from './database'
export {
  followJournal,
  isOnScreen,
  readSnapshot,
  SCREEN_TABLES,
  type ScreenRecords,
  type ScreenTable,
  type Snapshot,
  watch,
} from './follow'
export { statesAt } from './history'
export { historyOfSet, type SetHistory, type SetThen } from './setHistory'
export { answersWithin, SLOW_MS, tryKept } from './kept'
export { keepRoom } from './keptRoom'
export { type LastCopy, readDrafts, readLastCopy, readLoanPlaces } from './reads'
export { areSeen, type SeenStep, type Touched, whatChanged } from './whatChanged'
export type { Stood } from './commands/room/asTheyStand'
export type { FromListOutcome, NotBuilt } from './commands/room/fromList'
export { STEP_WORDS } from './commands/steps'
export { type JournalEntry, ownSteps } from './journal'
export { AnotherStep, redo, type SwingProgress, undo } from './undo'
export { nextNumbers } from './commands/holding/numbers'
/** Every command, in a part of its own: a screen is up before anybody changes something. */
export const loadCommands = () => import('./commands')
/** Loads what changes records and what they are checked by, before the first command has to wait for it. */
export const loadToChange = async (): Promise<void> => void (await Promise.all([loadCommands(), import('./checked')]))
