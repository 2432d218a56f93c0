import { expose } from 'comlink'
import { newId } from '~/db/newId'
import type { FilingRule, Holder, Holding, LaneTarget, RecordOf, Refiling, Section, TableName } from '#core/catalog'
import { type Candidate, type CardChoice, chooseForCard, tallyUses } from '#core/fetching'
import type { NameList, NameRecord } from '#core/classing'
import { fillOf, learnThickness, roomIn } from '#core/capacity'
import {
  heapOf,
  holderLengthMm,
  type MovesPlan,
  outOfOrder,
  planAllPlaces,
  proposeRefiling,
  type RefilingFacts,
  type RefilingProposal,
  type RefilingQuestion,
  remainingRefiling,
} from '#core/refiling'
import { type Authority, isTabKey, TAB_TABLES, zoneFor } from '#core/filing'
import { arrangeRoom, type ContainerRow, containersInOrder, setsIn } from '#core/room'
import {
  ASSUMPTION_CHANGES,
  type Assumptions,
  type Decision,
  type RuleResult,
  type SimulatedHolder,
  type SimulatedRoom,
  simulateRule,
  whatDecides,
} from '#core/ways'
import { database } from '~/db'
import * as commands from '~/db/commands'
import type { Progress } from './worker'

type Tell = (progress: Progress) => void

async function allOf<T extends TableName>(table: T): Promise<ReadonlyMap<string, RecordOf<T>>> {
  const records = (await database().anyRecords(table).toArray()) as unknown as (RecordOf<T> & { id: string })[]
  return new Map(records.map(record => [record.id, record]))
}

/** The room as the database has it at this moment: asked for a plan, nothing older will do. */
async function readRoom(): Promise<{
  readonly facts: Omit<RefilingFacts, 'rows'>
  readonly rowsOf: (zoneId: string) => readonly ContainerRow[]
  readonly titleOf: (standsFor: NonNullable<Section['standsFor']>) => string
  readonly rows: ReadonlyMap<string, ContainerRow>
}> {
  const [holdings, brands, themes, categories, kinds, fixtures, containers, sections, holders, holderTypes, relations, measured] =
    await Promise.all([
      allOf('holdings'),
      allOf('brands'),
      allOf('themes'),
      allOf('categories'),
      allOf('kinds'),
      allOf('fixtures'),
      allOf('containers'),
      allOf('sections'),
      allOf('holders'),
      allOf('holderTypes'),
      allOf('relations'),
      allOf('measuredLengths'),
    ])
  const { rows } = arrangeRoom({ containers: containers.values(), sections: sections.values(), holders: holders.values() })
  const stampOf = new Map([...relations.values()].flatMap(each => (each.kind === 'dieForStamp' ? [[each.fromId, each.toId] as const] : [])))
  const authority: Authority = { brands, themes, categories, kinds }
  return {
    rows,
    facts: {
      holdings,
      authority,
      stampOf,
      holderTypes,
      learnt: learnThickness([...measured.values()], id => kinds.get(id)),
    },
    rowsOf: zoneId => containersInOrder({ rows, fixtures }, zoneId),
    titleOf: ({ by, id }) => {
      const record = authority[TAB_TABLES[by]].get(id)
      if (record) return 'abbreviation' in record && record.name.length > LONG_TITLE ? (record.abbreviation ?? record.name) : record.name
      return ''
    },
  }
}
/** A brand longer than this stands abbreviated on its tab, where it has an abbreviation. */
const LONG_TITLE = 16

async function simulatedRoom(zoneId: string): Promise<SimulatedRoom> {
  const { facts, rowsOf } = await readRoom()
  const rows = rowsOf(zoneId).filter(row => row.container.cells === null)
  const lanes = rows.flatMap(row => row.lanes.map((_, at) => ({ row, lane: at + 1 })))
  const zone = await database().records('zones').get(zoneId)
  const tallies = tallyUses(await database().records('uses').toArray())
  return {
    facts,
    reserve: zone?.growthReserve ?? 0,
    lanesMm: lanes.map(({ row }) => row.container.lengthMm),
    holders: lanes.flatMap(({ row, lane }, at) =>
      row.placements
        .filter(placement => placement.lane === lane && placement.holder.apartBecause === null)
        .flatMap(({ holder, position }): SimulatedHolder[] => {
          const holding = facts.holdings.get(holder.holdingIds[0] ?? '')
          return holding
            ? [{ holding, timesUsed: tallies.get(holding.id)?.times ?? 0, lengthMm: holderLengthMm(holder, facts), lane: at, position }]
            : []
        }),
    ),
  }
}

