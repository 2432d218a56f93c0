import type { FilingRule, Holding, Zone } from '#core/catalog'
import type { ContainerRow, Placement } from '#core/room'
import { type Authority, compareFilingKeys, filingKeyOf, type KeyPart } from './keys'

/** The holders of a zone that its rule files, in the order in which they stand, with what is needed to file one more. */
export interface ZoneRun {
  readonly placements: readonly Placement[]
  /** The containers of the zone in walking order, pages of cells among them. */
  readonly rows: readonly ContainerRow[]
  /** The first divider for each thing that one stands for: keyed `theme/<id>`. */
  readonly tabs: ReadonlyMap<string, TabSpot>
  /** For each tab that stands for something, which of `placements` are behind it: keyed `theme/<id>`. */
  readonly underTab: ReadonlyMap<string, readonly number[]>
  /**
   * Told a filing key, and which of `placements` to look at (null: all): how many of these stay in front of it, out of order
   * with the fewest.
   */
  readonly cut: (own: readonly KeyPart[], among: readonly number[] | null) => number
  /**
   * Where something of the zone was never looked at: the container, and behind which of its holders (null: in front of them), that
   * is out of order with the fewest. What stands somewhere in a container is out of order with nothing in it. null: all was looked at.
   */
  readonly gap: (own: readonly KeyPart[]) => { readonly row: ContainerRow; readonly front: Placement | null } | null
}
export interface TabSpot {
  readonly row: ContainerRow
  readonly lane: number
  readonly index: number
}
interface Facts {
  readonly holdings: ReadonlyMap<string, Holding>
  readonly authority: Authority
}

/** Facts are replaced when the room changes, never altered: what was worked out for them holds as long as they live. */
const kept = new WeakMap<Facts, Map<string, ZoneRun>>()

/**
 * The run of a zone, worked out once for a room; `rowsOf` gives its containers in walking order. What the owner keeps
 * apart is not of it. O(n), and O(n log n) when it is asked a second time.
 */
export function zoneRun(facts: Facts, zone: Pick<Zone, 'id' | 'filingRule'>, rowsOf: () => readonly ContainerRow[]): ZoneRun {
  const runs = kept.get(facts) ?? new Map<string, ZoneRun>()
  kept.set(facts, runs)
  const known = runs.get(zone.id)
  if (known) return known
  const run = makeRun(facts, zone.filingRule, rowsOf())
  runs.set(zone.id, run)
  return run
}

function makeRun({ holdings, authority }: Facts, rule: FilingRule, rows: readonly ContainerRow[]): ZoneRun {
  const filed = rows.filter(row => !row.container.cells)
  const placements = filed.flatMap(row => row.placements).filter(({ holder }) => holder.apartBecause === null)
  const keyOf = ({ holder }: { readonly holder: Placement['holder'] }): readonly KeyPart[] | null => {
    const holding = holdings.get(holder.holdingIds[0] ?? '')
    return holding ? filingKeyOf(holding, rule, authority) : null
  }
  const keys = placements.map(keyOf)
  const underTab = new Map<string, number[]>()
  placements.forEach(({ section }, at) => {
    if (!section?.standsFor) return
    const tab = `${section.standsFor.by}/${section.standsFor.id}`
    const there = underTab.get(tab)
    if (there) there.push(at)
    else underTab.set(tab, [at])
  })
  const tabs = new Map<string, TabSpot>()
  for (const row of filed) {
    row.lanes.forEach((entries, lane) =>
      entries.forEach((entry, index) => {
        const standsFor = entry.type === 'section' ? entry.section.standsFor : null
        if (standsFor && !tabs.has(`${standsFor.by}/${standsFor.id}`))
          tabs.set(`${standsFor.by}/${standsFor.id}`, { row, lane: lane + 1, index })
      }),
    )
  }
  const hasUnseen = filed.some(row => row.somewhere.length > 0)
  const unseenKeys = hasUnseen ? filed.map(row => row.somewhere.map(keyOf)) : []
  let ranked: ReturnType<typeof rankKeys> | null = null
  let asked = 0
  return {
    rows,
    placements,
    gap: own => (hasUnseen ? gapOfLeastDisorder(filed, placements, keys, unseenKeys, own) : null),
    underTab,
    tabs,
    cut: (own, among) => {
      // Asked once, a run is only compared through; asked again, it is worth being put in order first.
      asked += 1
      if (asked === 1) {
        const isInFront = keys.map(key => key === null || compareFilingKeys(key, own) <= 0)
        return cutOfLeastDisorder(among?.length ?? keys.length, at => isInFront[among ? (among[at] ?? 0) : at] ?? true)
      }
      ranked ??= rankKeys(keys)
      const { ranks, below } = ranked
      const limit = below(own)
      return among ? cutOfLeastDisorder(among.length, at => (ranks[among[at] ?? 0] ?? -1) < limit) : cutByRank(ranks, limit)
    },
  }
}

