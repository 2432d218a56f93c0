<script setup lang="ts">
import { computed, onMounted, shallowRef, useTemplateRef, watch } from 'vue'
import type { Point, Quad } from '#core/measuring'
import { measureWords } from './words'
import type { OpenedPhoto } from './measure.worker'

/** The photo with four corners that are put where they are: by finger, mouse or arrow keys, under a loupe. */
const { photo } = defineProps<{ photo: OpenedPhoto }>()
const corners = defineModel<Quad>('corners', { required: true })
const LOUPE_PX = 180
const LOUPE_ZOOM = 3
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const loupe = useTemplateRef<HTMLCanvasElement>('loupe')
const chosen = shallowRef(0)
const isDragging = shallowRef(false)
const STEPS: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
}
const outline = computed(() => corners.value.map(({ x, y }) => `${x},${y}`).join(' '))
/** Handles keep their size on the screen, whatever the photo's. */
const unit = computed(() => photo.widthPx / 100)

function draw(): void {
  const target = canvas.value
  if (!target) return
  target.width = Math.min(photo.widthPx, 1600)
  target.height = Math.round((target.width * photo.heightPx) / photo.widthPx)
  target.getContext('2d')?.drawImage(photo.shown, 0, 0, target.width, target.height)
}
function drawLoupe(): void {
  const [context, corner] = [loupe.value?.getContext('2d'), corners.value[chosen.value]]
  if (!context || !corner) return
  const side = LOUPE_PX / LOUPE_ZOOM
  context.fillStyle = '#808080'
  context.fillRect(0, 0, LOUPE_PX, LOUPE_PX)
  context.drawImage(photo.shown, corner.x - side / 2, corner.y - side / 2, side, side, 0, 0, LOUPE_PX, LOUPE_PX)
  context.strokeStyle = '#C8401A'
  context.lineWidth = 1.5
  context.beginPath()
  context.moveTo(LOUPE_PX / 2, 0)
  context.lineTo(LOUPE_PX / 2, LOUPE_PX)
  context.moveTo(0, LOUPE_PX / 2)
  context.lineTo(LOUPE_PX, LOUPE_PX / 2)
  context.stroke()
}
onMounted(draw)
watch(() => photo, draw, { flush: 'post' })
watch([corners, chosen, () => photo], drawLoupe, { flush: 'post', immediate: true })
onMounted(drawLoupe)

function moveTo(at: number, { x, y }: Point): void {
  const inside = { x: Math.min(photo.widthPx, Math.max(0, x)), y: Math.min(photo.heightPx, Math.max(0, y)) }
  corners.value = corners.value.map((corner, index) => (index === at ? inside : corner)) as unknown as Quad
}
function pointed(event: PointerEvent): Point | null {
  const box = canvas.value?.getBoundingClientRect()
  return box
    ? { x: ((event.clientX - box.left) / box.width) * photo.widthPx, y: ((event.clientY - box.top) / box.height) * photo.heightPx }
    : null
}
function grab(event: PointerEvent, at: number): void {
  chosen.value = at
  isDragging.value = true
  const handle = event.currentTarget as SVGElement
  handle.setPointerCapture(event.pointerId)
  handle.focus()
}
function drag(event: PointerEvent): void {
  const point = isDragging.value ? pointed(event) : null
  if (point) moveTo(chosen.value, point)
}
function keyed(event: KeyboardEvent, at: number): void {
  const step = STEPS[event.key]
  const corner = corners.value[at]
  if (!step || !corner) return
  event.preventDefault()
  const far = event.shiftKey ? 10 : 1
  moveTo(at, { x: corner.x + step.x * far, y: corner.y + step.y * far })
}
</script>

<template>
  <div class="relative select-none">
    <canvas ref="canvas" class="block h-auto w-full border border-edge" aria-hidden="true" />
    <svg
      class="absolute inset-0 h-full w-full touch-none"
      :viewBox="`0 0 ${photo.widthPx} ${photo.heightPx}`"
      @pointermove="drag"
      @pointerup="isDragging = false"
      @pointercancel="isDragging = false"
    >
      <polygon :points="outline" class="fill-ember/10 stroke-ember" :stroke-width="unit * 0.35" />
      <g
        v-for="(corner, at) in corners"
        :key="at"
        role="slider"
        tabindex="0"
        :aria-label="measureWords.corner(at)"
        :aria-valuetext="`${Math.round(corner.x)}, ${Math.round(corner.y)}`"
        :aria-valuenow="Math.round(corner.x)"
        data-corner
        class="cursor-grab outline-none [&:focus-visible>circle:last-child]:stroke-[8]"
        @pointerdown.prevent="grab($event, at)"
        @focus="chosen = at"
        @keydown="keyed($event, at)"
      >
        <circle :cx="corner.x" :cy="corner.y" :r="unit * 3.2" class="fill-transparent" />
        <circle
          :cx="corner.x"
          :cy="corner.y"
          :r="unit * 1.3"
          class="fill-sheet/40 stroke-ember"
          :stroke-width="unit * (at === chosen ? 0.6 : 0.35)"
        />
      </g>
    </svg>
    <figure
      class="pointer-events-none absolute"
      :class="corners[chosen]!.x > photo.widthPx / 2 ? 'left-2' : 'right-2'"
      :style="corners[chosen]!.y > photo.heightPx / 2 ? 'top: .5rem' : 'bottom: .5rem'"
    >
      <canvas
        ref="loupe"
        :width="LOUPE_PX"
        :height="LOUPE_PX"
        class="size-28 rounded-full border-3 border-sheet sm:size-40"
        :aria-label="measureWords.loupe"
        role="img"
      />
    </figure>
  </div>
</template>
