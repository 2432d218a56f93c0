import { type Holder, type Holding, newHolder } from '#core/catalog'
import { rankSets, type SetRanks } from '#core/filing'
import { group } from 'd3-array'
import { allIn, arrangeContainer, besideFirstHalf, type ContainerRow } from '#core/room'
import { type Placing, placeOne, sharesOf, type SpreadFacts, spreadOverEmpty } from './spread'

/** Places for many sets, and the room with these sets in it. */
export interface PlacesPlan {
  readonly holders: readonly Holder[]
  readonly placed: readonly Holding[]
  readonly rows: ReadonlyMap<string, ContainerRow>
}

/**
 * Places many sets by the rules of their zones, as far as there is room. Empty rows are filled as a re-filing would fill them; else each
 * set goes where it belongs after those before it. Yields the plan so far from time to time, so that the caller can stop. The ranks of the
 * sets are computed once: O(n log n) comparisons.
 */
export function* planPlaces(holdings: readonly Holding[], facts: SpreadFacts, newId: () => string): Generator<PlacesPlan, PlacesPlan> {
  const rows = new Map(facts.rows)
  const holders: Holder[] = []
  const placed: Holding[] = []
  const plan: PlacesPlan = { holders, placed, rows }
  const ranks = new Map<string, SetRanks>()
  for (const share of sharesOf(holdings, facts)) {
    const spread = spreadOverEmpty(share, { ...facts, rows })
    for (const [, placings] of group(spread ?? [], ({ containerId }) => containerId)) {
      yield plan
      take(placings)
    }
    if (spread) continue
    const { zone, ordered } = share
    const standing = [...rows.values()]
      .filter(({ container }) => container.zoneId === zone.id)
      .flatMap(row => allIn(row).flatMap(({ holder }) => facts.holdings.get(holder.holdingIds[0] ?? '') ?? []))
    ranks.set(zone.id, rankSets(new Set([...standing, ...ordered.map(each => each.holding)]), zone.filingRule, facts.authority))
    for (const { holding } of ordered) {
      yield plan
      const placing = placeOne(holding, { ...facts, rows, ranks })
      if (placing) take([placing])
    }
  }
  return plan

  /** The sets of one container, and the second halves of sets cut in two. */
  function take(placings: readonly Placing[]): void {
    const row = rows.get(placings[0]?.containerId ?? '')
    if (!row) return
    const { container } = row
    const sections = row.lanes.flat().flatMap(entry => (entry.type === 'section' ? [entry.section] : []))
    const fresh = placings.map(({ holding, containerId, lane, order, cell }) =>
      newHolder(newId(), holding, { containerId, lane, order, cell }),
    )
    let inIt = [...allIn(row).map(each => each.holder), ...fresh]
    let arranged = arrangeContainer(container, inIt, sections)
    fresh.forEach((holder, at) => {
      const beside = placings[at]?.holding.isCutInTwo ? besideFirstHalf(arranged, holder) : null
      if (!beside) return
      const second = { ...holder, id: newId(), ...beside }
      holders.push(second)
      inIt = [...inIt, second]
      arranged = arrangeContainer(container, inIt, sections)
    })
    holders.push(...fresh)
    placed.push(...placings.map(each => each.holding))
    rows.set(container.id, arranged)
  }
}

/** The whole plan at once. */
export function planAllPlaces(holdings: readonly Holding[], facts: SpreadFacts, newId: () => string): PlacesPlan {
  const planning = planPlaces(holdings, facts, newId)
  let step = planning.next()
  while (!step.done) step = planning.next()
  return step.value
}
