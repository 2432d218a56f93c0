import type { Holding } from '#core/catalog'
import { type ContainerRow, entryId, type MoveTarget, nextFreeCell } from '#core/room'
import { type InsertionProposal, proposePlace, type RoomFacts } from './insertion'

/**
 * The place of a set in a container that the owner chose: by the rule of the container's zone, even if the zone does not take the kind or
 * the container is full. As `proposePlace`.
 */
export function proposeIn(row: ContainerRow, holding: Holding, facts: RoomFacts): InsertionProposal {
  const { id, zoneId } = row.container
  const zones = facts.zones.filter(zone => zone.id === zoneId).map(zone => ({ ...zone, takesKindIds: [] }))
  const { hasRoom: _full, ...others } = facts
  return proposePlace(holding, { ...others, zones, rows: new Map([[id, row]]) })
}

/**
 * The place of a set in one container: by the rule of its zone, whatever kinds the zone takes; else the front of its first lane; on pages
 * the next free cell. null: all cells are taken. As `proposePlace`.
 */
export function targetInContainer(row: ContainerRow, holding: Holding | null, facts: RoomFacts): MoveTarget | null {
  const { id: containerId, cells } = row.container
  if (cells) {
    const cell = nextFreeCell(row)
    return cell ? { type: 'cell', containerId, cell } : null
  }
  const proposal = holding ? proposeIn(row, holding, facts) : null
  if (!proposal?.ok) return { type: 'row', containerId, lane: 1, behindId: null }
  const { lane, order } = proposal.point
  const front = row.lanes[lane - 1]?.findLast(entry => entry.order < order)
  return {
    type: 'row',
    containerId,
    lane,
    behindId: front ? entryId(front) : null,
  }
}
