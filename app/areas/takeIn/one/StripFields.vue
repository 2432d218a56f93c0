<script setup lang="ts">
import { computed, nextTick, useTemplateRef } from 'vue'
import { type Detail, LIMITS, isBlank } from '#core/catalog'
import { brandsLike } from '#core/classing'
import { readWords, wordsFit } from '#core/exchange'
import KCombo from '~/kit/KCombo.vue'
import KField from '~/kit/KField.vue'
import { useDescribe } from '~/data/useDescribe'
import type { useDraft } from './useDraft'
import { type NamedSuggestion, useSuggestions } from '~/areas/takeIn/advice/useSuggestions'
import { pileWords } from '~/subjects/pile/words'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { DETAILS_SHOWN, isShort } from '~/subjects/set/detailWords'
import DetailField from './DetailField.vue'
import { useCatalogue } from '~/data/useCatalogue'
import SearchWords from '~/areas/takeIn/advice/SearchWords.vue'
import SuggestionLine from '~/areas/takeIn/advice/SuggestionLine.vue'
import ThemesField from '~/subjects/set/ThemesField.vue'

/** The fields of one strip: what carries over stands beside the name, so that Enter on the name may be all. */
const {
  draft,
  isTried,
  isClassing = false,
} = defineProps<{
  draft: ReturnType<typeof useDraft>
  isTried: boolean
  /** In the catalogue already: it has its number. */ isKnown?: boolean
  /** Only what classes the set. */ isClassing?: boolean
}>()
const { texts, size, details, isFuture, brandId, isFar, isFarMeant } = draft
const catalogue = useCatalogue()
const { sizeText, lookUp } = useDescribe()
const nameField = useTemplateRef<HTMLInputElement>('nameField')

const names = (table: 'brands' | 'categories' | 'themes'): readonly string[] =>
  [...(catalogue.tables?.[table].values() ?? [])].map(record => record.name).toSorted((a, b) => a.localeCompare(b))
const kinds = computed(() => [...(catalogue.tables?.kinds.values() ?? [])].sort((a, b) => a.rank - b.rank))
const sizeHint = computed(() => (size.value.ok ? takeInWords.sizeRead(sizeText(size.value.size), size.value.unitFrom === 'assumed') : ''))
/** Chosen of two: written in millimetres, so that nothing is rounded. */
const exactSize = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }): string => `${widthMm} x ${heightMm} mm`
const sizeProblem = computed(() => (!size.value.ok && size.value.code !== 'empty' ? takeInWords.sizeProblem[size.value.code] : ''))
const nameProblem = computed(() => {
  if (texts.name.trim().length > LIMITS.name) return pileWords.nameTooLong
  return isTried && isBlank(texts.name) ? takeInWords.nameMissing : ''
})
function detailProblem(name: Detail): string {
  if (name === 'acquiredOn' && isFuture.value) return pileWords.dateFuture
  const ask = details.value.unread.get(name)
  return ask === undefined ? '' : pileWords.detailProblem(ask)
}

const words = computed(() => readWords(texts.words))
const wordsProblem = computed(() => (wordsFit(words.value) ? '' : pileWords.wordsTooMany))
const suggestions = useSuggestions(() => ({ name: texts.name, words: words.value, brandId: brandId.value }))
const suggested = computed(() => ({
  kind: texts.kindId ? [] : suggestions.of('kind'),
  category: texts.category ? [] : suggestions.of('category'),
  theme: suggestions.of('theme').filter(each => !texts.themes.includes(each.name)),
}))
function take({ field, id, name }: NamedSuggestion): void {
  if (field === 'kind') texts.kindId = id
  else if (field === 'category') texts.category = name
  else texts.themes = [...texts.themes, name]
}
/** Arrow right in an empty field takes what is suggested for it, and goes on to the next field to be classed. */
async function takeFirst(event: KeyboardEvent, field: NamedSuggestion['field']): Promise<void> {
  const [first] = suggested.value[field]
  const isEmpty = (event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement) && event.target.value === ''
  if (event.key !== 'ArrowRight' || !isEmpty || !first) return
  event.preventDefault()
  take(first)
  await nextTick()
  document.getElementById({ kind: 'take-themes', theme: 'take-category', category: 'take-category' }[field])?.focus()
}
/** A brand that is not on the list, and is spelt nearly like one that is. */
const nearBrand = computed(() => {
  const isKnown = brandId.value !== null || texts.brand.trim() === ''
  return isKnown ? null : (lookUp('brands', brandsLike(texts.brand, [...(catalogue.tables?.brands.values() ?? [])])[0]?.id) ?? null)
})
const firstProblem = computed(() => {
  if (nameProblem.value || isBlank(texts.name)) return 'take-name'
  if (sizeProblem.value) return 'take-size'
  if (wordsProblem.value) return 'take-words'
  const unread = DETAILS_SHOWN.find(name => detailProblem(name) !== '')
  return unread ? `take-${unread}` : null
})
defineExpose({ focusName: () => nameField.value?.focus(), firstProblem })
</script>

