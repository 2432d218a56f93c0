<script setup lang="ts">
import { computed } from 'vue'
import { idsOf, type Step } from '#core/refiling'
import { refileWords } from './words'

/** One armful as a picture: the lane it comes out of above, the lane it goes into below, each holder a stroke as deep as it is. */
const { step, from, to, lengthOf, isOntoTable } = defineProps<{
  step: Step
  from: readonly string[]
  to: readonly string[]
  lengthOf: (id: string) => number
  fromName: string
  toName: string
  isOntoTable: boolean
}>()
const WIDTH = 300
const HEIGHT = 22
const carried = computed(() => new Set(idsOf(step)))
const lengthOfPart = (ids: readonly string[]): number => ids.reduce((sum, id) => sum + lengthOf(id), 0)
interface Stroke {
  readonly key: string
  readonly x: number
  readonly width: number
  readonly isGap: boolean
}
/** Both lanes at one scale: the longer one as wide as the picture, and no holder wider than a finger. */
const MOST_PX_A_MM = 4
const scale = computed(() => Math.min(MOST_PX_A_MM, WIDTH / Math.max(1, lengthOfPart(from), lengthOfPart(to) + step.lengthMm)))
/** The strokes of a lane side by side, with a gap wherever a part of the armful goes in. */
function strokes(ids: readonly string[], gaps: Step['parts']): readonly Stroke[] {
  const drawn: Stroke[] = []
  let x = 0
  const put = (key: string, mm: number, isGap: boolean): void => {
    drawn.push({ key, x, width: mm * scale.value, isGap })
    x += mm * scale.value
  }
  // A part may go behind another part of the same armful.
  const putGapsBehind = (id: string | null): void => {
    for (const part of gaps.filter(each => each.behindId === id)) {
      put(`gap ${part.ids[0]}`, lengthOfPart(part.ids), true)
      putGapsBehind(part.ids.at(-1) ?? '')
    }
  }
  putGapsBehind(null)
  for (const id of ids) {
    put(id, lengthOf(id), false)
    putGapsBehind(id)
  }
  return drawn
}
const rows = computed(() => {
  const last = to.at(-1) ?? null
  const gaps = isOntoTable ? step.parts.map(part => ({ ...part, behindId: last })) : step.parts
  return step.from === step.to ? [strokes(from, gaps)] : [strokes(from, []), strokes(to, gaps)]
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${rows.length * (HEIGHT + 12)}`"
    class="h-auto w-full max-w-[19rem]"
    role="img"
    :aria-label="refileWords.picture(fromName, toName)"
  >
    <g v-for="(row, at) in rows" :key="at" :transform="`translate(0 ${at * (HEIGHT + 12) + 3})`">
      <line x1="0" :x2="WIDTH" :y1="HEIGHT + 1" :y2="HEIGHT + 1" class="stroke-ridge-5" stroke-width="2" />
      <template v-for="each in row" :key="each.key">
        <rect
          v-if="each.isGap"
          :x="each.x"
          y="0"
          :width="Math.max(2, each.width)"
          :height="HEIGHT"
          class="fill-ember/15 stroke-ember"
          stroke-width="1.5"
          stroke-dasharray="3 2"
        />
        <rect
          v-else
          :x="each.x + 0.3"
          :y="carried.has(each.key) ? 0 : 5"
          :width="Math.max(0.6, each.width - 0.6)"
          :height="carried.has(each.key) ? HEIGHT : HEIGHT - 5"
          :class="carried.has(each.key) ? 'fill-ember' : 'fill-ridge-2'"
        />
      </template>
    </g>
  </svg>
</template>
