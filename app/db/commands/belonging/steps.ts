import { named, type StepWords } from '../said'

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const belongingSteps = {
  addRelation: () => 'Said that two sets go together',
  removeRelation: () => 'Said that two sets do not go together',
  keepPieces: step => `Changed the pieces of ${named(step)}`,
} as const satisfies StepWords
