<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import KField from './KField.vue'

/**
 * A number with its label. In a form it is read at each key; an empty field gives '', which no form takes for a number. As a setting
 * (`settled`) it is read once the field is left, and brought into its limits; a field that is no number shows what was set before.
 */
const model = defineModel<number>({ required: true })
const {
  min = -Infinity,
  max = Infinity,
  settled = false,
  whole = false,
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
  /** Only whole numbers are set. */
  whole?: boolean
}>()
const shown = shallowRef<number | ''>(model.value)
watch(model, now => (shown.value = now))
function read(): void {
  if (!settled) model.value = shown.value as number
}
function settle(): void {
  if (!settled) return
  const typed = whole ? Math.round(Number(shown.value)) : shown.value
  // What is set comes back through the model only once it is kept: the field shows it at once.
  const value = typeof typed === 'number' && shown.value !== '' ? Math.min(max, Math.max(min, typed)) : model.value
  model.value = value
  shown.value = value
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
