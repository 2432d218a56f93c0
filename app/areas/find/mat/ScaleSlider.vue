<script setup lang="ts">
import { Ruler } from 'lucide-vue-next'
import { computed, shallowRef } from 'vue'
import { CSS_PX_PER_MM } from '#core/units'
import KDialog from '~/kit/KDialog.vue'
import { act } from '~/data/act'
import { findWords } from '~/areas/find/words'
import { kitWords } from '~/kit/words'
import { useCatalogue } from '~/data/useCatalogue'

/** Scale of the mat. Life size is one stop, set once against a bank card (ISO/IEC 7810 ID-1, 85.60 x 53.98 mm). */
const scale = defineModel<number>({ required: true })
const CARD_MM = { width: 85.6, height: 53.98 } as const
/** 96 px to the inch is what a browser takes for life size before anybody has measured. */
const catalogue = useCatalogue()
const isOpen = shallowRef(false)
const lifeSize = computed(() => catalogue.settings.pxPerMm ?? CSS_PX_PER_MM)
const trial = shallowRef(CSS_PX_PER_MM)

function openCalibration(): void {
  trial.value = lifeSize.value
  isOpen.value = true
}
async function keep(): Promise<void> {
  await act.changeSettings({ pxPerMm: trial.value })
  scale.value = trial.value
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
      @click="catalogue.settings.pxPerMm ? (scale = lifeSize) : openCalibration()"
    >
      <Ruler :size="18" aria-hidden="true" />
      {{ findWords.lifeSize }}
    </button>
    <button v-if="catalogue.settings.pxPerMm" type="button" class="hint min-h-11 underline" @click="openCalibration">
      {{ findWords.calibrate }}
    </button>
    <KDialog :open="isOpen" :title="findWords.calibrateTitle" wide @close="isOpen = false">
      <p class="mt-2">{{ findWords.calibrateHint }}</p>
      <input
        v-model.number="trial"
        type="range"
        min="2"
        max="12"
        step="0.01"
        class="mt-4 w-full accent-(--strong)"
        :aria-label="findWords.calibrateTitle"
      />
      <div class="mt-3 overflow-x-auto">
        <div
          class="rounded-[10px] border-2 border-night"
          :style="{ width: `${CARD_MM.width * trial}px`, height: `${CARD_MM.height * trial}px` }"
        />
      </div>
      <template #actions>
        <button type="button" class="button" @click="isOpen = false">{{ kitWords.cancel }}</button>
        <button type="button" class="button-main" @click="keep">{{ findWords.calibrateDone }}</button>
      </template>
    </KDialog>
  </div>
</template>
