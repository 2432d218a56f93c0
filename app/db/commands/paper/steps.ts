import { counted } from '#core/grammar'
import type { StepWords } from '../said'

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const paperSteps = {
  beginBook: step => `Began the book ${step.subject.name ?? ''}`,
  changeBook: step => `Changed the book ${step.subject.name ?? ''}`,
  dropBook: step => `Let go of the book ${step.subject.name ?? ''}`,
  confirmPrinted: step => `Printed ${counted(step.subject.count ?? 0, 'page')} of ${step.subject.name ?? ''}`,
  confirmLabels: step => `Made ${counted(step.subject.count ?? 0, 'label')}`,
  putLabelSheet: step => `Kept the label sheet ${step.subject.name ?? ''}`,
  dropLabelSheet: step => `Let go of the label sheet ${step.subject.name ?? ''}`,
  putPrinter: step => `Kept how ${step.subject.name ?? ''} prints`,
  dropPrinter: step => `Let go of the printer ${step.subject.name ?? ''}`,
  writtenIn: step => `Wrote by hand into ${step.subject.name ?? ''}`,
} as const satisfies StepWords
