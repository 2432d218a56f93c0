import type { Container, FilingRule, Holder, HolderType, LaneTarget, Refiling, Section, Zone } from '#core/catalog'
import { allIn, type ContainerRow, isLookedAt, type Placement } from '#core/room'
import { thicknessIn, type ThicknessTable } from '#core/capacity'
import { changedTabs, type PlannedTab, planTabs, START_TABS, type TabChanges, type TabHabit } from './dividers'
import { explainBreaks, type SplitBreak } from './explain'
import { leastLargestShare, type SplitAims, type SplitBin, type SplitPlan, splitRun } from './splitRun'
import { adaptAim, laneTargets, orderHolders, type OrderFacts, splitItems } from './aim'
import { type MoveLimits, type MovesPlan, planMoves } from './planMoves'
import type { Shelf } from './shelves'

/** The facts that a re-filing reads. `rows` are the containers of the zone, in walking order. */
export interface RefilingFacts extends OrderFacts {
  readonly rows: readonly ContainerRow[]
  readonly learnt: ThicknessTable
  readonly holderTypes: ReadonlyMap<string, HolderType>
}
export interface RefilingQuestion {
  readonly zone: Zone
  readonly rule: FilingRule
  /** The containers that the run goes into, in this order; the other ones of the zone are emptied. */
  readonly containerIds: readonly string[]
  readonly reserve: number
  readonly aims: SplitAims
  /** First of all, the fullest lane is as empty as possible. */
  readonly isEven: boolean
  readonly tableMm: number
  readonly armfulMm: number
  /** Holders without a place that are filed with the others, from a heap on the table. */
  readonly heap: readonly Holder[]
}
interface LaneProposal {
  readonly target: LaneTarget
  readonly usedMm: number
  readonly capacityMm: number
  readonly tabs: readonly PlannedTab[]
  readonly changes: TabChanges
}
export type RefilingProposal =
  | {
      readonly ok: true
      readonly lanes: readonly LaneProposal[]
      readonly breaks: readonly SplitBreak[]
      readonly moves: Extract<MovesPlan, { ok: true }>
      readonly sets: number
      /** Length of the heap in mm. */
      readonly heapMm: number
      readonly usedLanes: number
    }
  | {
      readonly ok: false
      readonly problem:
        | Extract<SplitPlan, { ok: false }>
        | Extract<MovesPlan, { ok: false }>
        | { readonly ok: false; readonly code: 'nothingToFile' | 'noLane' }
    }

/** The name of the table before it is a container of the room. */
const TABLE = 'table'
export const laneKey = (containerId: string, lane: number): string => `${containerId}/${lane}`
const isRow = ({ container }: ContainerRow): boolean => container.cells === null
const isFiled = ({ holder }: Placement): boolean => holder.apartBecause === null

/** Depth of a holder with everything in it, in mm. */
export function holderLengthMm(
  holder: Holder,
  { holdings, authority, learnt }: Pick<RefilingFacts, 'holdings' | 'authority' | 'learnt'>,
): number {
  return holder.holdingIds.reduce((sum, id) => {
    const holding = holdings.get(id)
    return holding ? sum + thicknessIn(holding, holder, kindId => authority.kinds.get(kindId), learnt).mm : sum
  }, 0)
}

