import type { Labelled } from '#core/catalog'
import { useCatalogue } from '~/data/useCatalogue'
import { useRoomWorker } from '~/data/useRoomWorker'
import { labelledPlaces, labelledSets, type LabelThings, withoutPlace } from './things'

const NOTHING: LabelThings = { things: [], written: new Map(), waiting: new Set(), because: new Map() }

/** Everything of one kind that carries a label, as the catalogue has it now. What waits on the pile goes where its corner will have it. */
export function useLabelThings() {
  const catalogue = useCatalogue()
  const worker = useRoomWorker()
  return async (kind: Exclude<Labelled, 'shared'>): Promise<LabelThings> => {
    const { tables, room, settings } = catalogue
    if (!tables) return NOTHING
    if (kind !== 'set') return labelledPlaces(kind, tables, settings, room)
    const nowhere = withoutPlace(tables, room)
    const planned = nowhere.length > 0 ? await worker.ask(api => api.standing(nowhere)) : null
    return labelledSets(tables, settings, room, planned ?? [])
  }
}
