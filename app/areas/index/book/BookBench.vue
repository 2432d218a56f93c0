<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import { BookPlus, Trash2 } from 'lucide-vue-next'
import { computed, defineAsyncComponent, shallowRef } from 'vue'
import { useChosen } from '~/kit/useChosen'
import IndexNav from '~/areas/index/IndexNav.vue'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import BookChoices from './BookChoices.vue'
import BookStatus from './BookStatus.vue'
import LeafPreview from './LeafPreview.vue'
import { useBookWork } from './useBookWork'
import { indexWords } from './words'

const HandDialog = defineAsyncComponent(() => import('./HandDialog.vue'))

/** The books of the index: what there is to print and why, the page as it will be, and how a book is made. */
const [catalogue, notices] = [useCatalogue(), useNotices()]
const chosen = useChosen('book')
const label = useChosen('page')
const books = computed(() => [...(catalogue.tables?.books.values() ?? [])].sort((a, b) => (a.id < b.id ? -1 : 1)))
const book = computed(() => books.value.find(({ id }) => id === chosen.value) ?? books.value[0] ?? null)
const isEmpty = computed(() => (catalogue.tables?.holdings.size ?? 0) === 0)
const work = useBookWork(() => book.value)
const laid = computed(() => work.laid.value)
const isByHand = shallowRef(false)

async function begin(): Promise<void> {
  const count = books.value.length
  const name = count === 0 ? indexWords.bookName : indexWords.nextName(count)
  chosen.value = await act.beginBook({ name, paper: catalogue.settings.paper })
}
async function drop(): Promise<void> {
  if (!book.value) return
  await act.dropBook(book.value.id)
  chosen.value = null
  notices.tell(indexWords.dropped)
}
function open(id: string): void {
  chosen.value = id
  label.value = null
}
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <IndexNav :title="indexWords.title" :lead="books.length > 1 ? undefined : indexWords.lead">
      <select
        v-if="books.length > 1"
        class="field w-auto max-w-64"
        :aria-label="indexWords.books"
        :value="book?.id"
        @change="open(($event.target as HTMLSelectElement).value)"
      >
        <option v-for="each in books" :key="each.id" :value="each.id">{{ each.name }}</option>
      </select>
      <button v-if="book" type="button" class="head-button" :title="indexWords.newBook" @click="begin">
        <BookPlus :size="18" aria-hidden="true" />
        <span class="hidden sm:inline">{{ indexWords.newBook }}</span>
        <span class="sr-only sm:hidden">{{ indexWords.newBook }}</span>
      </button>
      <KIcon v-if="book" class="text-berry" :icon="Trash2" :label="indexWords.dropBook" @click="drop" />
    </IndexNav>
    <p v-if="isEmpty" class="mt-6">{{ indexWords.empty }}</p>
    <div v-else-if="!book" class="mx-auto max-w-xl py-8 text-center">
      <h2 class="text-[1.4rem]">{{ indexWords.noBookTitle }}</h2>
      <p class="mt-2 text-quiet">{{ indexWords.noBook }}</p>
      <button type="button" class="button-main mt-5" data-first-book @click="begin">
        <BookPlus :size="18" aria-hidden="true" />
        {{ indexWords.firstBook }}
      </button>
    </div>
    <div v-else class="mt-2 grid items-start gap-x-8 gap-y-5 md:grid-cols-[22rem_minmax(0,1fr)] md:grid-rows-[auto_1fr]">
      <BookStatus :book="book" :work="work" @hand="isByHand = true" />
      <LeafPreview
        v-if="laid"
        v-model:label="label"
        class="min-w-0 md:col-start-2 md:row-span-2"
        :book="book"
        :laid="laid"
        :pages-of="work.pagesOf"
      />
      <details class="border-t border-line pt-2 md:row-start-2" open>
        <summary class="min-h-11 cursor-pointer content-center font-semibold">{{ indexWords.made }}</summary>
        <BookChoices class="mt-1" :book="book" :work="work" />
      </details>
      <HandDialog v-if="isByHand" :book="book" :work="work" @close="isByHand = false" />
    </div>
  </div>
</template>
