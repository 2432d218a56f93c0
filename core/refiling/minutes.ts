import type { Refiling } from '#core/catalog'

/** Usual pace (common practice): seconds to lift a holder and set it down, and to walk over for each step. */
const SECONDS_A_HOLDER = 6
const SECONDS_A_STEP = 20
/** Holders moved before the owner's own pace counts. */
const LEAST_LIFTS = 20

/**
 * Minutes that a re-filing takes: at the owner's pace in earlier re-filings, or at the usual one.
 * @example minutesFor([], 60, 3) //=> { minutes: 7, isOwnPace: false }
 */
export function minutesFor(
  refilings: Iterable<Pick<Refiling, 'liftsDone' | 'minutesWorked'>>,
  lifts: number,
  steps: number,
): { readonly minutes: number; readonly isOwnPace: boolean } {
  const worked = [...refilings].filter(each => each.liftsDone >= LEAST_LIFTS && each.minutesWorked > 0)
  const done = worked.reduce((sum, each) => sum + each.liftsDone, 0)
  return done > 0
    ? { minutes: (lifts * worked.reduce((sum, each) => sum + each.minutesWorked, 0)) / done, isOwnPace: true }
    : { minutes: (lifts * SECONDS_A_HOLDER + steps * SECONDS_A_STEP) / 60, isOwnPace: false }
}