/** From the room as it is to a rule, an order, a split or other containers: the aim, the reason of each cut, and the moves. */
export function proposeRefiling(
  facts: RefilingFacts,
  question: RefilingQuestion,
  titleOf: (standsFor: NonNullable<Section['standsFor']>) => string,
  habit: TabHabit = START_TABS,
): RefilingProposal {
  const { zone, rule, containerIds, reserve, aims, heap } = question
  const rows = facts.rows.filter(isRow)
  const lengthOf = lengthsOf(rows, facts, heap)
  const lanes = runLanes(
    containerIds.flatMap(id => rows.find(row => row.container.id === id) ?? []),
    lengthOf,
    reserve,
  )
  if (lanes.length === 0) return { ok: false, problem: { ok: false, code: 'noLane' } }
  const filed = rows.flatMap(row => row.placements).filter(isFiled)
  const ordered = orderHolders([...filed, ...heap.map(holder => ({ holder }))], rule, zone.habits.dies, facts)
  if (ordered.length === 0) return { ok: false, problem: { ok: false, code: 'nothingToFile' } }
  const items = splitItems(ordered, rule, lengthOf)
  const bins = evenBins(
    items.map(item => item.lengthMm),
    lanes,
    question.isEven,
  )
  const split = splitRun(items, bins, aims)
  if (!split.ok) return { ok: false, problem: split }
  const targets = laneTargets(ordered, rule, lanes, split.starts, titleOf, habit)
  const moves = planMoves(
    [...shelvesOf(rows, lengthOf), { key: TABLE, capacityMm: question.tableMm, othersMm: 0, ids: heap.map(({ id }) => id) }],
    new Map(targets.map(target => [laneKey(target.containerId, target.lane), target.holderIds])),
    lengthOf,
    { armfulMm: question.armfulMm, table: { key: TABLE, capacityMm: question.tableMm } },
  )
  if (!moves.ok) return { ok: false, problem: moves }
  const holders = new Map([...filed.map(({ holder }) => holder), ...heap].map(holder => [holder.id, holder]))
  const proposals = targets.map((target, at): LaneProposal => {
    const row = lanes[at]?.row
    const standing = (row?.lanes[target.lane - 1] ?? []).flatMap(entry => (entry.type === 'section' ? [entry.section] : []))
    const heights = heightsBetweenTabs(target, id => holderHeightMm(holders.get(id), facts))
    const tabs = planTabs(
      target.tabs.flatMap(({ standsFor, title, beforeHolderId }, index) =>
        standsFor ? [{ standsFor, title, beforeHolderId, holderHeightMm: heights[index] ?? 0 }] : [],
      ),
      standing,
      laneRoom(row?.container),
      habit,
    )
    const usedMm = (lanes[at]?.othersMm ?? 0) + target.holderIds.reduce((sum, id) => sum + lengthOf(id), 0)
    return {
      target: {
        ...target,
        tabs: tabs.map(({ standsFor, title, beforeHolderId, colour }) => ({ standsFor, title, beforeHolderId, colour })),
      },
      usedMm,
      capacityMm: row?.container.lengthMm ?? 0,
      tabs,
      changes: changedTabs(tabs, standing),
    }
  })
  return {
    ok: true,
    lanes: proposals,
    breaks: explainBreaks(items, bins, split.starts),
    moves,
    sets: ordered.length,
    heapMm: heap.reduce((sum, { id }) => sum + lengthOf(id), 0),
    usedLanes: targets.filter(target => target.holderIds.length > 0).length,
  }
}

/** The rest of a re-filing, from the room as it is now; the aim includes sets that came in meanwhile. */
export function remainingRefiling(
  facts: RefilingFacts,
  refiling: Refiling,
  dies: Zone['habits']['dies'],
  tableRow: ContainerRow | null,
): { readonly moves: MovesPlan; readonly lanes: readonly LaneTarget[] } {
  const rows = facts.rows.filter(row => isRow(row) && row.container.id !== refiling.tableContainerId)
  const all = tableRow ? [...rows, tableRow] : rows
  const lengthOf = lengthsOf(all, facts)
  // A container that was removed is no aim any more: its holders go where the rule puts them.
  const stands = refiling.lanes.filter(target =>
    rows.some(row => row.container.id === target.containerId && target.lane <= row.lanes.length),
  )
  const lanes = adaptAim(stands, all.flatMap(row => row.placements).filter(isFiled), refiling.rule, dies, facts)
  const limits: MoveLimits = {
    armfulMm: refiling.armfulMm,
    table: { key: laneKey(refiling.tableContainerId, 1), capacityMm: refiling.tableMm },
  }
  return {
    lanes,
    moves: planMoves(
      shelvesOf(all, lengthOf),
      new Map(lanes.map(lane => [laneKey(lane.containerId, lane.lane), lane.holderIds])),
      lengthOf,
      limits,
    ),
  }
}

