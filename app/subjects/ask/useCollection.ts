import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { Holding } from '#core/catalog'
import { wasUsed } from '#core/fetching'
import type { NarrowFacts } from '#core/finding'
import { useCatalogue } from '~/data/useCatalogue'
import { useUses } from '~/data/useUses'

/** All sets by number, and what an ask or a narrowing can want to know of each. */
export const useCollection = defineStore('collection', () => {
  const catalogue = useCatalogue()
  const uses = useUses()
  const everything = computed((): readonly Holding[] =>
    [...(catalogue.tables?.holdings.values() ?? [])].sort((a, b) => a.number - b.number || (a.id < b.id ? -1 : 1)),
  )
  const setsOf = (ids: readonly string[]): readonly Holding[] => ids.flatMap(id => catalogue.tables?.holdings.get(id) ?? [])
  const stampsWithDie = computed((): ReadonlySet<string> => new Set(catalogue.stampOf.values()))
  const facts = computed((): NarrowFacts => ({
    containerOf: id => catalogue.room.placements.get(id)?.container.id ?? null,
    hasDie: ({ id, hasMatchingDie }) => (stampsWithDie.value.has(id) ? true : hasMatchingDie),
    wasUsed: id => wasUsed(uses.tallies.get(id)),
  }))
  return { everything, facts, setsOf }
})