<template>
  <div class="grid content-start gap-x-4 gap-y-3 sm:grid-cols-2 lg:grid-cols-6">
    <KField v-if="!isClassing" class="sm:col-span-2 lg:col-span-4" :label="takeInWords.name" for="take-name" :problem="nameProblem">
      <input
        id="take-name"
        ref="nameField"
        v-model="texts.name"
        class="field text-[1.15rem]"
        dir="auto"
        maxlength="4000"
        autocomplete="off"
        :aria-invalid="nameProblem !== ''"
      />
    </KField>
    <div v-if="!isClassing" class="lg:col-span-2">
      <KField :label="takeInWords.brand" for="take-brand">
        <KCombo id="take-brand" v-model="texts.brand" :label="takeInWords.brand" :options="names('brands')" />
      </KField>
      <p v-if="nearBrand" class="mt-1 flex flex-wrap items-center gap-x-2" role="status">
        {{ pileWords.sameBrand(nearBrand.name) }}
        <button type="button" class="min-h-9 underline" @click="texts.brand = nearBrand.name">
          {{ pileWords.sameBrandYes(nearBrand.name) }}
        </button>
      </p>
    </div>
    <div class="lg:col-span-2" @keydown.capture="takeFirst($event, 'kind')">
      <KField :label="takeInWords.kind" for="take-kind">
        <select id="take-kind" v-model="texts.kindId" class="field">
          <option value="">{{ takeInWords.none }}</option>
          <option v-for="each in kinds" :key="each.id" :value="each.id">{{ each.name }}</option>
        </select>
      </KField>
      <SuggestionLine :suggestions="suggested.kind" @take="take" />
    </div>
    <div v-if="!isClassing" class="lg:col-span-2">
      <KField :label="takeInWords.size" for="take-size" :hint="sizeHint" :problem="sizeProblem">
        <input
          id="take-size"
          v-model="texts.size"
          class="field figures"
          maxlength="80"
          autocomplete="off"
          :aria-invalid="sizeProblem !== ''"
        />
      </KField>
      <p v-if="!size.ok && size.code === 'twoSizes'" class="mt-1 flex flex-wrap gap-2">
        <button v-for="each in size.sizes" :key="each.widthMm" type="button" class="button" @click="texts.size = exactSize(each)">
          {{ takeInWords.eitherSize(sizeText(each), exactSize(each)) }}
        </button>
      </p>
    </div>
    <KField
      :class="isClassing ? 'order-last sm:col-span-2 lg:col-span-6' : 'lg:col-span-2'"
      :label="takeInWords.words"
      for="take-words"
      :problem="wordsProblem"
    >
      <input
        id="take-words"
        v-model="texts.words"
        class="field"
        dir="auto"
        :placeholder="takeInWords.wordsHint"
        :title="takeInWords.wordsHint"
        maxlength="4000"
        autocomplete="off"
      />
    </KField>
    <div :class="isClassing ? 'lg:col-span-2' : 'lg:col-span-3'" @keydown.capture="takeFirst($event, 'theme')">
      <KField :label="takeInWords.themes" for="take-themes" :hint="takeInWords.themesHint">
        <ThemesField v-model:themes="texts.themes" v-model:typed="texts.theme" :options="names('themes')" />
      </KField>
      <SuggestionLine :suggestions="suggested.theme" @take="take" />
    </div>
    <div :class="isClassing ? 'lg:col-span-2' : 'lg:col-span-3'" @keydown.capture="takeFirst($event, 'category')">
      <KField :label="takeInWords.category" for="take-category">
        <KCombo id="take-category" v-model="texts.category" :label="takeInWords.category" :options="names('categories')" />
      </KField>
      <SuggestionLine :suggestions="suggested.category" @take="take" />
    </div>
    <template v-if="!isClassing">
      <KField v-if="!isKnown" class="lg:col-span-2" :label="pileWords.written" for="take-written" :hint="pileWords.writtenHint">
        <input id="take-written" v-model="texts.written" class="field figures" maxlength="80" autocomplete="off" />
        <label v-if="isFar" class="mt-1 flex min-h-11 items-start gap-2 text-ochre" data-far>
          <input v-model="isFarMeant" type="checkbox" class="mt-0.5 size-5 shrink-0" />
          <span>{{ pileWords.far(texts.written.trim()) }}</span>
        </label>
      </KField>
      <DetailField
        v-for="detail in DETAILS_SHOWN.filter(isShort)"
        :key="detail"
        v-model="texts[detail]"
        class="lg:col-span-2"
        :detail="detail"
        :problem="detailProblem(detail)"
      />
    </template>
    <SearchWords
      v-model="texts.searchWords"
      :class="isClassing ? 'order-last sm:col-span-2 lg:col-span-6' : 'lg:col-span-2'"
      :from="[texts.name, ...words]"
    />
    <template v-if="!isClassing">
      <DetailField
        v-for="detail in DETAILS_SHOWN.filter(name => !isShort(name))"
        :key="detail"
        v-model="texts[detail]"
        class="sm:col-span-2 lg:col-span-6"
        :detail="detail"
        :problem="detailProblem(detail)"
      />
    </template>
    <p v-if="suggestions.named.value.length" class="hint sm:col-span-2 lg:col-span-6" :class="isClassing ? '' : 'hidden'">
      {{ pileWords.acceptHint }}
    </p>
  </div>
</template>
