import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useCatalogue } from '~/data/useCatalogue'

/** The slip that is open. The address keeps it: a reload finds it again, and Back closes it. */
export function useSlip() {
  const [catalogue, route, router] = [useCatalogue(), useRoute(), useRouter()]
  const opened = computed(() => (typeof route.query.set === 'string' ? (catalogue.tables?.holdings.get(route.query.set) ?? null) : null))

  function open(holdingId: string): void {
    const to = { query: { ...route.query, set: holdingId } }
    void (opened.value ? router.replace(to) : router.push(to))
  }
  function close(): void {
    const without = { query: { ...route.query, set: undefined } }
    // Opened from this very page: closing it is going back, so that Back does not open it again.
    if (router.options.history.state.back === router.resolve(without).fullPath) router.back()
    else void router.replace(without)
  }
  return { opened, open, close }
}
