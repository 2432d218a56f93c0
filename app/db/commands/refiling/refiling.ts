import { newId } from '~/db/newId'
import type { Container, Holder, LaneTarget, Refiling, Section, Zone } from '#core/catalog'
import { idsOf, laneKey, type Step } from '#core/refiling'
import { allIn, arrangeContainer, containerClash, keyBehind, planMove } from '#core/room'
import type { YondercrestDb } from '../../database'
import type { CommandName } from '../steps'
import type { Desk } from '../../desk'
import { transact } from '../../transact'
import { areInPlace, isAtHand } from '../holding/placing'
import { addressPatterns, clearAway, leavePlaceless, rowOf } from '../room/furniture'

export interface RefilingWish {
  readonly zone: Zone
  readonly rule: Zone['filingRule']
  readonly lanes: readonly LaneTarget[]
  readonly tableMm: number
  readonly armfulMm: number
  readonly tableName: string
  readonly name: string
  /** What stands nowhere yet and lies on the table to begin with. */
  readonly heap: readonly Holder[]
}

/** Longer pauses than this are no work on it. */
const PAUSE_MINUTES = 5

export type BeginOutcome =
  | { readonly ok: true; readonly id: string }
  /** One at a time: the room would be walked through by two plans. */
  | { readonly ok: false; readonly code: 'underWay' }
  /** The zone, or every container it was to go into, is no longer there. */
  | { readonly ok: false; readonly code: 'gone' }

/**
 * Begins a re-filing: the zone files by the new rule from now on, and a patch of table becomes a place with an address,
 * as things will lie there. Nothing is moved yet; a heap that is filed with the rest lies there to begin with.
 */
export async function beginRefiling(
  db: YondercrestDb,
  { zone, rule, lanes, tableMm, armfulMm, tableName, name, heap }: RefilingWish,
): Promise<BeginOutcome> {
  return transact(db, 'beginRefiling', { name }, async (desk): Promise<BeginOutcome> => {
    if ((await openRefilings(db).count()) > 0) return { ok: false, code: 'underWay' }
    const present = await db.records('zones').get(zone.id)
    const containers = await db.records('containers').toArray()
    const first = containers.find(each => lanes.some(lane => lane.containerId === each.id))
    if (!present || !first) return { ok: false, code: 'gone' }
    const [id, tableContainerId] = [newId(), newId()]
    const table: Container = {
      ...first,
      id: tableContainerId,
      zoneId: zone.id,
      name: tableName,
      code: tableContainerId.slice(-8),
      type: 'basket',
      lanes: 1,
      lengthMm: tableMm,
      inner: null,
      cells: null,
      rank: 1000,
      emptyWeightG: null,
      isTable: true,
    }
    const patterns = await addressPatterns(db)
    const codes = ['T', ...Array.from({ length: 99 }, (_, at) => `T${at + 2}`), table.code]
    const code = codes.find(each => !containerClash({ ...table, code: each }, containers, patterns)) ?? table.code
    await desk.put('containers', [{ ...table, code }])
    await desk.put(
      'holders',
      (await withoutPlace(db, heap)).map(holder => ({ ...holder, containerId: tableContainerId })),
    )
    await desk.put('zones', [{ ...present, filingRule: rule }])
    await desk.put('refilings', [
      {
        id,
        name,
        state: 'open',
        startedAt: new Date().toISOString(),
        endedAt: null,
        zoneId: zone.id,
        ruleBefore: present.filingRule,
        rule,
        lanes: lanes.map(lane => ({ ...lane, holderIds: [...lane.holderIds], tabs: [...lane.tabs] })),
        tableMm,
        tableContainerId,
        armfulMm,
        stepsDone: 0,
        liftsDone: 0,
        minutesWorked: 0,
        lastStepAt: null,
      },
    ])
    return { ok: true, id }
  })
}

/** Of a heap what is still there and still stands nowhere. */
async function withoutPlace(db: YondercrestDb, heap: readonly Holder[]): Promise<readonly Holder[]> {
  const ids = heap.flatMap(({ holdingIds }) => holdingIds)
  const known = new Set(await db.records('holdings').where('id').anyOf(ids).primaryKeys())
  const standing = new Set((await db.records('holders').where('holdingIds').anyOf(ids).toArray()).flatMap(({ holdingIds }) => holdingIds))
  return heap.filter(({ holdingIds }) => holdingIds.every(id => known.has(id) && !standing.has(id)))
}

/** The one that is under way, if any. */
export const openRefilings = (db: YondercrestDb) => db.records('refilings').where('state').equals('open')

/**
 * One step done: what was carried has its new address then and only then. False where the room has changed and the step no
 * longer holds.
 */
