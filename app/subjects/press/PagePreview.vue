<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import { useElementSize } from '@vueuse/core'
import { ChevronLeft, ChevronRight } from 'lucide-vue-next'
import { computed, shallowRef, useTemplateRef, watch } from 'vue'
import type { Page, PageSize } from '#core/printing'
import { CSS_PX_PER_MM, PT_PER_MM } from '#core/units'
import { useCatalogue } from '~/data/useCatalogue'
import PageOnScreen from './PageOnScreen.vue'
import { pressWords } from './words'

/**
 * One page after the other, from the very items that the PDF is made of. `names`: what each is called; `pagesOf`: its sides, asked
 * for again as soon as `laid` is another.
 */
const { names, pagesOf, laid, paper } = defineProps<{
  names: readonly string[]
  laid: unknown
  pagesOf: (at: number) => Promise<readonly Page[]>
  paper: PageSize
}>()
const emit = defineEmits<{ follow: [label: string] }>()
/** The page in view. */
const at = defineModel<number>('at', { required: true })
const catalogue = useCatalogue()

const pages = shallowRef<readonly Page[]>([])
watch(
  [() => laid, at],
  async ([now, page]) => {
    const found = await pagesOf(page)
    if (now === laid && page === at.value) pages.value = found
  },
  { immediate: true },
)

const desk = useTemplateRef<HTMLElement>('desk')
const { width } = useElementSize(desk)
/** As a share of the width there is. */
const zoom = shallowRef(1)
const FRAME = 2
const pxPerPt = computed(() => (Math.max(FRAME, width.value - FRAME) / paper.widthPt) * zoom.value)
const lifeZoom = computed(() => {
  const pxPerMm = catalogue.settings.pxPerMm ?? CSS_PX_PER_MM
  return ((paper.widthPt / PT_PER_MM) * pxPerMm) / Math.max(1, width.value - FRAME)
})
</script>

<template>
  <section :aria-label="pressWords.preview" data-preview>
    <div class="flex flex-wrap items-center gap-x-2 gap-y-1">
      <KIcon :disabled="at === 0" :icon="ChevronLeft" :label="pressWords.before" @click="at -= 1" />
      <select
        class="field w-auto min-w-0 flex-1"
        :value="at"
        :aria-label="pressWords.which"
        @change="at = Number(($event.target as HTMLSelectElement).value)"
      >
        <option v-for="(name, nth) in names" :key="nth" :value="nth">{{ name }}</option>
      </select>
      <KIcon :disabled="at + 1 >= names.length" :icon="ChevronRight" :label="pressWords.after" @click="at += 1" />
      <label class="flex items-center gap-2">
        <span class="hint">{{ pressWords.zoom }}</span>
        <input v-model.number="zoom" class="h-11 w-28 accent-(--strong)" type="range" min="0.5" max="3" step="0.05" />
      </label>
      <button type="button" class="head-button" :aria-pressed="Math.abs(zoom - lifeZoom) < 0.01" @click="zoom = lifeZoom">
        {{ pressWords.zoomLife }}
      </button>
    </div>
    <div ref="desk" class="mt-2 overflow-x-auto" tabindex="0">
      <figure v-for="(page, nth) in pages" :key="nth" class="mb-4" :data-side="page.side" :data-leaf="page.label">
        <figcaption v-if="pages.length > 1" class="hint">{{ pressWords.side[page.side] }}</figcaption>
        <PageOnScreen :items="page.items" :paper="paper" :px-per-pt="pxPerPt" @follow="emit('follow', $event)" />
      </figure>
    </div>
  </section>
</template>
