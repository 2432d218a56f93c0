import { usePreferredDark } from '@vueuse/core'
import { useKept } from '~/kit/useKept'
import { computed, watchEffect } from 'vue'

/** Day or night bench: as the system has it, until the person says otherwise. */
export function useLamp() {
  const chosen = useKept<'day' | 'night' | 'system'>('lamp', 'system')
  const systemDark = usePreferredDark()
  const isNight = computed(() => chosen.value === 'night' || (chosen.value === 'system' && systemDark.value))
  watchEffect(() => {
    document.documentElement.dataset.lamp = isNight.value ? 'night' : 'day'
  })
  const toggle = (): void => {
    chosen.value = isNight.value ? 'day' : 'night'
  }
  return { isNight, toggle }
}
