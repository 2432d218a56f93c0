<script setup lang="ts">
import { useElementSize, useEventListener, useMediaQuery } from '@vueuse/core'
import { computed, nextTick, onMounted, onScopeDispose, shallowRef, useTemplateRef, watch } from 'vue'
import type { Holding } from '#core/catalog'
import { layMat, UNKNOWN_SIZE } from '#core/drawing'
import { useOnPaper } from '~/kit/useOnPaper'
import { useSheetElement } from '~/kit/useSheetElement'
import SetPicture from '~/subjects/set/SetPicture.vue'
import KTicket from '~/kit/KTicket.vue'
import { useDescribe } from '~/data/useDescribe'
import { findWords } from '~/areas/find/words'
import { useCatalogue } from '~/data/useCatalogue'
import MatRuler from './MatRuler.vue'

/** The mat: sets side by side at one common scale, and the why below each. Only what is in view is drawn. */
const { holdings, pxPerMm, reasons } = defineProps<{
  holdings: readonly Holding[]
  pxPerMm: number
  reasons: ReadonlyMap<string, string>
}>()
const emit = defineEmits<{ open: [holding: Holding] }>()

const isOnPaper = useOnPaper()
const sheetElement = useSheetElement()
const isPhone = useMediaQuery('(max-width: 639px)')
/** Below a set on a phone: its number, place and name, no reason. */
const caption = computed(() => (isPhone.value ? 54 : 84))
const gap = computed(() => (isPhone.value ? 12 : 22))
const LEAST_WIDTH = 128
const THUMB_PX = 170
const OVERSCAN = 100

const catalogue = useCatalogue()
const { codeOf, code, placeOf, addressOf } = useDescribe()
const mat = useTemplateRef<HTMLElement>('mat')
const { width } = useElementSize(mat)
const frame = useTemplateRef<HTMLElement>('frame')
const { width: frameWidth } = useElementSize(frame, undefined, { box: 'border-box' })
/** Where the mat lies in the window. Read when something scrolls, never while an answer is being laid out. */
const top = shallowRef(0)
const viewport = shallowRef(window.innerHeight)
function look(): void {
  top.value = mat.value?.getBoundingClientRect().top ?? 0
  viewport.value = window.innerHeight
}
onMounted(look)
useEventListener('resize', look)
useEventListener(sheetElement, 'scroll', look, { passive: true })

const layout = computed(() =>
  layMat(
    holdings.map(({ id, size }) => ({ id, size: size ?? UNKNOWN_SIZE })),
    { pxPerMm, width: Math.max(width.value, LEAST_WIDTH), gap: gap.value, caption: caption.value, leastWidth: LEAST_WIDTH },
  ),
)
/** The part of the mat that is drawn, in pixels from its top. */
const view = computed(() => ({ from: -top.value - OVERSCAN, to: viewport.value - top.value + OVERSCAN }))
const shown = computed(() => {
  const { from, to } = view.value
  return layout.value.spots.flatMap((spot, index) => {
    const holding = holdings[index]
    return holding && (isOnPaper.value || (spot.top + spot.height > from && spot.top < to)) ? [{ spot, holding, index }] : []
  })
})
const marked = shallowRef(0)
/** The mark stays on its set while the rest of a long answer is laid behind it. */
watch(
  () => holdings,
  (now, before) => {
    if (now[marked.value]?.id !== before[marked.value]?.id) marked.value = 0
  },
)

/**
 * A set can be carried from the mat. What that takes is loaded as somebody first points at the mat, and bound to the one that
 * is pressed.
 */
let carrying: Promise<typeof import('~/areas/find/fetch/usePullDrag')> | undefined
let release = (): void => undefined
const loadCarrying = () => (carrying ??= import('~/areas/find/fetch/usePullDrag'))
async function bindCarrying({ target }: PointerEvent): Promise<void> {
  const item = target instanceof Element ? target.closest<HTMLElement>('[data-mat-item]') : null
  const { carryable } = await loadCarrying()
  release()
  release = item ? carryable(item, item.dataset.set ?? '') : () => undefined
}
onScopeDispose(() => release())

