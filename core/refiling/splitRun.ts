import { SUM_EPSILON_MM } from '#core/units'

/** One holder of the run, in filing order. */
export interface SplitItem {
  readonly lengthMm: number
  /** The group by the first key of the rule (a theme, a brand), and by the first two keys: cuts inside either cost more. */
  readonly group: string
  readonly subgroup: string
}
/** A lane, in the order in which the run continues. */
export interface SplitBin {
  readonly capacityMm: number
}
/** Weight of each aim; 0: ignored. One broken group weighs as much as `group` containers, or as all containers being uneven. */
export interface SplitAims {
  readonly group: number
  readonly subgroup: number
  readonly container: number
  readonly even: number
}
export const START_AIMS: SplitAims = { group: 4, subgroup: 1, container: 2, even: 3 }

export type SplitPlan =
  | {
      readonly ok: true
      /** The first item of each bin, and the number of items at the end: as many as bins and one. */ readonly starts: readonly number[]
      readonly cost: number
    }
  | { readonly ok: false; readonly code: 'tooLong'; readonly needMm: number; readonly haveMm: number }
  | { readonly ok: false; readonly code: 'itemTooLong'; readonly index: number; readonly needMm: number; readonly haveMm: number }

/**
 * Where to cut a run over containers in sequence, exactly: dynamic programming over the number of items in the first bins (linear
 * partition: Skiena, The Algorithm Design Manual, with capacities and a price for each cut). Every bin keeps to its capacity, and the sum
 * of prices is the least. O(items x bins x items in a bin); memory 4 bytes an item and bin.
 */
export function splitRun(items: readonly SplitItem[], bins: readonly SplitBin[], aims: SplitAims): SplitPlan {
  const n = items.length
  const sums = new Float64Array(n + 1)
  items.forEach((item, at) => {
    sums[at + 1] = (sums[at] ?? 0) + item.lengthMm
  })
  const total = sums[n] ?? 0
  const haveMm = bins.reduce((sum, bin) => sum + bin.capacityMm, 0)
  const largest = bins.reduce((most, bin) => Math.max(most, bin.capacityMm), 0)
  const tooLong = items.findIndex(item => item.lengthMm > largest + SUM_EPSILON_MM)
  if (tooLong >= 0) return { ok: false, code: 'itemTooLong', index: tooLong, needMm: items[tooLong]?.lengthMm ?? 0, haveMm: largest }
  const cutPrice = Float64Array.from({ length: n + 1 }, (_, at) =>
    at === 0 || at === n ? 0 : priceOfCut(items[at - 1] as SplitItem, items[at] as SplitItem, aims),
  )
  const reach = latestEnds(sums, bins)
  const from = earliestStarts(sums, bins)
  if ((reach.at(-1) ?? 0) < n) return { ok: false, code: 'tooLong', needMm: total, haveMm }

  const came: Int32Array[] = []
  let before = new Float64Array(n + 1).fill(Infinity)
  before[0] = 0
  bins.forEach(({ capacityMm }, at) => {
    const now = new Float64Array(n + 1).fill(Infinity)
    const back = new Int32Array(n + 1).fill(-1)
    // Evenness: the sum of squared fills over capacities is least when all bins are filled alike.
    const evenness = total > 0 ? (aims.even / (capacityMm * total)) * (haveMm / total) * bins.length : 0
    const [low, high] = [from[at + 1] ?? 0, reach[at + 1] ?? n]
    let first = from[at] ?? 0
    for (let end = low; end <= high; end += 1) {
      const upTo = sums[end] ?? 0
      // An empty bin costs nothing.
      let best = before[end] ?? Infinity
      let where = end
      while (upTo - (sums[first] ?? 0) > capacityMm + SUM_EPSILON_MM) first += 1
      for (let start = first; start < end; start += 1) {
        const used = upTo - (sums[start] ?? 0)
        const cost = (before[start] ?? Infinity) + (cutPrice[start] ?? 0) + aims.container + evenness * used * used
        if (cost < best) [best, where] = [cost, start]
      }
      now[end] = best
      back[end] = where
    }
    before = now
    came.push(back)
  })
  const starts = new Array<number>(bins.length + 1).fill(n)
  for (let at = bins.length - 1, end = n; at >= 0; at -= 1) {
    end = came[at]?.[end] ?? 0
    starts[at] = end
  }
  return { ok: true, starts, cost: before[n] ?? Infinity }
}

function priceOfCut(front: SplitItem, behind: SplitItem, aims: SplitAims): number {
  return (
    (front.group === behind.group ? aims.group : 0) +
    (front.group === behind.group && front.subgroup === behind.subgroup ? aims.subgroup : 0)
  )
}

/** The most items that the first k bins can hold. */
function latestEnds(sums: Float64Array, bins: readonly SplitBin[]): readonly number[] {
  const ends = [0]
  for (const { capacityMm } of bins) {
    let end = ends.at(-1) ?? 0
    const from = sums[end] ?? 0
    while (end < sums.length - 1 && (sums[end + 1] ?? 0) - from <= capacityMm + SUM_EPSILON_MM) end += 1
    ends.push(end)
  }
  return ends
}
/** The fewest items that the first k bins must hold, as the other bins hold no more. */
function earliestStarts(sums: Float64Array, bins: readonly SplitBin[]): readonly number[] {
  const starts = new Array<number>(bins.length + 1).fill(0)
  starts[bins.length] = sums.length - 1
  for (let at = bins.length - 1; at >= 0; at -= 1) {
    let start = starts[at + 1] ?? 0
    const to = sums[start] ?? 0
    while (start > 0 && to - (sums[start - 1] ?? 0) <= (bins[at]?.capacityMm ?? 0) + SUM_EPSILON_MM) start -= 1
    starts[at] = start
  }
  return starts
}

/**
 * The least share to which the fullest bin must be filled, whatever the cuts. Greedy filling at a given share is exact, as the bins come
 * in a fixed sequence; the share is found by bisection. O((items + bins) x 60).
 * @example leastLargestShare([100, 200, 300, 400, 500, 600, 700, 800, 900], [1, 1, 1]) //=> 1700
 */
export function leastLargestShare(lengthsMm: readonly number[], capacitiesMm: readonly number[]): number {
  /** The fullest share if every bin takes as much as it can up to `share`; Infinity: not all items go in. */
  const fullestAt = (share: number): number => {
    let [at, fullest] = [0, 0]
    for (const capacity of capacitiesMm) {
      let used = 0
      while (at < lengthsMm.length && used + (lengthsMm[at] ?? 0) <= share * capacity + SUM_EPSILON_MM * capacity)
        used += lengthsMm[at++] ?? 0
      fullest = Math.max(fullest, used / capacity)
    }
    return at < lengthsMm.length ? Infinity : fullest
  }
  const total = lengthsMm.reduce((sum, each) => sum + each, 0)
  let [low, high] = [0, total / Math.min(...capacitiesMm)]
  for (let round = 0; round < 60; round += 1) {
    const middle = (low + high) / 2
    if (fullestAt(middle) === Infinity) low = middle
    else high = middle
  }
  return fullestAt(high)
}
