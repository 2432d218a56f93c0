import { counted } from '#core/grammar'
import { named, type StepWords } from '../said'

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const holdingSteps = {
  takeIn: step => `Took in ${named(step)}`,
  editHolding: step => `Changed ${named(step)}`,
  changeMany: step => `Changed ${counted(step.subject.count ?? 0, 'set')} at once`,
  answerQuestions: step => `Answered for ${counted(step.subject.count ?? 0, 'set')}`,
  placeHolding: () => 'Gave a set its place',
  placeMany: step => `Gave ${counted(step.subject.count ?? 0, 'set')} their places`,
  removeHolding: step => `Removed ${named(step)}`,
} as const satisfies StepWords
