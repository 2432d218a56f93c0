<script setup lang="ts">
import { computed } from 'vue'
import { importWords } from './words'
import type { ListView } from '~/data/exchange.worker'

/** Spellings that would become one brand; each can be refused. */
const { view } = defineProps<{ view: ListView }>()
const emit = defineEmits<{ refuse: [spellings: readonly string[]] }>()
const joins = computed(() => view.facts.brands.filter(group => group.spellings.some(spelling => spelling.text !== group.preferred)))
const isRefused = (text: string): boolean => view.choices.refusedSpellings.includes(text)

function toggle(text: string): void {
  emit('refuse', isRefused(text) ? view.choices.refusedSpellings.filter(each => each !== text) : [...view.choices.refusedSpellings, text])
}
</script>

<template>
  <div>
    <p class="hint">{{ importWords.brandsHint }}</p>
    <ul class="mt-3 grid gap-2">
      <li v-for="group in joins" :key="group.preferred" class="border-t border-line pt-2">
        <p class="font-semibold">{{ group.preferred }}</p>
        <div class="flex flex-wrap gap-x-5">
          <label
            v-for="spelling in group.spellings.filter(each => each.text !== group.preferred)"
            :key="spelling.text"
            class="flex min-h-11 items-center gap-2"
          >
            <input type="checkbox" class="h-5 w-5 accent-(--strong)" :checked="!isRefused(spelling.text)" @change="toggle(spelling.text)" />
            <span class="whitespace-pre">{{ importWords.spelling(spelling.text, spelling.count) }}</span>
            <span class="hint">{{ importWords.joinReason[spelling.because] }}</span>
          </label>
        </div>
      </li>
    </ul>
  </div>
</template>
