import { computed } from 'vue'
import { type Fill, fillOf } from '#core/capacity'
import { useCatalogue } from '~/data/useCatalogue'

/** How full each container is. */
export function useFills() {
  const catalogue = useCatalogue()
  return computed(
    (): ReadonlyMap<string, Fill> =>
      new Map(
        [...catalogue.room.rows.values()].map(row => [
          row.container.id,
          fillOf(
            row,
            id => catalogue.tables?.holdings.get(id),
            id => catalogue.tables?.kinds.get(id),
            catalogue.learnt,
          ),
        ]),
      ),
  )
}
