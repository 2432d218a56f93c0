import type { FilingRule, Holding, Section, Zone } from '#core/catalog'
import type { ContainerRow, Placement } from '#core/room'
import { type Authority, compareFilingKeys, filingKeyOf, type KeyPart } from './keys'
import type { SetRanks } from './ranking'

/** The rule-filed holders of a zone in standing order, with the data needed to file one more. */
export interface ZoneRun {
  /** The placement at a position of the run, counted from 0. */
  readonly placementAt: (index: number) => Placement | undefined
  /** The containers of the zone in walking order, pages of cells among them. */
  readonly rows: readonly ContainerRow[]
  /** The first divider of each record that dividers stand for, by `theme/<id>`. */
  readonly tabs: ReadonlyMap<string, TabSpot>
  /** The positions of the run behind each tab, by `theme/<id>`. */
  readonly underTab: (key: string) => readonly number[]
  /** Number of placements in front of `own` at the cut with the fewest inversions. `among`: only these positions (null: all). */
  readonly cut: (own: Holding, among: readonly number[] | null) => number
  /**
   * If some holders of the zone have no known position: the container, and the holder to go behind (null: in front of all), with the
   * fewest inversions. Holders without a known position cause no inversion. null: all positions are known.
   */
  readonly gap: (own: Holding) => { readonly row: ContainerRow; readonly front: Placement | null } | null
}
interface TabSpot {
  readonly row: ContainerRow
  readonly lane: number
  readonly index: number
}
interface Facts {
  readonly holdings: ReadonlyMap<string, Holding>
  readonly authority: Authority
  /** For many sets filed one after the other: for each zone, the ranks of its sets and of the sets to be filed, computed once. */
  readonly ranks?: ReadonlyMap<string, SetRanks>
}

/** Facts are replaced when the room changes, never mutated, so results can be kept by identity. */
const kept = new WeakMap<Facts, Map<string, ZoneRun>>()

/**
 * The run of a zone, computed once for a room; `rowsOf` gives its containers in walking order. Holders that the owner pinned are left out.
 * O(n), and O(n log n) when it is asked a second time.
 */
export function zoneRun(facts: Facts, zone: Pick<Zone, 'id' | 'filingRule'>, rowsOf: () => readonly ContainerRow[]): ZoneRun {
  const runs = kept.get(facts) ?? new Map<string, ZoneRun>()
  kept.set(facts, runs)
  const known = runs.get(zone.id)
  if (known) return known
  const run = makeRun(facts, zone, rowsOf())
  runs.set(zone.id, run)
  return run
}

function makeRun(facts: Facts, zone: Pick<Zone, 'id' | 'filingRule'>, rows: readonly ContainerRow[]): ZoneRun {
  const filed = rows.filter(row => !row.container.cells)
  const tabs = new Map<string, TabSpot>()
  for (const row of filed) for (const [key, spot] of tabsIn(row)) if (!tabs.has(key)) tabs.set(key, spot)
  const ranks = facts.ranks?.get(zone.id)
  return {
    rows,
    placementAt(index) {
      let from = 0
      for (const own of filed.map(filedIn)) {
        if (index < from + own.length) return own[index - from]
        from += own.length
      }
      return undefined
    },
    underTab: key => (tabs.has(key) ? filed.flatMap(filedIn).flatMap(({ section }, at) => (tabKeyOf(section) === key ? [at] : [])) : []),
    tabs,
    ...(ranks ? comparedByRank(ranks, filed) : comparedByKey(facts, zone.filingRule, filed)),
  }
}

/** The holders of a row that the rule files: all but pinned ones. Rows are replaced when they change, so this is computed once for each. */
const filedIn = onceFor((row: ContainerRow) => row.placements.filter(({ holder }) => holder.apartBecause === null))
const tabsIn = onceFor((row: ContainerRow): ReadonlyMap<string, TabSpot> => {
  const tabs = new Map<string, TabSpot>()
  row.lanes.forEach((entries, lane) =>
    entries.forEach((entry, index) => {
      const key = entry.type === 'section' ? tabKeyOf(entry.section) : ''
      if (key !== '' && !tabs.has(key)) tabs.set(key, { row, lane: lane + 1, index })
    }),
  )
  return tabs
})
const tabKeyOf = (section: Section | null): string => (section?.standsFor ? `${section.standsFor.by}/${section.standsFor.id}` : '')
function onceFor<K extends object, V>(work: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, V>()
  return key => {
    const found = known.get(key) ?? work(key)
    known.set(key, found)
    return found
  }
}

