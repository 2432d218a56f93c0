<script setup lang="ts">
import { computed } from 'vue'
import type { SpellingGroup } from '#core/classing'
import type { ImportChoices } from '#core/exchange'
import { useParts } from '~/kit/useParts'
import { kitWords } from '~/kit/words'
import { importWords } from './words'
import type { ListView } from './list.worker'

/** Spellings that would become one brand, each of which can be refused; and brands that may be one, each of which can be joined. */
const { view } = defineProps<{ view: ListView }>()
const emit = defineEmits<{ choose: [change: Partial<ImportChoices>] }>()
const joins = computed(() => view.facts.brands.filter(group => group.spellings.some(spelling => spelling.text !== group.preferred)))
const doubtful = computed(() =>
  view.facts.brands.flatMap(({ preferred, spellings, mayBe }) => (mayBe ? [{ preferred, spellings, ...mayBe }] : [])),
)
const { shown: shownJoins, next: nextJoins, more: moreJoins } = useParts(joins, 60)
const { shown: shownDoubtful, next: nextDoubtful, more: moreDoubtful } = useParts(doubtful, 60)
const isRefused = (text: string): boolean => view.choices.refusedSpellings.includes(text)
const isJoined = (name: string): boolean => view.choices.joinedBrands.includes(name)
const toggled = (list: readonly string[], text: string): readonly string[] =>
  list.includes(text) ? list.filter(each => each !== text) : [...list, text]
const nameOf = ({ preferred }: SpellingGroup): string => view.choices.brandNames[preferred] ?? preferred
/** What the brand may be called: any spelling that is not refused. */
const namesFor = ({ preferred, spellings }: SpellingGroup): readonly string[] => [
  ...new Set([preferred, ...spellings.filter(({ text }) => !isRefused(text)).map(({ text }) => text.trim().replace(/\s+/g, ' '))]),
]
const countOf = (spellings: SpellingGroup['spellings']): number => spellings.reduce((sum, { count }) => sum + count, 0)
</script>

<template>
  <div>
    <template v-if="joins.length">
      <p class="hint">{{ importWords.brandsHint }}</p>
      <ul class="mt-3 grid gap-2">
        <li
          v-for="group in shownJoins"
          :key="group.preferred"
          class="flex flex-wrap items-center gap-x-5 border-t border-line pt-2"
          data-brand
        >
          <select
            class="field w-auto max-w-full font-semibold"
            :aria-label="importWords.brandCalled(group.preferred)"
            :value="nameOf(group)"
            @change="
              emit('choose', {
                brandNames: { ...view.choices.brandNames, [group.preferred]: ($event.target as HTMLSelectElement).value },
              })
            "
          >
            <option v-for="name in namesFor(group)" :key="name">{{ name }}</option>
          </select>
          <div class="flex flex-wrap gap-x-5">
            <label
              v-for="spelling in group.spellings.filter(each => each.text !== group.preferred)"
              :key="spelling.text"
              class="flex min-h-11 items-center gap-2"
            >
              <input
                type="checkbox"
                class="h-5 w-5 accent-(--strong)"
                :checked="!isRefused(spelling.text)"
                @change="emit('choose', { refusedSpellings: toggled(view.choices.refusedSpellings, spelling.text) })"
              />
              <span class="whitespace-pre">{{ importWords.spelling(spelling.text, spelling.count) }}</span>
              <span class="hint">{{ importWords.joinReason[spelling.because] }}</span>
            </label>
          </div>
        </li>
      </ul>
      <button v-if="nextJoins > 0" type="button" class="button mt-2" @click="moreJoins">{{ kitWords.showMore(nextJoins) }}</button>
    </template>
    <template v-if="doubtful.length">
      <h3 class="mt-4 font-semibold">{{ importWords.mayBeTitle }}</h3>
      <p class="hint">{{ importWords.mayBeHint }}</p>
      <ul>
        <li v-for="each in shownDoubtful" :key="each.preferred" class="border-t border-line">
          <label class="flex min-h-11 flex-wrap items-center gap-x-2">
            <input
              type="checkbox"
              class="h-5 w-5 accent-(--strong)"
              :checked="isJoined(each.preferred)"
              @change="emit('choose', { joinedBrands: toggled(view.choices.joinedBrands, each.preferred) })"
            />
            <span>{{ importWords.mayBe(importWords.spelling(each.preferred, countOf(each.spellings)), each.name) }}</span>
            <span class="hint">{{ importWords.joinReason[each.because] }}, {{ importWords.joinDoubt[each.doubt] }}</span>
          </label>
        </li>
      </ul>
      <button v-if="nextDoubtful > 0" type="button" class="button mt-2" @click="moreDoubtful">{{ kitWords.showMore(nextDoubtful) }}</button>
    </template>
  </div>
</template>
