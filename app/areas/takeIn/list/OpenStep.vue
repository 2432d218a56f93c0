<script setup lang="ts">
import type { ImportReport } from '#core/exchange'
import { importWords } from './words'
import TextTallies from './TextTallies.vue'

/** What stays open after the reading, grouped, and how the rows add up. */
defineProps<{ report: ImportReport }>()
const rowsRefused = ({ refused }: ImportReport, because: ImportReport['refused'][number]['because']): readonly number[] =>
  refused.flatMap(each => (each.because === because ? each.row : []))
</script>

<template>
  <div>
    <p class="hint">{{ report.questions.length ? importWords.openHint : importWords.noOpen }}</p>
    <ul>
      <li v-for="{ code, count, texts } in report.questions" :key="code" class="border-t border-line py-2">
        <p class="font-semibold">{{ importWords.questions[code](count) }}</p>
        <TextTallies :texts="texts" />
      </li>
    </ul>
    <p v-if="report.placesKept" class="border-t border-line py-2">{{ importWords.places(report.placesKept) }}</p>
    <p v-if="report.repeated.length" class="border-t border-line py-2">{{ importWords.repeated(report.repeated.length) }}</p>
    <template v-for="because in ['blankRow', 'rowTooLong'] as const" :key="because">
      <p v-if="rowsRefused(report, because).length" class="border-t border-line py-2">
        {{ importWords.refused(because, rowsRefused(report, because)) }}
      </p>
    </template>
  </div>
</template>
