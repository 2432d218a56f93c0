<script setup lang="ts">
import { GripVertical } from 'lucide-vue-next'
import { useTemplateRef } from 'vue'
import { useReorder } from './useReorder'
import { nameWords } from './words'

/** One name of a list, with how many sets it has. In a list with an order of its own it can be carried. */
const { id } = defineProps<{ id: string; name: string; sets: number; isOpen: boolean; isOrdered: boolean; isCarried: boolean }>()
const emit = defineEmits<{ open: []; dropped: [carriedId: string] }>()
const row = useTemplateRef<HTMLElement>('row')
const { isOver } = useReorder(
  row,
  () => id,
  carriedId => emit('dropped', carriedId),
)
</script>

<template>
  <li ref="row" class="border-b border-line" :class="{ 'border-t-3 border-t-ember': isOver, 'bg-wash': isOpen || isCarried }">
    <button
      type="button"
      class="flex min-h-11 w-full items-center gap-2 px-2 text-left hover:bg-wash"
      :data-name="name"
      :aria-expanded="isOpen"
      @click="emit('open')"
    >
      <GripVertical v-if="isOrdered" :size="16" class="shrink-0 text-quiet" aria-hidden="true" />
      <span class="min-w-0 flex-1 truncate" :class="isOpen ? 'font-semibold' : ''">{{ name }}</span>
      <span class="hint figures">{{ nameWords.sets(sets) }}</span>
    </button>
  </li>
</template>
