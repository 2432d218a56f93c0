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
