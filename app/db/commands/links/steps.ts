import type { StepWords } from '../said'

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const linksSteps = {
  linkWords: step => `Linked two words: ${step.subject.name ?? ''}`,
  partWords: step => `Said that two words never go together: ${step.subject.name ?? ''}`,
  forgetLink: step => `Forgot what was said of two words: ${step.subject.name ?? ''}`,
} as const satisfies StepWords
