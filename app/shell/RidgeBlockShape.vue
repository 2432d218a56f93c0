<script setup lang="ts">
import type { RidgeBlock } from '#core/drawing'
import { useHolderDrop } from '~/subjects/room/useHolderDrop'
import { useTemplateRef } from 'vue'

/** One container on the ridge. The ember pin says "here", and how many. A set dropped on it is filed there. */
const { block } = defineProps<{
  block: RidgeBlock
  floor: number
  /** Length of the pin. */ stem: number
  label: string
  hits: number
  isOpen: boolean
  isProposed: boolean
}>()
const emit = defineEmits<{ open: []; focus: [] }>()
const shape = useTemplateRef<SVGGElement>('shape')
const isOver = useHolderDrop(shape, () => ({ type: 'container', containerId: block.id }))
const FILLS = ['var(--ridge-5)', 'var(--ridge-4)', 'var(--ridge-3)', 'var(--ridge-2)'] as const
</script>

<template>
  <g
    ref="shape"
    data-block
    role="link"
    :aria-label="label"
    :aria-current="isOpen ? 'page' : undefined"
    class="ridge-block cursor-pointer"
    :data-hits="hits"
    @click="emit('open')"
    @keydown.enter="emit('open')"
    @focus="emit('focus')"
  >
    <title>{{ label }}</title>
    <rect :x="block.x" y="0" :width="block.width" :height="floor" fill="transparent" />
    <rect :x="block.x" :y="floor - block.height" :width="block.width" :height="block.height" :fill="FILLS[block.depth]" class="body" />
    <rect
      v-for="(tab, index) in block.tabs"
      :key="index"
      :x="block.x + 2 + tab.at * (block.width - 6)"
      :y="floor - block.height - 5"
      width="2.5"
      height="6"
      :fill="`var(--tab-${tab.colour})`"
    />
    <rect
      v-if="isOpen || isOver"
      :x="block.x - 1"
      :y="floor + 3"
      :width="block.width + 2"
      height="3"
      :fill="isOver ? 'var(--ember)' : 'var(--night)'"
    />
    <path
      v-if="isProposed"
      :d="`M${block.x + block.width / 2 - 8} ${floor - block.height - 14}h16l-8 11z`"
      fill="var(--ember)"
      data-proposed
    />
    <g v-if="hits > 0" class="pin">
      <line
        :x1="block.x + block.width / 2"
        :x2="block.x + block.width / 2"
        :y1="floor - block.height + 4"
        :y2="floor - block.height - stem"
        stroke="var(--ember)"
        stroke-width="2"
      />
      <rect :x="block.x + block.width / 2 - 13" :y="floor - block.height - stem - 18" width="26" height="19" rx="9.5" fill="var(--ember)" />
      <text
        :x="block.x + block.width / 2"
        :y="floor - block.height - stem - 3.5"
        text-anchor="middle"
        class="fill-on-strong figures text-[0.83rem] font-bold"
      >
        {{ hits }}
      </text>
    </g>
  </g>
</template>

<style scoped>
.ridge-block {
  outline: none;
}
.ridge-block:hover .body {
  filter: brightness(1.12);
}
.ridge-block:focus-visible .body {
  stroke: var(--ember);
  stroke-width: 3px;
}
</style>
