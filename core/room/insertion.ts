import type { Cell, Container, FilingRule, Fixture, Holding, Section, Zone } from '#core/catalog'
import type { ContainerRow, Placement, RowEntry } from './arrange'
import { cellsPerPage } from './address'
import { type Authority, compareFilingKeys, filingKeyOf, tabOf } from './filing'
import { keyBehind } from './order'

/** A place that does not hold anything yet: in a row behind one holder and in front of another, or a free cell. */
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
  | { readonly ok: true, readonly point: InsertionPoint, readonly zone: Zone }
  | { readonly ok: false, readonly code: 'noZoneTakesKind' | 'zoneHasNoContainer' | 'allCellsTaken', readonly zone: Zone | null }

/** What a proposal looks at. `rows` are the arranged containers by id. */
export interface RoomFacts {
  readonly fixtures: ReadonlyMap<string, Fixture>
  readonly zones: readonly Zone[]
  readonly rows: ReadonlyMap<string, ContainerRow>
  readonly holdings: ReadonlyMap<string, Holding>
  readonly authority: Authority
}

/** The first zone, by rank, that names the kind; else the first that takes everything. */
export function zoneFor(holding: Pick<Holding, 'kindId'>, zones: readonly Zone[]): Zone | null {
  const byRank = [...zones].sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1))
  return byRank.find(zone => holding.kindId !== null && zone.takesKindIds.includes(holding.kindId))
    ?? byRank.find(zone => zone.takesKindIds.length === 0) ?? null
}

/** Containers of a zone in walking order: fixture, shelf from the top, then left to right. */
export function containersInOrder(facts: Pick<RoomFacts, 'rows' | 'fixtures'>, zoneId: string | null): readonly ContainerRow[] {
  const rankOf = (row: ContainerRow): number => facts.fixtures.get(row.container.fixtureId)?.rank ?? Infinity
  return [...facts.rows.values()]
    .filter(row => zoneId === null || row.container.zoneId === zoneId)
    .sort((a, b) => rankOf(a) - rankOf(b) || a.container.shelf - b.container.shelf
      || a.container.rank - b.container.rank || (a.container.id < b.container.id ? -1 : 1))
}

/**
 * Where a set goes by its zone's filing rule: container, tab and the two neighbours. O(n) in the holders of the zone.
 * Rows that somebody has put out of order by hand are no obstacle: the place is the one that is out of order with the
 * fewest of them (and in an ordered row that is simply the place in the order).
 */
export function proposePlace(holding: Holding, facts: RoomFacts): InsertionProposal {
  const zone = zoneFor(holding, facts.zones)
  if (!zone) return { ok: false, code: 'noZoneTakesKind', zone: null }
  const rows = containersInOrder(facts, zone.id)
  if (rows.length === 0) return { ok: false, code: 'zoneHasNoContainer', zone }
  const point = inARow(holding, zone.filingRule, rows.filter(row => !row.container.cells), facts) ?? inFreeCell(rows)
  return point ? { ok: true, point, zone } : { ok: false, code: 'allCellsTaken', zone }
}

function inARow(holding: Holding, rule: FilingRule, rows: readonly ContainerRow[], facts: RoomFacts): InsertionPoint | null {
  const first = rows[0]
  if (!first) return null
  const tab = tabOf(holding, rule)
  const isOwnTab = (section: Section | null): boolean => tab !== null && section?.standsFor?.by === tab.by && section.standsFor.id === tab.id
  const all = rows.flatMap(row => row.placements)
  const underTab = all.filter(placement => isOwnTab(placement.section))
  const emptyTab = underTab.length > 0 ? null : findTab(rows, isOwnTab)
  if (emptyTab) return pointAfter(emptyTab.row, emptyTab.lane, emptyTab.index)

  const run = underTab.length > 0 ? underTab : all
  const index = leastDisorder(holding, rule, run, facts)
  const front = run[index - 1]
  if (front) {
    const row = rows.find(each => each.container.id === front.container.id) ?? first
    return pointAfter(row, front.lane, entryIndex(row, front))
  }
  const behind = run[0]
  if (!behind) return pointAfter(first, 1, (first.lanes[0]?.length ?? 0) - 1)
  const row = rows.find(each => each.container.id === behind.container.id) ?? first
  return pointAfter(row, behind.lane, entryIndex(row, behind) - 1)
}

