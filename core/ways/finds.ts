import type { Holding } from '#core/catalog'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'

/** What a person knows of the set that they look for. */
export const KNOWN = ['theme', 'brand', 'itself'] as const
type Known = (typeof KNOWN)[number]
/** Relative frequency of each clue; the shares need not add up to one. */
export type FindHabits = Readonly<Record<Known, number>>

export interface Find {
  readonly at: number
  readonly known: Known
  /** The remembered theme or brand; empty if only the set itself is remembered. */
  readonly value: string
}

/** A seeded source of random numbers from 0 to 1. @example chances(1)() < 1 //=> true */
export function chances(seed: number): () => number {
  const source = xoroshiro128plus(seed)
  return () => uniformFloat64(source)
}

/**
 * Finds to try a rule with: sets drawn with a weight of their uses plus one, each with a clue drawn by the habits. Of several themes, any
 * is remembered. O(count log n).
 */
export function drawFinds(
  sets: readonly { readonly holding: Holding; readonly timesUsed: number }[],
  habits: FindHabits,
  count: number,
  seed: number,
): readonly Find[] {
  const luck = chances(seed)
  const sums: number[] = []
  sets.reduce((sum, { timesUsed }, at) => (sums[at] = sum + 1 + timesUsed), 0)
  const total = sums.at(-1) ?? 0
  const all = KNOWN.reduce((sum, known) => sum + Math.max(0, habits[known]), 0) || 1
  return Array.from({ length: sets.length > 0 ? count : 0 }, (): Find => {
    const aim = luck() * total
    let [low, high] = [0, sums.length - 1]
    while (low < high) {
      const middle = (low + high) >> 1
      if ((sums[middle] ?? 0) > aim) high = middle
      else low = middle + 1
    }
    const { holding } = sets[low] as { readonly holding: Holding }
    let share = luck() * all
    const known = KNOWN.find(each => (share -= Math.max(0, habits[each])) < 0) ?? 'itself'
    const theme = holding.themeIds[Math.floor(luck() * holding.themeIds.length)]
    const values = { theme, brand: holding.brandId ?? undefined, itself: undefined }
    const value = values[known]
    return { at: low, known: value === undefined ? 'itself' : known, value: value ?? '' }
  })
}
