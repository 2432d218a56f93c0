import type { Pace } from './pace'
import { type Stage, STAGES, stagesLeft } from './stages'

export interface WaitingSet {
  readonly id: string
  readonly stage: Stage
}

/** Work that fits into a span of time and ends with all its sets placed. */
export interface Pack {
  readonly ids: readonly string[]
  readonly seconds: number
  /** The stages to work through, each with its sets. */
  readonly stages: readonly { readonly stage: Stage; readonly ids: readonly string[] }[]
}

/** @example secondsLeft({ id: 'a', stage: 'file' }, pace, STAGES) //=> 25 */
export function secondsLeft(set: WaitingSet, pace: Pace, used: readonly Stage[]): number {
  return stagesLeft(set.stage, used).reduce((sum, stage) => sum + pace[stage].secondsASet, 0)
}

/**
 * As many sets as can be brought to their place within the time. Shortest remaining work first, which maximises the number of sets; ties
 * in the order given. O(n log n).
 */
export function pickPack(minutes: number, waiting: readonly WaitingSet[], pace: Pace, used: readonly Stage[]): Pack {
  const byLeft = waiting
    .map((set, rank) => ({ set, rank, left: secondsLeft(set, pace, used) }))
    .sort((a, b) => a.left - b.left || a.rank - b.rank)
  const chosen: WaitingSet[] = []
  let seconds = 0
  for (const { set, left } of byLeft) {
    if (seconds + left > minutes * 60) break
    chosen.push(set)
    seconds += left
  }
  const stages = STAGES.map(stage => ({ stage, ids: chosen.filter(set => stagesLeft(set.stage, used).includes(stage)).map(set => set.id) }))
  return { ids: chosen.map(set => set.id), seconds, stages: stages.filter(each => each.ids.length > 0) }
}

/** The same pack after a strip became a set with an id of its own. */
export function afterCapture(pack: Pack, stripId: string, setId: string): Pack {
  const swap = (ids: readonly string[]): readonly string[] => ids.map(id => (id === stripId ? setId : id))
  return { ...pack, ids: swap(pack.ids), stages: pack.stages.map(({ stage, ids }) => ({ stage, ids: swap(ids) })) }
}

/** The pack without a strip that was dropped from the pile. */
export function withoutSet(pack: Pack, id: string): Pack {
  const rest = (ids: readonly string[]): readonly string[] => ids.filter(each => each !== id)
  return { ...pack, ids: rest(pack.ids), stages: pack.stages.map(({ stage, ids }) => ({ stage, ids: rest(ids) })) }
}

/**
 * The stage to work at now: the first at which a set of the pack waits; `done`: all are placed; `unheard`: the stage of the remaining sets
 * is not known yet. `stageOf` gives the stage of a set, null: none.
 * @example stageOfPack(pack, id => id === 'a' ? 'fit' : null) //=> 'fit'
 */
export function stageOfPack(pack: Pack, stageOf: (id: string) => Stage | null | 'unheard'): Stage | 'done' | 'unheard' {
  const waits = pack.ids.map(stageOf)
  return STAGES.find(stage => waits.includes(stage)) ?? (waits.includes('unheard') ? 'unheard' : 'done')
}