/** How many of `run` stay in front: the cut with the fewest pairs out of order, the last such cut on a tie. */
export function leastDisorder(holding: Holding, rule: FilingRule, run: readonly Placement[], facts: Pick<RoomFacts, 'holdings' | 'authority'>): number {
  const own = filingKeyOf(holding, rule, facts.authority)
  const belongsInFront = run.map(({ holder }) => {
    const other = facts.holdings.get(holder.holdingIds[0] ?? '')
    return !other || compareFilingKeys(filingKeyOf(other, rule, facts.authority), own) <= 0
  })
  let disorder = belongsInFront.filter(Boolean).length // with the cut before everything, all of these stand on the wrong side
  let best = disorder
  let cut = 0
  belongsInFront.forEach((inFront, index) => {
    disorder += inFront ? -1 : 1
    if (disorder <= best) {
      best = disorder
      cut = index + 1
    }
  })
  return cut
}

function entryIndex(row: ContainerRow, placement: Placement): number {
  return (row.lanes[placement.lane - 1] ?? []).findIndex(entry => entry.type === 'holder' && entry.placement.holder.id === placement.holder.id)
}

function findTab(rows: readonly ContainerRow[], isOwn: (section: Section | null) => boolean): { row: ContainerRow, lane: number, index: number } | null {
  for (const row of rows) {
    for (const [at, entries] of row.lanes.entries()) {
      const index = entries.findIndex(entry => entry.type === 'section' && isOwn(entry.section))
      if (index >= 0) return { row, lane: at + 1, index }
    }
  }
  return null
}

/** The point directly behind the entry at `index` of a lane; -1 is the very front. */
export function pointAfter(row: ContainerRow, lane: number, index: number): InsertionPoint {
  const entries = row.lanes[lane - 1] ?? []
  const placementAt = (entry: RowEntry | undefined): Placement | null => entry?.type === 'holder' ? entry.placement : null
  const before = entries.slice(0, index + 1)
  const section = before.findLast(entry => entry.type === 'section')
  return {
    container: row.container, lane, cell: null,
    order: keyBehind(entries, index),
    section: section?.type === 'section' ? section.section : null,
    front: placementAt(before.findLast(entry => entry.type === 'holder')),
    behind: placementAt(entries.slice(index + 1).find(entry => entry.type === 'holder')),
  }
}

function inFreeCell(rows: readonly ContainerRow[]): InsertionPoint | null {
  for (const row of rows) {
    const cell = nextFreeCell(row)
    if (cell) return pointAtCell(row, cell)
  }
  return null
}

export function pointAtCell(row: ContainerRow, cell: Cell): InsertionPoint {
  const isBefore = (each: Placement): boolean => each.cell !== null
    && (each.cell.page < cell.page || (each.cell.page === cell.page && each.cell.cell <= cell.cell))
  const front = row.placements.findLast(isBefore) ?? null
  const behind = row.placements.find(each => !isBefore(each)) ?? null
  return { container: row.container, lane: 1, order: keyBehind([], -1), cell, section: null, front, behind }
}

/** Pages fill in order of arrival: the cell behind the last one taken, and only then the gaps from the front. */
export function nextFreeCell(row: ContainerRow): Cell | null {
  const grid = row.container.cells
  if (!grid) return null
  const perPage = cellsPerPage(row.container)
  const sides = grid.isTwoSided ? (['front', 'back'] as const) : (['front'] as const)
  const taken = new Set(row.placements.map(({ cell }) => cell ? `${cell.page}/${cell.cell}/${cell.side}` : ''))
  const last = row.placements.at(-1)?.cell
  const start = last ? (last.page - 1) * perPage + last.cell - 1 : 0
  const total = perPage * grid.pages
  for (let step = 0; step < total; step += 1) {
    const at = (start + step) % total
    for (const side of sides) {
      const cell = { page: Math.floor(at / perPage) + 1, cell: (at % perPage) + 1, side }
      if (!taken.has(`${cell.page}/${cell.cell}/${side}`)) return cell
    }
  }
  return null
}
