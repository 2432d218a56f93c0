<script setup lang="ts">
import { useObjectUrl } from '@vueuse/core'
import { Combine, Scissors, Trash2 } from 'lucide-vue-next'
import { shallowRef, watch } from 'vue'
import type { MeasuredPiece } from '#core/measuring'
import { useDescribe } from '~/data/useDescribe'
import { measureWords } from './words'
import type { MeasuredPhoto } from './measure.worker'

/** The impression with its pieces outlined: marked ones are joined, parted or dropped. */
const { measured, pieces } = defineProps<{ measured: MeasuredPhoto; pieces: readonly MeasuredPiece[] }>()
const emit = defineEmits<{ join: [marked: ReadonlySet<number>]; split: [at: number]; drop: [marked: ReadonlySet<number>] }>()
const { sizeText } = useDescribe()
const url = useObjectUrl(() => measured.impression)
const marked = shallowRef<ReadonlySet<number>>(new Set())
watch(
  () => pieces,
  () => {
    marked.value = new Set()
  },
)
function toggle(at: number): void {
  const next = new Set(marked.value)
  if (!next.delete(at)) next.add(at)
  marked.value = next
}
</script>

<template>
  <div class="grid gap-4 lg:grid-cols-[minmax(0,1fr)_16rem]">
    <div class="mat border border-mat-line p-3">
      <svg
        class="mx-auto h-auto max-h-[30rem] w-full bg-white"
        :viewBox="`-1 -1 ${measured.widthMm + 2} ${measured.heightMm + 2}`"
        role="img"
        :aria-label="measureWords.impression"
      >
        <image :href="url" x="0" y="0" :width="measured.widthMm" :height="measured.heightMm" preserveAspectRatio="none" />
        <g v-for="(piece, at) in pieces" :key="at" class="cursor-pointer" @click="toggle(at)">
          <rect
            :x="piece.xMm - 0.6"
            :y="piece.yMm - 0.6"
            :width="piece.widthMm + 1.2"
            :height="piece.heightMm + 1.2"
            :class="marked.has(at) ? 'fill-ember/15 stroke-ember' : 'fill-transparent stroke-ridge-4'"
            stroke-width="0.5"
          />
          <text :x="piece.xMm" :y="piece.yMm - 1.2" font-size="4" class="fill-[#2B3A66] font-bold figures">{{ at + 1 }}</text>
        </g>
      </svg>
    </div>
    <div>
      <h3 class="font-semibold figures" data-pieces>{{ measureWords.pieces(pieces.length) }}</h3>
      <p class="hint">{{ measureWords.piecesLead }}</p>
      <div class="mt-2 flex flex-wrap gap-2">
        <button type="button" class="button" :disabled="marked.size < 2" @click="emit('join', marked)">
          <Combine :size="18" aria-hidden="true" />
          {{ measureWords.join }}
        </button>
        <button type="button" class="button" :disabled="marked.size !== 1" @click="emit('split', [...marked][0] ?? 0)">
          <Scissors :size="18" aria-hidden="true" />
          {{ measureWords.split }}
        </button>
        <button type="button" class="button" :disabled="marked.size === 0" @click="emit('drop', marked)">
          <Trash2 :size="18" aria-hidden="true" />
          {{ measureWords.drop }}
        </button>
      </div>
      <ol class="mt-2 max-h-72 overflow-y-auto">
        <li v-for="(piece, at) in pieces" :key="at">
          <label class="flex min-h-11 items-center gap-3 hover:bg-wash">
            <input type="checkbox" class="size-5" :checked="marked.has(at)" @change="toggle(at)" />
            <span class="figures">{{ measureWords.piece(at + 1, sizeText(piece)) }}</span>
          </label>
        </li>
      </ol>
    </div>
  </div>
</template>
