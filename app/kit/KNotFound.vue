<script setup lang="ts">
import { NuxtLink } from '#components'
import { kitWords } from './words'

/** An address that leads nowhere, or to something that is no longer there: a sentence and a way back. */
const { what, then, to, way } = defineProps<{ what: string; then: string; to: string; way: string }>()
</script>

<template>
  <div class="mx-auto max-w-2xl p-6 sm:p-10" data-not-found>
    <h1 class="text-[1.6rem]">{{ what }}</h1>
    <p class="mt-2">{{ then }}</p>
    <div class="mt-5 flex flex-wrap gap-2">
      <NuxtLink :to="to" class="button-main">{{ way }}</NuxtLink>
      <NuxtLink v-if="to !== '/'" to="/" class="button">{{ kitWords.toFind }}</NuxtLink>
    </div>
  </div>
</template>
