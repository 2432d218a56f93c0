<script setup lang="ts">
import { BookOpenText, Download, ExternalLink, PenLine } from 'lucide-vue-next'
import { computed, shallowRef, watch } from 'vue'
import type { IndexBook } from '#core/catalog'
import KProgress from '~/kit/KProgress.vue'
import { offerFile } from '~/kit/offerFile'
import { useCatalogue } from '~/data/useCatalogue'
import type { BookWork } from './useBookWork'
import { indexWords } from './words'

/** What of a book is to be printed and why, the printing of it, and once whether it came out well. */
const { book, work } = defineProps<{ book: IndexBook; work: BookWork }>()
const emit = defineEmits<{ hand: [] }>()
const catalogue = useCatalogue()
const laid = computed(() => work.laid.value)
const made = computed(() => work.made.value)
/** What was made and waits to be called well. */
const waiting = computed(() => work.waiting.value)
const progress = computed(() => work.progress.value)
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

const isAsking = shallowRef(false)
const well = shallowRef<ReadonlySet<string>>(new Set())
watch(waiting, now => {
  isAsking.value = false
  well.value = new Set(now?.labels ?? [])
})
function toggle(label: string): void {
  const next = new Set(well.value)
  if (!next.delete(label)) next.add(label)
  well.value = next
}
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
    <KProgress
      v-if="progress"
      class="mt-3"
      :text="progress.total ? indexWords.making(progress.done, progress.total) : indexWords.laying"
      :done="progress.done"
      :total="progress.total"
      @cancel="work.cancel"
    />
    <div v-else-if="laid && !waiting" class="mt-3 flex flex-wrap gap-2">
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
    </div>
    <p v-if="work.stopped.value" class="mt-3 border-l-4 border-ochre bg-wash p-3" role="status">{{ indexWords[work.stopped.value] }}</p>
    <div v-if="waiting && !progress" class="mt-3 border-l-4 border-strong bg-wash p-3">
      <template v-if="made">
        <p class="font-semibold figures" role="status" data-ready>
          {{ book.sides === 2 ? indexWords.readyBoth(made.pages) : indexWords.ready(made.pages) }}
        </p>
        <p v-if="made.missing.length" class="mt-1 text-ochre" data-missing>{{ indexWords.missing(made.missing) }}</p>
        <div class="mt-2 mb-3 flex flex-wrap gap-2">
          <a class="button-main" :href="made.url" target="_blank" rel="noopener">
            <ExternalLink :size="18" aria-hidden="true" />
            {{ indexWords.open }}
          </a>
          <button type="button" class="button" @click="offerFile(made.blob, indexWords.fileName(catalogue.settings.roomName, book.name))">
            <Download :size="18" aria-hidden="true" />
            {{ indexWords.save }}
          </button>
        </div>
      </template>
      <p v-else class="mb-1 figures" data-waiting>{{ indexWords.waiting(book, waiting.labels.length, waiting.at) }}</p>
      <p class="font-semibold">{{ indexWords.well }}</p>
      <div v-if="!isAsking" class="mt-1 flex flex-wrap gap-2">
        <button type="button" class="button" data-well @click="work.confirm(book, waiting.labels)">{{ indexWords.wellAll }}</button>
        <button type="button" class="button" @click="isAsking = true">{{ indexWords.wellSome }}</button>
        <button type="button" class="button" @click="work.notPrinted">{{ indexWords.notPrinted }}</button>
      </div>
      <fieldset v-else class="mt-1">
        <legend class="hint">{{ indexWords.wellWhich }}</legend>
        <div class="mt-1 flex max-h-48 flex-wrap gap-x-4 overflow-y-auto">
          <label v-for="label in waiting.labels" :key="label" class="flex min-h-11 items-center gap-2 figures">
            <input type="checkbox" class="h-5 w-5 accent-(--strong)" :checked="well.has(label)" @change="toggle(label)" />
            {{ label }}
          </label>
        </div>
        <button type="button" class="button mt-1" :disabled="well.size === 0" data-well @click="work.confirm(book, [...well])">
          {{ indexWords.wellThese }}
        </button>
      </fieldset>
    </div>
  </section>
</template>
