<script setup lang="ts">
import { Ruler } from 'lucide-vue-next'
import { computed, defineAsyncComponent, shallowRef } from 'vue'
import { CSS_PX_PER_MM } from '#core/units'
import { findWords } from '~/areas/find/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useFind } from '~/subjects/ask/useFind'

/** Scale of the mat. Life size is one stop, set once against a bank card. */
const scale = defineModel<number>({ required: true })
/** Loaded once the screen is up: a dialog that is there before it opens gives the focus back when it closes. */
const LifeSizeDialog = defineAsyncComponent(() => import('./LifeSizeDialog.vue'))
const catalogue = useCatalogue()
const find = useFind()
const isOpen = shallowRef(false)
/** 96 px to the inch is what a browser takes for life size before anybody has measured. */
const lifeSize = computed(() => catalogue.settings.pxPerMm ?? CSS_PX_PER_MM)

function kept(pxPerMm: number): void {
  scale.value = pxPerMm
  isOpen.value = false
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-2">
    <label class="flex min-h-11 items-center gap-2">
      <span class="hint sr-only sm:not-sr-only">{{ findWords.scale }}</span>
      <input v-model.number="scale" type="range" min="0.5" max="6" step="0.01" class="h-11 w-24 accent-(--strong) sm:w-32" />
    </label>
    <button
      type="button"
      class="button px-3"
      :aria-pressed="Math.abs(scale - lifeSize) < 0.02"
      @click="catalogue.settings.pxPerMm ? (scale = lifeSize) : (isOpen = true)"
    >
      <Ruler :size="18" aria-hidden="true" />
      {{ findWords.lifeSize }}
    </button>
    <button v-if="catalogue.settings.pxPerMm" type="button" class="hint min-h-11 underline" @click="isOpen = true">
      {{ findWords.calibrate }}
    </button>
    <LifeSizeDialog v-if="find.isReady || isOpen" :open="isOpen" :start="lifeSize" @kept="kept" @close="isOpen = false" />
  </div>
</template>
