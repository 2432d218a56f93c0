import type { Holding } from '#core/catalog'

/** The stages of taking in a new set, in order. A set waits at one stage at a time. */
export const STAGES = ['capture', 'class', 'fit', 'label', 'file'] as const
export type Stage = (typeof STAGES)[number]

const STATE_OF: Readonly<Record<Stage, Holding['state']>> = {
  capture: 'draft',
  class: 'toClass',
  fit: 'toPocket',
  label: 'toLabel',
  file: 'toFile',
}

/** The stage at which a set waits; null: it is filed, out, lent or gone. */
export function stageOf(holding: Pick<Holding, 'state'>): Stage | null {
  return STAGES.find(stage => STATE_OF[stage] === holding.state) ?? null
}

/**
 * The state of a set after `done`: the next stage that the owner uses, or filed.
 * @example stateAfter('class', ['capture', 'class', 'file']) //=> 'toFile'
 */
export function stateAfter(done: Stage, used: readonly Stage[]): Holding['state'] {
  const next = STAGES.slice(STAGES.indexOf(done) + 1).find(stage => used.includes(stage))
  if (next) return STATE_OF[next]
  return done === 'file' ? 'filed' : 'toFile'
}

/** The stages from `from` on, itself included. */
export function stagesLeft(from: Stage, used: readonly Stage[]): readonly Stage[] {
  return STAGES.slice(STAGES.indexOf(from)).filter(stage => stage === from || used.includes(stage))
}
