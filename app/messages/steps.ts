import type { JournalEntry } from '~/db'
import { counted, figure } from './number'

const named = (step: JournalEntry): string => [step.subject.number && figure(step.subject.number), step.subject.name].filter(Boolean).join(' ')

/** What each command did, in a few words. */
const WHAT: Readonly<Record<JournalEntry['command'], (step: JournalEntry) => string>> = {
  takeIn: step => `Took in ${named(step)}`,
  editHolding: step => `Changed ${named(step)}`,
  placeHolding: () => 'Gave a set its place',
  placeMany: step => `Gave ${counted(step.subject.count ?? 0, 'set')} their places`,
  moveHolders: step => `Moved ${counted(step.subject.count ?? 1, 'set')}`,
  importList: step => `Brought in ${counted(step.subject.count ?? 0, 'set')} from ${step.subject.name ?? 'a list'}`,
  restoreArchive: step => `Read back a copy with ${counted(step.subject.count ?? 0, 'set')}`,
  loadDemo: () => 'Loaded the demo room',
  startEmpty: () => 'Started empty',
  addContainer: step => `Added ${step.subject.name ?? 'a container'}`,
  addSection: step => `Put in the tab ${step.subject.name ?? ''}`,
  editSection: step => `Changed the tab ${step.subject.name ?? ''}`,
  changeZone: step => `Changed how ${step.subject.name ?? 'a zone'} files`,
  removeHolding: step => `Let go of ${named(step)}`,
}

const what = (step: JournalEntry): string => WHAT[step.command](step)

export const stepWords = {
  what,
  undone: (step: JournalEntry) => `Undone: ${lower(what(step))}.`,
  redone: (step: JournalEntry) => `Done again: ${lower(what(step))}.`,
  undoneMany: (count: number) => `${counted(count, 'step')} undone.`,
  nothingToUndo: 'There is nothing to undo.',
  nothingToRedo: 'There is nothing to do again.',
} as const

function lower(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1)
}
