<script setup lang="ts">
import { computed, shallowRef, useTemplateRef } from 'vue'
import type { Holding } from '#core/catalog'
import type { SpaceFit } from '#core/finding'
import { MM_PER_INCH, type Size } from '#core/units'
import { useCatalogue } from '~/data/useCatalogue'
import PiecePicture from './PiecePicture.vue'
import { spaceWords } from './words'

/** A place on the card, in millimetres from its upper left corner. */
interface Space extends Size {
  readonly x: number
  readonly y: number
}
/** The card at a scale, the space on it, and a piece laid into the space. Drawn by pointer, or moved and sized by keys. */
const { card, pxPerMm, laid } = defineProps<{
  card: Size
  pxPerMm: number
  laid: { readonly fit: SpaceFit; readonly holding: Holding } | null
}>()
const space = defineModel<Space>({ required: true })
const catalogue = useCatalogue()
const paper = useTemplateRef<HTMLElement>('paper')
/** A space is drawn and moved in steps that a ruler has. */
const step = computed(() => (catalogue.settings.unit === 'in' ? MM_PER_INCH / 8 : 1))
const LEAST_STEPS = 3
const snapped = (mm: number): number => Math.round(mm / step.value) * step.value
const start = shallowRef<{ readonly x: number; readonly y: number } | null>(null)

/** Where the card lay when the drawing began: what stands above it may change its height meanwhile. */
let corner = { left: 0, top: 0 }
function pointOf(event: PointerEvent): { readonly x: number; readonly y: number } {
  const mm = (at: number, most: number): number => Math.min(Math.max(0, snapped(at / pxPerMm)), most)
  return { x: mm(event.clientX - corner.left, card.widthMm), y: mm(event.clientY - corner.top, card.heightMm) }
}
function begin(event: PointerEvent): void {
  corner = paper.value?.getBoundingClientRect() ?? corner
  start.value = pointOf(event)
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
function draw(event: PointerEvent): void {
  if (!start.value) return
  const [from, to] = [start.value, pointOf(event)]
  const [widthMm, heightMm] = [Math.abs(to.x - from.x), Math.abs(to.y - from.y)]
  // A tap is no space.
  if (Math.min(widthMm, heightMm) < LEAST_STEPS * step.value) return
  space.value = { x: Math.min(from.x, to.x), y: Math.min(from.y, to.y), widthMm, heightMm }
}
function end(): void {
  start.value = null
}
function key(event: KeyboardEvent): void {
  const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
  if (!by) return
  event.preventDefault()
  const [dx = 0, dy = 0] = by.map(each => each * step.value)
  const { x, y, widthMm, heightMm } = space.value
  const between = (mm: number, least: number, most: number): number => Math.min(Math.max(mm, least), Math.max(least, most))
  space.value = event.shiftKey
    ? {
        x,
        y,
        widthMm: between(widthMm + dx, LEAST_STEPS * step.value, card.widthMm - x),
        heightMm: between(heightMm + dy, LEAST_STEPS * step.value, card.heightMm - y),
      }
    : { widthMm, heightMm, x: between(x + dx, 0, card.widthMm - widthMm), y: between(y + dy, 0, card.heightMm - heightMm) }
}
const px = (mm: number): string => `${mm * pxPerMm}px`
const laidAt = computed(() => {
  if (!laid) return null
  const { size, isTurned } = laid.fit
  const [w, h] = isTurned ? [size.heightMm, size.widthMm] : [size.widthMm, size.heightMm]
  return { left: px(space.value.x + (space.value.widthMm - w) / 2), top: px(space.value.y + (space.value.heightMm - h) / 2) }
})
</script>

<template>
  <div
    ref="paper"
    class="relative shrink-0 cursor-crosshair touch-none border border-edge bg-paper"
    :style="{ width: px(card.widthMm), height: px(card.heightMm) }"
    role="application"
    tabindex="0"
    :aria-label="spaceWords.draw"
    data-card
    @pointerdown="begin"
    @pointermove="draw"
    @pointerup="end"
    @pointercancel="end"
    @keydown="key"
  >
    <div v-if="laid && laidAt" class="pointer-events-none absolute" :style="laidAt">
      <PiecePicture :fit="laid.fit" :holding="laid.holding" :px-per-mm="pxPerMm" />
    </div>
    <div
      class="pointer-events-none absolute border-2 border-dashed border-ember bg-ember/5"
      :style="{ left: px(space.x), top: px(space.y), width: px(space.widthMm), height: px(space.heightMm) }"
      data-space
    />
  </div>
</template>
