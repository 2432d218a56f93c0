import type { FilingRule, Holding } from '#core/catalog'
import { type Authority, compareFilingKeys, filingKeyOf } from './keys'

/** The rank of each set by a filing rule, by its id. Sets whose keys are equal have one rank. */
export type SetRanks = ReadonlyMap<string, number>

/** Ranks sets by a filing rule, so that comparing two sets is comparing two numbers. O(n log n) key comparisons. */
export function rankSets(holdings: Iterable<Holding>, rule: FilingRule, authority: Authority): SetRanks {
  const keyed = [...holdings].map(({ id, ...holding }) => ({ id, key: filingKeyOf({ id, ...holding }, rule, authority) }))
  keyed.sort((a, b) => compareFilingKeys(a.key, b.key) || (a.id < b.id ? -1 : 1))
  const ranks = new Map<string, number>()
  let rank = -1
  keyed.forEach(({ id, key }, at) => {
    const before = keyed[at - 1]
    if (!before || compareFilingKeys(before.key, key) !== 0) rank += 1
    ranks.set(id, rank)
  })
  return ranks
}
