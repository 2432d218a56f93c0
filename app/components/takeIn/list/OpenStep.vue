<script setup lang="ts">
import type { ImportReport } from '#core/exchange'
import { importWords } from '~/messages'
import TextTallies from './TextTallies.vue'

/** What stays open after the reading, grouped, and how the rows add up. */
defineProps<{ report: ImportReport }>()
</script>

<template>
  <div>
    <p class="hint">{{ report.questions.length ? importWords.openHint : importWords.noOpen }}</p>
    <ul>
      <li v-for="{ code, count, texts } in report.questions" :key="code" class="border-t border-line py-2"><p class="font-semibold">{{ importWords.questions[code](count) }}</p><TextTallies :texts="texts" /></li>
    </ul>
    <p v-if="report.placesKept" class="border-t border-line py-2">{{ importWords.places(report.placesKept) }}</p>
    <p v-if="report.repeated.length" class="border-t border-line py-2">{{ importWords.repeated(report.repeated.length) }}</p>
    <p v-if="report.refused.length" class="border-t border-line py-2">{{ importWords.refused(report.refused.map(each => each.row)) }}</p>
  </div>
</template>
