<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { NuxtLink } from '#components'
import { type Answered, type AnswerGround, type QuestionGroup, readAnswer } from '#core/questions'
import { useDescribe } from '~/data/useDescribe'
import { useCatalogue } from '~/data/useCatalogue'
import { slipWords } from '~/subjects/set/words'
import { compareNames, partialDay } from '#core/grammar'
import { questionWords } from './words'

/** The answer to one question, for all sets that carry it. */
const { group, ground } = defineProps<{ group: QuestionGroup; ground: AnswerGround }>()
const emit = defineEmits<{ answer: [set: Answered]; note: []; drop: [] }>()
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
const isNumber = computed(() => group.code.startsWith('number'))
const answerYesNo = (is: boolean): void => emit('answer', group.code === 'usedUnread' ? { isUsed: is } : { hasMatchingDie: is })
function answer(): void {
  isTried.value = true
  if (reading.value) emit('answer', reading.value)
}
const FIELD_OF = { kinds: 'kindId', brands: 'brandId', categories: 'categoryId' } as const
type ChosenTable = keyof typeof FIELD_OF
/** Kinds and categories in one list: a category often stands where a kind was asked for. */
const CHOSEN_FROM = {
  kindUnread: ['kinds', 'categories'],
  brandUnread: ['brands'],
  categoryUnread: ['categories'],
} as const satisfies Partial<Record<QuestionGroup['code'], readonly ChosenTable[]>>
const choice = computed(() => {
  const { code } = group
  if (!(code === 'kindUnread' || code === 'brandUnread' || code === 'categoryUnread')) return null
  const tables = CHOSEN_FROM[code].map(table => ({
    table,
    records: [...(catalogue.tables?.[table].values() ?? [])].sort((a, b) => compareNames(a.name, b.name)),
  }))
  return { label: questionWords.choice[code], tables }
})
function choose(value: string): void {
  const [table, id] = value.split(' ')
  if (id) emit('answer', { [FIELD_OF[table as ChosenTable]]: id })
}
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
    <label v-else-if="choice">
      <span class="sr-only">{{ choice.label }}: {{ questionWords.text(group.text) }}</span>
      <select class="field w-52" value="" @change="choose(($event.target as HTMLSelectElement).value)">
        <option value="">{{ questionWords.choose }}</option>
        <optgroup v-for="{ table, records } in choice.tables" :key="table" :label="questionWords.table[table]">
          <option v-for="{ id, name } in records" :key="id" :value="`${table} ${id}`">{{ name }}</option>
        </optgroup>
      </select>
    </label>
    <button v-else-if="isNumber" type="button" class="button" @click="emit('drop')">{{ questionWords.soBeIt }}</button>
    <NuxtLink v-else-if="group.code === 'nameMissing'" class="button" :to="{ path: '/take-in', query: { set: group.holdingIds[0] } }">
      {{ questionWords.nameIt }}
    </NuxtLink>
    <NuxtLink v-else class="button" :to="{ path: '/', query: { set: group.holdingIds[0] } }">{{ questionWords.look }}</NuxtLink>
    <button v-if="field || isYesNo || choice" type="button" class="button" @click="emit('note')">
      {{ questionWords.asNote }}
    </button>
  </div>
</template>
