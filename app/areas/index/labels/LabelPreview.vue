<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, shallowRef, useTemplateRef, watch } from 'vue'
import type { Container, Labelled, LabelSheet } from '#core/catalog'
import { type Page, PAPERS, spotsOn } from '#core/printing'
import { CSS_PX_PER_MM, PT_PER_MM } from '#core/units'
import PageDrawing from '~/subjects/press/PageDrawing.vue'
import PageOnScreen from '~/subjects/press/PageOnScreen.vue'
import { useCatalogue } from '~/data/useCatalogue'
import type { LabelLine } from './labels.worker'
import type { LabelWork } from './useLabelWork'
import { labelWords } from './words'

/** The labels as they will be, from the very layout that is printed: a strip to be cut, or sheets. */
const { work, sheet, toMake, containers } = defineProps<{
  work: LabelWork
  sheet: LabelSheet | null
  toMake: readonly LabelLine[]
  containers: readonly Container[]
  kind: Exclude<Labelled, 'shared'>
}>()
const catalogue = useCatalogue()
/** So many are drawn; all are printed. */
const [SHOWN, SHOWN_SHEETS] = [150, 4]
const strip = shallowRef<Awaited<ReturnType<LabelWork['stripOf']>>>([])
const pages = shallowRef<readonly Page[]>([])
watch(
  [() => toMake, () => work.begunSheet.value],
  async ([lines, on]) => {
    const ofs = lines.map(({ of }) => of)
    const [labels, sides] = [on ? [] : await work.stripOf(ofs.slice(0, SHOWN)), on ? await work.sheetsOf(ofs) : []]
    if (lines !== toMake) return
    strip.value = labels
    pages.value = sides
  },
  { immediate: true },
)
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
/** As large as on paper, as far as this screen is known; sheets as wide as there is room. */
const pxPerPt = computed(() => (catalogue.settings.pxPerMm ?? CSS_PX_PER_MM) / PT_PER_MM)
const paper = computed(() => PAPERS[sheet?.paper ?? 'A4'])
const sheetPx = computed(() => Math.min(1.2, Math.max(0.2, (width.value - 2) / paper.value.widthPt)))
const why = computed(() => new Map(toMake.map(each => [each.of, each])))
const titleOf = (of: string): string => {
  const line = why.value.get(of)
  if (!line) return ''
  const was = line.was.length > 0 ? labelWords.was(line.was.join(' · ')) : ''
  return [line.says.join(' · '), line.reason ? labelWords.reason[line.reason] : '', was].filter(Boolean).join(', ')
}
/** Where each goes: said once, before the first label of a container. */
const places = computed(() => new Map((work.found.value?.things ?? []).map(({ of, rank }) => [of, rank])))
function placeBefore(of: string, at: number): string {
  const [rank, before] = [of, strip.value[at - 1]?.of].map(each => (each === undefined ? -1 : places.value.get(each)))
  return rank === before ? '' : (containers[rank ?? -1]?.name ?? labelWords.nowhere)
}
/** Labels of the begun sheet that are used, and the outlines of all. */
const spots = computed(() => (sheet ? spotsOn({ ...sheet, nextFree: 0 }, sheet.columns * sheet.rows) : []))
</script>

<template>
  <section :aria-label="labelWords.preview" data-label-preview>
    <h2 class="sr-only">{{ labelWords.preview }}</h2>
    <div ref="frame">
      <p v-if="!sheet && strip.length > 0" class="hint mb-1">{{ labelWords.lifeSize }}</p>
      <ol v-if="!sheet && strip.length > 0" class="flex flex-wrap gap-y-2 bg-mat p-3">
        <template v-for="(label, at) in strip" :key="label.of">
          <li v-if="kind !== 'container' && placeBefore(label.of, at)" class="w-full text-[0.88rem] leading-tight">
            {{ placeBefore(label.of, at) }}
          </li>
          <li class="max-w-full overflow-hidden" :title="titleOf(label.of)" :data-label="label.of">
            <PageDrawing
              class="block max-w-full border-r border-dashed border-edge bg-paper"
              role="img"
              :aria-label="titleOf(label.of)"
              :items="label.items"
              :width-pt="label.widthPt"
              :height-pt="label.heightPt"
              :style="{ width: `${label.widthPt * pxPerPt}px` }"
            />
          </li>
        </template>
        <li v-if="toMake.length > strip.length && strip.length > 0" class="self-center px-3 figures">
          {{ labelWords.more(toMake.length - strip.length) }}
        </li>
      </ol>
      <template v-else-if="sheet">
        <figure v-for="(page, nth) in pages.slice(0, SHOWN_SHEETS)" :key="nth" class="mb-4" :data-sheet="nth">
          <figcaption class="hint figures">{{ labelWords.sheetNo(nth + 1) }}</figcaption>
          <PageOnScreen :items="page.items" :paper="paper" :px-per-pt="sheetPx">
            <span
              v-for="spot in spots"
              :key="spot.at"
              class="absolute border border-line"
              :class="nth === 0 && spot.at < (work.begunSheet.value?.nextFree ?? 0) ? 'bg-line' : ''"
              :style="{
                left: `${spot.leftMm * PT_PER_MM * sheetPx}px`,
                top: `${spot.topMm * PT_PER_MM * sheetPx}px`,
                width: `${sheet.widthMm * PT_PER_MM * sheetPx}px`,
                height: `${sheet.heightMm * PT_PER_MM * sheetPx}px`,
              }"
            />
          </PageOnScreen>
        </figure>
        <p v-if="pages.length > SHOWN_SHEETS" class="figures">{{ labelWords.more(pages.length - SHOWN_SHEETS) }}</p>
      </template>
    </div>
  </section>
</template>
