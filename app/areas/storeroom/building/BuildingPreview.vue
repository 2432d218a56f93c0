<script setup lang="ts">
import { computed } from 'vue'
import { type Building, useBuilding } from '~/subjects/room/useBuilding'

/** What is about to be made, where it will stand, and whether there is room for it: before it is made. */
const { building } = defineProps<{ building: Building }>()
const { preview } = useBuilding()
const told = computed(() => preview(building))
</script>

<template>
  <div class="w-full border-l-4 border-ridge-3 bg-wash px-3 py-1.5 leading-snug" aria-live="polite" data-building>
    <p>{{ told.says }}</p>
    <p v-if="told.fits" class="hint">{{ told.fits }}</p>
    <p v-for="sentence in told.care" :key="sentence" class="font-semibold text-ochre">{{ sentence }}</p>
  </div>
</template>
