<script setup lang="ts">
import { BOOK_CODES, BOOK_HOLES, BOOK_LIMITS, BOOK_PAPERS, BOOK_PICTURES, BOOK_WAYS, type BookWay, type IndexBook } from '#core/catalog'
import { shallowRef, watch } from 'vue'
import { act } from '~/data/act'
import { useDescribe } from '~/data/useDescribe'
import type { BookChoices } from '~/db/commands'
import { fieldsOf } from '~/kit/fieldsOf'
import KChoice from '~/kit/KChoice.vue'
import KField from '~/kit/KField.vue'
import KNumber from '~/kit/KNumber.vue'
import type { BookWork } from './useBookWork'
import { indexWords } from './words'

/** How a book is made. Every choice holds at once, and can be undone. */
const { book, work } = defineProps<{ book: IndexBook; work: BookWork }>()
const { lengthText } = useDescribe()
const BINDINGS = [8, 12, 15, 20, 25, 30, 40] as const
const FREE = [0, 0.1, 0.25, 0.4, 0.6] as const
const SHOWS = {
  hasName: indexWords.showsName,
  hasBrand: indexWords.showsBrand,
  hasSize: indexWords.showsSize,
  hasKind: indexWords.showsKind,
} as const

const COLUMNS = Array.from({ length: BOOK_LIMITS.columns }, (_, at) => at + 1)

const change = (choices: BookChoices): void => void act.changeBook(book.id, () => choices)
const own = fieldsOf(() => book, change)
/** What the owner's own year would have cost; empty: nobody asked. */
const yearly = shallowRef('')
async function askYearly(): Promise<void> {
  yearly.value = indexWords.yearlyBusy
  const found = await work.yearly(book).catch(() => null)
  yearly.value = found ? indexWords.yearly(book, found) : indexWords.yearlyNone
}
watch(
  () => book,
  () => (yearly.value = ''),
)
function toggleWay(way: BookWay): void {
  void act.changeBook(book.id, ({ ways: now }) => {
    const ways = BOOK_WAYS.filter(each => (each === way) !== now.includes(each))
    return ways.length > 0 ? { ways } : {}
  })
}
const toggle = (show: keyof typeof SHOWS): void => void act.changeBook(book.id, now => ({ [show]: !now[show] }))
function rename(event: Event): void {
  const name = (event.target as HTMLInputElement).value.trim()
  if (name) change({ name })
}
</script>

<template>
  <form class="grid gap-4" @submit.prevent>
    <fieldset>
      <legend class="label">{{ indexWords.waysTitle }}</legend>
      <label v-for="way in BOOK_WAYS" :key="way" class="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          class="h-5 w-5 shrink-0 accent-(--strong)"
          :checked="book.ways.includes(way)"
          :disabled="book.ways.length === 1 && book.ways[0] === way"
          :title="book.ways.length === 1 && book.ways[0] === way ? indexWords.oneWay : undefined"
          @change="toggleWay(way)"
        />
        <span class="leading-tight">
          {{ indexWords.ways[way] }}
          <span class="hint">{{ indexWords.wayHints[way] }}</span>
        </span>
      </label>
    </fieldset>
    <fieldset>
      <legend class="label">{{ indexWords.code }}</legend>
      <label v-for="code in BOOK_CODES" :key="code" class="flex min-h-11 items-center gap-3">
        <input type="radio" name="book-code" class="h-5 w-5 accent-(--strong)" :checked="book.code === code" @change="change({ code })" />
        {{ indexWords.codes[code] }}
      </label>
      <p v-if="yearly" class="hint figures" role="status" data-yearly>{{ yearly }}</p>
      <button v-else type="button" class="min-h-11 text-[0.94rem] underline" @click="askYearly">{{ indexWords.yearlyAsk }}</button>
    </fieldset>
    <fieldset>
      <legend class="label">{{ indexWords.shows }}</legend>
      <div class="flex flex-wrap gap-x-5">
        <label v-for="(word, show) in SHOWS" :key="show" class="flex min-h-11 items-center gap-2">
          <input type="checkbox" class="h-5 w-5 accent-(--strong)" :checked="book[show]" @change="toggle(show)" />
          {{ word }}
        </label>
      </div>
    </fieldset>
    <div class="grid grid-cols-2 gap-4">
      <KChoice id="book-picture" v-model="own.picture" :label="indexWords.picture" :choices="BOOK_PICTURES" :words="indexWords.pictures" />
      <KChoice id="book-paper" v-model="own.paper" :label="indexWords.paper" :choices="BOOK_PAPERS" :words="indexWords.papers" />
      <KChoice id="book-sides" v-model="own.sides" :label="indexWords.sides" :choices="[1, 2]" :words="indexWords.sidesOf" />
      <KChoice id="book-columns" v-model="own.columns" :label="indexWords.columns" :choices="COLUMNS" :words="String" />
      <KChoice id="book-binding" v-model="own.bindingMm" :label="indexWords.binding" :choices="BINDINGS" :words="lengthText" />
      <KChoice id="book-holes" v-model="own.holes" :label="indexWords.holes" :choices="BOOK_HOLES" :words="indexWords.holesOf" />
      <KNumber
        id="book-own"
        v-model="own.ownLeafFrom"
        settled
        whole
        :label="indexWords.own"
        :hint="indexWords.ownHint"
        :unit="indexWords.ownUnit"
        :min="1"
        :max="BOOK_LIMITS.ownLeafFrom"
      />
      <KChoice
        id="book-free"
        v-model="own.freeShare"
        :label="indexWords.free"
        :hint="indexWords.freeHint"
        :choices="FREE"
        :words="indexWords.percent"
      />
    </div>
    <KField :label="indexWords.name" for="book-name">
      <input id="book-name" class="field" maxlength="300" :value="book.name" @change="rename" />
    </KField>
  </form>
</template>
