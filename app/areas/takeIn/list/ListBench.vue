<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { NuxtLink } from '#components'
import KPageHead from '~/kit/KPageHead.vue'
import KFile from '~/kit/KFile.vue'
import KProgress from '~/kit/KProgress.vue'
import BrandsStep from './BrandsStep.vue'
import ColumnsStep from './ColumnsStep.vue'
import KindsStep from './KindsStep.vue'
import OpenStep from './OpenStep.vue'
import QuestionsStep from './QuestionsStep.vue'
import { useListImport } from './useListImport'
import { importWords } from './words'
import { shellWords } from '~/shell/words'

/** Bringing in the list somebody keeps: read, shown, asked, and only then taken. */
const { fileName, view, problem, progress, taken, stopped, open, reopen, choose, take, startOver, cancel } = useListImport()
onMounted(reopen)
const hasBrandJoins = computed(() =>
  view.value?.facts.brands.some(group => group.spellings.length > 1 || group.spellings[0]?.text !== group.preferred),
)
const hasQuestions = computed(() => {
  const facts = view.value?.facts
  return (
    facts &&
    (facts.sizes.unitless.length > 0 || facts.dates.undecided.length > 0 || facts.dates.shortYears.length > 0 || facts.ticks.length > 0)
  )
})
const progressText = computed(() => {
  const told = progress.value
  return !told ? '' : told.stage === 'writing' ? importWords.writing(told.done, told.total) : importWords.reading(told.done, told.total)
})
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="importWords.title" :lead="taken ? undefined : importWords.lead" />
    <section v-if="taken" class="mt-4 max-w-2xl" data-taken>
      <h2 class="text-[1.25rem] text-moss">{{ importWords.doneTitle }}</h2>
      <p class="mt-1 figures">{{ importWords.sums(taken) }}</p>
      <p class="mt-1">{{ importWords.done(taken.taken + taken.withQuestion) }}</p>
      <div class="mt-5 flex flex-wrap gap-2">
        <NuxtLink to="/" class="button-main">{{ importWords.look }}</NuxtLink>
        <NuxtLink to="/take-in/placeless" class="button">{{ importWords.placeThem }}</NuxtLink>
        <button type="button" class="button" @click="startOver">{{ importWords.another }}</button>
      </div>
      <OpenStep class="mt-6" :report="taken" />
    </section>
    <template v-else>
      <p v-if="problem" class="mt-4 max-w-2xl border-l-4 border-berry bg-wash p-3" role="alert">
        {{ importWords.problem(problem.code, problem.line) }}
      </p>
      <p v-if="stopped" class="mt-4 border-l-4 border-ochre bg-wash p-3" role="status">{{ importWords[stopped] }}</p>
      <section v-if="!view" class="mt-5">
        <KFile :label="importWords.choose" :hint="importWords.drop" accept=".csv,.tsv,.txt,text/csv" is-main @file="open" />
        <p class="hint mt-3">{{ importWords.example }}</p>
      </section>
      <template v-else>
        <p class="mt-3 figures" data-file-facts>
          {{ importWords.fileFacts(fileName, view.report.rows, view.headings.length, view.delimiter, view.encoding) }}
        </p>
        <ol class="mt-4 grid grid-cols-[minmax(0,1fr)] gap-6">
          <li>
            <h2 class="text-[1.15rem]">{{ importWords.stepColumns }}</h2>
            <ColumnsStep :view="view" @columns="choose({ columns: $event })" />
          </li>
          <li v-if="hasBrandJoins">
            <h2 class="text-[1.15rem]">{{ importWords.stepBrands }}</h2>
            <BrandsStep :view="view" @refuse="choose({ refusedSpellings: $event })" />
          </li>
          <li v-if="view.facts.kinds.length">
            <h2 class="text-[1.15rem]">{{ importWords.stepKinds }}</h2>
            <KindsStep :view="view" @kinds="choose({ kinds: $event })" />
          </li>
          <li v-if="hasQuestions">
            <h2 class="text-[1.15rem]">{{ importWords.stepQuestions }}</h2>
            <QuestionsStep :view="view" @choose="choose" />
          </li>
          <li>
            <h2 class="text-[1.15rem]">{{ importWords.stepOpen }}</h2>
            <OpenStep :report="view.report" />
          </li>
        </ol>
      </template>
      <div v-if="view" class="sticky bottom-0 mt-6 flex flex-wrap items-center justify-between gap-3 border-t border-line bg-sheet py-3">
        <KProgress v-if="progress" class="flex-1" :text="progressText" :done="progress.done" :total="progress.total" @cancel="cancel" />
        <template v-else>
          <p class="font-semibold figures" data-sums>{{ importWords.sums(view.report) }}</p>
          <div class="flex gap-2">
            <button type="button" class="button" @click="startOver">{{ shellWords.cancel }}</button>
            <button type="button" class="button-main" :disabled="view.report.taken + view.report.withQuestion === 0" @click="take">
              {{ importWords.take(view.report.taken + view.report.withQuestion) }}
            </button>
          </div>
        </template>
      </div>
      <KProgress
        v-else-if="progress"
        class="mt-5 max-w-xl"
        :text="progressText"
        :done="progress.done"
        :total="progress.total"
        @cancel="cancel"
      />
    </template>
  </div>
</template>
