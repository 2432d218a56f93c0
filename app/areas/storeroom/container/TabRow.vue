<script setup lang="ts">
import { PencilLine } from 'lucide-vue-next'
import { useTemplateRef } from 'vue'
import type { Section } from '#core/catalog'
import { useHolderDrop } from '~/subjects/room/useHolderDrop'
import { containerWords } from './words'

/** A divider with its tab, standing a little left, centre or right as on a real one. */
const { section } = defineProps<{ section: Section; count: number; stagger: number; isDropMark: boolean }>()
const emit = defineEmits<{ edit: [] }>()
const row = useTemplateRef<HTMLElement>('row')
const isOver = useHolderDrop(row, () => ({ type: 'row', containerId: section.containerId, lane: section.lane, behindId: section.id }))
</script>

<template>
  <div
    ref="row"
    role="row"
    data-tab
    class="relative flex h-12 items-end border-b-2"
    :style="{ borderColor: `var(--tab-${section.colour})`, paddingLeft: `${stagger * 26}%` }"
  >
    <span v-if="isOver || isDropMark" class="absolute inset-x-0 -bottom-[3px] z-10 h-[3px] bg-ember" />
    <button
      type="button"
      role="gridcell"
      tabindex="-1"
      class="divider-tab flex min-h-11 items-center gap-2 px-6 font-title font-semibold text-on-tab"
      :style="{ backgroundColor: `var(--tab-${section.colour})` }"
      :aria-label="containerWords.tab(section.title)"
      @click="emit('edit')"
    >
      {{ section.title }}
      <span class="text-[0.85rem] figures">{{ count }}</span>
      <PencilLine :size="14" aria-hidden="true" />
    </button>
  </div>
</template>
