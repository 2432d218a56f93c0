import { counted } from '#core/grammar'
import type { StepWords } from '../said'

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const namesSteps = {
  changeName: step => `Changed the entry ${step.subject.name ?? ''}`,
  orderNames: () => 'Put a list into another order',
  joinNames: () => 'Joined two names',
  splitName: step => `Split off ${step.subject.name ?? 'a name'}`,
  sharePages: step => `Changed which themes share a page (${counted(step.subject.count ?? 1, 'theme')})`,
  addStartThemes: step => `Added ${counted(step.subject.count ?? 0, 'theme')}`,
  changeSeries: step => `Changed how ${step.subject.name ?? 'a series'} is written`,
  readCode: step => `Said how ${step.subject.name ?? 'a code'} is read`,
  renewLabels: step => `Wrote ${counted(step.subject.count ?? 1, 'label')} again`,
} as const satisfies StepWords
