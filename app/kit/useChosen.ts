import { computed, nextTick, shallowRef, watch, type WritableComputedRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'

/** What is chosen in one moment goes into the address in one step. */
let pending: Record<string, string | undefined> | null = null

/** What is chosen on a page. Its address keeps it: a reload finds it again, and it can be handed on. */
export function useChosen(name: string): WritableComputedRef<string | null> {
  const [route, router] = [useRoute(), useRouter()]
  const { path } = route
  const inAddress = (): string | null => {
    const value = route.query[name]
    return typeof value === 'string' && value !== '' ? value : null
  }
  const chosen = shallowRef(inAddress())
  watch(inAddress, value => {
    // On the way to another page nothing is chosen anew on this one.
    if (route.path === path) chosen.value = value
  })
  function write(): void {
    const query = { ...route.query, ...pending }
    pending = null
    if (route.path === path) void router.replace({ query, hash: route.hash })
  }
  return computed({
    get: () => chosen.value,
    set: value => {
      if (value === chosen.value) return
      chosen.value = value
      if (!pending) void nextTick(write)
      pending = { ...pending, [name]: value ?? undefined }
    },
  })
}
