import { counted } from '~/kit/grammar'
import type { StepWords } from '../said'

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const paperSteps = {
  beginBook: step => `Began the book ${step.subject.name ?? ''}`,
  changeBook: step => `Changed the book ${step.subject.name ?? ''}`,
  dropBook: step => `Let go of the book ${step.subject.name ?? ''}`,
  confirmPrinted: step => `Printed ${counted(step.subject.count ?? 0, 'page')} of ${step.subject.name ?? ''}`,
  writtenIn: step => `Wrote by hand into ${step.subject.name ?? ''}`,
} as const satisfies StepWords
