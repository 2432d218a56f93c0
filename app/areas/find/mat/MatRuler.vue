<script setup lang="ts">
import { computed } from 'vue'
import { MM_PER_INCH } from '#core/units'

/**
 * The lines of the mat and its ruled edges, in the unit of the room, drawn between `from` and `to` (pixels from the
 * top). One path each: a repeating background is painted anew, whole, at every answer, and takes three times as long.
 */
const { pxPerMm, unit, width, from, to } = defineProps<{ pxPerMm: number; unit: 'in' | 'cm'; width: number; from: number; to: number }>()
/** Wider than any screen. */
const WIDEST_PX = 4000
const INSET_LEFT = 40
const INSET_TOP = 32
const step = computed(() => pxPerMm * (unit === 'in' ? MM_PER_INCH : 10))
/** Labels at every step, or every fifth where steps are too close to read. */
const labelEvery = computed(() => (step.value >= 26 ? 1 : 5))
const columns = computed(() => marksBetween(0, WIDEST_PX))
/** Whole windows of lines, so that scrolling a little draws nothing anew. */
const rows = computed(() => {
  const page = Math.max(1, to - from)
  const first = Math.floor(from / page) * page
  return marksBetween(Math.max(0, first - INSET_TOP), first + 2 * page)
})
const lines = computed(() =>
  [
    ...columns.value.map(({ at }) => `M${INSET_LEFT + at} ${INSET_TOP}V${bottom.value}`),
    ...rows.value.map(({ at }) => `M${INSET_LEFT} ${INSET_TOP + at}H${WIDEST_PX}`),
  ].join(''),
)
const bottom = computed(() => INSET_TOP + (rows.value.at(-1)?.at ?? 0) + step.value)

function marksBetween(fromPx: number, toPx: number): readonly { readonly index: number; readonly at: number; readonly isLong: boolean }[] {
  const first = Math.ceil(fromPx / step.value)
  const count = Math.max(0, Math.floor(toPx / step.value) - first + 1)
  return Array.from({ length: count }, (_, offset) => ({
    index: first + offset,
    at: (first + offset) * step.value,
    isLong: (first + offset) % labelEvery.value === 0,
  }))
}
/** A figure that would be cut by the edge is left out. */
const FIGURE_PX = 12
const isWhole = (at: number): boolean => INSET_LEFT + at + FIGURE_PX <= width
const tick = (isLong: boolean): number => (isLong ? 9 : 5)
</script>

<template>
  <div class="pointer-events-none absolute inset-0 overflow-hidden contain-strict" aria-hidden="true">
    <svg class="absolute top-0 left-0 overflow-visible" width="1" height="1">
      <path :d="lines" stroke="var(--mat-line)" shape-rendering="crispEdges" />
      <path
        :d="
          columns.map(({ at, isLong }) => `M${INSET_LEFT + at} 0v${tick(isLong)}`).join('') +
          rows.map(({ at, isLong }) => `M0 ${INSET_TOP + at}h${tick(isLong)}`).join('')
        "
        stroke="var(--ridge-3)"
      />
      <template v-for="{ index, at, isLong } in columns" :key="index">
        <text
          v-if="isLong && index > 0 && isWhole(at)"
          :x="INSET_LEFT + at"
          y="21"
          text-anchor="middle"
          class="fill-quiet figures text-[0.83rem]"
        >
          {{ index }}
        </text>
      </template>
      <template v-for="{ index, at, isLong } in rows" :key="index">
        <text v-if="isLong && index > 0" x="12" :y="INSET_TOP + at + 4" class="fill-quiet figures text-[0.83rem]">{{ index }}</text>
      </template>
      <text x="8" y="20" class="fill-quiet text-[0.83rem] font-semibold">{{ unit }}</text>
    </svg>
  </div>
</template>
