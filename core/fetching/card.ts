import { ascending } from 'd3-array'

/** A set that would serve a need, together with the sets that go along with it. */
export interface Candidate {
  readonly id: string
  /** Every container that it opens, those of the sets that go along included; empty: it is at hand. null: its place is unknown. */
  readonly containerIds: readonly string[] | null
}
export interface CardFacts {
  /** Rank of a container in the walk through the room; containers nearer to the door come first. */
  readonly rankOf: (containerId: string) => number
  /** Where a container stands, in mm along the room. */
  readonly alongMm: (containerId: string) => number
}
export interface CardChoice {
  /** The chosen candidate of each need, in the order of the needs; null: the need has none. */
  readonly chosen: readonly (string | null)[]
  readonly containerIds: readonly string[]
  readonly walkMm: number
  /** false: the search stopped at its limit, so a better choice may exist. */
  readonly isBest: boolean
}

/** Search nodes at most. Beyond them the best choice so far is returned with `isBest` false. */
const MOST_NODES = 600_000

/**
 * Chooses one candidate for each need so that the fewest containers are opened; on a tie the shortest walk, then the order of the offers.
 * Exact: weighted set cover (NP-hard, Karp 1972) by branch and bound (Land and Doig 1960). The bound of a branch is the fewest containers
 * that could meet its remaining needs, precomputed for all subsets (2^needs). A set without a known place is chosen only if the need has
 * no other.
 * @example chooseForCard([[{ id: 'a', containerIds: ['1', '2'] }, { id: 'b', containerIds: ['2'] }]], aLine).chosen //=> ['b']
 */
export function chooseForCard(
  needs: readonly (readonly Candidate[])[],
  { rankOf, alongMm }: CardFacts,
  mostNodes = MOST_NODES,
): CardChoice {
  const options = needs.map(candidates => worthTrying(candidates))
  // Containers in walking order, so that a sorted list of their figures is a walk.
  const ids = [...new Set(options.flatMap(own => own.flatMap(({ containerIds }) => containerIds)))].sort(
    (a, b) => ascending(rankOf(a), rankOf(b)) || ascending(a, b),
  )
  const [figureOf, mm] = [new Map(ids.map((id, at) => [id, at])), ids.map(alongMm)]
  const figured = options.map(own =>
    own.map(({ at, containerIds }): Figured => ({ at, opens: containerIds.map(id => figureOf.get(id) ?? 0).sort((a, b) => a - b) })),
  )
  const least = fewestFor(figured, ids.length)
  const walkOf = (opened: readonly number[]): number =>
    opened.reduce((sum, each, at) => sum + (at === 0 ? 0 : Math.abs((mm[each] ?? 0) - (mm[opened[at - 1] ?? 0] ?? 0))), 0)
  let [best, nodes]: [Found | null, number] = [null, 0]

  /** `refused`: options that earlier siblings explored; supersets are pruned. */
  function search(opened: readonly number[], refused: readonly (readonly number[])[]): void {
    nodes += 1
    if (nodes > mostNodes && best) return
    const isOpen = new Set(opened)
    const isMet = (option: readonly number[]): boolean => option.every(each => isOpen.has(each))
    if (refused.some(isMet)) return
    let left = 0
    figured.forEach((own, need) => {
      if (own.length > 0 && !own.some(({ opens }) => isMet(opens))) left |= 1 << need
    })
    const [count, walkMm] = [opened.length + (least[left] ?? 0), walkOf(opened)]
    if (best && (count > best.count || (count === best.count && walkMm > best.walkMm + SLACK_MM))) return
    if (left === 0) {
      const picked = figured.map(own => own.find(({ opens }) => isMet(opens))?.at ?? -1)
      const ranks = picked.reduce((sum, at) => sum + Math.max(0, at), 0)
      const isBetter = !best || count < best.count || walkMm < best.walkMm - SLACK_MM || ranks < best.ranks
      if (isBetter) best = { count, walkMm, ranks, picked, opened }
      return
    }
    const need = figured.reduce(
      (fewest, own, at) => ((left >> at) & 1 && own.length < (figured[fewest]?.length ?? Infinity) ? at : fewest),
      -1,
    )
    const tries = (figured[need] ?? [])
      .map(({ at, opens }) => {
        const wider = [...new Set([...opened, ...opens])].sort((a, b) => a - b)
        return { at, opens, wider, walkMm: walkOf(wider) }
      })
      .sort((a, b) => a.wider.length - b.wider.length || a.walkMm - b.walkMm || a.at - b.at)
    tries.forEach(({ wider }, index) => search(wider, [...refused, ...tries.slice(0, index).map(({ opens }) => opens)]))
  }
  search([], [])
  const found = best as Found | null
  return {
    chosen: needs.map((candidates, at) => candidates[found?.picked[at] ?? -1]?.id ?? null),
    containerIds: (found?.opened ?? []).flatMap(each => ids[each] ?? []),
    walkMm: found?.walkMm ?? 0,
    isBest: nodes <= mostNodes,
  }
}

/**
 * For every subset of the needs (one bit each), a lower bound of the containers to open: each container is taken to meet every need for
 * which some candidate opens it. O(2^needs x containers).
 */
function fewestFor(figured: readonly (readonly Figured[])[], containers: number): Uint8Array {
  const meets = new Uint16Array(containers)
  figured.forEach((own, need) => {
    for (const { opens } of own) for (const each of opens) meets[each] = (meets[each] ?? 0) | (1 << need)
  })
  const sorts = figured.map((_, need) => [...new Set([...meets].filter(each => (each >> need) & 1))])
  const least = new Uint8Array(1 << figured.length)
  for (let left = 1; left < least.length; left += 1) {
    const need = 31 - Math.clz32(left)
    const own = sorts[need] ?? []
    // A need without a candidate opens no container.
    least[left] = own.length === 0 ? (least[left & ~(1 << need)] ?? 0) : 1 + Math.min(...own.map(each => least[left & ~each] ?? 0))
  }
  return least
}

interface Found {
  readonly count: number
  readonly walkMm: number
  readonly ranks: number
  readonly picked: readonly number[]
  readonly opened: readonly number[]
}
interface Figured {
  readonly at: number
  /** Containers by their rank in the walk. */
  readonly opens: readonly number[]
}
interface Option {
  readonly at: number
  readonly containerIds: readonly string[]
}
/** Walks that differ by less count as equally long. */
const SLACK_MM = 0.1

/** The candidates of a need that are not dominated: no other one opens a subset of their containers and was offered earlier. */
function worthTrying(candidates: readonly Candidate[]): readonly Option[] {
  const known = candidates.flatMap(({ containerIds }, at) => (containerIds ? [{ at, containerIds: [...new Set(containerIds)] }] : []))
  const lost = candidates.length > 0 ? [{ at: 0, containerIds: [] }] : []
  const kept: Option[] = []
  for (const option of known.length > 0 ? known : lost)
    if (!kept.some(({ containerIds }) => containerIds.every(id => option.containerIds.includes(id)))) kept.push(option)
  return kept
}
