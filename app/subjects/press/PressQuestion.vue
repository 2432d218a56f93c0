<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import type { Waiting } from './waiting'
import { pressWords } from './words'

/** Asks whether what was made of one thing came out well: all of it, some pieces, or none. */
const { asked, question } = defineProps<{ asked: Waiting; text: string; question: string }>()
const emit = defineEmits<{ well: [ids: string[]]; none: [] }>()
const isAsking = shallowRef(false)
const well = shallowRef<ReadonlySet<string>>(new Set())
watch(
  () => asked,
  ({ pieces }) => {
    isAsking.value = false
    well.value = new Set(pieces.map(({ id }) => id))
  },
  { immediate: true },
)
function toggle(id: string): void {
  const next = new Set(well.value)
  if (!next.delete(id)) next.add(id)
  well.value = next
}
const all = (): string[] => asked.pieces.map(({ id }) => id)
</script>

<template>
  <div>
    <p class="figures" data-waiting>{{ text }}</p>
    <p class="mt-1 font-semibold">{{ question }}</p>
    <div v-if="!isAsking" class="mt-1 flex flex-wrap gap-2">
      <button type="button" class="button" data-well @click="emit('well', all())">{{ pressWords.wellAll }}</button>
      <button v-if="asked.pieces.length > 1" type="button" class="button" @click="isAsking = true">{{ pressWords.wellSome }}</button>
      <button type="button" class="button" @click="emit('none')">{{ pressWords.notPrinted }}</button>
    </div>
    <fieldset v-else class="mt-1">
      <legend class="hint">{{ pressWords.wellWhich }}</legend>
      <div class="mt-1 flex max-h-56 flex-wrap gap-x-4 overflow-y-auto" tabindex="0">
        <label v-for="{ id, text: name } in asked.pieces" :key="id" class="flex min-h-11 items-center gap-2 leading-tight figures">
          <input type="checkbox" class="h-5 w-5 shrink-0 accent-(--strong)" :checked="well.has(id)" @change="toggle(id)" />
          {{ name }}
        </label>
      </div>
      <button type="button" class="button mt-1" :disabled="well.size === 0" data-well @click="emit('well', [...well])">
        {{ pressWords.wellThese }}
      </button>
    </fieldset>
  </div>
</template>
