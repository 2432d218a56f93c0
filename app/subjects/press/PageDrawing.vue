<script setup lang="ts">
import type { Ink, PageItem } from '#core/printing'

/** What is printed, drawn from the very items that the PDF is made of; pictures and links are laid over it by whoever shows it. */
defineProps<{ items: readonly PageItem[]; widthPt: number; heightPt: number }>()

const INKS: Readonly<Record<Ink, string>> = {
  night: 'var(--ink)',
  quiet: 'var(--ink-quiet)',
  line: 'var(--ink-line)',
  ridge: 'var(--ink-ridge)',
  black: 'var(--ink-black)',
  tab0: 'var(--tab-0)',
  tab1: 'var(--tab-1)',
  tab2: 'var(--tab-2)',
  tab3: 'var(--tab-3)',
  tab4: 'var(--tab-4)',
  tab5: 'var(--tab-5)',
}
const FONTS = { text: ['font-sans', 400], bold: ['font-sans', 700], title: ['font-title', 700] } as const
</script>

<template>
  <svg :viewBox="`0 0 ${widthPt} ${heightPt}`">
    <template v-for="(item, index) in items" :key="index">
      <text
        v-if="item.type === 'text'"
        :x="item.x"
        :y="item.y"
        :font-size="item.sizePt"
        :font-weight="FONTS[item.font][1]"
        :class="FONTS[item.font][0]"
        :fill="INKS[item.ink]"
        xml:space="preserve"
        style="font-kerning: none"
>
        {{ item.text }}
      </text>
      <line
        v-else-if="item.type === 'rule'"
        :x1="item.x"
        :x2="item.toX"
        :y1="item.y"
        :y2="item.y"
        :stroke="INKS[item.ink]"
        :stroke-width="item.weightPt"
      />
      <circle v-else-if="item.type === 'hole'" :cx="item.x" :cy="item.y" r="8.5" fill="none" :stroke="INKS.line" stroke-width="0.8" />
      <rect
        v-else-if="item.type === 'outline' || item.type === 'area'"
        :x="item.x"
        :y="item.y"
        :width="item.widthPt"
        :height="item.heightPt"
        :fill="item.type === 'area' ? INKS[item.ink] : 'none'"
        :stroke="item.type === 'outline' ? INKS[item.ink] : 'none'"
        stroke-width="0.4"
        :shape-rendering="item.type === 'area' ? 'crispEdges' : undefined"
      />
    </template>
  </svg>
</template>
