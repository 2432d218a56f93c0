import { computed, type ComputedRef } from 'vue'
import type { Holding } from '#core/catalog'
import { database } from '~/db'
import { useCatalogue } from './useCatalogue'
import { useFollowed } from './useFollowed'

/** What the label on a set says, line by line, or the number that was written on it; empty: nobody knows of one. */
export function useLabelOf(holding: () => Holding): ComputedRef<readonly string[]> {
  const catalogue = useCatalogue()
  /** A pocket of several has one label for them all. */
  const of = computed(() => {
    const { id } = holding()
    const holder = catalogue.room.placements.get(id)?.holder
    return holder && holder.holdingIds.length > 1 ? `shared:${holder.id}` : `set:${id}`
  })
  const found = useFollowed(
    () => of.value,
    async key => (await database().records('labels').where('of').equals(key).first())?.says ?? [],
  )
  return computed(() => {
    const says = found.value ?? []
    const { labelText } = holding()
    return says.length > 0 || labelText === null ? says : [labelText]
  })
}
