<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { waysWords } from './words'

/** Minutes a year of each way of filing, with the index and without, side by side as bars. */
const { rows } = defineProps<{ rows: readonly { readonly name: string; readonly withIndex: number; readonly withoutIndex: number }[] }>()
const BAR = 15
const ROW = 62
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const right = computed(() => Math.max(280, width.value) - 60)
const scale = computed(() =>
  scaleLinear()
    .domain([0, Math.max(1, ...rows.flatMap(row => [row.withIndex, row.withoutIndex]))])
    .nice(5)
    .range([0, right.value]),
)
const ticks = computed(() => scale.value.ticks(width.value < 500 ? 3 : 6))
const height = computed(() => rows.length * ROW + 26)
const inWords = computed(() => rows.map(row => `${row.name} ${Math.round(row.withIndex)}, ${Math.round(row.withoutIndex)}`).join('; '))
</script>

<template>
  <figure ref="frame">
    <figcaption class="mb-1 flex flex-wrap items-center gap-x-5">
      <span class="font-semibold">{{ waysWords.chart }}</span>
      <span class="hint flex items-center gap-2">
        <span class="inline-block h-3 w-6 bg-ridge-4" aria-hidden="true" />
        {{ waysWords.withIndex }}
      </span>
      <span class="hint flex items-center gap-2">
        <span class="inline-block h-3 w-6 border border-ridge-4 bg-ridge-1" aria-hidden="true" />
        {{ waysWords.withoutIndex }}
      </span>
    </figcaption>
    <svg :width="right + 60" :height="height" role="img" :aria-label="`${waysWords.chart}: ${inWords}`">
      <g v-for="tick in ticks" :key="tick" :transform="`translate(${scale(tick)} 0)`">
        <line y1="0" :y2="height - 22" class="stroke-line" />
        <text :y="height - 6" class="fill-quiet text-[0.83rem] figures" :text-anchor="tick === 0 ? 'start' : 'middle'">{{ tick }}</text>
      </g>
      <g v-for="(row, at) in rows" :key="row.name" :transform="`translate(0 ${at * ROW})`">
        <text y="17" class="fill-night text-[0.94rem] font-semibold">{{ row.name }}</text>
        <rect y="23" :width="Math.max(1, scale(row.withIndex))" :height="BAR" class="fill-ridge-4" />
        <text :x="scale(row.withIndex) + 6" y="35" class="fill-night text-[0.83rem] figures">{{ Math.round(row.withIndex) }}</text>
        <rect :y="23 + BAR + 2" :width="Math.max(1, scale(row.withoutIndex))" :height="BAR" class="fill-ridge-1 stroke-ridge-4" />
        <text :x="scale(row.withoutIndex) + 6" :y="35 + BAR + 2" class="fill-night text-[0.83rem] figures">
          {{ Math.round(row.withoutIndex) }}
        </text>
      </g>
    </svg>
  </figure>
</template>
