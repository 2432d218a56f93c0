import { counted } from '#core/grammar'
import { named, type StepWords } from '../said'

const listName = (name: string | undefined): string => (name ? `"${name}"` : 'a pull list')

/** What each command of this folder did, in a few words. Their names are kept in the journal: stored names are promises. */
export const fetchingSteps = {
  pullSets: step => `Put ${counted(step.subject.count ?? 0, 'set')} on a pull list`,
  leaveOut: step => `Took something off ${listName(step.subject.name)}`,
  namePullList: step => `Named ${listName(step.subject.name)}`,
  fetchAgain: step => `Began ${listName(step.subject.name)} once more`,
  dropPullList: step => `Let go of ${listName(step.subject.name)}`,
  takeSets: step => `Fetched ${counted(step.subject.count ?? 0, 'set')}: ${step.subject.name ?? ''}`,
  takeOut: step => `Took out ${counted(step.subject.count ?? 0, 'set')}: ${step.subject.name ?? ''}`,
  bringBack: step => `Put back ${counted(step.subject.count ?? 0, 'set')}`,
  noteUse: step => `Noted ${counted(step.subject.count ?? 0, 'set')} as used`,
  forgetUse: step => `Took back a use of ${named(step)}`,
  dateUse: step => `Gave a use of ${named(step)} another day`,
} as const satisfies StepWords
