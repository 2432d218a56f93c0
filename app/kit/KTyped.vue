<script setup lang="ts">
import { kitWords } from './words'

/** Says that what was typed before is back, and offers to begin afresh. */
const { isBack } = defineProps<{ isBack: boolean }>()
const emit = defineEmits<{ afresh: [] }>()
</script>

<template>
  <p v-if="isBack" class="flex flex-wrap items-center gap-x-3 bg-wash px-3" role="status" data-typed>
    {{ kitWords.typedBack }}
    <button type="button" class="min-h-11 underline" @click="emit('afresh')">{{ kitWords.beginAfresh }}</button>
  </p>
</template>
