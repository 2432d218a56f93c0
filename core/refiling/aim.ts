import { addTo, type FilingRule, type Holding, type LaneTarget, type Section, type Zone } from '#core/catalog'
import type { Placement } from '#core/room'
import { type Authority, compareFilingKeys, filingKeyOf, groupsBy, type KeyPart, tabOf } from '#core/filing'
import { START_TABS, type TabHabit } from './dividers'
import type { SplitItem } from './splitRun'

/** The facts that a filing order reads. */
export interface OrderFacts {
  readonly holdings: ReadonlyMap<string, Holding>
  readonly authority: Authority
  readonly stampOf?: ReadonlyMap<string, string>
}
export interface OrderedHolder {
  readonly holderId: string
  readonly holding: Holding
  readonly key: readonly KeyPart[]
}

/** The holders of a zone in the order of a rule; dies behind their stamps where the zone keeps them so. O(n log n). */
export function orderHolders(
  placements: readonly { readonly holder: Pick<Placement['holder'], 'id' | 'holdingIds'> }[],
  rule: FilingRule,
  dies: Zone['habits']['dies'],
  facts: OrderFacts,
): readonly OrderedHolder[] {
  const all = placements.flatMap(({ holder }): OrderedHolder[] => {
    const holding = facts.holdings.get(holder.holdingIds[0] ?? '')
    return holding ? [{ holderId: holder.id, holding, key: filingKeyOf(holding, rule, facts.authority) }] : []
  })
  const sorted = all.sort((a, b) => compareFilingKeys(a.key, b.key) || (a.holderId < b.holderId ? -1 : 1))
  if (dies !== 'behind' || !facts.stampOf) return sorted
  const present = new Set(sorted.map(each => each.holding.id))
  const behind = new Map<string, OrderedHolder[]>()
  const rest = sorted.filter(each => {
    const stampId = facts.stampOf?.get(each.holding.id)
    if (!stampId || !present.has(stampId) || stampId === each.holding.id) return true
    addTo(behind, stampId, each)
    return false
  })
  const withDies = (each: OrderedHolder): OrderedHolder[] => [each, ...(behind.get(each.holding.id) ?? []).flatMap(withDies)]
  const placed = rest.flatMap(withDies)
  // Two dies that name each other as their stamp go behind neither.
  const got = new Set(placed.map(each => each.holderId))
  return [...placed, ...sorted.filter(each => !got.has(each.holderId))]
}

/** The ordered holders as items of a run to be split, each with its group by the first key and by the first two. */
export function splitItems(
  ordered: readonly OrderedHolder[],
  rule: FilingRule,
  lengthOf: (holderId: string) => number,
): readonly SplitItem[] {
  return ordered.map(({ holderId, key }): SplitItem => {
    const group = groupsBy(rule) ? String(key[0]) : holderId
    return { lengthMm: lengthOf(holderId), group, subgroup: groupsBy(rule) && groupsBy(rule, 1) ? `${group}/${String(key[1])}` : holderId }
  })
}

/** The lanes of the aim: the ordered holders cut at `starts`, with a tab in front of the first holder of each group. */
export function laneTargets(
  ordered: readonly OrderedHolder[],
  rule: FilingRule,
  lanes: readonly { readonly containerId: string; readonly lane: number }[],
  starts: readonly number[],
  titleOf: (standsFor: NonNullable<Section['standsFor']>) => string,
  habit: TabHabit = START_TABS,
): readonly LaneTarget[] {
  let colour = 0
  const colourOf = new Map<string, number>()
  return lanes.map(({ containerId, lane }, at): LaneTarget => {
    const here = ordered.slice(starts[at] ?? 0, starts[at + 1] ?? ordered.length)
    let last = ''
    const tabs = here.flatMap(({ holderId, holding }): LaneTarget['tabs'] => {
      const standsFor = tabOf(holding, rule)
      const key = standsFor ? `${standsFor.by}/${standsFor.id}` : ''
      if (!standsFor || key === last) return []
      last = key
      if (!colourOf.has(key)) colourOf.set(key, colour++ % habit.colours)
      return [{ title: titleOf(standsFor), colour: colourOf.get(key) ?? 0, standsFor, beforeHolderId: holderId }]
    })
    return { containerId, lane, holderIds: here.map(each => each.holderId), tabs }
  })
}

/**
 * The aim for the room as it is now: holders that are gone are left out, and holders that came into its lanes are inserted by the rule.
 * O(n log n).
 */
export function adaptAim(
  aim: readonly LaneTarget[],
  placements: readonly Placement[],
  rule: FilingRule,
  dies: Zone['habits']['dies'],
  facts: OrderFacts,
): readonly LaneTarget[] {
  const present = new Set(placements.map(({ holder }) => holder.id))
  const known = new Set(aim.flatMap(lane => lane.holderIds))
  const fresh = new Set([...present].filter(id => !known.has(id)))
  const kept = aim.map(lane => ({ ...lane, holderIds: lane.holderIds.filter(id => present.has(id)) }))
  if (fresh.size === 0) return kept.map(withTabs)
  const laneOf = new Map(kept.flatMap((lane, at) => lane.holderIds.map(id => [id, at] as const)))
  const lists = kept.map(lane => [...lane.holderIds])
  let [before, lane]: [string | null, number] = [
    null,
    Math.max(
      0,
      kept.findIndex(each => each.holderIds.length > 0),
    ),
  ]
  for (const { holderId } of orderHolders(placements, rule, dies, facts)) {
    const own = laneOf.get(holderId)
    if (own !== undefined) [before, lane] = [holderId, own]
    else if (fresh.has(holderId)) {
      const list = lists[lane]
      list?.splice(before === null ? 0 : list.indexOf(before) + 1, 0, holderId)
      before = holderId
    }
  }
  return kept.map((each, at) => withTabs({ ...each, holderIds: lists[at] ?? [] }))
}
/** A tab whose first holder is gone is dropped. */
function withTabs(lane: LaneTarget): LaneTarget {
  const here = new Set(lane.holderIds)
  return { ...lane, tabs: lane.tabs.filter(tab => here.has(tab.beforeHolderId)) }
}
