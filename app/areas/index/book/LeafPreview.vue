<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { ChevronLeft, ChevronRight } from 'lucide-vue-next'
import { computed, shallowRef, useTemplateRef, watch } from 'vue'
import type { IndexBook } from '#core/catalog'
import { type Page, PAPERS } from '#core/printing'
import PageDrawing from '~/areas/index/paper/PageDrawing.vue'
import KImpression from '~/kit/KImpression.vue'
import { useCatalogue } from '~/data/useCatalogue'
import type { Laid } from './book.worker'
import { indexWords } from './words'

/** One leaf at a time, from the very layout that the PDF is made of. */
const { book, laid, pagesOf } = defineProps<{ book: IndexBook; laid: Laid; pagesOf: (label: string) => Promise<readonly Page[]> }>()
/** The leaf in view. */
const label = defineModel<string | null>('label', { required: true })
const catalogue = useCatalogue()

const CSS_PX_PER_MM = 96 / 25.4

/** What is to be printed first; else where the book begins. */
const at = computed(() => {
  const found = laid.leaves.findIndex(leaf => leaf.label === label.value)
  if (found >= 0) return found
  return Math.max(
    0,
    laid.leaves.findIndex(leaf => leaf.way !== 'front' && leaf.label === laid.toPrint.find(each => /^\d/.test(each))),
  )
})
const leaf = computed(() => laid.leaves[at.value])
const toPrint = computed(() => new Set(laid.toPrint))
const nameOf = ({ label: each, title, way }: Laid['leaves'][number]): string =>
  `${each} · ${way === 'front' ? indexWords.front : title}${toPrint.value.has(each) ? ` (${indexWords.isNew})` : ''}`
function go(step: 1 | -1): void {
  label.value = laid.leaves[at.value + step]?.label ?? label.value
}

const pages = shallowRef<readonly Page[]>([])
watch(
  [() => laid, leaf],
  async ([, now]) => {
    const found = now ? await pagesOf(now.label) : []
    if (now === leaf.value) pages.value = found
  },
  { immediate: true },
)

const desk = useTemplateRef<HTMLElement>('desk')
const { width } = useElementSize(desk)
const paper = computed(() => PAPERS[book.paper])
/** As a share of the width there is. */
const zoom = shallowRef(1)
const FRAME = 2
const pxPerPt = computed(() => ((width.value - FRAME) / paper.value.widthPt) * zoom.value)
const lifeZoom = computed(() => {
  const pxPerMm = catalogue.settings.pxPerMm ?? CSS_PX_PER_MM
  return (paper.value.widthPt * (25.4 / 72) * pxPerMm) / Math.max(1, width.value - FRAME)
})
</script>

<template>
  <section :aria-label="indexWords.preview" data-preview>
    <div class="flex flex-wrap items-center gap-x-2 gap-y-1">
      <button
        type="button"
        class="head-button"
        :disabled="at === 0"
        :aria-label="indexWords.before"
        :title="indexWords.before"
        @click="go(-1)"
      >
        <ChevronLeft :size="20" aria-hidden="true" />
      </button>
      <select
        class="field w-auto min-w-0 flex-1"
        :value="leaf?.label"
        :aria-label="indexWords.which"
        @change="label = ($event.target as HTMLSelectElement).value"
      >
        <option v-for="each in laid.leaves" :key="each.label" :value="each.label">{{ nameOf(each) }}</option>
      </select>
      <button
        type="button"
        class="head-button"
        :disabled="at + 1 >= laid.leaves.length"
        :aria-label="indexWords.after"
        :title="indexWords.after"
        @click="go(1)"
      >
        <ChevronRight :size="20" aria-hidden="true" />
      </button>
      <label class="flex items-center gap-2">
        <span class="hint">{{ indexWords.zoom }}</span>
        <input v-model.number="zoom" class="h-11 w-28 accent-(--strong)" type="range" min="0.5" max="3" step="0.05" />
      </label>
      <button type="button" class="head-button" :aria-pressed="Math.abs(zoom - lifeZoom) < 0.01" @click="zoom = lifeZoom">
        {{ indexWords.zoomLife }}
      </button>
    </div>
    <div ref="desk" class="mt-2 overflow-x-auto" tabindex="0">
      <figure v-for="(page, nth) in pages" :key="nth" class="mb-4" :data-side="page.side" :data-leaf="page.label">
        <figcaption v-if="pages.length > 1" class="hint">{{ indexWords.side[page.side] }}</figcaption>
        <div
          class="relative border border-edge bg-paper"
          :style="{ width: `${paper.widthPt * pxPerPt + 2}px`, height: `${paper.heightPt * pxPerPt + 2}px` }"
        >
          <PageDrawing class="absolute inset-0 h-full w-full" :items="page.items" :width-pt="paper.widthPt" :height-pt="paper.heightPt" />
          <template v-for="(item, index) in page.items" :key="index">
            <span
              v-if="item.type === 'picture'"
              class="absolute"
              :style="{
                left: `${item.x * pxPerPt}px`,
                top: `${item.y * pxPerPt}px`,
                width: `${item.widthPt * pxPerPt}px`,
                height: `${item.heightPt * pxPerPt}px`,
              }"
            >
              <KImpression :hash="item.hash" :is-full="item.heightPt * pxPerPt > 170" />
            </span>
            <button
              v-else-if="item.type === 'link'"
              type="button"
              class="absolute hover:bg-ridge-2/30"
              :aria-label="item.toLabel"
              :style="{
                left: `${item.x * pxPerPt}px`,
                top: `${item.y * pxPerPt}px`,
                width: `${item.widthPt * pxPerPt}px`,
                height: `${item.heightPt * pxPerPt}px`,
              }"
              @click="label = item.toLabel"
            />
          </template>
        </div>
      </figure>
    </div>
  </section>
</template>
