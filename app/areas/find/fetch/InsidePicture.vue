<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { layInside } from '#core/drawing'
import type { ContainerRow } from '#core/room'
import { laneName } from '~/data/words'
import { fetchWords } from '~/subjects/walk/words'

/** A container as one meets it, with the places that are looked for: rows from the front, or the pages they are on. */
const { row, here, away } = defineProps<{ row: ContainerRow; here: ReadonlySet<string>; away: ReadonlySet<string> }>()
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const ROW_PX = 34
const GAP_PX = 8
const CELL_PX = 30
const drawn = computed(() => layInside(row, here, id => away.has(id)))
const across = computed(() => Math.max(160, Math.min(640, width.value)))
const FILLS = { set: 'fill-ridge-2', here: 'fill-ember', gap: 'fill-none', free: 'fill-none' } as const
</script>

<template>
  <div ref="frame">
    <template v-if="row.container.cells">
      <ul class="flex flex-wrap gap-3">
        <li v-for="page in drawn.pages" :key="page.page" :aria-label="fetchWords.pagePicture(page)" role="img">
          <span class="hint block figures">{{ fetchWords.page(page.page) }}</span>
          <svg :width="drawn.columns * CELL_PX" :height="Math.ceil(page.cells.length / drawn.columns) * CELL_PX" aria-hidden="true">
            <rect
              v-for="(each, at) in page.cells"
              :key="each.cell"
              :x="(at % drawn.columns) * CELL_PX + 1.5"
              :y="Math.floor(at / drawn.columns) * CELL_PX + 1.5"
              :width="CELL_PX - 3"
              :height="CELL_PX - 3"
              :class="FILLS[each.as]"
              class="stroke-ridge-3"
              :stroke-dasharray="each.as === 'gap' ? '3 3' : undefined"
            />
          </svg>
        </li>
      </ul>
    </template>
    <svg
      v-else
      :width="across"
      :height="drawn.rows.length * (ROW_PX + GAP_PX)"
      role="img"
      :aria-label="fetchWords.picture(row.container.name, here.size)"
      class="block max-w-full"
    >
      <g v-for="(marks, at) in drawn.rows" :key="at" :transform="`translate(0 ${at * (ROW_PX + GAP_PX)})`">
        <title>{{ laneName(at + 1, drawn.rows.length) }}</title>
        <line x1="0" :x2="across" :y1="ROW_PX + 1" :y2="ROW_PX + 1" class="stroke-ridge-5" stroke-width="2" />
        <template v-for="mark in marks" :key="mark.id">
          <rect
            v-if="mark.as === 'tab'"
            :x="mark.x * across"
            y="0"
            :width="Math.max(2, mark.width * across - 1)"
            :height="ROW_PX"
            :fill="`var(--tab-${mark.colour})`"
          />
          <rect
            v-else
            :x="mark.x * across + 0.4"
            :y="mark.as === 'here' ? 0 : 9"
            :width="Math.max(mark.as === 'here' ? 3 : 0.8, mark.width * across - 0.8)"
            :height="ROW_PX - (mark.as === 'here' ? 0 : 9)"
            :class="[FILLS[mark.as], mark.as === 'gap' ? 'stroke-ridge-3' : '']"
            :stroke-dasharray="mark.as === 'gap' ? '2 2' : undefined"
          />
        </template>
      </g>
    </svg>
    <p
      v-if="!row.container.cells"
      class="hint -mt-1.5 flex justify-between leading-tight"
      :style="{ width: `${across}px` }"
      aria-hidden="true"
    >
      <span>{{ fetchWords.front }}</span>
      <span>{{ fetchWords.back }}</span>
    </p>
  </div>
</template>
