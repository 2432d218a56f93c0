import type { BookLeaf, IndexBook } from '#core/catalog'
import { longestIncreasing } from '#core/refiling'
import { flow, type LeafLine, type LeafShape, shareOf } from './flow'
import { saysOf } from './wanted'

/** The kept facts of a printed leaf. */
export type PrintedLeaf = Pick<BookLeaf, 'id' | 'label' | 'way' | 'group' | 'heads' | 'lines'>

export interface LeafChoices extends Pick<IndexBook, 'ownLeafFrom' | 'freeShare'> {
  readonly shape: LeafShape
  /** Corrected by hand: new lines go on the leaf where they sort, even if it is full. */
  readonly isByHand: boolean
}

/** Lines of one leaf, and the printed leaf that they replace. */
export interface Filled {
  readonly from: PrintedLeaf | null
  readonly lines: readonly LeafLine[]
}

const keyOf = (head: string, key: string): string => `${head}\n${key}`
const saidAs = (head: string, title: string, key: string, says: readonly string[]): string => [head, title, key, ...says].join('\n')

/** Costs in order of weight: leaves to print, leaves that mix lines of several, number of leaves, and fullness beyond the free share. */
const COSTS = { print: 1e6, crossing: 2e4, leaf: 1e4, overfull: 1000, fullness: 10 } as const

/**
 * Distributes the lines of a group over leaves so that the fewest have to be printed: a leaf equal to its print costs nothing, any other
 * one print. Among such layouts, the one that keeps most lines on their leaf, then has the fewest leaves, then the most free room. Exact,
 * by dynamic programming from the last line to the first. O(lines x lines a leaf).
 */
export function fewestPrints(lines: readonly LeafLine[], old: readonly PrintedLeaf[], choices: LeafChoices): readonly Filled[] {
  const said = old.map(leafSays)
  const says = lines.map(({ heading, entry }) => saidAs(heading.key, heading.title, entry.key, saysOf(entry)))
  const leafOf = new Map(old.flatMap((leaf, at) => leaf.lines.map(({ head, key }) => [keyOf(head, key), at] as const)))
  const wasOn = lines.map(({ heading, entry }) => leafOf.get(keyOf(heading.key, entry.key)) ?? null)
  const firsts = new Map(said.map((all, at) => [all[0], at]))
  /** For the lines from here on: the least cost, the number of lines on the first leaf, and whether that leaf is as printed. */
  const best: { cost: number; count: number; isSame: boolean }[] = Array.from({ length: lines.length + 1 }, () => ({
    cost: Infinity,
    count: 0,
    isSame: false,
  }))
  best[lines.length] = { cost: 0, count: 0, isSame: false }
  for (let from = lines.length - 1; from >= 0; from -= 1) {
    for (const [at, cost] of leafCosts(lines, wasOn, from, choices).entries()) {
      const sum = cost + (best[from + at + 1]?.cost ?? 0)
      if (sum < (best[from]?.cost ?? 0)) best[from] = { cost: sum, count: at + 1, isSame: false }
    }
    const same = said[firsts.get(says[from]) ?? -1]
    if (!same?.every((each, at) => each === says[from + at])) continue
    const rest = COSTS.leaf + (best[from + same.length]?.cost ?? Infinity)
    if (rest <= (best[from]?.cost ?? 0)) best[from] = { cost: rest, count: same.length, isSame: true }
  }
  const claimed = new Set<number>()
  const leaves: { at: number; count: number; leaf: number | null }[] = []
  for (let at = 0; at < lines.length; at += best[at]?.count ?? 1) {
    const { count = 1, isSame = false } = best[at] ?? {}
    const leaf = isSame ? (wasOn[at] ?? null) : null
    if (leaf !== null) claimed.add(leaf)
    leaves.push({ at, count, leaf })
  }
  // A leaf that is printed replaces the old leaf that most of its lines come from.
  return leaves.map(({ at, count, leaf }) => {
    const claim = leaf ?? mostOf(wasOn.slice(at, at + count), claimed)
    if (claim !== null) claimed.add(claim)
    return { from: (claim === null ? null : old[claim]) ?? null, lines: lines.slice(at, at + count) }
  })
}

const leafSays = ({ heads, lines }: PrintedLeaf): readonly string[] => {
  const titles = new Map(heads.map(({ key, says }) => [key, says[0] ?? '']))
  return lines.map(({ head, key, says }) => saidAs(head, titles.get(head) ?? '', key, says))
}

/** Cost of a leaf that begins at a line, by its number of lines. Leaves of new lines alone leave their share free. */
function leafCosts(
  lines: readonly LeafLine[],
  wasOn: readonly (number | null)[],
  from: number,
  { shape, freeShare }: LeafChoices,
): readonly number[] {
  // No leaf holds more: take lines from the list as they come.
  const most = flow(lines.slice(from, from + MOST_ON_A_LEAF), shape).length
  const costs: number[] = []
  let [fullness, crossings, last, isNew]: [number, number, number | null, boolean] = [0, 0, null, true]
  for (let at = from; at < from + most; at += 1) {
    const line = lines[at]
    const leaf = wasOn[at] ?? null
    if (!line) break
    fullness += shareOf(line, at === from ? undefined : lines[at - 1], shape)
    if (leaf !== null && last !== null && leaf !== last) crossings += 1
    last = leaf ?? last
    isNew &&= leaf === null
    const over = Math.max(0, fullness - (1 - freeShare))
    if (isNew && over > 0 && at > from) costs.push(Infinity)
    else costs.push(COSTS.print + COSTS.leaf + COSTS.overfull * over ** 2 + COSTS.fullness * fullness ** 2 + COSTS.crossing * crossings)
  }
  return costs
}
const MOST_ON_A_LEAF = 1000

function mostOf(leaves: readonly (number | null)[], claimed: ReadonlySet<number>): number | null {
  const counts = new Map<number, number>()
  for (const leaf of leaves) if (leaf !== null && !claimed.has(leaf)) counts.set(leaf, (counts.get(leaf) ?? 0) + 1)
  const [most] = [...counts].sort(([a, some], [b, more]) => more - some || a - b)
  return most?.[0] ?? null
}

/**
 * The lines of a group written in by hand: each stays on its leaf as far as the order allows; a new line goes onto the leaf of the line
 * before it, however full that is.
 */
export function byHand(lines: readonly LeafLine[], old: readonly PrintedLeaf[]): readonly Filled[] {
  const leafOf = new Map(old.flatMap((leaf, at) => leaf.lines.map(({ head, key }) => [keyOf(head, key), at] as const)))
  const known = lines.flatMap(({ heading, entry }, at) => {
    const leaf = leafOf.get(keyOf(heading.key, entry.key))
    return leaf === undefined ? [] : [{ at, leaf }]
  })
  // Lines of one leaf ascend too: the search never returns to an earlier leaf.
  const kept = longestIncreasing(known.map(({ at, leaf }) => leaf * (lines.length + 1) + at))
  const stays = new Map(kept.flatMap(i => (known[i] ? [[known[i].at, known[i].leaf]] : [])))
  const filled = old.map(from => ({ from, lines: [] as LeafLine[] }))
  let leaf = stays.values().next().value ?? 0
  lines.forEach((line, at) => {
    leaf = stays.get(at) ?? leaf
    filled[leaf]?.lines.push(line)
  })
  return filled.filter(each => each.lines.length > 0)
}