type Compared = Pick<ZoneRun, 'cut' | 'gap'>
/** The ranks of the placements of each row, computed once for a row. */
const ranksByRow = new WeakMap<SetRanks, (row: ContainerRow) => Int32Array>()
const rankIn = (ranks: SetRanks, { holder }: Pick<Placement, 'holder'>): number => ranks.get(holder.holdingIds[0] ?? '') ?? -1

/** Compares by known ranks, so that no key is computed. A set without a rank is skipped. */
function comparedByRank(ranks: SetRanks, filed: readonly ContainerRow[]): Compared {
  const ranksOf = ranksByRow.get(ranks) ?? onceFor((row: ContainerRow) => Int32Array.from(filedIn(row), each => rankIn(ranks, each)))
  ranksByRow.set(ranks, ranksOf)
  const limitOf = ({ id }: Holding): number => (ranks.get(id) ?? -1) + 1
  return {
    cut(own, among) {
      const limit = limitOf(own)
      const rows = filed.map(ranksOf)
      if (!among) return cutByRank(rows, limit)
      const all = rows.flatMap(each => [...each])
      return cutOfLeastDisorder(among.length, at => (all[among[at] ?? 0] ?? -1) < limit)
    },
    gap(own) {
      const limit = limitOf(own)
      const isInFront = (each: Pick<Placement, 'holder'>): boolean => rankIn(ranks, each) < limit
      return gapOfLeastDisorder(filed, isInFront)
    },
  }
}

function comparedByKey({ holdings, authority }: Facts, rule: FilingRule, filed: readonly ContainerRow[]): Compared {
  const keyOf = ({ holder }: { readonly holder: Placement['holder'] }): readonly KeyPart[] | null => {
    const holding = holdings.get(holder.holdingIds[0] ?? '')
    return holding ? filingKeyOf(holding, rule, authority) : null
  }
  const keys = filed.flatMap(filedIn).map(keyOf)
  let ranked: ReturnType<typeof rankKeys> | null = null
  let asked = 0
  const inFrontOf =
    (own: readonly KeyPart[]) =>
    (key: readonly KeyPart[] | null): boolean =>
      key === null || compareFilingKeys(key, own) <= 0
  return {
    gap(own) {
      const isInFront = inFrontOf(filingKeyOf(own, rule, authority))
      return gapOfLeastDisorder(filed, each => isInFront(keyOf(each)))
    },
    cut(own, among) {
      const key = filingKeyOf(own, rule, authority)
      // A run that is asked once is only scanned; a run that is asked again is sorted first.
      asked += 1
      if (asked === 1) {
        const isInFront = keys.map(inFrontOf(key))
        return cutOfLeastDisorder(among?.length ?? keys.length, at => isInFront[among ? (among[at] ?? 0) : at] ?? true)
      }
      ranked ??= rankKeys(keys)
      const { ranks, below } = ranked
      const limit = below(key)
      return among ? cutOfLeastDisorder(among.length, at => (ranks[among[at] ?? 0] ?? -1) < limit) : cutByRank([ranks], limit)
    },
  }
}

/**
 * The container and gap with the fewest inversions, preferring the first container and the last gap in it; null: all positions are known.
 * Holders without a known position count by their container alone. O(n).
 */
function gapOfLeastDisorder(
  rows: readonly ContainerRow[],
  isInFront: (each: Pick<Placement, 'holder'>) => boolean,
): { readonly row: ContainerRow; readonly front: Placement | null } | null {
  if (rows.every(row => row.somewhere.length === 0)) return null
  const placements = rows.flatMap(filedIn)
  const known = placements.map(isInFront)
  const unseen = rows.map(row => row.somewhere.map(isInFront))
  const frontsIn = (list: readonly boolean[]): number => list.filter(Boolean).length
  /** Inversions: sets that belong in front but stand further on, and sets that belong behind but were passed. */
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

/** Replaces keys by ranks, so that comparing two is comparing two numbers; with how many keys are smaller or equal. */
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

/** `cutOfLeastDisorder` over the ranks of a whole run in one loop: Take in asks this at every key press. */
function cutByRank(rows: readonly Int32Array[], limit: number): number {
  let disorder = 0
  for (const ranks of rows) for (let index = 0; index < ranks.length; index += 1) disorder += Number((ranks[index] as number) < limit)
  let [best, cut, at] = [disorder, 0, 0]
  for (const ranks of rows)
    for (let index = 0; index < ranks.length; index += 1) {
      at += 1
      disorder += (ranks[index] as number) < limit ? -1 : 1
      if (disorder > best) continue
      best = disorder
      cut = at
    }
  return cut
}

/** Number of `count` entries that stay in front: the cut with the fewest inversions, the last such cut on a tie. O(count). */
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
