import { counted } from '#core/grammar'
import { named, type StepWords } from '../said'

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const holdersSteps = {
  changeHolderType: step => `Changed the pocket or case ${step.subject.name ?? ''}`,
  addStartHolders: step => `Added ${counted(step.subject.count ?? 0, 'common size')}`,
  shareHolder: step => `Put ${named(step)} into another set's pocket`,
  measureSet: step => `Measured ${named(step)}`,
} as const satisfies StepWords
