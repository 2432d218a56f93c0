<script setup lang="ts">
import { computed } from 'vue'
import { MM_PER_INCH } from '#core/units'

/** The ruled edges of the mat, in the unit of the room. */
const { pxPerMm, unit } = defineProps<{ pxPerMm: number, unit: 'in' | 'cm' }>()
/** The ruled edge goes this far: wider than any screen, and as far down as anybody reads along. */
const LONGEST_MM = 2000
const INSET_LEFT = 40
const INSET_TOP = 32
const stepMm = computed(() => unit === 'in' ? MM_PER_INCH : 10)
/** Labels at every step, or every fifth where steps are too close to read. */
const labelEvery = computed(() => stepMm.value * pxPerMm >= 26 ? 1 : 5)
const marks = computed(() => Array.from({ length: Math.floor(LONGEST_MM / stepMm.value) }, (_, index) => ({ index, at: index * stepMm.value * pxPerMm })))
</script>

<template>
  <div class="pointer-events-none absolute inset-0 overflow-hidden contain-strict" aria-hidden="true">
    <svg class="absolute top-0 left-0" :width="LONGEST_MM * pxPerMm" :height="INSET_TOP">
      <g v-for="{ index, at } in marks" :key="index" stroke="var(--ridge-3)">
        <line :x1="INSET_LEFT + at" :x2="INSET_LEFT + at" y1="0" :y2="index % labelEvery === 0 ? 9 : 5" />
        <text v-if="index % labelEvery === 0 && index > 0" :x="INSET_LEFT + at" y="21" text-anchor="middle" stroke="none" class="fill-quiet figures text-[0.82rem]">{{ index }}</text>
      </g>
      <text x="8" y="20" class="fill-quiet text-[0.82rem] font-semibold">{{ unit }}</text>
    </svg>
    <svg class="absolute top-0 left-0" :width="INSET_LEFT" :height="LONGEST_MM * pxPerMm">
      <g v-for="{ index, at } in marks" :key="index" stroke="var(--ridge-3)">
        <line :y1="INSET_TOP + at" :y2="INSET_TOP + at" x1="0" :x2="index % labelEvery === 0 ? 9 : 5" />
        <text v-if="index % labelEvery === 0 && index > 0" x="12" :y="INSET_TOP + at + 4" stroke="none" class="fill-quiet figures text-[0.82rem]">{{ index }}</text>
      </g>
    </svg>
  </div>
</template>
