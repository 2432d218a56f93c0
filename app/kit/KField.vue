<script setup lang="ts">
/** A labelled place to write, with what the text was read as, or what is wrong with it, below. */
defineProps<{ label: string; for?: string; hint?: string; problem?: string }>()
</script>

<template>
  <div>
    <label class="label" :for="$props.for">{{ label }}</label>
    <slot />
    <p v-if="problem" class="mt-1 text-[0.88rem] font-semibold text-berry" role="alert">{{ problem }}</p>
    <p v-else-if="hint" class="hint mt-1">{{ hint }}</p>
  </div>
</template>
