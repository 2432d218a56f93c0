<script setup lang="ts">
import type { Tally } from '#core/exchange'
import { short } from '#core/grammar'
import { importWords } from './words'

/** Texts as they stand in the file, each with how often. */
defineProps<{ texts: readonly Tally[] }>()
const SHOWN = 12
</script>

<template>
  <p class="mt-1 text-[0.88rem]">
    <span
      v-for="{ text, count } in texts.slice(0, SHOWN)"
      :key="text"
      class="mr-2 mb-1 inline-block max-w-80 truncate border border-line bg-wash px-1.5 align-bottom"
    >
      {{ importWords.textCount(short(text), count) }}
    </span>
    <span v-if="texts.length > SHOWN" class="hint">{{ importWords.moreTexts(texts.length - SHOWN) }}</span>
  </p>
</template>
