<script setup lang="ts">
import { ImageOff } from 'lucide-vue-next'
import { usePicture } from '~/data/usePicture'

/** A set's picture, ink on white. Without one: an empty card with the name of what is missing left to its caption. */
const { hash, isFull = false } = defineProps<{ hash: string | null; isFull?: boolean }>()
const url = usePicture(
  () => hash,
  () => isFull,
)
</script>

<template>
  <img v-if="url" :src="url" alt="" class="impression h-full w-full" draggable="false" />
  <span v-else class="grid h-full w-full place-items-center border border-dashed border-edge bg-paper text-ridge-3">
    <ImageOff v-if="!hash" :size="18" aria-hidden="true" />
  </span>
</template>
