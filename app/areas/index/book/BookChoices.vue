<script setup lang="ts">
import { BOOK_CODES, BOOK_HOLES, BOOK_LIMITS, BOOK_PAPERS, BOOK_PICTURES, BOOK_WAYS, type BookWay, type IndexBook } from '#core/catalog'
import { shallowRef, watch } from 'vue'
import { act } from '~/data/act'
import { useDescribe } from '~/data/useDescribe'
import type { BookChoices } from '~/db/commands'
import KField from '~/kit/KField.vue'
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

const change = (choices: BookChoices): void => void act.changeBook(book.id, () => choices)
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
const valueOf = (event: Event): string => (event.target as HTMLInputElement | HTMLSelectElement).value
const oneOf = <T extends string>(all: readonly T[], event: Event, otherwise: T): T => all.find(each => each === valueOf(event)) ?? otherwise
function rename(event: Event): void {
  const name = valueOf(event).trim()
  if (name) change({ name })
}
const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, Math.round(value) || least))
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
      <KField :label="indexWords.picture" for="book-picture">
        <select id="book-picture" class="field" :value="book.picture" @change="change({ picture: oneOf(BOOK_PICTURES, $event, 'none') })">
          <option v-for="each in BOOK_PICTURES" :key="each" :value="each">{{ indexWords.pictures[each] }}</option>
        </select>
      </KField>
      <KField :label="indexWords.paper" for="book-paper">
        <select id="book-paper" class="field" :value="book.paper" @change="change({ paper: oneOf(BOOK_PAPERS, $event, 'A4') })">
          <option v-for="each in BOOK_PAPERS" :key="each" :value="each">{{ indexWords.papers[each] }}</option>
        </select>
      </KField>
      <KField :label="indexWords.sides" for="book-sides">
        <select id="book-sides" class="field" :value="book.sides" @change="change({ sides: valueOf($event) === '2' ? 2 : 1 })">
          <option v-for="each in [1, 2] as const" :key="each" :value="each">{{ indexWords.sidesOf[each] }}</option>
        </select>
      </KField>
      <KField :label="indexWords.columns" for="book-columns">
        <select id="book-columns" class="field" :value="book.columns" @change="change({ columns: Number(valueOf($event)) })">
          <option v-for="each in BOOK_LIMITS.columns" :key="each" :value="each">{{ each }}</option>
        </select>
      </KField>
      <KField :label="indexWords.binding" for="book-binding">
        <select id="book-binding" class="field" :value="book.bindingMm" @change="change({ bindingMm: Number(valueOf($event)) })">
          <option v-for="each in BINDINGS" :key="each" :value="each">{{ lengthText(each) }}</option>
        </select>
      </KField>
      <KField :label="indexWords.holes" for="book-holes">
        <select id="book-holes" class="field" :value="book.holes" @change="change({ holes: oneOf(BOOK_HOLES, $event, 'none') })">
          <option v-for="each in BOOK_HOLES" :key="each" :value="each">{{ indexWords.holesOf[each] }}</option>
        </select>
      </KField>
      <KField :label="indexWords.own" for="book-own" :hint="indexWords.ownHint">
        <span class="flex items-center gap-2">
          <input
            id="book-own"
            class="field w-24"
            type="number"
            min="1"
            :max="BOOK_LIMITS.ownLeafFrom"
            :value="book.ownLeafFrom"
            @change="change({ ownLeafFrom: clamp(Number(valueOf($event)), 1, BOOK_LIMITS.ownLeafFrom) })"
          />
          {{ indexWords.ownUnit }}
        </span>
      </KField>
      <KField :label="indexWords.free" for="book-free" :hint="indexWords.freeHint">
        <select id="book-free" class="field" :value="book.freeShare" @change="change({ freeShare: Number(valueOf($event)) })">
          <option v-for="each in FREE" :key="each" :value="each">{{ indexWords.percent(each) }}</option>
        </select>
      </KField>
    </div>
    <KField :label="indexWords.name" for="book-name">
      <input id="book-name" class="field" maxlength="300" :value="book.name" @change="rename" />
    </KField>
  </form>
</template>
