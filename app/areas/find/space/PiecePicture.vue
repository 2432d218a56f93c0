<script setup lang="ts">
import { computed } from 'vue'
import type { Holding } from '#core/catalog'
import type { SpaceFit } from '#core/finding'
import { usePicture } from '~/data/usePicture'

/**
 * A piece at a scale, cut out of the picture of its set where it is known where it lies there; else its outline with the words on it.
 * Turned, it stands on its side.
 */
const { fit, holding, pxPerMm } = defineProps<{ fit: SpaceFit; holding: Holding; pxPerMm: number }>()
const piece = computed(() => holding.pieces.find(({ id }) => id === fit.pieceId) ?? null)
const hash = computed(() => piece.value?.pictureHash ?? holding.pictureHash)
const url = usePicture(hash, true)
/** What the picture shows lies so: a piece of its own picture fills it, one of the set lies in it. */
const frame = computed(() => {
  if (!piece.value || piece.value.pictureHash) return { x: 0, y: 0, size: fit.size }
  return piece.value.at && holding.size ? { x: -piece.value.at.xMm, y: -piece.value.at.yMm, size: holding.size } : null
})
const turn = computed(() => (fit.isTurned ? `translate(${fit.size.heightMm} 0) rotate(90)` : ''))
const seen = computed(() =>
  fit.isTurned ? { width: fit.size.heightMm, height: fit.size.widthMm } : { width: fit.size.widthMm, height: fit.size.heightMm },
)
</script>

<template>
  <svg
    class="block bg-paper"
    :width="seen.width * pxPerMm"
    :height="seen.height * pxPerMm"
    :viewBox="`0 0 ${seen.width} ${seen.height}`"
    aria-hidden="true"
  >
    <g :transform="turn">
      <svg :width="fit.size.widthMm" :height="fit.size.heightMm">
        <image
          v-if="url && frame"
          :href="url"
          :x="frame.x"
          :y="frame.y"
          :width="frame.size.widthMm"
          :height="frame.size.heightMm"
          preserveAspectRatio="none"
        />
        <text
          v-else
          :x="fit.size.widthMm / 2"
          :y="fit.size.heightMm / 2"
          text-anchor="middle"
          dominant-baseline="middle"
          font-size="4"
          class="fill-[#3b3f46]"
        >
          {{ piece?.words[0] ?? '' }}
        </text>
      </svg>
    </g>
    <rect
      :width="seen.width"
      :height="seen.height"
      fill="none"
      class="stroke-edge"
      :stroke-dasharray="frame ? undefined : '2 1.5'"
      stroke-width="1"
      vector-effect="non-scaling-stroke"
    />
  </svg>
</template>
