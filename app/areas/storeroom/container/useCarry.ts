import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'

/** What is marked, and what is carried by the keys. One at a time, for the whole storeroom. */
export const useCarry = defineStore('carry', () => {
  const marked = shallowRef<ReadonlySet<string>>(new Set())
  const carried = shallowRef<readonly string[]>([])
  const isCarrying = computed(() => carried.value.length > 0)

  function toggle(holderId: string): void {
    const next = new Set(marked.value)
    if (!next.delete(holderId)) next.add(holderId)
    marked.value = next
  }
  /** Picks up the marked holders, if the one in hand is among them; else just that one. */
  function alongWith(holderId: string): readonly string[] {
    return marked.value.has(holderId) ? [...marked.value] : [holderId]
  }
  function pickUp(holderId: string): void {
    carried.value = alongWith(holderId)
  }
  function putDown(): void {
    carried.value = []
    marked.value = new Set()
  }
  return {
    marked,
    carried,
    isCarrying,
    toggle,
    alongWith,
    pickUp,
    putDown,
    letGo: () => {
      carried.value = []
    },
  }
})
