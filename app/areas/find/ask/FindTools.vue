<script setup lang="ts">
import { ListChecks, Split } from 'lucide-vue-next'
import { manyWords } from '~/areas/find/many/words'
import ScaleSlider from '~/areas/find/mat/ScaleSlider.vue'
import { narrowWords } from '~/areas/find/narrow/words'
import { useFind } from './useFind'

/** What can be done with an answer: part it, change all of it, and the scale of the mat. */
defineProps<{ isParted: boolean }>()
const emit = defineEmits<{ part: []; change: [] }>()
const scale = defineModel<number>('scale', { required: true })
const find = useFind()
</script>

<template>
  <div class="ml-auto flex flex-wrap items-center justify-end gap-x-1 sm:gap-x-4">
    <button
      type="button"
      class="head-button"
      :aria-label="narrowWords.openHint"
      :title="narrowWords.openHint"
      :aria-expanded="isParted"
      data-part
      @click="emit('part')"
    >
      <Split :size="18" aria-hidden="true" />
      <span class="hidden sm:inline">{{ narrowWords.open }}</span>
    </button>
    <button
      v-if="find.hitIds.length > 0"
      type="button"
      class="head-button"
      :aria-label="manyWords.button"
      :title="manyWords.button"
      data-many
      @click="emit('change')"
    >
      <ListChecks :size="18" aria-hidden="true" />
      <span class="hidden sm:inline">{{ manyWords.button }}</span>
    </button>
    <ScaleSlider v-model="scale" class="shrink-0" />
  </div>
</template>
