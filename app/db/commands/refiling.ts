import { generateNKeysBetween } from 'fractional-indexing'
import { ulid } from 'ulid'
import type { LaneTarget, Refiling, Zone } from '#core/catalog'
import { arrangeContainer, idsOf, planMove, type Step } from '#core/room'
import type { YondercrestDb } from '../database'
import { type Desk, transact } from '../transact'

export interface RefilingWish {
  readonly zone: Zone
  readonly rule: Zone['filingRule']
  readonly lanes: readonly LaneTarget[]
  readonly tableMm: number
  readonly armfulMm: number
  readonly tableName: string
  readonly name: string
}

/** Longer pauses than this are no work on it. */
const PAUSE_MINUTES = 5
const laneKey = (containerId: string, lane: number): string => `${containerId}/${lane}`

/**
 * Begins a re-filing: the zone files by the new rule from now on, and a patch of table becomes a place with an address,
 * as things will lie there. Nothing is moved yet.
 */
export async function beginRefiling(db: YondercrestDb, { zone, rule, lanes, tableMm, armfulMm, tableName, name }: RefilingWish): Promise<string> {
  const id = ulid()
  await transact(db, 'beginRefiling', { name }, async (desk) => {
    const containers = await db.records('containers').toArray()
    const first = containers.find(each => each.id === lanes[0]?.containerId)
    const tableContainerId = ulid()
    const taken = new Set(containers.map(each => each.code.toLowerCase()))
    const code = ['T', ...Array.from({ length: 99 }, (_, at) => `T${at + 2}`)].find(each => !taken.has(each.toLowerCase())) ?? tableContainerId.slice(-8)
    if (first) await desk.put('containers', [{ ...first, id: tableContainerId, name: tableName, code, type: 'basket', lanes: 1, lengthMm: tableMm, inner: null, cells: null, rank: 1000, emptyWeightG: null, isTable: true }])
    await desk.put('zones', [{ ...zone, filingRule: rule }])
    await desk.put('refilings', [{
      id, name, state: 'open', startedAt: new Date().toISOString(), endedAt: null, zoneId: zone.id, ruleBefore: zone.filingRule, rule,
      lanes: lanes.map(lane => ({ ...lane, holderIds: [...lane.holderIds], tabs: [...lane.tabs] })), tableMm, tableContainerId, armfulMm, stepsDone: 0, liftsDone: 0, minutesWorked: 0, lastStepAt: null,
    }])
  })
  return id
}

/** One step done: what was carried has its new address then and only then. False where the room has changed and the step no longer holds. */
export async function doRefilingStep(db: YondercrestDb, refilingId: string, step: Step): Promise<boolean> {
  return transact(db, 'doRefilingStep', { count: idsOf(step).length }, async (desk) => {
    const refiling = await db.records('refilings').get(refilingId)
    const ids = idsOf(step)
    const holders = (await db.records('holders').bulkGet([...ids])).flatMap(holder => holder ?? [])
    const [containerId = '', lane = '1'] = step.to.split('/')
    const container = await db.records('containers').get(containerId)
    const isThere = holders.length === ids.length && holders.every(holder => laneKey(holder.containerId, holder.lane) === step.from)
    if (!refiling || refiling.state !== 'open' || !container || !isThere) return false
    const sections = await db.records('sections').where('containerId').equals(containerId).toArray()
    // All are lifted out first, and then set down part by part: each part goes by what stands there by then.
    const lifted = new Set(ids)
    let standing = (await db.records('holders').where('containerId').equals(containerId).toArray()).filter(holder => !lifted.has(holder.id))
    for (const part of step.parts) {
      const row = arrangeContainer(container, standing, sections)
      const behindId = containerId === refiling.tableContainerId ? row.placements.at(-1)?.holder.id ?? null : part.behindId
      const plan = planMove(part.ids.flatMap(id => holders.find(holder => holder.id === id) ?? []), { type: 'row', containerId, lane: Number(lane), behindId }, new Map([[containerId, row]]))
      if (!plan.ok) return false
      await desk.put('holders', plan.holders)
      standing = [...standing, ...plan.holders]
    }
    await desk.put('refilings', [{ ...refiling, stepsDone: refiling.stepsDone + 1, liftsDone: refiling.liftsDone + ids.length, ...workedSince(refiling) }])
    return true
  })
}

function workedSince({ startedAt, lastStepAt, minutesWorked }: Refiling): Pick<Refiling, 'minutesWorked' | 'lastStepAt'> {
  const now = new Date()
  const minutes = (now.getTime() - new Date(lastStepAt ?? startedAt).getTime()) / 60_000
  return { lastStepAt: now.toISOString(), minutesWorked: minutesWorked + Math.min(PAUSE_MINUTES, Math.max(0, minutes)) }
}

/** The last step: the dividers of the lanes are put as the aim has them, and the patch of table is a table again. */
export async function finishRefiling(db: YondercrestDb, refilingId: string, lanes: readonly LaneTarget[]): Promise<boolean> {
  const before = await db.records('refilings').get(refilingId)
  return transact(db, 'finishRefiling', { name: before?.name }, async (desk) => {
    if (!before || before.state !== 'open') return false
    if (await db.records('holders').where('containerId').equals(before.tableContainerId).count() > 0) return false
    for (const lane of lanes) await putTabs(desk, lane)
    await clearTable(desk, before)
    await desk.put('refilings', [{ ...before, state: 'done', endedAt: new Date().toISOString() }])
    return true
  })
}

/** Leaves off: everything stays where it stands by now. Not while something lies on the table, which has to go back first. */
export async function leaveRefiling(db: YondercrestDb, refilingId: string, keepsRule: boolean): Promise<boolean> {
  const before = await db.records('refilings').get(refilingId)
  return transact(db, 'leaveRefiling', { name: before?.name }, async (desk) => {
    if (!before || before.state !== 'open') return false
    if (await db.records('holders').where('containerId').equals(before.tableContainerId).count() > 0) return false
    const zone = await db.records('zones').get(before.zoneId)
    if (zone && !keepsRule) await desk.put('zones', [{ ...zone, filingRule: before.ruleBefore }])
    await clearTable(desk, before)
    await desk.put('refilings', [{ ...before, state: 'left', endedAt: new Date().toISOString() }])
    return true
  })
}

async function clearTable(desk: Desk, { tableContainerId }: Refiling): Promise<void> {
  await desk.remove('containers', [tableContainerId])
}

async function putTabs(desk: Desk, { containerId, lane, tabs }: LaneTarget): Promise<void> {
  const old = await desk.db.records('sections').where('containerId').equals(containerId).filter(each => each.lane === lane).toArray()
  await desk.remove('sections', old.map(each => each.id))
  const holders = (await desk.db.records('holders').where('containerId').equals(containerId).filter(each => each.lane === lane).toArray()).sort((a, b) => (a.order < b.order ? -1 : 1))
  const sections = tabs.flatMap(({ beforeHolderId, ...tab }) => {
    const at = holders.findIndex(holder => holder.id === beforeHolderId)
    if (at < 0) return []
    const [order] = generateNKeysBetween(holders[at - 1]?.order ?? null, holders[at]?.order ?? null, 1)
    return order === undefined ? [] : [{ id: ulid(), containerId, lane, order, ...tab }]
  })
  await desk.put('sections', sections)
}
