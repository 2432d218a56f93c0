<script setup lang="ts">
import type { Component } from 'vue'
import { NuxtLink } from '#components'

/** The head of every page of an area: its pages, one step from each other. The marked one names the page. */
defineProps<{
  title: string
  /** Said where there is room for it. */
  lead?: string
  /** What the area is called. */
  area: string
  ways: readonly { readonly to: string; readonly icon: Component; readonly text: string }[]
}>()
/** So few ways leave room for the lead beside them. */
const IN_ONE_LINE = 4
</script>

<template>
  <header class="flex min-h-11 flex-wrap items-center gap-x-4 gap-y-1">
    <h1 class="sr-only">{{ title }}</h1>
    <nav class="flex min-w-0 gap-x-5 overflow-x-auto overflow-y-hidden pr-1 whitespace-nowrap" :aria-label="area" tabindex="-1">
      <NuxtLink
        v-for="{ to, icon, text } in ways"
        :key="to"
        :to="to"
        class="inline-flex min-h-11 shrink-0 items-center gap-1.5 border-b-3 border-transparent font-semibold hover:border-edge"
        exact-active-class="border-strong!"
      >
        <component :is="icon" :size="18" aria-hidden="true" />
        {{ text }}
      </NuxtLink>
    </nav>
    <p v-if="lead" class="hint hidden min-w-0 leading-tight lg:block" :class="ways.length > IN_ONE_LINE ? 'order-last w-full' : 'flex-1'">
      {{ lead }}
    </p>
    <div class="ml-auto flex flex-wrap items-center gap-2"><slot /></div>
  </header>
</template>
