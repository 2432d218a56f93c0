<script setup lang="ts">
import type { ShapeBox } from '#core/shapes'

/** The outline of a part of a picture, laid over it. `aspect`: width of the picture by its height. */
const { box, aspect } = defineProps<{ box: ShapeBox; aspect: number }>()
const across = (share: number): string => `${(100 * share) / Math.min(1, aspect)}%`
const down = (share: number): string => `${100 * share * Math.max(1, aspect)}%`
</script>

<template>
  <span
    class="pointer-events-none absolute border-2 border-ember"
    :style="{
      left: across(box.left),
      top: down(box.top),
      width: across(box.right - box.left),
      height: down(box.bottom - box.top),
    }"
  />
</template>
