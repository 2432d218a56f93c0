<script setup lang="ts">
/** The head of a page, one line: its title, what it is for where there is room to say so, and its tools. */
defineProps<{ title: string; lead?: string }>()
</script>

<template>
  <header class="flex min-h-11 flex-wrap items-center gap-x-5 gap-y-1">
    <h1 class="text-[1.35rem] leading-tight">{{ title }}</h1>
    <p v-if="lead" class="hint hidden min-w-0 flex-1 leading-tight lg:block">{{ lead }}</p>
    <div class="ml-auto flex flex-wrap items-center gap-2"><slot /></div>
  </header>
</template>
