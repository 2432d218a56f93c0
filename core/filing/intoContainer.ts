import type { Holding } from '#core/catalog'
import { type ContainerRow, type MoveTarget, nextFreeCell } from '#core/room'
import { proposePlace, type RoomFacts } from './insertion'

/**
 * Where in one container a set goes: the place by the rule of the container's zone, whatever kinds the zone takes; else the
 * front of its first lane; of pages the next free cell. null: its cells are all taken. As `proposePlace`.
 */
export function targetInContainer(row: ContainerRow, holding: Holding | null, facts: RoomFacts): MoveTarget | null {
  const { id: containerId, cells, zoneId } = row.container
  if (cells) {
    const cell = nextFreeCell(row)
    return cell ? { type: 'cell', containerId, cell } : null
  }
  const zones = facts.zones.filter(zone => zone.id === zoneId).map(zone => ({ ...zone, takesKindIds: [] }))
  const proposal = holding ? proposePlace(holding, { ...facts, zones, rows: new Map([[containerId, row]]) }) : null
  if (!proposal?.ok) return { type: 'row', containerId, lane: 1, behindId: null }
  const { lane, order } = proposal.point
  const front = row.lanes[lane - 1]?.findLast(entry => entry.order < order)
  return {
    type: 'row',
    containerId,
    lane,
    behindId: !front ? null : front.type === 'section' ? front.section.id : front.placement.holder.id,
  }
}
