<script setup lang="ts">
import { computed } from 'vue'
import { NuxtLink } from '#components'
import { useMovingIn } from './useMovingIn'
import { movingWords } from './movingWords'

/** One quiet line: what is left of moving in, and the next step. It goes away when nothing is. */
const { isBegun, left, ways } = useMovingIn()
const next = computed(() => (isBegun.value ? left.value[0] : undefined))
</script>

<template>
  <p v-if="next" class="flex flex-wrap items-center gap-x-3 text-[0.95rem] text-quiet" data-moving-line>
    <span>{{ movingWords.line(left.length) }}</span>
    <NuxtLink :to="ways[next].to" class="inline-flex min-h-11 items-center font-semibold underline">{{ ways[next].word }}</NuxtLink>
    <NuxtLink to="/take-in/moving" class="inline-flex min-h-11 items-center underline">{{ movingWords.all }}</NuxtLink>
  </p>
</template>
