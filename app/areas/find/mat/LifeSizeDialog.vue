<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { act } from '~/data/act'
import { findWords } from '~/areas/find/words'
import KDialog from '~/kit/KDialog.vue'
import { kitWords } from '~/kit/words'

/** Life size of this screen, measured against a bank card (ISO/IEC 7810 ID-1, 85.60 x 53.98 mm). */
const { open, start } = defineProps<{ open: boolean; start: number }>()
const emit = defineEmits<{ close: []; kept: [pxPerMm: number] }>()
const CARD_MM = { width: 85.6, height: 53.98 } as const
const trial = shallowRef(start)
watch(
  () => open,
  () => (trial.value = start),
)

async function keep(): Promise<void> {
  await act.changeSettings({ pxPerMm: trial.value })
  emit('kept', trial.value)
}
</script>

<template>
  <KDialog :open="open" :title="findWords.calibrateTitle" wide @close="emit('close')">
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
      <button type="button" class="button" @click="emit('close')">{{ kitWords.cancel }}</button>
      <button type="button" class="button-main" @click="keep">{{ findWords.calibrateDone }}</button>
    </template>
  </KDialog>
</template>
