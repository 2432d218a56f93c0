import { belongingSteps } from './belonging/steps'
import { fetchingSteps } from './fetching/steps'
import { holdersSteps } from './holders/steps'
import { holdingSteps } from './holding/steps'
import { linksSteps } from './links/steps'
import { namesSteps } from './names/steps'
import { paperSteps } from './paper/steps'
import { pileSteps } from './pile/steps'
import { refilingSteps } from './refiling/steps'
import { roomSteps } from './room/steps'
import { wholeSteps } from './whole/steps'
import { counted } from '#core/grammar'
import type { StepWords } from './said'

/** Every command by its name, as the journal keeps it, with what it did in a few words. */
export const STEPS = {
  ...holdingSteps,
  ...pileSteps,
  ...namesSteps,
  ...belongingSteps,
  ...linksSteps,
  ...fetchingSteps,
  ...roomSteps,
  ...holdersSteps,
  ...paperSteps,
  ...refilingSteps,
  ...wholeSteps,
} as const
export type CommandName = keyof typeof STEPS

/** Steps of commands that are no more. Older journals hold them. */
const RETIRED_STEPS = {
  addPages: step => `Added ${counted(step.subject.count ?? 1, 'page')} to ${step.subject.name ?? 'a binder'}`,
} as const satisfies StepWords
/** Every step that a journal may hold, in a few words. */
export const STEP_WORDS = { ...STEPS, ...RETIRED_STEPS } as const
export type StepName = keyof typeof STEP_WORDS
