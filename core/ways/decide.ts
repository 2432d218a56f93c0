import type { SimulatedRoom } from './layout'
import { type Assumptions, type RuleResult, simulateRule } from './simulate'

export const ASSUMPTION_CHANGES = ['alwaysTheme', 'alwaysBrand', 'alwaysItself', 'twiceTheNew', 'tenthOfTheFinds'] as const
export type AssumptionChange = (typeof ASSUMPTION_CHANGES)[number]

const CHANGE: Readonly<Record<AssumptionChange, (assumptions: Assumptions) => Assumptions>> = {
  alwaysTheme: each => ({ ...each, habits: { theme: 1, brand: 0, itself: 0 } }),
  alwaysBrand: each => ({ ...each, habits: { theme: 0, brand: 1, itself: 0 } }),
  alwaysItself: each => ({ ...each, habits: { theme: 0, brand: 0, itself: 1 } }),
  twiceTheNew: each => ({ ...each, newPerYear: each.newPerYear * 2 }),
  tenthOfTheFinds: each => ({ ...each, findsPerYear: each.findsPerYear / 10 }),
}

/** The rule that takes the fewest minutes a year, on a tie the first; null: nothing was compared. */
export function best(results: readonly RuleResult[], isByIndex: boolean): RuleResult | null {
  const minutes = (result: RuleResult): number => (isByIndex ? result.minutesWithIndex : result.minutesWithoutIndex)
  return results.reduce<RuleResult | null>((least, each) => (least === null || minutes(each) < minutes(least) ? each : least), null)
}

/** The best rule under each changed assumption, as an index into `results`. */
export interface Decision {
  readonly change: AssumptionChange
  readonly withIndex: number
  readonly withoutIndex: number
}

/** Changes each assumption alone, and tells whether the best rule changes. `goOn` is asked before each and may stop the work. */
export function whatDecides(
  room: SimulatedRoom,
  results: readonly RuleResult[],
  assumptions: Assumptions,
  goOn: (change: AssumptionChange) => void,
): readonly Decision[] {
  return ASSUMPTION_CHANGES.map(change => {
    goOn(change)
    const other = CHANGE[change]({ ...assumptions, draws: Math.min(assumptions.draws, 1000) })
    const tried = results.map(({ rule }) => simulateRule(room, rule, other))
    const at = (isByIndex: boolean): number => {
      const found = best(tried, isByIndex)
      return found ? tried.indexOf(found) : -1
    }
    return { change, withIndex: at(true), withoutIndex: at(false) }
  })
}
