import { addTo, type FilingRule, type Holding } from '#core/catalog'
import { compareFilingKeys, filingKeyOf, groupsBy } from '#core/filing'
import { longestIncreasing, type OrderFacts } from '#core/refiling'
import type { Find } from './finds'

/** One holder of the collection, with its present place. */
export interface SimulatedHolder {
  readonly holding: Holding
  /** By the log of use. */
  readonly timesUsed: number
  readonly lengthMm: number
  /** Its lane now, and its index there. */
  readonly lane: number
  readonly position: number
}
export interface SimulatedRoom {
  readonly holders: readonly SimulatedHolder[]
  readonly lanesMm: readonly number[]
  /** Share of each lane that is kept free. */
  readonly reserve: number
  readonly facts: OrderFacts
}
export interface FindCost {
  readonly opened: number
  readonly flipped: number
}

export interface Layout {
  readonly byIndex: (find: Find) => FindCost
  readonly byLooking: (find: Find) => FindCost
  /** Groups by the first key: all, those of one or two sets, and those split over lanes. */
  readonly groups: { readonly groups: number; readonly smallGroups: number; readonly splitGroups: number }
  readonly movesNow: number
  readonly lanesNeeded: number
}

/** The collection in the order of a rule, filled into the lanes one after the other. */
export function layOut({ holders, lanesMm, reserve, facts }: SimulatedRoom, rule: FilingRule): Layout {
  const keys = holders.map(each => filingKeyOf(each.holding, rule, facts.authority))
  const order = holders.map((_, at) => at).sort((a, b) => compareFilingKeys(keys[a] ?? [], keys[b] ?? []) || a - b)
  const rank = new Int32Array(holders.length)
  order.forEach((at, place) => {
    rank[at] = place
  })
  const lanes = fillLanes(
    order.map(at => holders[at]?.lengthMm ?? 0),
    lanesMm,
    reserve,
  )
  const isGrouped = groupsBy(rule)
  const groupOf = (at: number): string => (isGrouped ? String(keys[at]?.[0]) : '')
  const first = new Map<string, number>()
  const size = new Map<string, number>()
  const groupLanes = new Map<string, Set<number>>()
  const groupsUpTo = new Int32Array(order.length)
  order.forEach((at, place) => {
    const group = groupOf(at)
    if (!first.has(group)) first.set(group, place)
    size.set(group, (size.get(group) ?? 0) + 1)
    groupsUpTo[place] = size.size
    groupLanes.set(group, (groupLanes.get(group) ?? new Set()).add(lanes[place] ?? 0))
  })
  /** For each clue (theme, brand): the lanes of the sets that match it, by filing key. */
  const places = {
    theme: placesBy(order, at => holders[at]?.holding.themeIds[0]),
    brand: placesBy(order, at => holders[at]?.holding.brandId ?? undefined),
  }
  const laneStart = new Map<number, number>()
  lanes.forEach((lane, place) => {
    if (!laneStart.has(lane)) laneStart.set(lane, place)
  })
  const laneSize = new Map<number, number>()
  for (const lane of lanes) laneSize.set(lane, (laneSize.get(lane) ?? 0) + 1)
  const scan = (place: number): FindCost => ({ opened: (lanes[place] ?? 0) - (lanes[0] ?? 0) + 1, flipped: place + 1 })

  return {
    groups: isGrouped
      ? {
          groups: size.size,
          smallGroups: [...size.values()].filter(count => count <= 2).length,
          splitGroups: [...groupLanes.values()].filter(some => some.size > 1).length,
        }
      : { groups: 0, smallGroups: 0, splitGroups: 0 },
    lanesNeeded: new Set(lanes).size,
    movesNow: movesBetween(holders, order, lanes),
    byIndex: ({ at }) => {
      const place = rank[at] ?? 0
      const lane = lanes[place] ?? 0
      // The address names container and tab, and one flips on from the tab. Without tabs the tickets are in order, and one bisects.
      const from = Math.max(laneStart.get(lane) ?? 0, first.get(groupOf(at)) ?? 0)
      return { opened: 1, flipped: isGrouped ? place - from + 1 : Math.ceil(Math.log2((laneSize.get(lane) ?? 1) + 1)) }
    },
    byLooking: ({ at, known, value }) => {
      const place = rank[at] ?? 0
      const depth = known === 'itself' ? -1 : rule.keys.findIndex(key => key.by === known)
      if (known === 'itself' || depth < 0) return scan(place)
      const spots = places[known].get(value) ?? []
      const found = spots.indexOf(place)
      const looked = found < 0 ? spots : spots.slice(0, found + 1)
      const opened = new Set(looked.map(spot => lanes[spot] ?? 0)).size
      // Under a later key, every group in front is tried as well, one look at its tab each.
      const tabs = depth === 0 ? 0 : (groupsUpTo[place] ?? 0)
      if (found >= 0) return { opened: depth === 0 ? opened : Math.max(opened, scan(place).opened), flipped: looked.length + tabs }
      // Another theme than the filed one was remembered: the set is not there, and one goes through everything.
      const all = scan(place)
      return { opened: opened + all.opened, flipped: looked.length + all.flipped }
    },
  }
}

function placesBy(order: readonly number[], valueOf: (at: number) => string | undefined): ReadonlyMap<string, readonly number[]> {
  const places = new Map<string, number[]>()
  order.forEach((at, place) => {
    const value = valueOf(at)
    if (value === undefined) return
    const there = places.get(value)
    if (there) there.push(place)
    else places.set(value, [place])
  })
  return places
}

/** The lane of each holder of the run, filled one after the other up to the reserve; overflow goes into additional lanes. */
export function fillLanes(lengths: readonly number[], lanesMm: readonly number[], reserve: number): readonly number[] {
  let [lane, used] = [0, 0]
  return lengths.map(length => {
    const capacity = (lanesMm[lane] ?? lanesMm.at(-1) ?? Infinity) * (1 - reserve)
    if (used > 0 && used + length > capacity) [lane, used] = [lane + 1, 0]
    used += length
    return lane
  })
}

/** Number of holders to lift: all but the longest run of each lane that stays in order. */
function movesBetween(holders: readonly SimulatedHolder[], order: readonly number[], lanes: readonly number[]): number {
  const stays = new Map<number, { position: number; place: number }[]>()
  order.forEach((at, place) => {
    const holder = holders[at]
    if (!holder || holder.lane !== lanes[place]) return
    addTo(stays, holder.lane, { position: holder.position, place })
  })
  const stay = [...stays.values()].reduce(
    (sum, list) => sum + longestIncreasing(list.sort((a, b) => a.position - b.position).map(each => each.place)).length,
    0,
  )
  return holders.length - stay
}
