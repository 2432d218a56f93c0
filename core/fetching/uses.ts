import type { Use } from '#core/catalog'

/** What the log says of one set. */
export interface UseTally {
  /** Number of uses that were counted. */
  readonly times: number
  /** false: it was also used an unknown number of times. */
  readonly isCounted: boolean
  /** The last known day, month or year; null: unknown. */
  readonly lastOn: string | null
}

/**
 * How often and when last each set was used, counted from the log. A set that the log does not mention is left out: its use is unknown.
 * O(uses).
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
      // Partial dates compare as text: a month sorts before its days.
      lastOn: laterOf(before?.lastOn ?? null, times === 0 ? null : on),
    })
  }
  return tallies
}
const laterOf = (a: string | null, b: string | null): string | null => {
  if (a === null) return b
  return b === null || a > b ? a : b
}

/** Whether a set was ever used; null: the log does not mention it. @example wasUsed(undefined) //=> null */
export const wasUsed = (tally: UseTally | undefined): boolean | null => (tally ? tally.times > 0 || !tally.isCounted : null)

/**
 * The use that an older list states for a set; null: it states none.
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
 * The days of use of a set that was fetched and brought back: the first and the last day, once if they are the same.
 * @example daysOfUse('2026-11-25', '2026-11-27') //=> ['2026-11-25', '2026-11-27']
 */
export const daysOfUse = (outOn: string, backOn: string): readonly string[] => [...new Set([outOn, backOn])]
