<script setup lang="ts">
import { computed } from 'vue'
import { MM_PER_INCH } from '#core/units'

/** The ruled edges of the mat, in the unit of the room. */
const { pxPerMm, unit } = defineProps<{ pxPerMm: number, unit: 'in' | 'cm' }>()
const LONGEST_MM = 3000
const INSET_LEFT = 40
const INSET_TOP = 32
const stepMm = computed(() => unit === 'in' ? MM_PER_INCH : 10)
/** Labels at every step, or every fifth where steps are too close to read. */
const labelEvery = computed(() => stepMm.value * pxPerMm >= 26 ? 1 : 5)
const marks = computed(() => Array.from({ length: Math.floor(LONGEST_MM / stepMm.value) }, (_, index) => ({ index, at: index * stepMm.value * pxPerMm })))
</script>

<template>
  <svg class="pointer-events-none absolute inset-0 h-full w-full overflow-hidden" aria-hidden="true">
    <g v-for="{ index, at } in marks" :key="index" stroke="var(--ridge-3)">
      <line :x1="INSET_LEFT + at" :x2="INSET_LEFT + at" y1="0" :y2="index % labelEvery === 0 ? 9 : 5" /><line :y1="INSET_TOP + at" :y2="INSET_TOP + at" x1="0" :x2="index % labelEvery === 0 ? 9 : 5" />
      <template v-if="index % labelEvery === 0 && index > 0">
        <text :x="INSET_LEFT + at" y="21" text-anchor="middle" stroke="none" class="fill-quiet figures text-[0.82rem]">{{ index }}</text><text x="12" :y="INSET_TOP + at + 4" stroke="none" class="fill-quiet figures text-[0.82rem]">{{ index }}</text>
      </template>
    </g>
    <text x="8" y="20" class="fill-quiet text-[0.82rem] font-semibold">{{ unit }}</text>
  </svg>
</template>
