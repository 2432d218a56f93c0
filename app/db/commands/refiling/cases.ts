import { ulid } from 'ulid'
import { heapOf, proposeRefiling, remainingRefiling, START_AIMS, type RefilingFacts } from '#core/refiling'
import { containersInOrder } from '#core/room'
import { all, mapOf, roomOf, type Cases } from '../../../../tests/support/cases'
import type { YondercrestDb } from '~/db'
import * as commands from '~/db/commands'

/** A zone as a re-filing sees it. */
async function refilingFacts(
  db: YondercrestDb,
  zoneId: string,
): Promise<RefilingFacts & { readonly tableOf: (id: string) => ReturnType<ReadonlyMap<string, RefilingFacts['rows'][number]>['get']> }> {
  const { facts, rows } = await roomOf(db)
  return {
    ...facts,
    rows: containersInOrder(facts, zoneId),
    learnt: new Map(),
    holderTypes: mapOf(await all(db, 'holderTypes')),
    tableOf: id => rows.get(id),
  }
}
/** What is left of the re-filing that is under way, as the room stands now. */
async function refilingLeft(db: YondercrestDb) {
  const refiling = (await all(db, 'refilings')).find(each => each.state === 'open')
  if (!refiling) return null
  const facts = await refilingFacts(db, refiling.zoneId)
  return { refiling, ...remainingRefiling(facts, refiling, 'apart', facts.tableOf(refiling.tableContainerId) ?? null) }
}

export const refilingCases: Cases = {
  async beginRefiling(db, luck) {
    const zone = luck.pick(await all(db, 'zones'))
    if (!zone) return
    const facts = await refilingFacts(db, zone.id)
    const rule = { keys: [{ by: luck.pick(['theme', 'brand', 'name'] as const) ?? 'name', order: 'alphabetical' as const }] }
    const standing = new Set((await all(db, 'holders')).flatMap(({ holdingIds }) => holdingIds))
    const heap = heapOf(
      (await all(db, 'holdings')).filter(({ id }) => !standing.has(id) && luck.below(2) === 0),
      ulid,
    )
    const containerIds = facts.rows.filter(row => !row.container.isTable).map(row => row.container.id)
    const proposal = proposeRefiling(
      facts,
      { zone, rule, containerIds, reserve: 0, aims: START_AIMS, isEven: luck.below(2) === 0, tableMm: 300, armfulMm: 40, heap },
      ({ id }) => id.slice(-4),
    )
    if (proposal.ok)
      await commands.beginRefiling(db, {
        zone,
        rule,
        lanes: proposal.lanes.map(lane => lane.target),
        tableMm: 300,
        armfulMm: 40,
        tableName: 'The table',
        name: zone.name,
        heap,
      })
  },
  async refileStep(db) {
    const left = await refilingLeft(db)
    if (left?.moves.ok && left.moves.steps[0]) await commands.doRefilingStep(db, left.refiling.id, left.moves.steps[0])
  },
  async refileToTheEnd(db, luck) {
    if (!(await refilingLeft(db))) await refilingCases.beginRefiling?.(db, luck)
    for (let left = await refilingLeft(db), round = 0; left?.moves.ok && round < 30; left = await refilingLeft(db), round += 1) {
      const [step] = left.moves.steps
      if (!step) return commands.finishRefiling(db, left.refiling.id, left.lanes)
      if (!(await commands.doRefilingStep(db, left.refiling.id, step))) return
    }
  },
  async leaveRefiling(db, luck) {
    const left = await refilingLeft(db)
    if (left) await commands.leaveRefiling(db, left.refiling.id, luck.below(2) === 0, luck.below(2) === 0 ? 'noPlace' : 'bare')
  },
}
