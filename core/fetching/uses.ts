import type { Use } from '#core/catalog'

/** What the log says of one set. */
export interface UseTally {
  /** Number of uses that were counted. */
  readonly times: number
  /** false: it was used besides, nobody knows how often. */
  readonly isCounted: boolean
  /** The last known day, month or year; null: unknown. */
  readonly lastOn: string | null
}

/**
 * How often each set was used, and when last, counted from the log. A set of which the log says nothing is not in it: nobody knows
 * whether it was used. O(uses).
 * @example tallyUses([{ id: 'u', holdingId: 's', on: '2026-05', times: 2, from: 'said' }]).get('s')
 * //=> { times: 2, isCounted: true, lastOn: '2026-05' }
 */
export function tallyUses(uses: Iterable<Use>): ReadonlyMap<string, UseTally> {
  const tallies = new Map<string, UseTally>()
  for (const { holdingId, on, times } of uses) {
    const before = tallies.get(holdingId)
    tallies.set(holdingId, {
      times: (before?.times ?? 0) + (times ?? 0),
      isCounted: (before?.isCounted ?? true) && times !== null,
      // A day sorts behind its month, and a month behind its year: text order is time order.
      lastOn: laterOf(before?.lastOn ?? null, times === 0 ? null : on),
    })
  }
  return tallies
}
const laterOf = (a: string | null, b: string | null): string | null => {
  if (a === null) return b
  return b === null || a > b ? a : b
}

/** Whether a set was ever used; null: the log says nothing of it. @example wasUsed(undefined) //=> null */
export const wasUsed = (tally: UseTally | undefined): boolean | null => (tally ? tally.times > 0 || !tally.isCounted : null)

/**
 * What an older list says of use as a whole; null where it says nothing.
 * @example saidUse({ isUsed: true, useCount: null })?.times //=> null
 */
export function saidUse({
  isUsed,
  useCount,
}: {
  readonly isUsed: boolean | null
  readonly useCount: number | null
}): Pick<Use, 'on' | 'times' | 'from'> | null {
  if (isUsed === null && useCount === null) return null
  return { on: null, times: isUsed === false ? 0 : useCount, from: 'said' }
}

/**
 * The days on which a set was used that was fetched and is back: the day of each, one where it is the same.
 * @example daysOfUse('2026-11-25', '2026-11-27') //=> ['2026-11-25', '2026-11-27']
 */
export const daysOfUse = (outOn: string, backOn: string): readonly string[] => [...new Set([outOn, backOn])]
