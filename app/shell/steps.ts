import type { JournalEntry } from '~/db'
import { counted, figure } from '~/kit/grammar'

const named = (step: JournalEntry): string =>
  [step.subject.number && figure(step.subject.number), step.subject.name].filter(Boolean).join(' ')

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
  classSet: step => `Classed ${named(step)}`,
  fitSet: step => `Found what ${named(step)} sits in`,
  labelSet: step => `Labelled ${named(step)}`,
  addDrafts: step => `Put ${counted(step.subject.count ?? 1, 'strip')} on the pile`,
  dropDrafts: step => `Took ${counted(step.subject.count ?? 1, 'strip')} off the pile`,
  changeName: step => `Changed the entry ${step.subject.name ?? ''}`,
  orderNames: () => 'Put a list into another order',
  joinNames: () => 'Joined two names',
  splitName: step => `Split off ${step.subject.name ?? 'a name'}`,
  changeSeries: step => `Changed how ${step.subject.name ?? 'a series'} is written`,
  addRelation: () => 'Said that two sets go together',
  removeRelation: () => 'Said that two sets do not go together',
  keepPieces: step => `Changed the pieces of ${named(step)}`,
  addContainer: step => `Added ${step.subject.name ?? 'a container'}`,
  addSection: step => `Put in the tab ${step.subject.name ?? ''}`,
  editSection: step => `Changed the tab ${step.subject.name ?? ''}`,
  changeZone: step => `Changed how ${step.subject.name ?? 'a zone'} files`,
  sharePages: step => `Changed which themes share a page (${counted(step.subject.count ?? 1, 'theme')})`,
  addStartThemes: step => `Added ${counted(step.subject.count ?? 0, 'theme')}`,
  readCode: step => `Said how ${step.subject.name ?? 'a code'} is read`,
  renewLabels: step => `Wrote ${counted(step.subject.count ?? 1, 'label')} anew`,
  changeHolderType: step => `Changed the holder ${step.subject.name ?? ''}`,
  addStartHolders: step => `Added ${counted(step.subject.count ?? 0, 'holder')} of common size`,
  shareHolder: step => `Put ${named(step)} into another set's holder`,
  addPages: step => `Added ${counted(step.subject.count ?? 1, 'page')} to ${step.subject.name ?? 'a binder'}`,
  measureSet: step => `Measured ${named(step)}`,
  changeFixture: step => `Changed the furniture ${step.subject.name ?? ''}`,
  changeContainer: step => `Changed ${step.subject.name ?? 'a container'}`,
  copyContainer: step => `Made ${counted(step.subject.count ?? 1, 'copy', 'copies')} of ${step.subject.name ?? 'a container'}`,
  emptyContainer: step => `Emptied ${step.subject.name ?? 'a container'}`,
  removeContainer: step => `Took ${step.subject.name ?? 'a container'} out of the room`,
  measureLength: step => `Measured how full ${step.subject.name ?? 'a lane'} is`,
  keepApart: () => 'Changed what is kept apart',
  beginRefiling: step => `Began to re-file ${step.subject.name ?? ''}`,
  doRefilingStep: step => `Re-filed ${counted(step.subject.count ?? 1, 'holder')}`,
  finishRefiling: step => `Finished re-filing ${step.subject.name ?? ''}`,
  leaveRefiling: step => `Left off re-filing ${step.subject.name ?? ''}`,
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
