import type { FilingKey, FilingRule } from '#core/catalog'
import { compareFilingKeys, filingKeyOf, KEYS } from '#core/filing'
import { chances, drawFinds, type FindHabits } from './finds'
import { fillLanes, type FindCost, layOut, type SimulatedRoom } from './layout'

/** The assumptions behind the answer. The person can change all of them. */
export interface Assumptions {
  readonly habits: FindHabits
  readonly findsPerYear: number
  readonly newPerYear: number
  readonly secondsToOpen: number
  readonly secondsToFlip: number
  readonly secondsToMove: number
  readonly seed: number
  readonly draws: number
}
export const START_ASSUMPTIONS: Assumptions = {
  habits: { theme: 2, brand: 1, itself: 1 },
  findsPerYear: 200,
  newPerYear: 40,
  secondsToOpen: 8,
  secondsToFlip: 0.8,
  secondsToMove: 6,
  seed: 1,
  draws: 3000,
}

export interface RuleResult {
  readonly rule: FilingRule
  readonly withIndex: FindCost
  readonly withoutIndex: FindCost
  /** Groups of one or two sets by the first key; groups split over lanes; sets that could be in several groups. */
  readonly smallGroups: number
  readonly groups: number
  readonly splitGroups: number
  readonly belongTwice: number
  readonly movesNow: number
  readonly movesPerHundred: number
  readonly lanesNeeded: number
  /** Minutes a year for finding and making room. */
  readonly minutesWithIndex: number
  readonly minutesWithoutIndex: number
}

/** The rules that are compared; the last is never re-filed and is searched by the index. */
export const COMPARED_RULES: readonly FilingRule[] = [
  ruleOf('theme', 'brand', 'name'),
  ruleOf('brand', 'name'),
  ruleOf('brand', 'theme', 'name'),
  ruleOf('category', 'theme', 'name'),
  ruleOf('sizeClass', 'name'),
  ruleOf('number'),
]
function ruleOf(...by: readonly FilingKey['by'][]): FilingRule {
  return {
    keys: by.map((each): FilingKey => ({ by: each, order: KEYS[each].orders[0] })),
  }
}

/**
 * One filing rule tried on a collection: the cost of a find with and without the index, its groups, and the re-filing it takes. Seeded.
 * O(n log n + draws x groups).
 */
export function simulateRule(room: SimulatedRoom, rule: FilingRule, assumptions: Assumptions): RuleResult {
  const layout = layOut(room, rule)
  const finds = drawFinds(room.holders, assumptions.habits, assumptions.draws, assumptions.seed)
  const [withIndex, withoutIndex] = [mean(finds.map(find => layout.byIndex(find))), mean(finds.map(find => layout.byLooking(find)))]
  const movesPerHundred = movesForNew(room, rule, assumptions.seed)
  const making = (assumptions.newPerYear / 100) * movesPerHundred * assumptions.secondsToMove
  const minutes = ({ opened, flipped }: FindCost): number =>
    (assumptions.findsPerYear * (opened * assumptions.secondsToOpen + flipped * assumptions.secondsToFlip) + making) / 60
  return {
    rule,
    withIndex,
    withoutIndex,
    movesPerHundred,
    ...layout.groups,
    movesNow: layout.movesNow,
    lanesNeeded: layout.lanesNeeded,
    belongTwice: rule.keys[0]?.by === 'theme' ? room.holders.filter(each => each.holding.themeIds.length > 1).length : 0,
    minutesWithIndex: minutes(withIndex),
    minutesWithoutIndex: minutes(withoutIndex),
  }
}
function mean(costs: readonly FindCost[]): FindCost {
  const count = Math.max(1, costs.length)
  return {
    opened: costs.reduce((sum, each) => sum + each.opened, 0) / count,
    flipped: costs.reduce((sum, each) => sum + each.flipped, 0) / count,
  }
}

const NEW = 100
/**
 * A hundred sets like the present ones arrive, each filed by the rule; a full lane hands its last holder on to the next. Returns the
 * number of handed-on holders. By number it is 0: new sets go to the end.
 */
function movesForNew({ holders, lanesMm, reserve, facts }: SimulatedRoom, rule: FilingRule, seed: number): number {
  if (holders.length === 0 || rule.keys[0]?.by === 'number' || rule.keys[0]?.by === 'date') return 0
  const luck = chances(seed + 1)
  const keys = holders.map(each => filingKeyOf(each.holding, rule, facts.authority))
  const order = holders.map((_, at) => at).sort((a, b) => compareFilingKeys(keys[a] ?? [], keys[b] ?? []) || a - b)
  const lengths = order.map(at => holders[at]?.lengthMm ?? 0)
  const lanes = fillLanes(lengths, lanesMm, reserve)
  const lists: number[][] = []
  lanes.forEach((lane, place) => {
    ;(lists[lane] ??= []).push(lengths[place] ?? 0)
  })
  const used = lists.map(list => list.reduce((sum, each) => sum + each, 0))
  const starts = lists.map((_, lane) => lanes.indexOf(lane))
  let moves = 0
  for (let count = 0; count < NEW; count += 1) {
    const place = Math.floor(luck() * order.length)
    let lane = lanes[place] ?? 0
    const lengthMm = lengths[place] ?? 0
    lists[lane]?.splice(Math.min(lists[lane]?.length ?? 0, place - (starts[lane] ?? 0)), 0, lengthMm)
    used[lane] = (used[lane] ?? 0) + lengthMm
    while ((used[lane] ?? 0) > (lanesMm[lane] ?? lanesMm.at(-1) ?? Infinity) && (lists[lane]?.length ?? 0) > 1) {
      const handed = lists[lane]?.pop() ?? 0
      used[lane] = (used[lane] ?? 0) - handed
      ;(lists[lane + 1] ??= []).unshift(handed)
      used[lane + 1] = (used[lane + 1] ?? 0) + handed
      moves += 1
      if ((used[lane] ?? 0) <= (lanesMm[lane] ?? lanesMm.at(-1) ?? Infinity)) lane += 1
    }
  }
  return moves
}