export async function doRefilingStep(db: YondercrestDb, refilingId: string, step: Step): Promise<boolean> {
  return transact(db, 'doRefilingStep', { count: idsOf(step).length }, async desk => {
    const refiling = await db.records('refilings').get(refilingId)
    const ids = idsOf(step)
    const holders = (await db.records('holders').bulkGet([...ids])).flatMap(holder => holder ?? [])
    const [containerId = '', lane = '1'] = step.to.split('/')
    const container = await db.records('containers').get(containerId)
    const isThere = holders.length === ids.length && holders.every(holder => laneKey(holder.containerId, holder.lane) === step.from)
    if (!refiling || refiling.state !== 'open' || !container || !isThere) return false
    let sections = await db.records('sections').where('containerId').equals(containerId).toArray()
    // All are lifted out first, and then set down part by part: each part goes by what stands there by then.
    const lifted = new Set(ids)
    const setDown = new Map<string, Holder>()
    const rekeyed = new Map<string, Section>()
    let standing = (await db.records('holders').where('containerId').equals(containerId).toArray()).filter(holder => !lifted.has(holder.id))
    for (const part of step.parts) {
      const row = arrangeContainer(container, standing, sections)
      const behindId = containerId === refiling.tableContainerId ? (row.placements.at(-1)?.holder.id ?? null) : part.behindId
      // What it was to go behind has left the lane meanwhile, or the lane itself is no more.
      if (
        behindId !== null &&
        !row.lanes[Number(lane) - 1]?.some(entry => entry.type === 'holder' && entry.placement.holder.id === behindId)
      )
        return false
      const plan = planMove(
        part.ids.flatMap(id => holders.find(holder => holder.id === id) ?? []),
        { type: 'row', containerId, lane: Number(lane), behindId },
        new Map([[containerId, row]]),
      )
      if (!plan.ok) return false
      for (const holder of plan.holders) setDown.set(holder.id, holder)
      for (const section of plan.sections) rekeyed.set(section.id, section)
      const changed = new Set(plan.holders.map(holder => holder.id))
      standing = [...standing.filter(holder => !changed.has(holder.id)), ...plan.holders]
      sections = sections.map(section => rekeyed.get(section.id) ?? section)
    }
    await desk.put('holders', [...setDown.values()])
    await desk.put('sections', [...rekeyed.values()])
    if (!container.isTable) await setDownInPlace(desk, holders)
    await desk.put('refilings', [
      { ...refiling, stepsDone: refiling.stepsDone + 1, liftsDone: refiling.liftsDone + ids.length, ...workedSince(refiling) },
    ])
    return true
  })
}

/** What was carried has its place now, and what an old list said of it is past. */
async function setDownInPlace(desk: Desk, holders: readonly Holder[]): Promise<void> {
  const holdings = await desk.db.records('holdings').bulkGet(holders.flatMap(({ holdingIds }) => holdingIds))
  await areInPlace(
    desk,
    holdings.flatMap(holding => (holding && isAtHand(holding) ? [holding] : [])),
  )
}

function workedSince({ startedAt, lastStepAt, minutesWorked }: Refiling): Pick<Refiling, 'minutesWorked' | 'lastStepAt'> {
  const now = new Date()
  const minutes = (now.getTime() - new Date(lastStepAt ?? startedAt).getTime()) / 60_000
  return { lastStepAt: now.toISOString(), minutesWorked: minutesWorked + Math.min(PAUSE_MINUTES, Math.max(0, minutes)) }
}

/** The last step: the dividers of the lanes are put as the aim has them, and the patch of table is a table again. */
export async function finishRefiling(db: YondercrestDb, refilingId: string, lanes: readonly LaneTarget[]): Promise<boolean> {
  return endRefiling(db, 'finishRefiling', refilingId, 'done', async desk => {
    for (const lane of lanes) await putTabs(desk, lane)
  })
}

/**
 * Leaves off: everything stays where it stands by now. What lies on the table has to go back first, or `table` says that it has
 * no place from then on.
 */
export async function leaveRefiling(
  db: YondercrestDb,
  refilingId: string,
  keepsRule: boolean,
  table: 'bare' | 'noPlace' = 'bare',
): Promise<boolean> {
  return endRefiling(
    db,
    'leaveRefiling',
    refilingId,
    'left',
    async (desk, { zoneId, ruleBefore, tableContainerId }) => {
      const lying = await rowOf(db, tableContainerId)
      if (lying && table === 'noPlace') await leavePlaceless(desk, lying)
      const zone = await db.records('zones').get(zoneId)
      if (zone && !keepsRule) await desk.put('zones', [{ ...zone, filingRule: ruleBefore }])
    },
    table === 'noPlace',
  )
}

/** Ends one that is open; false, and nothing changed, where it is not, or where something lies on its table that `last` does not clear. */
async function endRefiling(
  db: YondercrestDb,
  command: CommandName,
  id: string,
  state: 'done' | 'left',
  last: (desk: Desk, refiling: Refiling) => Promise<void>,
  isTableCleared = false,
): Promise<boolean> {
  const ended = await transact(
    db,
    command,
    (refiling: Refiling | null) => ({ name: refiling?.name }),
    async desk => {
      const refiling = await db.records('refilings').get(id)
      const table = refiling && (await rowOf(db, refiling.tableContainerId))
      if (!refiling || refiling.state !== 'open' || (table && allIn(table).length > 0 && !isTableCleared)) return null
      await last(desk, refiling)
      if (table) await clearAway(desk, table)
      await desk.put('refilings', [{ ...refiling, state, endedAt: new Date().toISOString() }])
      return refiling
    },
  )
  return ended !== null
}

/** The dividers of a lane as the aim has them, each in front of its first holder. */
async function putTabs(desk: Desk, { containerId, lane, tabs }: LaneTarget): Promise<void> {
  const row = await rowOf(desk.db, containerId)
  const entries = row?.lanes[lane - 1] ?? []
  await desk.remove(
    'sections',
    entries.flatMap(entry => (entry.type === 'section' ? [entry.section.id] : [])),
  )
  const standing: { readonly order: string; readonly id: string | null }[] = entries.flatMap(entry =>
    entry.type === 'holder' ? [{ order: entry.order, id: entry.placement.holder.id }] : [],
  )
  const sections = tabs.flatMap(({ beforeHolderId, ...tab }): Section[] => {
    const at = standing.findIndex(entry => entry.id === beforeHolderId)
    if (at < 0) return []
    const order = keyBehind(standing, at - 1)
    // Two sets may share a key, set down in one gap from two tabs: the divider then goes behind both, where it must not meet the next.
    const behind = standing.findIndex(entry => entry.order > order)
    standing.splice(behind < 0 ? standing.length : behind, 0, { order, id: null })
    return [{ id: newId(), containerId, lane, order, ...tab }]
  })
  await desk.put('sections', sections)
}