/** What many sets without a place would make of the room: each container that gets some, and how full it is, before and after. */
export interface PlacesOutlook {
  readonly placed: number
  /** There is no room for these. */
  readonly left: number
  /** No zone takes these. */
  readonly unclaimed: number
  readonly containers: readonly { readonly id: string; readonly sets: number; readonly before: number; readonly after: number }[]
}

/** Where some sets would stand in a corner. */
export interface CornerPlan {
  /** These stand there already. */
  readonly there: number
  /** These get a place there, with all that share what they sit in. */
  readonly moved: number
  /** For these there is no room. */
  readonly left: number
  readonly places: readonly { readonly holdingId: string; readonly place: Pick<Holder, 'containerId' | 'lane' | 'order' | 'cell'> }[]
}

async function waitingRoom(ids: readonly string[]) {
  const { facts, rows } = await readRoom()
  const fixtures = await allOf('fixtures')
  const zones = await database().records('zones').toArray()
  const hasRoom = roomIn(
    id => facts.holdings.get(id),
    id => facts.authority.kinds.get(id),
    facts.learnt,
  )
  return { waiting: ids.flatMap(id => facts.holdings.get(id) ?? []), facts: { ...facts, rows, fixtures, zones, hasRoom } }
}

let isStopped = false

const api = {
  /** Of each need of a card one candidate. `along` are the containers in the order of the walk, each with how far along it stands. */
  chooseForCard(needs: readonly (readonly Candidate[])[], along: readonly (readonly [id: string, mm: number])[]): CardChoice {
    const [ranks, mm] = [new Map(along.map(([id], at) => [id, at])), new Map(along)]
    return chooseForCard(needs, { rankOf: id => ranks.get(id) ?? Infinity, alongMm: id => mm.get(id) ?? 0 })
  },
  /**
   * Places all sets without a place, one after the other, as one step. Stopped, what is placed by then stays. How many
   * were placed.
   */
  async placeMany(ids: readonly string[], tell: Tell): Promise<number> {
    isStopped = false
    const { waiting, facts } = await waitingRoom(ids)
    return commands.placeMany(database(), waiting, facts, done => {
      tell({ stage: 'placing', done, total: waiting.length })
      return !isStopped
    })
  },
  /** Where these sets would come to stand: the container, and how far in it. */
  async standing(
    ids: readonly string[],
  ): Promise<readonly { readonly id: string; readonly containerId: string; readonly position: number }[]> {
    const { waiting, facts } = await waitingRoom(ids)
    const { rows, holders } = planAllPlaces(waiting, facts, newId)
    const wanted = new Set(waiting.map(({ id }) => id))
    return [...new Set(holders.map(({ containerId }) => containerId))].flatMap(containerId =>
      [...(rows.get(containerId)?.placements ?? [])].flatMap(({ holder, position }) =>
        holder.holdingIds.filter(id => wanted.has(id)).map(id => ({ id, containerId, position })),
      ),
    )
  },
  /** What that would make of the room. */
  async planMany(ids: readonly string[]): Promise<PlacesOutlook> {
    const { waiting, facts } = await waitingRoom(ids)
    const plan = planAllPlaces(waiting, facts, newId)
    const unclaimed = waiting.filter(holding => !zoneFor(holding, facts.zones)).length
    const fillIn = (row: ContainerRow): number =>
      fillOf(
        row,
        id => facts.holdings.get(id),
        id => facts.authority.kinds.get(id),
        facts.learnt,
      ).share
    const changed = [...plan.rows.values()].filter(row => row !== facts.rows.get(row.container.id))
    return {
      placed: plan.placed.length,
      left: waiting.length - plan.placed.length - unclaimed,
      unclaimed,
      containers: changed.map(row => {
        const before = facts.rows.get(row.container.id)
        return {
          id: row.container.id,
          sets: setsIn(row) - (before ? setsIn(before) : 0),
          before: before ? fillIn(before) : 0,
          after: fillIn(row),
        }
      }),
    }
  },
  /** Places in one corner for sets that stand elsewhere or nowhere, whatever kinds it takes. */
  async planCorner(ids: readonly string[], zoneId: string): Promise<CornerPlan> {
    const { waiting, facts } = await waitingRoom(ids)
    const holders = await allOf('holders')
    const standsIn = new Map([...holders.values()].flatMap(holder => holder.holdingIds.map(id => [id, holder] as const)))
    const isThere = ({ id }: Holding): boolean => facts.rows.get(standsIn.get(id)?.containerId ?? '')?.container.zoneId === zoneId
    // Those that share what they sit in go together: one of them is asked for.
    const first = new Map(waiting.filter(each => !isThere(each)).map(each => [standsIn.get(each.id)?.id ?? each.id, each]))
    const zones = facts.zones.filter(({ id }) => id === zoneId).map(zone => ({ ...zone, takesKindIds: [] }))
    const setsOf = (some: Iterable<string>): number => [...some].reduce((sum, id) => sum + (standsIn.get(id)?.holdingIds.length ?? 1), 0)
    const plan = planAllPlaces([...first.values()], { ...facts, zones }, newId)
    const placed = new Map(plan.holders.toReversed().map(holder => [holder.holdingIds[0] ?? '', holder]))
    return {
      there: waiting.filter(isThere).length,
      moved: setsOf(placed.keys()),
      left: setsOf(first.values().map(({ id }) => id)) - setsOf(placed.keys()),
      places: [...placed].map(([holdingId, { containerId, lane, order, cell }]) => ({
        holdingId,
        place: { containerId, lane, order, cell },
      })),
    }
  },
  stopPlacing(): void {
    isStopped = true
  },

  /** The aim of a re-filing and its moves; `heapIds`: sets that stand nowhere and are filed with the rest. */
  async propose(
    question: Omit<RefilingQuestion, 'heap'>,
    heapIds: readonly string[],
  ): Promise<{ readonly proposal: RefilingProposal; readonly heap: readonly Holder[] }> {
    const { facts, rowsOf, titleOf } = await readRoom()
    const heap = heapOf(
      heapIds.flatMap(id => facts.holdings.get(id) ?? []),
      newId,
    )
    return { proposal: proposeRefiling({ ...facts, rows: rowsOf(question.zone.id) }, { ...question, heap }, titleOf), heap }
  },

  /** What is left of a re-filing under way. */
  async remaining(refiling: Refiling): Promise<{ readonly moves: MovesPlan; readonly lanes: readonly LaneTarget[] }> {
    const { facts, rows, rowsOf } = await readRoom()
    const zone = await database().records('zones').get(refiling.zoneId)
    return remainingRefiling(
      { ...facts, rows: rowsOf(refiling.zoneId) },
      refiling,
      zone?.habits.dies ?? 'apart',
      rows.get(refiling.tableContainerId) ?? null,
    )
  },

  /** How many sets a change of names, or of their order, would put out of the order of their zones, beyond those that are out of it now. */
  async wouldMove(list: NameList, changed: readonly NameRecord[]): Promise<number> {
    const { facts, rowsOf } = await readRoom()
    const zones = await database().records('zones').toArray()
    const names: ReadonlyMap<string, NameRecord> = new Map([
      ...(facts.authority[list] as ReadonlyMap<string, NameRecord>),
      ...changed.map(record => [record.id, record] as const),
    ])
    const then = { ...facts, authority: { ...facts.authority, [list]: names } }
    return zones
      .filter(zone => zone.filingRule.keys.some(({ by }) => isTabKey(by) && TAB_TABLES[by] === list))
      .reduce((sum, { id, filingRule, habits }) => {
        const rows = rowsOf(id)
        return sum + Math.max(0, outOfOrder(rows, filingRule, habits.dies, then) - outOfOrder(rows, filingRule, habits.dies, facts))
      }, 0)
  },

  /** Filing rules compared on the owner's own collection, one after the other; and which assumptions decide the answer. */
  async compare(
    zoneId: string,
    rules: readonly FilingRule[],
    assumptions: Assumptions,
    tell: Tell,
  ): Promise<{ readonly results: readonly RuleResult[]; readonly decisions: readonly Decision[] }> {
    const room = await simulatedRoom(zoneId)
    const total = rules.length + ASSUMPTION_CHANGES.length
    const results = rules.map((rule, at) => {
      tell({ stage: 'rules', done: at, total })
      return simulateRule(room, rule, assumptions)
    })
    let tried = rules.length
    const decisions = whatDecides(room, results, assumptions, () => tell({ stage: 'assumptions', done: tried++, total }))
    return { results, decisions }
  },
}

export type RoomApi = typeof api
expose(api)
