import type { FilingRule, Zone } from '#core/catalog'
import type { ContainerRow } from '#core/room'
import { orderHolders, type OrderFacts } from './aim'
import { longestIncreasing } from './lis'

/** Number of holders to lift until the zone is in the order of a rule again, wherever they are in their containers. O(n log n). */
export function outOfOrder(rows: readonly ContainerRow[], rule: FilingRule, dies: Zone['habits']['dies'], facts: OrderFacts): number {
  const placements = rows
    .filter(row => row.container.cells === null && !row.container.isTable)
    .flatMap(row => row.placements)
    .filter(({ holder }) => holder.apartBecause === null)
  const at = new Map(placements.map(({ holder }, index) => [holder.id, index]))
  return placements.length - longestIncreasing(orderHolders(placements, rule, dies, facts).map(each => at.get(each.holderId) ?? 0)).length
}
