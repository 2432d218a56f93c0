import { counted } from '#core/grammar'
import { named, type StepWords } from '../said'

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const pileSteps = {
  addDrafts: step => `Put ${counted(step.subject.count ?? 1, 'set')} on the pile`,
  dropDrafts: step => `Took ${counted(step.subject.count ?? 1, 'set')} off the pile`,
  classSet: step => `Described ${named(step)}`,
  fitSet: step => `Found what ${named(step)} sits in`,
  labelSet: step => `Labelled ${named(step)}`,
} as const satisfies StepWords
