<script setup lang="ts">
import { computed } from 'vue'
import type { KindReading } from '#core/exchange'
import { useParts } from '~/kit/useParts'
import { kitWords } from '~/kit/words'
import { importWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'
import type { ListView } from './list.worker'

/** What each word in the kind column means here: a kind, a category, a new kind, or text to be kept. */
const { view } = defineProps<{ view: ListView }>()
const emit = defineEmits<{ kinds: [kinds: Readonly<Record<string, KindReading>>] }>()
const catalogue = useCatalogue()
const { shown, next, more } = useParts(() => view.facts.kinds, 60)

interface Option {
  readonly key: string
  readonly text: string
  readonly reading: KindReading
}
const options = computed((): readonly Option[] => [
  ...[...(catalogue.tables?.kinds.values() ?? [])].map(({ name }): Option => ({
    key: `kind/${name}`,
    text: name,
    reading: { as: 'kind', name },
  })),
  ...[...(catalogue.tables?.categories.values() ?? [])].map(({ name }): Option => ({
    key: `category/${name}`,
    text: name,
    reading: { as: 'category', name },
  })),
])
const kindOptions = computed(() => options.value.filter(({ reading }) => reading.as === 'kind'))
const categoryOptions = computed(() => options.value.filter(({ reading }) => reading.as === 'category'))
const keyOf = (reading: KindReading | undefined): string => {
  if (!reading || reading.as === 'keep') return 'keep'
  return reading.as === 'newKind' ? 'newKind' : `${reading.as}/${reading.name}`
}

function choose(text: string, key: string): void {
  const found = options.value.find(option => option.key === key)
  const reading: KindReading = found?.reading ?? (key === 'newKind' ? { as: 'newKind', name: text } : { as: 'keep' })
  emit('kinds', { ...view.choices.kinds, [text]: reading })
}
</script>

<template>
  <div>
    <p class="hint">{{ importWords.kindsHint }}</p>
    <ul class="mt-2 grid gap-x-6 sm:grid-cols-2">
      <li v-for="{ text, count } in shown" :key="text" class="flex items-center justify-between gap-3 border-t border-line py-1">
        <span>{{ importWords.spelling(text, count) }}</span>
        <select
          class="field w-52"
          :aria-label="text"
          :value="keyOf(view.choices.kinds[text])"
          @change="choose(text, ($event.target as HTMLSelectElement).value)"
        >
          <optgroup :label="importWords.kindAs.kind">
            <option v-for="option in kindOptions" :key="option.key" :value="option.key">
              {{ option.text }}
            </option>
          </optgroup>
          <optgroup :label="importWords.kindAs.category">
            <option v-for="option in categoryOptions" :key="option.key" :value="option.key">
              {{ option.text }}
            </option>
          </optgroup>
          <option value="newKind">{{ importWords.kindAs.newKind }}</option>
          <option value="keep">{{ importWords.kindAs.keep }}</option>
        </select>
      </li>
    </ul>
    <button v-if="next > 0" type="button" class="button mt-2" @click="more">{{ kitWords.showMore(next) }}</button>
  </div>
</template>
