import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'

/** What is marked, and what is carried by the keys. One at a time, for the whole storeroom. */
export const useCarry = defineStore('carry', () => {
  const marked = shallowRef<ReadonlySet<string>>(new Set())
  const carried = shallowRef<readonly string[]>([])
  /** Something is carried by mouse or finger. */
  const isDragged = shallowRef(false)
  const isCarrying = computed(() => carried.value.length > 0)

  function toggle(holderId: string): void {
    const next = new Set(marked.value)
    if (!next.delete(holderId)) next.add(holderId)
    marked.value = next
  }
  /** Marks a run, from where the last mark was made. */
  function markAll(holderIds: readonly string[]): void {
    marked.value = new Set([...marked.value, ...holderIds])
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
    isDragged,
    toggle,
    markAll,
    alongWith,
    pickUp,
    putDown,
    letGo: () => {
      carried.value = []
    },
  }
})
