import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { useCatalogue } from '~/data/useCatalogue'
import { useFind } from './useFind'
import { useNarrowing } from './useNarrowing'

/** So many hits are counted before the answer is painted. */
const PINNED_AT_ONCE = 600

/** The hits, and how many of them are in each container: the pins on the ridge. */
export const usePins = defineStore('pins', () => {
  const [catalogue, find, narrowing] = [useCatalogue(), useFind(), useNarrowing()]
  /** Hits by container id. If there are thousands, they are counted after the answer is painted. */
  const byContainer = shallowRef<ReadonlyMap<string, number>>(new Map())
  const isPinned = shallowRef(true)
  /** Ids of the narrowed answer and of the sets that an asked address names; if there are none, of the sets found by linked words. */
  const hitIds = computed((): readonly string[] => {
    const named = find.shelf.flatMap(each => ('ids' in each ? each.ids : []))
    if (named.length === 0 && narrowing.ids?.length === 0) return find.linked.map(({ id }) => id)
    return named.length > 0
      ? [...new Set([...named, ...(find.answer?.words?.mode === 'all' ? (narrowing.ids ?? []) : [])])]
      : (narrowing.ids ?? [])
  })
  watch(
    [hitIds, () => catalogue.room],
    ([now]) => {
      isPinned.value = now.length <= PINNED_AT_ONCE
      if (isPinned.value) return pin()
      requestAnimationFrame(() =>
        setTimeout(() => {
          if (!isPinned.value && now === hitIds.value) pin()
        }),
      )
    },
    { flush: 'sync' },
  )
  function pin(): void {
    const counts = new Map<string, number>()
    for (const id of hitIds.value) {
      const container = catalogue.room.placements.get(id)?.container.id
      if (container) counts.set(container, (counts.get(container) ?? 0) + 1)
    }
    byContainer.value = counts
    isPinned.value = true
  }
  const hits = computed((): ReadonlySet<string> => new Set(hitIds.value))
  return { byContainer, hitIds, hits, isPinned }
})
