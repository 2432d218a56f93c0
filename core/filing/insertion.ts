import type { Cell, Container, FilingRule, Fixture, Holding, Section, Zone } from '#core/catalog'
import { cellTakes, type ContainerRow, containersInOrder, keyBehind, nextFreeCell, type Placement, type RowEntry } from '#core/room'
import { type Authority, compareFilingKeys, filingKeyOf, tabOf } from './keys'
import type { SetRanks } from './ranking'
import { cutOfLeastDisorder, type ZoneRun, zoneRun } from './zoneRun'

/** A free place: in a row between two holders, or a free cell. */
export interface InsertionPoint {
  readonly container: Container
  readonly lane: number
  readonly order: string
  readonly cell: Cell | null
  readonly section: Section | null
  readonly front: Placement | null
  readonly behind: Placement | null
}

export type InsertionProposal =
  | {
      readonly ok: true
      readonly point: InsertionPoint
      readonly zone: Zone
      /** The container of the proper place, if that is full and the nearest row with room is proposed instead. */
      readonly insteadOf?: Container
    }
  | {
      readonly ok: false
      readonly code:
        | 'kindNotSaid'
        | 'noZoneTakesKind'
        | 'zoneHasNoContainer'
        | 'allCellsTaken'
        | 'cellsNotLookedAt'
        | 'noCellFits'
        | 'noRoom'
      readonly zone: Zone | null
    }

/** The facts that a proposal reads. `rows` are the arranged containers by id. */
export interface RoomFacts {
  readonly fixtures: ReadonlyMap<string, Fixture>
  readonly zones: readonly Zone[]
  readonly rows: ReadonlyMap<string, ContainerRow>
  readonly holdings: ReadonlyMap<string, Holding>
  readonly authority: Authority
  /** The stamp of a die, if the owner said so: a zone may keep the two together. */
  readonly stampOf?: ReadonlyMap<string, string>
  /** For each zone, the ranks of its sets and of the sets to be filed: see `rankSets()`. Left out: keys are compared. */
  readonly ranks?: ReadonlyMap<string, SetRanks>
  /** Whether a lane (counted from 1) has room for one more. Left out: every lane has room. */
  readonly hasRoom?: (row: ContainerRow, lane: number, holding: Holding) => boolean
}

/** The first zone, by rank, that names the kind; else the first zone that takes every kind. */
export function zoneFor(holding: Pick<Holding, 'kindId'>, zones: readonly Zone[]): Zone | null {
  const byRank = [...zones].sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1))
  return (
    byRank.find(zone => holding.kindId !== null && zone.takesKindIds.includes(holding.kindId)) ??
    byRank.find(zone => zone.takesKindIds.length === 0) ??
    null
  )
}

/**
 * Where a set goes by its zone's filing rule: container, tab and the two neighbours. Rows that are out of order are allowed: the place is
 * the one with the fewest inversions, which in an ordered row is the place in the order. O(n log n) the first time a room is asked, then
 * O(log n) key comparisons and a scan of numbers: see the bench.
 */
export function proposePlace(holding: Holding, facts: RoomFacts): InsertionProposal {
  const zone = zoneFor(holding, facts.zones)
  if (!zone) return { ok: false, code: holding.kindId === null && facts.zones.length > 0 ? 'kindNotSaid' : 'noZoneTakesKind', zone: null }
  const run = zoneRun(facts, zone, () => containersInOrder(facts, zone.id))
  const { rows } = run
  if (rows.length === 0) return { ok: false, code: 'zoneHasNoContainer', zone }
  const behindStamp = zone.habits.dies === 'behind' ? besideStamp(holding, facts) : null
  if (behindStamp) return { ok: true, point: behindStamp, zone }
  const point = inARow(holding, zone.filingRule, run, facts)
  if (point) return whereRoomIs(holding, point, zone, run, facts)
  const fitting = cellsThatTake(holding.size, rows)
  if (fitting.length === 0) return { ok: false, code: 'noCellFits', zone }
  const free = inFreeCell(fitting)
  if (free) return { ok: true, point: free, zone }
  return { ok: false, code: fitting.some(row => row.somewhere.length > 0) ? 'cellsNotLookedAt' : 'allCellsTaken', zone }
}