/** Arrows walk along and up and down the mat, whatever is in view. */
async function walk(event: KeyboardEvent, index: number): Promise<void> {
  const { spots } = layout.value
  const here = spots[index]
  if (!here) return
  const rowAway = (step: 1 | -1): number => {
    const others = spots
      .map((spot, at) => ({ spot, at }))
      .filter(({ spot }) => step * (spot.top + spot.pictureHeight - here.top - here.pictureHeight) > 1)
    const nearest = others.reduce<number>(
      (best, { spot }) => Math.min(best, Math.abs(spot.top + spot.pictureHeight - here.top - here.pictureHeight)),
      Infinity,
    )
    const row = others.filter(({ spot }) => Math.abs(Math.abs(spot.top + spot.pictureHeight - here.top - here.pictureHeight) - nearest) < 1)
    return row.toSorted((a, b) => Math.abs(a.spot.left - here.left) - Math.abs(b.spot.left - here.left))[0]?.at ?? index
  }
  const to = { ArrowRight: index + 1, ArrowLeft: index - 1, ArrowDown: rowAway(1), ArrowUp: rowAway(-1), Home: 0, End: spots.length - 1 }[
    event.key
  ]
  if (to === undefined) return
  event.preventDefault()
  marked.value = Math.min(Math.max(0, to), spots.length - 1)
  const spot = spots[marked.value]
  const scroller = document.getElementById('sheet')
  if (spot && scroller) {
    const from = top.value + spot.top
    if (from < 120) scroller.scrollBy({ top: from - 160 })
    else if (from + spot.height > viewport.value - 150) scroller.scrollBy({ top: from + spot.height - viewport.value + 170 })
  }
  look()
  await nextTick()
  mat.value?.querySelector<HTMLElement>(`[data-index="${marked.value}"]`)?.focus()
}
</script>

<template>
  <div ref="frame" class="relative border border-mat-line bg-mat pt-8 pr-2 pb-4 pl-10 sm:pr-4">
    <MatRuler :px-per-mm="pxPerMm" :unit="catalogue.settings.unit" :width="frameWidth" :from="view.from" :to="view.to" />
    <ul
      ref="mat"
      class="relative"
      :style="{ height: `${layout.height}px` }"
      :aria-label="findWords.mat"
      @pointerover.once="loadCarrying"
      @pointerdown="bindCarrying"
    >
      <li
        v-for="{ spot, holding, index } in shown"
        :key="index"
        class="absolute contain-layout"
        :style="{ transform: `translate(${spot.left}px, ${spot.top}px)`, width: `${spot.width}px`, height: `${spot.height}px` }"
      >
        <button
          type="button"
          data-mat-item
          :data-index="index"
          :data-set="holding.id"
          class="group block h-full w-full text-left"
          :tabindex="index === marked ? 0 : -1"
          :aria-label="findWords.item(code(holding), holding.name, placeOf(holding))"
          @click="emit('open', holding)"
          @keydown="walk($event, index)"
          @focus="marked = index"
        >
          <span
            class="block shadow-[0_1px_0_var(--edge)] group-hover:outline-2 group-hover:outline-edge"
            :style="{ width: `${(holding.size ?? UNKNOWN_SIZE).widthMm * pxPerMm}px`, height: `${spot.pictureHeight}px` }"
          >
            <SetPicture :hash="holding.pictureHash" :is-full="spot.pictureHeight > THUMB_PX" />
          </span>
          <span class="mt-1 flex items-baseline gap-2 overflow-hidden whitespace-nowrap">
            <KTicket :code="codeOf(holding)" size="small" />
            <span v-if="catalogue.loanOf.has(holding.id)" class="truncate text-[0.88rem] text-ochre" data-is-out>
              {{ findWords.isOut(catalogue.loanOf.get(holding.id)?.to ?? '') }}
            </span>
            <span v-else class="hint truncate figures">{{ addressOf(holding) ?? '' }}</span>
          </span>
          <span class="block truncate sm:line-clamp-2 sm:whitespace-normal text-[0.88rem] leading-tight font-semibold">
            {{ holding.name }}
          </span>
          <span class="hint hidden truncate leading-tight sm:block">
            {{ reasons.get(holding.id) ?? (holding.size ? '' : findWords.sizeUnknown) }}
          </span>
        </button>
      </li>
    </ul>
  </div>
</template>
