import { counted } from '#core/grammar'
import type { StepWords } from '../said'

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const wholeSteps = {
  importList: step => `Brought in ${counted(step.subject.count ?? 0, 'set')} from ${step.subject.name ?? 'a list'}`,
  restoreArchive: step => `Opened a copy with ${counted(step.subject.count ?? 0, 'set')}`,
  loadDemo: () => 'Loaded the demo room',
  startEmpty: () => 'Started empty',
  mendRoom: step => `Mended ${counted(step.subject.count ?? 0, 'thing')} in the room`,
  putBackAside: () => 'Put back what was set aside',
  letAsideGo: () => 'Let go of what was set aside',
} as const satisfies StepWords
