<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, shallowRef, watch } from 'vue'
import { bestMatches } from '#core/classing'
import { type Facet, type FacetCount, FACETS, partings } from '#core/finding'
import { useKept } from '~/kit/useKept'
import { useUses } from '~/data/useUses'
import { useCollection } from '~/subjects/ask/useCollection'
import { useFind } from '~/subjects/ask/useFind'
import { useNarrowing } from '~/subjects/ask/useNarrowing'
import LinksButton from '~/areas/find/links/LinksButton.vue'
import { narrowWords } from './words'
import { useFacetWords } from './useFacetWords'

/**
 * How an answer parts, as a row of blocks: the more sets, the wider the block. A click leaves only the sets of a block, another
 * brings the rest back. Counted once the answer is painted.
 */
const emit = defineEmits<{ links: [] }>()
const collection = useCollection()
const find = useFind()
const narrowing = useNarrowing()
void useUses().ready()
const { facetName, valueName } = useFacetWords()
const isPhone = useMediaQuery('(max-width: 639px)')
/** So many blocks are in view at first. */
const atFirst = computed(() => (isPhone.value ? 4 : 7))
const FOUND = 12

const counts = shallowRef<Readonly<Record<Facet, readonly FacetCount[]>> | null>(null)
let due = 0
watch(
  [() => find.answer, () => collection.everything, () => narrowing.narrowing, () => collection.facts],
  () => {
    due += 1
    const mine = due
    requestAnimationFrame(() =>
      setTimeout(() => {
        if (mine === due) counts.value = partings(narrowing.sets, narrowing.narrowing, collection.facts)
      }),
    )
  },
  { immediate: true },
)
const kept = useKept<string>('find-part-by', 'kind')
const by = computed(() => FACETS.find(facet => facet === kept.value) ?? 'kind')
const typed = shallowRef('')
const isWhole = shallowRef(false)
function partBy(facet: Facet): void {
  kept.value = facet
  typed.value = ''
  isWhole.value = false
}
const isChosen = (facet: Facet, value: string): boolean => narrowing.narrowing[facet]?.includes(value) ?? false
const named = (facet: Facet) => (counts.value?.[facet] ?? []).map(each => ({ ...each, facet, name: valueName(facet, each.value) }))
/** What is typed is looked for under every way. */
const fitting = computed(() => {
  if (typed.value.trim() === '') return named(by.value)
  const all = FACETS.flatMap(named)
  return bestMatches(typed.value, [...new Set(all.map(({ name }) => name))], FOUND).flatMap(name => all.filter(each => each.name === name))
})
const blocks = computed(() => fitting.value.filter(({ facet, value }, at) => isWhole.value || at < atFirst.value || isChosen(facet, value)))
const hidden = computed(() => fitting.value.length - blocks.value.length)
/** Enter takes the best name there is. */
function takeFirst(): void {
  const [first] = fitting.value
  if (!first || typed.value.trim() === '') return
  narrowing.narrow(first.facet, first.value)
  typed.value = ''
}
</script>

<template>
  <section class="mb-2" :aria-label="narrowWords.title" data-parting>
    <div class="flex flex-wrap items-center gap-x-1 border-b border-line">
      <span class="hint mr-1">{{ narrowWords.by }}</span>
      <button
        v-for="facet in FACETS"
        :key="facet"
        type="button"
        class="min-h-11 min-w-11 border-b-3 px-2 text-[0.94rem] hover:bg-wash"
        :class="facet === by && typed === '' ? 'border-strong font-semibold' : 'border-transparent text-quiet'"
        :aria-pressed="facet === by"
        @click="partBy(facet)"
      >
        {{ facetName(facet) }}
      </button>
      <input
        v-model="typed"
        class="min-h-11 min-w-36 flex-1 border-0 bg-transparent px-2 placeholder:text-quiet sm:max-w-56"
        type="search"
        autocomplete="off"
        spellcheck="false"
        maxlength="60"
        :aria-label="narrowWords.typeHint"
        :title="narrowWords.typeHint"
        :placeholder="narrowWords.type"
        data-parting-type
        @keydown.enter.prevent="takeFirst"
        @keydown.esc.stop="typed = ''"
      />
      <LinksButton class="ml-auto" @open="emit('links')" />
    </div>
    <p v-if="typed.trim() !== '' && blocks.length === 0" class="mt-1 text-quiet" role="status">{{ narrowWords.nothing }}</p>
    <ul class="mt-1 flex flex-wrap items-stretch gap-x-0.5 gap-y-1">
      <li
        v-for="{ facet, value, name, count } in blocks"
        :key="`${facet} ${value}`"
        class="min-w-28 max-w-full"
        :style="{ flexGrow: count, flexBasis: 0 }"
      >
        <button
          type="button"
          class="flex h-full min-h-11 w-full items-baseline gap-2 border-t-4 px-2 py-1.5 text-left text-[0.94rem] hover:bg-sheet"
          :class="isChosen(facet, value) ? 'border-ember bg-sheet font-semibold' : 'border-ridge-3 bg-wash'"
          :aria-pressed="isChosen(facet, value)"
          :aria-label="narrowWords.value(facetName(facet), name, count)"
          :title="name"
          data-block-of-sets
          @click="narrowing.narrow(facet, value)"
        >
          <span class="line-clamp-2 min-w-0 leading-tight">{{ name }}</span>
          <span class="hint figures">{{ narrowWords.count(count) }}</span>
        </button>
      </li>
      <li v-if="hidden > 0 || (isWhole && fitting.length > atFirst)">
        <button type="button" class="min-h-11 px-2 text-[0.94rem] underline" @click="isWhole = !isWhole">
          {{ hidden > 0 ? narrowWords.more(hidden) : narrowWords.fewer }}
        </button>
      </li>
    </ul>
  </section>
</template>
