<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import type { Holder } from '#core/catalog'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import { act } from '~/data/act'
import { kitWords } from '~/kit/words'
import { containerWords } from './words'
import { roomWords } from '~/subjects/room/roomWords'

/** An exception: it stands outside of the filing rule, for a reason, and keeps its address. */
const { holder } = defineProps<{ holder: Holder | null }>()
const emit = defineEmits<{ close: [] }>()
const because = shallowRef('')
const problem = shallowRef('')
watch(
  () => holder,
  () => {
    because.value = holder?.apartBecause ?? ''
    problem.value = ''
  },
)
async function keep(reason: string | null): Promise<void> {
  if (reason === '') return void (problem.value = containerWords.apartNeeded)
  if (holder) await act.keepApart(holder.id, reason)
  emit('close')
}
</script>

<template>
  <KDialog :open="holder !== null" :title="containerWords.apartTitle" @close="emit('close')">
    <p class="hint mt-1">{{ containerWords.apartLead }}</p>
    <KField class="mt-3" :label="containerWords.apartWhy" for="apart-why" :problem="problem">
      <input
        id="apart-why"
        v-model="because"
        class="field"
        maxlength="200"
        autocomplete="off"
        :placeholder="containerWords.apartExample"
        @input="problem = ''"
        @keydown.enter="keep(because.trim())"
      />
    </KField>
    <template #actions>
      <button v-if="holder?.apartBecause" type="button" class="button mr-auto" @click="keep(null)">{{ containerWords.fileAgain }}</button>
      <button type="button" class="button" @click="emit('close')">{{ kitWords.cancel }}</button>
      <button type="button" class="button-main" @click="keep(because.trim())">
        {{ roomWords.keep }}
      </button>
    </template>
  </KDialog>
</template>
