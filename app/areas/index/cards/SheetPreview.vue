<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { ChevronLeft, ChevronRight } from 'lucide-vue-next'
import { computed, shallowRef, useTemplateRef, watch } from 'vue'
import type { PageItem, PageSize } from '#core/printing'
import PageDrawing from '~/areas/index/paper/PageDrawing.vue'
import KImpression from '~/kit/KImpression.vue'
import type { CardsLaid } from './cards.worker'
import { cardWords } from './words'

/** One sheet at a time, from the very items that are printed. */
const { laid, itemsOf, paper } = defineProps<{
  laid: CardsLaid
  itemsOf: (page: number) => Promise<readonly PageItem[]>
  paper: PageSize
}>()
const at = shallowRef(0)
const items = shallowRef<readonly PageItem[]>([])
watch(
  [() => laid, at],
  async ([now, page]) => {
    if (page >= now.pages) return void (at.value = 0)
    const found = await itemsOf(page)
    if (page === at.value) items.value = found
  },
  { immediate: true },
)
const desk = useTemplateRef<HTMLElement>('desk')
const { width } = useElementSize(desk)
const FRAME = 2
const pxPerPt = computed(() => Math.max(0.1, (width.value - FRAME) / paper.widthPt))
const pictures = computed(() => items.value.flatMap(item => (item.type === 'picture' ? [item] : [])))
</script>

<template>
  <section :aria-label="cardWords.preview" data-card-preview>
    <div class="flex items-center gap-2">
      <button
        type="button"
        class="head-button"
        :disabled="at === 0"
        :aria-label="cardWords.before"
        :title="cardWords.before"
        @click="at -= 1"
      >
        <ChevronLeft :size="20" aria-hidden="true" />
      </button>
      <p class="figures" role="status">{{ cardWords.sheetNo(at + 1, laid.pages) }}</p>
      <button
        type="button"
        class="head-button"
        :disabled="at + 1 >= laid.pages"
        :aria-label="cardWords.after"
        :title="cardWords.after"
        @click="at += 1"
      >
        <ChevronRight :size="20" aria-hidden="true" />
      </button>
    </div>
    <div ref="desk" class="mt-1">
      <div
        class="relative border border-edge bg-paper"
        :style="{ width: `${paper.widthPt * pxPerPt + FRAME}px`, height: `${paper.heightPt * pxPerPt + FRAME}px` }"
      >
        <span
          v-for="(picture, index) in pictures"
          :key="index"
          class="absolute"
          :style="{
            left: `${picture.x * pxPerPt}px`,
            top: `${picture.y * pxPerPt}px`,
            width: `${picture.widthPt * pxPerPt}px`,
            height: `${picture.heightPt * pxPerPt}px`,
            opacity: picture.inkShare ?? 1,
          }"
        >
          <KImpression :hash="picture.hash" :is-full="picture.heightPt * pxPerPt > 170" />
        </span>
        <PageDrawing class="absolute inset-0 h-full w-full" :items="items" :width-pt="paper.widthPt" :height-pt="paper.heightPt" />
      </div>
    </div>
  </section>
</template>
