<script setup lang="ts">
import { Plus } from 'lucide-vue-next'
import type { NamedSuggestion } from './useSuggestions'
import { pileWords } from '~/subjects/pile/words'

/** What a class is suggested by, taken over with one key. Never filled in unasked. */
defineProps<{ suggestions: readonly NamedSuggestion[] }>()
const emit = defineEmits<{ take: [suggestion: NamedSuggestion] }>()
</script>

<template>
  <ul v-if="suggestions.length" class="mt-1">
    <li v-for="each in suggestions" :key="each.id">
      <button
        type="button"
        class="flex min-h-11 w-full items-center gap-2 px-1 text-left text-[0.94rem] leading-tight hover:bg-wash"
        :data-suggestion="each.field"
        :aria-label="`${pileWords.accept(each.name)}. ${each.text}`"
        @click="emit('take', each)"
      >
        <Plus :size="16" class="shrink-0 text-moss" aria-hidden="true" />
        <span>{{ each.text }}</span>
      </button>
    </li>
  </ul>
</template>
