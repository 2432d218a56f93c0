import type { Holder } from '#core/catalog'
import { hasCell } from '#core/room'
import type { YondercrestDb } from '../../database'

type Place = Pick<Holder, 'containerId' | 'cell'>

/**
 * Tells of places whether they are there (still), and their cells free but for the holder itself. Places come from what a
 * screen knew: another tab may have taken the container out, or filled the cell.
 */
export async function freePlaces(db: YondercrestDb, places: readonly Place[]): Promise<(place: Place, holderId: string | null) => boolean> {
  const ids = [...new Set(places.map(place => place.containerId))]
  const containers = new Map(
    (await db.records('containers').bulkGet(ids)).flatMap(container => (container ? [[container.id, container]] : [])),
  )
  const celled = ids.filter(id => containers.get(id)?.cells)
  const keyOf = ({ containerId, cell }: Place): string => `${containerId} ${cell?.page} ${cell?.cell} ${cell?.side}`
  const taken = new Map(
    (await db.records('holders').where('containerId').anyOf(celled).toArray()).map(holder => [keyOf(holder), holder.id]),
  )
  return (place, holderId) => {
    const container = containers.get(place.containerId)
    if (!container || (container.cells === null) !== (place.cell === null)) return false
    if (place.cell && container.cells && !hasCell(container.cells, place.cell)) return false
    return place.cell === null || (taken.get(keyOf(place)) ?? holderId) === holderId
  }
}
