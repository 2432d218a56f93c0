<script setup lang="ts">
import { BookOpenText, PenLine } from 'lucide-vue-next'
import { computed } from 'vue'
import type { IndexBook } from '#core/catalog'
import PressPanel from '~/subjects/press/PressPanel.vue'
import { useCatalogue } from '~/data/useCatalogue'
import type { Waiting } from '~/subjects/press/waiting'
import type { BookWork } from './useBookWork'
import { indexWords } from './words'

/** What of a book is to be printed and why, the printing of it, and once whether it came out well. */
const { book, work } = defineProps<{ book: IndexBook; work: BookWork }>()
const emit = defineEmits<{ hand: [] }>()
const catalogue = useCatalogue()
const laid = computed(() => work.laid.value)
const count = computed(() => laid.value?.leaves.length ?? 0)
const changed = computed(() => laid.value?.toPrint.length ?? 0)
const isChanged = computed(() => changed.value > 0 || (laid.value?.takeOut.length ?? 0) > 0)
const headline = computed(() => {
  if (!laid.value) return indexWords.laying
  const at = book.lastPrintedAt
  if (!at) return indexWords.nothingPrinted(book, count.value)
  if (work.isFresh.value) return indexWords.makeAll(book, count.value)
  if (laid.value.isWhole) return indexWords.otherChoices(book, count.value)
  return isChanged.value ? indexWords.changed(book, changed.value, count.value, at) : indexWords.asPrinted(book, count.value, at)
})
/** Each page that is printed takes the place of an old one. */
const isInPlace = computed(
  () => laid.value?.takeOut.length === changed.value && laid.value.takeOut.every(each => laid.value?.toPrint.includes(each)),
)
const isSome = computed(() => laid.value !== null && !laid.value.isWhole)

const askText = ({ pieces, at }: Waiting): string => indexWords.waiting(book, pieces.length, at)
const ready = computed(() => {
  const count = work.press.made.value?.count ?? 0
  return book.sides === 2 ? indexWords.readyBoth(count) : indexWords.ready(count)
})
const fileName = computed(() => indexWords.fileName(catalogue.settings.roomName, book.name))
</script>

<template>
  <section data-book-status>
    <p class="text-[1.1rem] leading-snug font-semibold figures" role="status" data-headline-book>{{ headline }}</p>
    <template v-if="laid && isSome">
      <p v-if="laid.toPrint.length" class="mt-1 figures" data-to-print>{{ indexWords.print(laid.toPrint) }}</p>
      <p v-if="laid.takeOut.length" class="figures" data-take-out>
        {{ isInPlace ? indexWords.inPlace : indexWords.takeOut(laid.takeOut) }}
      </p>
      <p v-if="isChanged" class="hint" data-why>{{ indexWords.why(laid.why) }}</p>
    </template>
    <PressPanel
      :press="work.press"
      :ready="ready"
      :file-name="fileName"
      :gone="laid?.gone"
      :ask-text="askText"
      :thing="book.id"
      @well="(asked, labels) => work.confirm(book, asked, labels)"
      @none="work.notPrinted"
    >
      <template v-if="laid">
        <button v-if="changed > 0" type="button" class="button-main" data-make @click="work.make('changed')">
          <BookOpenText :size="18" aria-hidden="true" />
          {{ indexWords.make(book, changed) }}
        </button>
        <button v-else-if="isChanged" type="button" class="button-main" @click="work.confirmHand(book)">{{ indexWords.handDone }}</button>
        <button v-if="isSome && changed > 0" type="button" class="button" @click="emit('hand')">
          <PenLine :size="18" aria-hidden="true" />
          {{ indexWords.hand }}
        </button>
        <button v-if="isSome && changed < count" type="button" class="button" @click="work.make('all')">
          {{ indexWords.makeAll(book, count) }}
        </button>
        <button
          v-if="book.lastPrintedAt && (isSome || work.isFresh.value)"
          type="button"
          class="button"
          :title="indexWords.afreshHint"
          :aria-pressed="work.isFresh.value"
          @click="work.swingFresh"
        >
          {{ work.isFresh.value ? indexWords.notAfresh : indexWords.afresh }}
        </button>
      </template>
    </PressPanel>
  </section>
</template>
