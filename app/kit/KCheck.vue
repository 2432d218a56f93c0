<script setup lang="ts">
/** Yes or no, with its label. */
const model = defineModel<boolean>({ required: true })
defineProps<{ label: string; hint?: string; disabled?: boolean }>()
</script>

<template>
  <label class="flex min-h-11 items-center gap-3">
    <input v-model="model" type="checkbox" class="size-5 shrink-0 accent-(--strong)" :disabled="disabled" />
    <span class="leading-tight">
      {{ label }}
      <span v-if="hint" class="hint">{{ hint }}</span>
    </span>
  </label>
</template>
