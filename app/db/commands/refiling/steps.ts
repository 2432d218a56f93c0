import { counted } from '#core/grammar'
import type { StepWords } from '../said'

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const refilingSteps = {
  beginRefiling: step => `Began to re-file ${step.subject.name ?? ''}`,
  doRefilingStep: step => `Re-filed ${counted(step.subject.count ?? 1, 'pocket')}`,
  finishRefiling: step => `Finished re-filing ${step.subject.name ?? ''}`,
  leaveRefiling: step => `Left off re-filing ${step.subject.name ?? ''}`,
} as const satisfies StepWords
