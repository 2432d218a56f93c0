<script setup lang="ts">
import { X } from 'lucide-vue-next'
import { computed } from 'vue'
import type { Part } from '#core/finding'
import { useDescribe } from '~/data/useDescribe'
import { findWords } from '~/areas/find/words'
import { useFacetWords } from '~/areas/find/narrow/useFacetWords'
import { useFind } from '~/subjects/ask/useFind'
import { useNarrowing } from '~/subjects/ask/useNarrowing'

/** What was read from the ask beside its words, and what narrows the answer: each a slip that can be taken back. */
const find = useFind()
const narrowing = useNarrowing()
const { lengthText, lookUp, sizeText } = useDescribe()
const { facetName, valueName } = useFacetWords()

const WRITTEN: { readonly [A in Part['as']]: (part: Extract<Part, { as: A }>) => string } = {
  family: ({ family, isNot }) => findWords.isFamily(findWords.family[family], isNot),
  kind: ({ kindId, isNot }) => findWords.isFamily(lookUp('kinds', kindId)?.name ?? '', isNot),
  size: ({ size, isNot, isAssumed }) => findWords.isSize(sizeText(size), isNot, isAssumed),
  upTo: ({ mm, isNot, isAssumed }) => findWords.isUpTo(lengthText(mm), isNot, isAssumed),
  used: ({ isNot }) => findWords.isUsed(isNot),
  withDie: ({ isNot }) => findWords.isWithDie(isNot),
  cameIn: ({ from, before }) => findWords.cameIn(from, before, from?.length === 4 && before === String(Number(from) + 1)),
}
const written = (part: Part): string => (WRITTEN[part.as] as (part: Part) => string)(part)

const slips = computed(() => [
  ...(find.answer?.reading.parts ?? []).map(part => ({
    key: `part ${part.text}`,
    text: written(part),
    label: findWords.takeBack(written(part)),
    back: () => void find.takeBack(part.text),
  })),
  ...(find.answer?.reading.without ?? []).map(({ word, text }) => ({
    key: `not ${word}`,
    text: findWords.without(word),
    label: findWords.takeBack(findWords.without(word)),
    back: () => void find.takeBack(text),
  })),
  ...narrowing.chosen.map(({ facet, value }) => ({
    key: `${facet} ${value}`,
    text: `${facetName(facet)}: ${valueName(facet, value)}`,
    label: findWords.widenFrom(facetName(facet), valueName(facet, value)),
    back: () => narrowing.narrow(facet, value),
  })),
])
</script>

<template>
  <ul v-if="slips.length > 0" class="mt-1 flex flex-wrap gap-2" :aria-label="findWords.parts" data-parts>
    <li v-for="slip in slips" :key="slip.key">
      <button
        type="button"
        class="inline-flex min-h-11 items-center gap-2 border-b-2 border-ember bg-wash px-3 text-[0.94rem] font-semibold hover:bg-sheet"
        :aria-label="slip.label"
        :title="slip.label"
        @click="slip.back"
      >
        {{ slip.text }}
        <X :size="16" aria-hidden="true" />
      </button>
    </li>
  </ul>
</template>
