<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { ClipboardList, Ellipsis, ListChecks, Split } from 'lucide-vue-next'
import { manyWords } from '~/areas/find/many/words'
import ScaleSlider from '~/areas/find/mat/ScaleSlider.vue'
import { narrowWords } from '~/areas/find/narrow/words'
import { useFetch } from '~/subjects/walk/useFetch'
import { fetchWords } from '~/subjects/walk/words'
import { findWords } from '~/areas/find/words'
import KMenu from '~/kit/KMenu.vue'
import { usePins } from '~/subjects/ask/usePins'

/** What can be done with an answer: part it, change all of it, and the scale of the mat. */
defineProps<{ isParted: boolean }>()
const emit = defineEmits<{ part: []; change: [] }>()
const scale = defineModel<number>('scale', { required: true })
const [fetch, pins] = [useFetch(), usePins()]
const isPhone = useMediaQuery('(max-width: 639px)')
const entries = [
  {
    id: 'pull',
    word: fetchWords.pullThese,
    hint: fetchWords.pullTheseHint,
    icon: ClipboardList,
    run: () => void fetch.pull(pins.hitIds),
  },
  { id: 'many', word: manyWords.button, hint: manyWords.button, icon: ListChecks, run: () => emit('change') },
]
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
    <KMenu v-if="isPhone && pins.hitIds.length > 0" :label="findWords.withThese" :entries="entries" data-with-these>
      <Ellipsis :size="18" aria-hidden="true" />
    </KMenu>
    <template v-else-if="pins.hitIds.length > 0">
      <button
        v-for="entry in entries"
        :key="entry.word"
        type="button"
        class="head-button"
        :aria-label="entry.hint"
        :title="entry.hint"
        :data-tool="entry.id"
        @click="entry.run"
      >
        <component :is="entry.icon" :size="18" aria-hidden="true" />
        {{ entry.word }}
      </button>
    </template>
    <ScaleSlider v-model="scale" class="shrink-0" />
  </div>
</template>
