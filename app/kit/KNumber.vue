<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import KField from './KField.vue'

/**
 * A number with its label. In a form it is read at each key. As a setting (`settled`) it is read once the field is left, and
 * brought to its step and into its limits; text that is no number leaves the setting as it was.
 */
const model = defineModel<number>({ required: true })
const {
  min = -Infinity,
  max = Infinity,
  step = 1,
  settled = false,
} = defineProps<{
  id: string
  label: string
  min?: number
  max?: number
  step?: number
  hint?: string
  problem?: string
  unit?: string
  settled?: boolean
}>()
const shown = shallowRef<number | ''>(model.value)
watch(model, now => (shown.value = now))
function read(): void {
  if (!settled) model.value = shown.value as number
}
function settle(): void {
  if (!settled) return
  const steps = shown.value === '' ? NaN : Math.round(shown.value / step)
  if (Number.isFinite(steps)) model.value = Math.min(max, Math.max(min, Number((steps * step).toFixed(6))))
  shown.value = model.value
}
</script>

<template>
  <KField :label="label" :for="id" :hint="hint" :problem="problem">
    <span class="flex items-center gap-2">
      <input
        :id="id"
        v-model.number="shown"
        type="number"
        :min="Number.isFinite(min) ? min : undefined"
        :max="Number.isFinite(max) ? max : undefined"
        :step="step"
        class="field figures"
        @input="read"
        @change="settle"
      />
      {{ unit }}
    </span>
  </KField>
</template>
