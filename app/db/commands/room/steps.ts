import { counted, countedThat } from '#core/grammar'
import type { StepWords } from '../said'

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const roomSteps = {
  moveHolders: step => `Moved ${counted(step.subject.count ?? 1, 'set')}`,
  addContainer: step =>
    (step.subject.count ?? 1) > 1
      ? `Added ${counted(step.subject.count ?? 1, 'container')}, from ${step.subject.name ?? ''} on`
      : `Added ${step.subject.name ?? 'a container'}`,
  buildFromList: step => `Built the room from the list, with ${counted(step.subject.count ?? 0, 'set')}`,
  buildTidy: ({ subject }) => `Built the room that sets need: ${counted(subject.count ?? 0, 'container')}`,
  standAsSeen: ({ subject }) => `Said how ${countedThat(subject.count ?? 0, 'set', 'stands', 'stand')} in ${subject.name ?? 'a container'}`,
  addSection: step => `Put in the tab ${step.subject.name ?? ''}`,
  editSection: step => `Changed the tab ${step.subject.name ?? ''}`,
  changeZone: step => `Changed the order of ${step.subject.name ?? 'a corner'}`,
  changeFixture: step => `Changed the furniture ${step.subject.name ?? ''}`,
  changeContainer: step => `Changed ${step.subject.name ?? 'a container'}`,
  copyContainer: step => `Made ${counted(step.subject.count ?? 1, 'copy', 'copies')} of ${step.subject.name ?? 'a container'}`,
  emptyContainer: step => `Emptied ${step.subject.name ?? 'a container'}`,
  removeContainer: step => `Took ${step.subject.name ?? 'a container'} out of the room`,
  measureLength: step => `Measured how full ${step.subject.name ?? 'a row'} is`,
  keepApart: () => 'Changed what is pinned to its place',
} as const satisfies StepWords
