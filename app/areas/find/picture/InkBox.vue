<script setup lang="ts">
import type { ShapeBox } from '#core/shapes'
import { boxStyle } from './boxStyle'

/** The outline of a part of a picture, laid over it. */
defineProps<{ box: ShapeBox; aspect: number }>()
</script>

<template>
  <span class="pointer-events-none absolute border-2 border-ember" :style="boxStyle(box, aspect)" />
</template>
