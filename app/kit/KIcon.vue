<script setup lang="ts">
import type { Component } from 'vue'

/** A button of one picture. Its label is read aloud, and shown when the pointer rests on it. */
defineProps<{ icon: Component; label: string }>()
</script>

<template>
  <button type="button" class="head-button shrink-0 disabled:opacity-40" :aria-label="label" :title="label">
    <component :is="icon" :size="18" aria-hidden="true" />
  </button>
</template>
