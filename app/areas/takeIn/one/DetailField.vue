<script setup lang="ts">
import { type Detail, detailLength } from '#core/catalog'
import KField from '~/kit/KField.vue'
import { detailWords } from '~/subjects/set/detailWords'
import { takeInWords } from '~/subjects/pile/takeInWords'

/** The field of one detail of a set: a line, some lines or a choice, as its words say. */
const { detail } = defineProps<{ detail: Detail; problem: string }>()
const model = defineModel<string>({ required: true })
const id = `take-${detail}`
const { label, as } = detailWords[detail]
</script>

<template>
  <KField :label="label" :for="id" :problem="problem">
    <input v-if="as === 'line'" :id="id" v-model="model" class="field figures" :maxlength="detailLength(detail)" autocomplete="off" />
    <textarea v-else-if="as === 'lines'" :id="id" v-model="model" class="field" dir="auto" rows="2" :maxlength="detailLength(detail)" />
    <select v-else :id="id" v-model="model" class="field">
      <option value="">{{ takeInWords.none }}</option>
      <option v-for="(text, choice) in as.choices" :key="choice" :value="choice">{{ text }}</option>
    </select>
  </KField>
</template>