/** The first container, and the last gap in it, that is out of order with the fewest. O(n). */
function gapOfLeastDisorder(
  rows: readonly ContainerRow[],
  placements: readonly Placement[],
  keys: readonly (readonly KeyPart[] | null)[],
  unseenKeys: readonly (readonly (readonly KeyPart[] | null)[])[],
  own: readonly KeyPart[],
): { readonly row: ContainerRow; readonly front: Placement | null } | null {
  const isInFront = (key: readonly KeyPart[] | null): boolean => key === null || compareFilingKeys(key, own) <= 0
  const known = keys.map(isInFront)
  const unseen = unseenKeys.map(list => list.map(isInFront))
  const frontsIn = (list: readonly boolean[]): number => list.filter(Boolean).length
  /** Those that belong in front and stand further on, and those that belong behind and have been passed. */
  let disorder = frontsIn(known) + unseen.reduce((sum, list) => sum + frontsIn(list), 0)
  let [best, found, at] = [Infinity, null as { row: ContainerRow; front: Placement | null } | null, 0]
  rows.forEach((row, which) => {
    const here = unseen[which] ?? []
    let count = 0
    while (placements[at + count]?.container.id === row.container.id) count += 1
    if (count + here.length === 0) return
    let least = disorder - frontsIn(here)
    let front: Placement | null = null
    disorder = least
    for (const placement of placements.slice(at, at + count)) {
      disorder += known[at] ? -1 : 1
      at += 1
      if (disorder <= least) [least, front] = [disorder, placement]
    }
    if (least < best) [best, found] = [least, { row, front }]
    disorder += here.length - frontsIn(here)
  })
  return found
}

/** The rank of each key among all, so that comparing two is comparing two numbers; and how many come before or with another. */
function rankKeys(keys: readonly (readonly KeyPart[] | null)[]): { ranks: Int32Array; below: (own: readonly KeyPart[]) => number } {
  const order = keys
    .map((_, at) => at)
    .filter(at => keys[at] !== null)
    .sort((a, b) => compareFilingKeys(keys[a] ?? [], keys[b] ?? []))
  const ranks = new Int32Array(keys.length).fill(-1)
  order.forEach((at, rank) => {
    ranks[at] = rank
  })
  return {
    ranks,
    below: own => {
      let [low, high] = [0, order.length]
      while (low < high) {
        const middle = (low + high) >> 1
        if (compareFilingKeys(keys[order[middle] ?? 0] ?? [], own) <= 0) low = middle + 1
        else high = middle
      }
      return low
    },
  }
}

/** The same over a whole run of ranks, in one loop over numbers: it is asked at every keystroke of Take in. */
function cutByRank(ranks: Int32Array, limit: number): number {
  let disorder = 0
  for (let index = 0; index < ranks.length; index += 1) disorder += Number((ranks[index] ?? 0) < limit)
  let [best, cut] = [disorder, 0]
  for (let index = 0; index < ranks.length; index += 1) {
    disorder += (ranks[index] ?? 0) < limit ? -1 : 1
    if (disorder <= best) {
      best = disorder
      cut = index + 1
    }
  }
  return cut
}

/** How many of `count` stay in front: the cut with the fewest pairs out of order, the last such cut on a tie. O(count). */
export function cutOfLeastDisorder(count: number, belongsInFront: (index: number) => boolean): number {
  let disorder = 0 // with the cut before everything, all that belong in front stand on the wrong side
  for (let index = 0; index < count; index += 1) if (belongsInFront(index)) disorder += 1
  let [best, cut] = [disorder, 0]
  for (let index = 0; index < count; index += 1) {
    disorder += belongsInFront(index) ? -1 : 1
    if (disorder <= best) [best, cut] = [disorder, index + 1]
  }
  return cut
}
