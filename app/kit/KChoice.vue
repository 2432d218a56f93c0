<script setup lang="ts" generic="T extends string | number | boolean | null">
import KField from './KField.vue'

/** One of several, with its label. `words` names each of them: a record by the choice, or a function of it. */
const model = defineModel<T>({ required: true })
const { words } = defineProps<{
  id: string
  label: string
  choices: readonly T[]
  words: Readonly<Record<string | number, string>> | ((choice: T) => string)
  hint?: string
}>()
const wordOf = (choice: T): string => (typeof words === 'function' ? words(choice) : (words[String(choice)] ?? ''))
</script>

<template>
  <KField :label="label" :for="id" :hint="hint">
    <select :id="id" v-model="model" class="field">
      <option v-for="choice in choices" :key="String(choice)" :value="choice">{{ wordOf(choice) }}</option>
    </select>
  </KField>
</template>