function lengthsOf(rows: readonly ContainerRow[], facts: RefilingFacts, heap: readonly Holder[] = []): (id: string) => number {
  const all = [...rows.flatMap(allIn).map(({ holder }) => holder), ...heap]
  const lengths = new Map(all.map(holder => [holder.id, holderLengthMm(holder, facts)]))
  return id => lengths.get(id) ?? 0
}
/** Pinned holders, and holders without a known position, stay where they are. */
const apartMm = (row: ContainerRow, lane: number, lengthOf: (id: string) => number): number =>
  allIn(row).reduce((sum, each) => (each.lane === lane && !(isLookedAt(each) && isFiled(each)) ? sum + lengthOf(each.holder.id) : sum), 0)

/** A lane that a run goes through, and the length that the run may use. */
export interface RunLane extends SplitBin {
  readonly row: ContainerRow
  readonly containerId: string
  readonly lane: number
  /** Length used by holders that the run does not move. */
  readonly othersMm: number
}
/** The lanes of some rows in their order, with a share of each kept free. O(holders). */
export function runLanes(rows: readonly ContainerRow[], lengthOf: (holderId: string) => number, reserve: number): readonly RunLane[] {
  return rows.flatMap(row =>
    row.lanes.map((_, at): RunLane => {
      const othersMm = apartMm(row, at + 1, lengthOf)
      const capacityMm = Math.max(0, row.container.lengthMm * (1 - reserve) - othersMm)
      return { row, containerId: row.container.id, lane: at + 1, othersMm, capacityMm }
    }),
  )
}

function shelvesOf(rows: readonly ContainerRow[], lengthOf: (id: string) => number): readonly Shelf[] {
  return rows.flatMap(row =>
    row.lanes.map((_, at): Shelf => ({
      key: laneKey(row.container.id, at + 1),
      capacityMm: row.container.lengthMm,
      othersMm: apartMm(row, at + 1, lengthOf),
      ids: row.placements.filter(placement => placement.lane === at + 1 && isFiled(placement)).map(({ holder }) => holder.id),
    })),
  )
}

/** For evenness, the capacity of every lane is cut to the least share to which the fullest lane must be filled. */
function evenBins(lengths: readonly number[], bins: readonly SplitBin[], isEven: boolean): readonly SplitBin[] {
  if (!isEven || bins.some(bin => bin.capacityMm <= 0)) return bins
  const share = leastLargestShare(
    lengths,
    bins.map(bin => bin.capacityMm),
  )
  return share >= 1 ? bins : bins.map(bin => ({ capacityMm: bin.capacityMm * share + 1e-6 }))
}

const UNKNOWN_HEIGHT_MM = 178 // 7 in, the usual pocket (common practice)
function holderHeightMm(holder: Holder | undefined, { holderTypes, holdings }: RefilingFacts): number {
  return (
    holderTypes.get(holder?.holderTypeId ?? '')?.inner?.heightMm ??
    holdings.get(holder?.holdingIds[0] ?? '')?.size?.heightMm ??
    UNKNOWN_HEIGHT_MM
  )
}
/** The height of the tallest holder behind each tab. */
function heightsBetweenTabs(target: LaneTarget, heightOf: (id: string) => number): readonly number[] {
  const starts = target.tabs.map(tab => target.holderIds.indexOf(tab.beforeHolderId))
  return starts.map((from, at) => Math.max(0, ...target.holderIds.slice(from, starts[at + 1] ?? target.holderIds.length).map(heightOf)))
}
function laneRoom(container: Container | undefined): { readonly widthMm: number | null; readonly headroomMm: number | null } {
  return { widthMm: container?.inner ? container.inner.widthMm / container.lanes : null, headroomMm: container?.inner?.heightMm ?? null }
}
