import type { Cell, Holding, Zone } from '#core/catalog'
import { thicknessIn, type ThicknessTable } from '#core/capacity'
import { proposePlace, type RoomFacts, zoneFor } from '#core/filing'
import { type ContainerRow, containersInOrder, keysBehind } from '#core/room'
import { type OrderedHolder, orderHolders, splitItems } from './aim'
import { splitRun, START_AIMS } from './splitRun'

/** One set and its place. */
export interface Placing {
  readonly holding: Holding
  readonly containerId: string
  readonly lane: number
  readonly order: string
  readonly cell: Cell | null
}
/** The facts that a plan of places reads. */
export interface SpreadFacts extends RoomFacts {
  readonly learnt: ThicknessTable
}
/** One zone with its sets, in the order of its rule. */
export interface ZoneShare {
  readonly zone: Zone
  readonly ordered: readonly OrderedHolder[]
}

/** The waiting sets by the zone that takes them, each list in the order of its zone. Sets that no zone takes are left out. O(n log n). */
export function sharesOf(waiting: readonly Holding[], facts: RoomFacts): readonly ZoneShare[] {
  return [...facts.zones]
    .sort((a, b) => a.rank - b.rank)
    .flatMap((zone): ZoneShare[] => {
      const own = waiting.filter(holding => zoneFor(holding, facts.zones)?.id === zone.id)
      const placements = own.map(({ id }) => ({ holder: { id, holdingIds: [id] } }))
      return own.length > 0 ? [{ zone, ordered: orderHolders(placements, zone.filingRule, zone.habits.dies, facts) }] : []
    })
}

/**
 * Places for the first sets of a zone whose rows are empty: the run is split over the rows as a re-filing would split it, with room kept
 * for new sets if possible, and never beyond their length. The last sets of the run are left over if there is no room. null: the rows are
 * in use, or there are none, so sets go in one by one.
 */
export function spreadOverEmpty({ zone, ordered }: ZoneShare, facts: SpreadFacts): readonly Placing[] | null {
  const rows = containersInOrder(facts, zone.id).filter(row => row.container.cells === null)
  const lanes = rows.flatMap(row => row.lanes.map((entries, at) => ({ row, lane: at + 1, isEmpty: entries.length === 0 })))
  if (lanes.length === 0 || lanes.some(lane => !lane.isEmpty)) return null
  const lengthOf = lengthsOf(ordered, facts)
  const items = splitItems(ordered, zone.filingRule, lengthOf)
  for (const share of [1 - zone.growthReserve, 1]) {
    const bins = lanes.map(({ row }) => ({ capacityMm: row.container.lengthMm * share }))
    const plan = splitRun(items, bins, START_AIMS)
    if (plan.ok) return lanes.flatMap(({ row, lane }, at) => placings(ordered.slice(plan.starts[at], plan.starts[at + 1]), row, lane))
  }
  // More than there is room for: row after row until all are full.
  let next = 0
  return lanes.flatMap(({ row, lane }) => {
    const from = next
    for (let used = 0; next < ordered.length; next += 1) {
      used += lengthOf(ordered[next]?.holderId ?? '')
      if (used > row.container.lengthMm) break
    }
    return placings(ordered.slice(from, next), row, lane)
  })
}

/** Where one set goes after those before it, if there is room. As `proposePlace`. */
export function placeOne(holding: Holding, facts: SpreadFacts): Placing | null {
  const proposal = proposePlace(holding, facts)
  if (!proposal.ok) return null
  const { container, lane, order, cell } = proposal.point
  return { holding, containerId: container.id, lane, order, cell }
}

function placings(ordered: readonly OrderedHolder[], row: ContainerRow, lane: number): readonly Placing[] {
  const keys = keysBehind([], -1, ordered.length)
  return ordered.map(({ holding }, at) => ({ holding, containerId: row.container.id, lane, order: keys[at] ?? '', cell: null }))
}

function lengthsOf(ordered: readonly OrderedHolder[], { authority, learnt }: SpreadFacts): (holderId: string) => number {
  const lengths = new Map(
    ordered.map(({ holderId, holding }) => [
      holderId,
      // A set cut in two takes two pockets.
      thicknessIn(holding, { type: holding.sitsIn ?? 'pocket' }, id => authority.kinds.get(id), learnt).mm * (holding.isCutInTwo ? 2 : 1),
    ]),
  )
  return id => lengths.get(id) ?? 0
}
