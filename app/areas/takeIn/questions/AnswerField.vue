<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { NuxtLink } from '#components'
import { type Answered, type AnswerGround, type QuestionGroup, readAnswer } from '#core/questions'
import { useDescribe } from '~/data/useDescribe'
import { useCatalogue } from '~/data/useCatalogue'
import KCombo from '~/kit/KCombo.vue'
import { slipWords } from '~/subjects/set/words'
import { compareNames, partialDay } from '#core/grammar'
import { questionWords } from './words'

/** The answer to one question, for all sets that carry it. */
const { group, ground } = defineProps<{ group: QuestionGroup; ground: AnswerGround }>()
const emit = defineEmits<{
  answer: [set: Answered]
  name: [said: { readonly brandName?: string; readonly categoryName?: string }]
  note: []
  drop: []
}>()
const catalogue = useCatalogue()
const { sizeText } = useDescribe()
const typed = shallowRef('')
const isTried = shallowRef(false)
const field = computed(() => questionWords.field[group.code])
const reading = computed(() => readAnswer(group.code, typed.value, ground))
const readText = computed(() => {
  const { size, acquiredOn, price } = reading.value ?? {}
  if (size) return sizeText(size)
  if (acquiredOn) return partialDay(acquiredOn)
  return price ? slipWords.money(price.minor, price.currency) : ''
})
const isYesNo = computed(() => group.code === 'usedUnread' || group.code === 'dieUnread')
/** What is answered by a name, one that is there or a new one. */
const NAMED = {
  brandUnread: { label: questionWords.brand, table: 'brands', field: 'brandName' },
  categoryUnread: { label: questionWords.category, table: 'categories', field: 'categoryName' },
} as const
const named = computed(() => (group.code === 'brandUnread' || group.code === 'categoryUnread' ? NAMED[group.code] : null))
const byName = (table: 'brands' | 'kinds' | 'categories') =>
  [...(catalogue.tables?.[table].values() ?? [])].sort((a, b) => compareNames(a.name, b.name))
const names = computed(() => (named.value ? byName(named.value.table).map(({ name }) => name) : []))
function sayName(): void {
  const name = typed.value.trim()
  if (named.value && name !== '') emit('name', { [named.value.field]: name })
}
const isNumber = computed(() => group.code.startsWith('number'))
const answerYesNo = (is: boolean): void => emit('answer', group.code === 'usedUnread' ? { isUsed: is } : { hasMatchingDie: is })
function answer(): void {
  isTried.value = true
  if (reading.value) emit('answer', reading.value)
}
/** Kinds and categories in one list: a category often stands where a kind was asked for. */
function choose(value: string): void {
  const [what, id = ''] = value.split(' ')
  if (id) emit('answer', what === 'kind' ? { kindId: id } : { categoryId: id })
}
const kinds = computed(() => byName('kinds'))
const categories = computed(() => byName('categories'))
</script>

<template>
  <div class="flex flex-wrap items-start gap-2" data-answer>
    <form v-if="field" class="flex flex-wrap items-start gap-2" @submit.prevent="answer">
      <label>
        <span class="sr-only">{{ field.label }}: {{ questionWords.text(group.text) }}</span>
        <input v-model="typed" class="field w-44" :placeholder="field.example" maxlength="120" />
        <span v-if="readText" class="hint block" data-read>{{ readText }}</span>
        <span v-else-if="isTried" class="block text-berry" role="alert">{{ questionWords.unread }}</span>
      </label>
      <button type="submit" class="button">{{ questionWords.forAll(group.holdingIds.length) }}</button>
    </form>
    <template v-else-if="isYesNo">
      <button type="button" class="button" @click="answerYesNo(true)">{{ questionWords.yes }}</button>
      <button type="button" class="button" @click="answerYesNo(false)">{{ questionWords.no }}</button>
    </template>
    <form v-else-if="named" class="flex flex-wrap items-start gap-2" @submit.prevent="sayName">
      <div class="w-52">
        <KCombo v-model="typed" :label="`${named.label}: ${questionWords.text(group.text)}`" :options="names" />
      </div>
      <button type="submit" class="button" :disabled="typed.trim() === ''">{{ questionWords.forAll(group.holdingIds.length) }}</button>
    </form>
    <label v-else-if="group.code === 'kindUnread'">
      <span class="sr-only">{{ questionWords.kind }}: {{ questionWords.text(group.text) }}</span>
      <select class="field w-52" value="" @change="choose(($event.target as HTMLSelectElement).value)">
        <option value="">{{ questionWords.choose }}</option>
        <optgroup :label="questionWords.kinds">
          <option v-for="{ id, name } in kinds" :key="id" :value="`kind ${id}`">{{ name }}</option>
        </optgroup>
        <optgroup :label="questionWords.categories">
          <option v-for="{ id, name } in categories" :key="id" :value="`category ${id}`">{{ name }}</option>
        </optgroup>
      </select>
    </label>
    <button v-else-if="isNumber" type="button" class="button" @click="emit('drop')">{{ questionWords.soBeIt }}</button>
    <NuxtLink v-else-if="group.code === 'nameMissing'" class="button" :to="{ path: '/take-in', query: { set: group.holdingIds[0] } }">
      {{ questionWords.nameIt }}
    </NuxtLink>
    <NuxtLink v-else class="button" :to="{ path: '/', query: { set: group.holdingIds[0] } }">{{ questionWords.look }}</NuxtLink>
    <button v-if="field || isYesNo || named || group.code === 'kindUnread'" type="button" class="button" @click="emit('note')">
      {{ questionWords.asNote }}
    </button>
  </div>
</template>
