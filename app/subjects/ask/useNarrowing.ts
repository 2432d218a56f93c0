import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { LocationQuery, LocationQueryRaw } from 'vue-router'
import { FACETS, type Facet, narrowed, type Narrowing } from '#core/finding'
import { useUses } from '~/data/useUses'
import { useCollection } from './useCollection'
import { useFind } from './useFind'

const listIn = (value: LocationQuery[string] | undefined): readonly string[] =>
  (Array.isArray(value) ? value : [value]).flatMap(text => (text ? text.split(',') : [])).filter(Boolean)

/** The answer, narrowed by kind, brand, theme and other facets: what lies on the mat. */
export const useNarrowing = defineStore('narrowing', () => {
  const [find, collection, uses] = [useFind(), useCollection(), useUses()]
  /** Chosen values by facet. */
  const narrowing = shallowRef<Narrowing>({})
  const sets = computed(() => (find.answer ? collection.setsOf(find.answer.ids) : collection.everything))
  const isAsked = computed(() => find.answer !== null || find.shelf.length > 0 || isNarrowed.value)
  /** How many there are before the answer is narrowed. */
  const total = computed(() => find.answer?.ids.length ?? collection.everything.length)
  const isNarrowed = computed(() => FACETS.some(facet => narrowing.value[facet]?.length))
  /** What lies on the mat. */
  const ids = computed((): readonly string[] | null => {
    if (isNarrowed.value) return narrowed(sets.value, narrowing.value, collection.facts).map(({ id }) => id)
    return find.answer?.ids ?? null
  })
  function narrow(facet: Facet, value: string): void {
    const now = narrowing.value[facet] ?? []
    narrowing.value = { ...narrowing.value, [facet]: now.includes(value) ? now.filter(each => each !== value) : [...now, value] }
  }
  const chosen = computed(() => FACETS.flatMap(facet => (narrowing.value[facet] ?? []).map(value => ({ facet, value }))))
  const widen = (): void => void (narrowing.value = {})
  // Uses are counted once somebody narrows by them.
  watch(narrowing, ({ used }) => void (used?.length && uses.ready()))

  /** The ask and all that narrows it, as the address of a page has them; and read from there. */
  function toQuery(): LocationQueryRaw {
    const lists = FACETS.map(facet => [facet, narrowing.value[facet]?.join(',') || undefined])
    return { ...Object.fromEntries(lists), ask: find.ask || undefined, word: [...find.takenBack] }
  }
  function fromQuery(query: LocationQuery): void {
    narrowing.value = Object.fromEntries(FACETS.flatMap(facet => (query[facet] ? [[facet, listIn(query[facet])]] : [])))
    find.takenBack = new Set([query.word].flat().filter(text => typeof text === 'string'))
  }
  return { chosen, fromQuery, ids, isAsked, isNarrowed, narrow, narrowing, sets, toQuery, total, widen }
})
