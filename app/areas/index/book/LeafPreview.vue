<script setup lang="ts">
import { computed } from 'vue'
import type { IndexBook } from '#core/catalog'
import { type Page, PAPERS } from '#core/printing'
import PagePreview from '~/subjects/press/PagePreview.vue'
import type { Laid } from './book.worker'
import { indexWords } from './words'

/** One leaf of a book at a time. */
const { book, laid, pagesOf } = defineProps<{ book: IndexBook; laid: Laid; pagesOf: (label: string) => Promise<readonly Page[]> }>()
/** The leaf in view. */
const label = defineModel<string | null>('label', { required: true })

/** What is to be printed first; else where the book begins. */
const at = computed(() => {
  const found = laid.leaves.findIndex(leaf => leaf.label === label.value)
  if (found >= 0) return found
  return Math.max(
    0,
    laid.leaves.findIndex(leaf => leaf.way !== 'front' && leaf.label === laid.toPrint.find(each => /^\d/.test(each))),
  )
})
const toPrint = computed(() => new Set(laid.toPrint))
const names = computed(() =>
  laid.leaves.map(({ label: each, title, way }) => {
    const isNew = toPrint.value.has(each) ? ` (${indexWords.isNew})` : ''
    return `${each} · ${way === 'front' ? indexWords.front : title}${isNew}`
  }),
)
const sidesOf = async (nth: number): Promise<readonly Page[]> => {
  const leaf = laid.leaves[nth]
  return leaf ? pagesOf(leaf.label) : []
}
</script>

<template>
  <PagePreview
    :at="at"
    :names="names"
    :laid="laid"
    :pages-of="sidesOf"
    :paper="PAPERS[book.paper]"
    @update:at="label = laid.leaves[$event]?.label ?? label"
    @follow="label = $event"
  />
</template>
