import { counted } from '#core/grammar'
import { named, type StepWords } from '../said'

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const belongingSteps = {
  addRelation: () => 'Said that two sets go together',
  pairDies: step => `Said of ${counted(step.subject.count ?? 0, 'die')} which stamps they are for`,
  removeRelation: () => 'Said that two sets do not go together',
  keepPieces: step => `Changed the pieces of ${named(step)}`,
} as const satisfies StepWords
