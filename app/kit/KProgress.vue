<script setup lang="ts">
import { kitWords } from './words'

/** Long work: what is being done, how far it is, and a way to stop it. */
defineProps<{ text: string; done: number; total: number }>()
const emit = defineEmits<{ cancel: [] }>()
</script>

<template>
  <div class="flex flex-wrap items-center gap-4" role="status">
    <div class="min-w-48 flex-1">
      <p class="figures">{{ text }}</p>
      <progress class="bar mt-1 h-2 w-full" :value="done" :max="Math.max(total, 1)" :aria-label="text" />
    </div>
    <button type="button" class="button" @click="emit('cancel')">{{ kitWords.cancel }}</button>
  </div>
</template>
