import { useMediaQuery } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { areaOf } from '~/areas'
import { useFind } from './useFind'
import { useNarrowing } from './useNarrowing'
import { useCarry } from '~/subjects/room/useCarry'

/** From this height of the window on the ridge stays up in the storeroom. */
const HIGH_WINDOW = '(min-height: 760px)'

/**
 * Whether the ridge is up, or rests as a skyline. It rises while something is asked, carried or proposed. What a hand did
 * holds until the next such occasion.
 */
export const useRidge = defineStore('ridge', () => {
  const [find, carry, route, narrowing] = [useFind(), useCarry(), useRoute(), useNarrowing()]
  const isHigh = useMediaQuery(HIGH_WINDOW)
  /** The container proposed for what is at hand. */
  const proposed = shallowRef<string | null>(null)
  const byHand = shallowRef<boolean | null>(null)
  /** The stops of the walk that is shown, each with its figure; null: none is. */
  const stops = shallowRef<ReadonlyMap<string, number> | null>(null)

  /** It rises once the answer is painted: hundreds of blocks would hold it up. */
  const isAsked = shallowRef(false)
  watch(
    () => route.path === '/' && (find.ask.trim() !== '' || narrowing.isNarrowed),
    is => requestAnimationFrame(() => setTimeout(() => (isAsked.value = is))),
    { immediate: true },
  )
  const hasOccasion = computed(
    () =>
      isAsked.value ||
      carry.isCarrying ||
      carry.isDragged ||
      proposed.value !== null ||
      (stops.value?.size ?? 0) > 0 ||
      (isHigh.value && areaOf(route.path)?.id === 'storeroom'),
  )
  watch(hasOccasion, () => {
    byHand.value = null
  })
  const isUp = computed(() => byHand.value ?? hasOccasion.value)

  function swing(): void {
    byHand.value = !isUp.value
  }
  return { proposed, stops, isUp, swing }
})
