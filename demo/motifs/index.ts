import type { Chance } from '../random'
import { LAND } from './land'
import { POST } from './post'
import { SEA } from './sea'
import { SKY } from './sky'

/** Every motif family of the demo room, by the word for what it shows. */
export const MOTIFS = { ...SEA, ...SKY, ...POST, ...LAND }
export type MotifName = keyof typeof MOTIFS

export function drawMotif(name: MotifName, chance: Chance): string {
  return MOTIFS[name](chance)
}
