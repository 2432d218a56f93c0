<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { checkSlot } from '#core/fetching'
import { useSetByNumber } from '~/subjects/scan/useSetByNumber'
import { type ContainerRow, isLookedAt, type Standing } from '#core/room'
import { useWalk } from '~/subjects/walk/useWalk'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { awayWords } from './words'

/** Is the hand at the right slot? By the number of the set that is now in front of the gap. */
const { row, standing } = defineProps<{ row: ContainerRow; standing: Standing }>()
const catalogue = useCatalogue()
const { facts } = useWalk()
const { numberAndName, wayTo } = useDescribe()
const typed = shallowRef('')
const setByNumber = useSetByNumber()
const seen = computed(() => setByNumber(typed.value))
const check = computed(() =>
  typed.value.trim() === '' || !isLookedAt(standing)
    ? null
    : checkSlot(row, standing, seen.value ? catalogue.room.placements.get(seen.value.id) : undefined, facts.value.loanOf),
)
const text = computed(() => {
  if (!check.value) return ''
  const there = check.value.as === 'otherRow' ? wayTo(check.value.standing.container) : ''
  return awayWords.slot(check.value, seen.value ? numberAndName(seen.value) : '', there)
})
</script>

<template>
  <label class="mt-1 flex flex-wrap items-center gap-2" :title="awayWords.checkHint">
    <span class="hint">{{ awayWords.check }}</span>
    <input v-model="typed" class="field w-28" inputmode="numeric" autocomplete="off" maxlength="20" data-slot-number />
    <span
      v-if="text"
      role="status"
      class="basis-full font-semibold"
      :class="check?.as === 'right' ? 'text-moss' : 'text-ochre'"
      data-slot-check
    >
      {{ text }}
    </span>
  </label>
</template>
