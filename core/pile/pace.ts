import { type Stage, STAGES } from './stages'

/** Something that was done, and when; `stage` null: it belongs to no stage. */
export interface DoneStep {
  readonly at: string
  readonly stage: Stage | null
  /** Sets in the step; a step of many sets says nothing about the pace. */
  readonly sets: number
}

interface StagePace {
  readonly secondsASet: number
  /** Steps it was measured from; 0: the usual pace is assumed. */
  readonly measuredOn: number
}
export type Pace = Readonly<Record<Stage, StagePace>>

/** Seconds a set at each stage until the owner's own pace is known (common practice: some two minutes a set in all). */
const ASSUMED_S: Readonly<Record<Stage, number>> = { capture: 45, class: 20, fit: 20, label: 30, file: 25 }
/** A longer gap between two steps is a break. */
const LONGEST_S = 300
/** Only the latest steps count: people get faster. */
const LATEST = 40
/** Fewer steps than this prove nothing. */
const ENOUGH = 4

/**
 * How long each stage takes this person: the median time between one step and the next, breaks left out. `steps` are in
 * order of time. O(n log n).
 */
export function paceOf(steps: readonly DoneStep[]): Pace {
  const gaps = new Map<Stage, number[]>(STAGES.map(stage => [stage, []]))
  steps.forEach((step, index) => {
    const before = steps[index - 1]
    if (!step.stage || step.sets !== 1 || !before) return
    const seconds = (Date.parse(step.at) - Date.parse(before.at)) / 1000
    if (seconds > 0 && seconds <= LONGEST_S) gaps.get(step.stage)?.push(seconds)
  })
  return Object.fromEntries(
    STAGES.map((stage): [Stage, StagePace] => {
      const latest = (gaps.get(stage) ?? []).slice(-LATEST).sort((a, b) => a - b)
      return [
        stage,
        latest.length < ENOUGH
          ? { secondsASet: ASSUMED_S[stage], measuredOn: 0 }
          : { secondsASet: median(latest), measuredOn: latest.length },
      ]
    }),
  ) as Record<Stage, StagePace>
}

function median(sorted: readonly number[]): number {
  const middle = sorted.length / 2
  return ((sorted[Math.ceil(middle) - 1] ?? 0) + (sorted[Math.floor(middle)] ?? 0)) / 2
}
