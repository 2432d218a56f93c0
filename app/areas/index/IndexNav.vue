<script setup lang="ts">
import { BookOpenText, LayoutList, Tags } from 'lucide-vue-next'
import { NuxtLink } from '#components'
import { indexWords } from '~/areas/index/book/words'
import { cardWords } from '~/areas/index/cards/words'
import { labelWords } from '~/areas/index/labels/words'

/** The head of every page of the index: what is printed, one step from each other. The marked one names the page. */
defineProps<{ title: string; lead?: string }>()
const WAYS = [
  { to: '/index', icon: BookOpenText, text: labelWords.books },
  { to: '/index/labels', icon: Tags, text: labelWords.title },
  { to: '/index/cards', icon: LayoutList, text: cardWords.title },
] as const
</script>

<template>
  <header class="flex min-h-11 flex-wrap items-center gap-x-4 gap-y-1">
    <h1 class="sr-only">{{ title }}</h1>
    <nav class="flex min-w-0 gap-x-5 overflow-x-auto overflow-y-hidden pr-1 whitespace-nowrap" :aria-label="indexWords.title" tabindex="-1">
      <NuxtLink
        v-for="{ to, icon, text } in WAYS"
        :key="to"
        :to="to"
        class="inline-flex min-h-11 shrink-0 items-center gap-1.5 border-b-3 border-transparent font-semibold hover:border-edge"
        exact-active-class="border-strong!"
      >
        <component :is="icon" :size="18" aria-hidden="true" />
        {{ text }}
      </NuxtLink>
    </nav>
    <p v-if="lead" class="hint hidden min-w-0 flex-1 leading-tight lg:block">{{ lead }}</p>
    <div class="ml-auto flex flex-wrap items-center gap-2"><slot /></div>
  </header>
</template>
