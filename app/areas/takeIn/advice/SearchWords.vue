<script setup lang="ts">
import { BookMarked, X } from 'lucide-vue-next'
import { shallowRef } from 'vue'
import { LIMITS } from '#core/catalog'
import { pileWords } from '~/subjects/pile/words'
import { useAdvice } from './useAdvice'
import type { RelatedTo } from './advice.worker'

/** Words that do not stand on the set, but that somebody might look for it by. Taken from the lexicon one by one. */
const { from } = defineProps<{ from: readonly string[] }>()
const words = defineModel<string[]>({ required: true })
const advice = useAdvice()
const related = shallowRef<readonly RelatedTo[] | null>(null)
const isBusy = shallowRef(false)
const groups = (each: RelatedTo) =>
  [
    [pileWords.synonyms, each.related.synonyms],
    [pileWords.wider, each.related.wider],
    [pileWords.narrower, each.related.narrower],
  ] as const

async function suggest(): Promise<void> {
  isBusy.value = true
  related.value = (await advice.ask(api => api.relatedWords([...from]))) ?? []
  isBusy.value = false
}
function toggle(word: string): void {
  words.value = words.value.includes(word) ? words.value.filter(each => each !== word) : [...words.value, word].slice(0, LIMITS.words)
}
</script>

<template>
  <div>
    <p class="label">{{ pileWords.searchWords }}</p>
    <ul v-if="words.length" class="mb-1 flex flex-wrap gap-1">
      <li v-for="word in words" :key="word" class="flex items-center border border-dashed border-edge pl-3">
        {{ word }}
        <button type="button" class="grid h-10 w-9 place-items-center" :aria-label="pileWords.removeWord(word)" @click="toggle(word)">
          <X :size="16" aria-hidden="true" />
        </button>
      </li>
    </ul>
    <button type="button" class="button" :disabled="from.length === 0 || isBusy" @click="suggest">
      <BookMarked :size="18" aria-hidden="true" />
      {{ pileWords.suggestWords }}
    </button>
    <p class="hint mt-1">{{ related?.length === 0 ? pileWords.noSearchWords : pileWords.searchWordsHint }}</p>
    <div v-if="related?.length" class="mt-2 max-h-72 overflow-y-auto border-t border-line" data-related>
      <div v-for="each in related" :key="each.word" class="border-b border-line py-2">
        <p class="font-semibold">{{ each.word }}</p>
        <template v-for="[title, list] in groups(each)" :key="title">
          <p v-if="list.length" class="flex flex-wrap items-baseline gap-x-1">
            <span class="hint mr-1">{{ title }}</span>
            <button
              v-for="word in list"
              :key="word"
              type="button"
              class="min-h-9 px-2 hover:bg-wash"
              :class="words.includes(word) ? 'bg-wash font-semibold' : 'underline decoration-dotted underline-offset-4'"
              :aria-pressed="words.includes(word)"
              @click="toggle(word)"
            >
              {{ word }}
            </button>
          </p>
        </template>
      </div>
      <p class="hint py-1">{{ pileWords.lexicon }}</p>
    </div>
  </div>
</template>
