<script setup lang="ts">
import { computed } from 'vue'
import type { HolderType } from '#core/catalog'
import { type FitAnswer, outerSize } from '#core/holders'
import { useDescribe } from '~/data/useDescribe'
import { holderWords } from './words'

/** The set in its holder, to scale: margins in figures, what is trimmed in berry, the slant as it lies. */
const { type, answer } = defineProps<{ type: HolderType; answer: FitAnswer }>()
const { lengthText } = useDescribe()
const RIM = 12
/** As large as it is drawn at least, and letters of this size in it: never smaller than 14. */
const [DRAWN_PX, LETTER_PX] = [{ width: 250, height: 306 }, 15.6]
const outer = computed(() => outerSize(type, answer))
const opening = computed(() => answer.opening)
/** Before the trimming, the thing was so much larger. */
const untrimmed = computed(() => ({ width: answer.lies.widthMm + answer.trimWidthMm, height: answer.lies.heightMm + answer.trimHeightMm }))
const view = computed(() => {
  const width = Math.max(outer.value.widthMm, untrimmed.value.width)
  const height = Math.max(outer.value.heightMm, untrimmed.value.height)
  const [across, up] = [width + 2 * RIM, height + 2 * RIM]
  return { width: across, height: up, text: LETTER_PX * Math.max(up / DRAWN_PX.height, across / DRAWN_PX.width) }
})
// The holder stands on its bottom seam; what is in it stands on that, in the middle.
const floor = computed(() => view.value.height - RIM)
const middle = computed(() => view.value.width / 2)
/** A quarter turn has its sides swapped already. */
const slant = computed(() => answer.angleDeg % 90)
const reach = computed(() => {
  const angle = (slant.value * Math.PI) / 180
  return answer.lies.widthMm * Math.sin(angle) + answer.lies.heightMm * Math.cos(angle)
})
const isIllustrated = computed(() => answer.laid.length > 0)
</script>

<template>
  <svg
    class="h-72 w-full max-w-sm"
    :viewBox="`0 0 ${view.width} ${view.height}`"
    role="img"
    :aria-label="holderWords.drawing(type.name, holderWords.way[answer.way])"
    data-fit-drawing
  >
    <rect
      :x="middle - outer.widthMm / 2"
      :y="floor - outer.heightMm + answer.sticksOutMm"
      :width="outer.widthMm"
      :height="outer.heightMm - answer.sticksOutMm"
      class="fill-wash stroke-ridge-4"
      stroke-width="1"
      rx="1.5"
    />
    <rect
      :x="middle - opening.widthMm / 2"
      :y="floor - opening.heightMm - 1.5"
      :width="opening.widthMm"
      :height="opening.heightMm"
      class="fill-sheet stroke-ridge-2"
      stroke-width="0.6"
      stroke-dasharray="3 2"
    />
    <template v-if="isIllustrated">
      <rect
        v-for="piece in answer.laid"
        :key="piece.index"
        :x="middle - opening.widthMm / 2 + piece.xMm"
        :y="floor - 1.5 - piece.yMm - piece.heightMm"
        :width="piece.widthMm"
        :height="piece.heightMm"
        class="fill-ridge-1 stroke-strong"
        stroke-width="0.8"
      />
    </template>
    <template v-else>
      <rect
        v-if="answer.trimWidthMm + answer.trimHeightMm > 0"
        :x="middle - untrimmed.width / 2"
        :y="floor - 1.5 - untrimmed.height"
        :width="untrimmed.width"
        :height="untrimmed.height"
        class="fill-none stroke-berry"
        stroke-width="1"
        stroke-dasharray="1.5 2"
      />
      <rect
        :x="middle - answer.lies.widthMm / 2"
        :y="floor - 1.5 - (reach + answer.lies.heightMm) / 2"
        :width="answer.lies.widthMm"
        :height="answer.lies.heightMm"
        :transform="`rotate(${-slant} ${middle} ${floor - 1.5 - reach / 2})`"
        class="fill-ridge-1 stroke-strong"
        stroke-width="1"
      />
    </template>
    <text
      :x="middle"
      :y="floor - 1.5 - reach / 2"
      text-anchor="middle"
      dominant-baseline="middle"
      class="fill-night font-semibold figures"
      :font-size="view.text"
    >
      {{ lengthText(answer.lies.widthMm) }} x {{ lengthText(answer.lies.heightMm) }}
    </text>
    <text :x="middle" :y="RIM - 4" text-anchor="middle" class="fill-quiet figures" :font-size="view.text * 0.9">
      {{ lengthText(Math.abs(answer.spareHeightMm)) }} {{ answer.spareHeightMm < 0 ? '+' : '' }}
    </text>
    <text
      :x="view.width - 3"
      :y="floor - opening.heightMm / 2"
      text-anchor="middle"
      :transform="`rotate(90 ${view.width - 5} ${floor - opening.heightMm / 2})`"
      class="fill-quiet figures"
      :font-size="view.text * 0.9"
    >
      {{ lengthText(Math.max(0, answer.spareWidthMm)) }}
    </text>
  </svg>
</template>