/** If the proper row is full and another row of the zone has room, the nearest such row in walking order, at its place by the rule. */
function whereRoomIs(holding: Holding, point: InsertionPoint, zone: Zone, run: ZoneRun, facts: RoomFacts): InsertionProposal {
  const { hasRoom } = facts
  const lanes = run.rows.filter(row => !row.container.cells).flatMap(row => row.lanes.map((_, at) => ({ row, lane: at + 1 })))
  const wanted = lanes.findIndex(({ row, lane }) => row.container.id === point.container.id && lane === point.lane)
  const here = lanes[wanted]
  if (!hasRoom || !here || hasRoom(here.row, here.lane, holding)) return { ok: true, point, zone }
  const nearest = nearestTo(lanes, wanted, ({ row, lane }) => hasRoom(row, lane, holding))
  if (!nearest) return { ok: false, code: 'noRoom', zone }
  const { row, lane } = nearest
  const there = row.placements.filter(each => each.lane === lane && each.holder.apartBecause === null)
  const front = there[inFrontOf(holding, zone, there, facts) - 1]
  // In front of every holder is also in front of their tab.
  const first = there[0] ? -1 : (row.lanes[lane - 1]?.length ?? 0) - 1
  const index = front ? entryIndex(row, front) : first
  return { ok: true, point: pointAfter(row, lane, index), zone, insteadOf: point.container }
}

/** The entry nearest to a position that passes the test; of two equally near, the one in front. O(n). */
function nearestTo<T>(list: readonly T[], at: number, willDo: (each: T) => boolean): T | null {
  for (let away = 0; away < list.length; away += 1)
    for (const each of away === 0 ? [list[at]] : [list[at - away], list[at + away]]) if (each !== undefined && willDo(each)) return each
  return null
}

/** A die that stays with its stamp goes directly behind it. */
function besideStamp(holding: Holding, { stampOf, rows }: RoomFacts): InsertionPoint | null {
  const stampId = stampOf?.get(holding.id)
  if (!stampId) return null
  for (const row of rows.values()) {
    const placement = row.container.cells ? undefined : row.placements.find(each => each.holder.holdingIds.includes(stampId))
    if (placement) return pointAfter(row, placement.lane, entryIndex(row, placement))
  }
  return null
}

function inARow(holding: Holding, rule: FilingRule, run: ZoneRun, facts: RoomFacts): InsertionPoint | null {
  const first = run.rows.find(row => !row.container.cells)
  if (!first) return null
  const tab = tabOf(holding, rule)
  const tabKey = tab ? `${tab.by}/${tab.id}` : ''
  const underTab = run.underTab(tabKey)
  const emptyTab = underTab.length > 0 ? undefined : run.tabs.get(tabKey)
  if (emptyTab) return pointAfter(emptyTab.row, emptyTab.lane, emptyTab.index)

  const gap = underTab.length > 0 ? null : run.gap(holding)
  if (gap) return inGap(gap.row, gap.front)
  const at = (index: number): Placement | undefined => run.placementAt(underTab.length > 0 ? (underTab[index] ?? -1) : index)
  const cut = run.cut(holding, underTab.length > 0 ? underTab : null)
  const front = at(cut - 1)
  if (front) {
    const row = facts.rows.get(front.container.id) ?? first
    return pointAfter(row, front.lane, entryIndex(row, front))
  }
  const behind = at(0)
  if (!behind) return pointAfter(first, 1, (first.lanes[0]?.length ?? 0) - 1)
  const row = facts.rows.get(behind.container.id) ?? first
  return pointAfter(row, behind.lane, entryIndex(row, behind) - 1)
}

