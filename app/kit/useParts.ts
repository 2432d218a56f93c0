import { computed, type ComputedRef, type MaybeRefOrGetter, shallowRef, toValue } from 'vue'

/** A long list that is shown part by part: all of it at once would hold the page up. */
export function useParts<T>(
  items: MaybeRefOrGetter<readonly T[]>,
  size: number,
): {
  readonly shown: ComputedRef<readonly T[]>
  /** How many the next part brings; 0: all are shown. */
  readonly next: ComputedRef<number>
  readonly more: () => void
  readonly startOver: () => void
} {
  const count = shallowRef(size)
  return {
    shown: computed(() => toValue(items).slice(0, count.value)),
    next: computed(() => Math.max(0, Math.min(size, toValue(items).length - count.value))),
    more: () => (count.value += size),
    startOver: () => (count.value = size),
  }
}
