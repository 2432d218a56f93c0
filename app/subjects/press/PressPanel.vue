<script setup lang="ts">
import { Download, ExternalLink } from 'lucide-vue-next'
import { computed } from 'vue'
import KProgress from '~/kit/KProgress.vue'
import { offerFile } from '~/kit/offerFile'
import type { Waiting } from './waiting'
import PressQuestion from './PressQuestion.vue'
import type { Press } from './usePress'
import { pressWords } from './words'

/**
 * The making of what is printed: its buttons, how far it is, the file to open or save, and of everything that was made and waits once
 * whether it came out well. `out`: what a machine gave, told between the two.
 */
const {
  press,
  askText,
  question = pressWords.well,
  isAsked = true,
} = defineProps<{
  press: Press
  ready: string
  fileName: string
  /** What is asked about, in words. */
  askText: (asked: Waiting) => string
  /** Asked in place of whether it came out well. */
  question?: string
  /** What would be made now: while it waits for its answer it is not made again. */
  thing: string
  /** false: what waits is not asked about here. */
  isAsked?: boolean
  /** A word of care where blades or the printer call for it. */
  care?: string
  /** Pictures that the sets name and this browser no longer has. */
  gone?: number
}>()
const emit = defineEmits<{ well: [asked: Waiting, ids: string[]]; none: [asked: Waiting] }>()
const asks = computed(() => (isAsked ? press.waiting.value : []))
</script>

<template>
  <div>
    <p v-if="gone" class="mt-3 border-l-4 border-ochre bg-wash px-3 py-2 figures" role="status" data-gone>{{ pressWords.gone(gone) }}</p>
    <KProgress
      v-if="press.progress.value"
      class="mt-3"
      :text="press.progress.value.total ? pressWords.making(press.progress.value.done, press.progress.value.total) : pressWords.laying"
      :done="press.progress.value.done"
      :total="press.progress.value.total"
      @cancel="press.cancel"
    />
    <div v-else-if="asks.every(asked => asked.thing !== thing)" class="mt-3 flex flex-wrap gap-2 empty:hidden"><slot /></div>
    <p v-if="press.stopped.value" class="mt-3 border-l-4 border-ochre bg-wash p-3" role="status">{{ pressWords[press.stopped.value] }}</p>
    <slot name="out" />
    <div v-if="(press.made.value || asks.length > 0) && !press.progress.value" class="mt-3 border-l-4 border-strong bg-wash p-3">
      <template v-if="press.made.value">
        <p class="font-semibold figures" role="status" data-ready>{{ ready }}</p>
        <p v-if="press.made.value.missing.length" class="mt-1 text-ochre" data-missing>
          {{ pressWords.missing(press.made.value.missing) }}
        </p>
        <div class="mt-2 flex flex-wrap gap-2">
          <a class="button-main" :href="press.made.value.url" target="_blank" rel="noopener">
            <ExternalLink :size="18" aria-hidden="true" />
            {{ pressWords.open }}
          </a>
          <button type="button" class="button" @click="offerFile(press.made.value.blob, fileName)">
            <Download :size="18" aria-hidden="true" />
            {{ pressWords.save }}
          </button>
        </div>
      </template>
      <p v-if="care" class="hint" :class="press.made.value ? 'mt-2' : ''">{{ care }}</p>
      <PressQuestion
        v-for="(asked, at) in asks"
        :key="asked.thing"
        :class="press.made.value || care || at > 0 ? 'mt-3' : ''"
        :asked="asked"
        :text="askText(asked)"
        :question="question"
        @well="emit('well', asked, $event)"
        @none="emit('none', asked)"
      />
    </div>
  </div>
</template>