/** Behind a holder of a container; `front` null: in front of all holders whose position is known. */
function inGap(row: ContainerRow, front: Placement | null): InsertionPoint {
  if (front) return pointAfter(row, front.lane, entryIndex(row, front))
  const [behind] = row.placements
  return behind ? pointAfter(row, behind.lane, entryIndex(row, behind) - 1) : pointAfter(row, 1, (row.lanes[0]?.length ?? 0) - 1)
}

function inFrontOf(holding: Holding, zone: Zone, run: readonly Placement[], facts: RoomFacts): number {
  const ranks = facts.ranks?.get(zone.id)
  if (!ranks) return leastDisorder(holding, zone.filingRule, run, facts)
  const own = ranks.get(holding.id) ?? -1
  return cutOfLeastDisorder(run.length, index => (ranks.get(run[index]?.holder.holdingIds[0] ?? '') ?? -1) <= own)
}

/** Number of entries of `run` that stay in front: the cut with the fewest inversions, the last such cut on a tie. */
export function leastDisorder(
  holding: Holding,
  rule: FilingRule,
  run: readonly Placement[],
  facts: Pick<RoomFacts, 'holdings' | 'authority'>,
): number {
  const own = filingKeyOf(holding, rule, facts.authority)
  return cutOfLeastDisorder(run.length, index => {
    const other = facts.holdings.get(run[index]?.holder.holdingIds[0] ?? '')
    return !other || compareFilingKeys(filingKeyOf(other, rule, facts.authority), own) <= 0
  })
}

function entryIndex(row: ContainerRow, placement: Placement): number {
  return (row.lanes[placement.lane - 1] ?? []).findIndex(
    entry => entry.type === 'holder' && entry.placement.holder.id === placement.holder.id,
  )
}

/** The point directly behind the entry at `index` of a lane; -1 is the very front. */
export function pointAfter(row: ContainerRow, lane: number, index: number): InsertionPoint {
  const entries = row.lanes[lane - 1] ?? []
  const placementAt = (entry: RowEntry | undefined): Placement | null => (entry?.type === 'holder' ? entry.placement : null)
  const before = entries.slice(0, index + 1)
  const section = before.findLast(entry => entry.type === 'section')
  return {
    container: row.container,
    lane,
    cell: null,
    order: keyBehind(entries, index),
    section: section?.type === 'section' ? section.section : null,
    front: placementAt(before.findLast(entry => entry.type === 'holder')),
    behind: placementAt(entries.slice(index + 1).find(entry => entry.type === 'holder')),
  }
}

/** Pages whose cells take the size, either way round: smallest cells first, unmeasured cells last. */
function cellsThatTake(size: Holding['size'], rows: readonly ContainerRow[]): readonly ContainerRow[] {
  const areaOf = (row: ContainerRow): number => {
    const cell = row.container.cells?.cellSize
    return cell ? cell.widthMm * cell.heightMm : Infinity
  }
  // Without a size no page is a better guess: keep the walking order.
  return rows
    .filter(({ container }) => cellTakes(container.cells, size))
    .map((row, at) => ({ row, at, area: size ? areaOf(row) : 0 }))
    .sort((a, b) => (a.area === b.area ? a.at - b.at : a.area - b.area))
    .map(({ row }) => row)
}

function inFreeCell(rows: readonly ContainerRow[]): InsertionPoint | null {
  for (const row of rows) {
    const cell = nextFreeCell(row)
    if (cell) return pointAtCell(row, cell)
  }
  return null
}

function pointAtCell(row: ContainerRow, cell: Cell): InsertionPoint {
  const isBefore = (each: Placement): boolean =>
    each.cell !== null && (each.cell.page < cell.page || (each.cell.page === cell.page && each.cell.cell <= cell.cell))
  const front = row.placements.findLast(isBefore) ?? null
  const behind = row.placements.find(each => !isBefore(each)) ?? null
  return { container: row.container, lane: 1, order: keyBehind([], -1), cell, section: null, front, behind }
}
