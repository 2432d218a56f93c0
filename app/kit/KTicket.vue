<script setup lang="ts">
import type { Code } from '#core/numbering'

/** The number ticket: stands for a set wherever it is named. */
defineProps<{ code: Code; size?: 'small' | 'large' }>()
</script>

<template>
  <span class="ticket" :class="size === 'large' ? 'text-[1.7rem]' : size === 'small' ? 'text-[0.95rem]' : 'text-[1.1rem]'">
    {{ code.figure }}
    <small v-if="code.suffix">{{ code.suffix }}</small>
  </span>
</template>
