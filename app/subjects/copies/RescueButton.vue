<script setup lang="ts">
import { LifeBuoy } from 'lucide-vue-next'
import { shallowRef } from 'vue'
import { useCopies } from './useCopies'
import { copyWords } from './words'

/** Saves all that is found in the database, also where the room does not open. What became of it is said beside the button. */
const copies = useCopies()
const says = shallowRef('')
const isBusy = shallowRef(false)

async function save(): Promise<void> {
  isBusy.value = true
  says.value = ''
  try {
    const found = await copies.saveRescue()
    says.value = found ? copyWords.rescued(found.records, found.unread) : copyWords.nothingToRescue
  } catch {
    says.value = copyWords.notRescued
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <div>
    <button type="button" class="button" :disabled="isBusy" @click="save">
      <LifeBuoy :size="18" aria-hidden="true" />
      {{ copyWords.rescue }}
    </button>
    <p v-if="says" class="mt-2" role="status" data-rescued>{{ says }}</p>
  </div>
</template>
