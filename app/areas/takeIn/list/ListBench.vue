<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { NuxtLink } from '#components'
import MovingLine from '~/subjects/pile/MovingLine.vue'
import KPageHead from '~/kit/KPageHead.vue'
import KFile from '~/kit/KFile.vue'
import KProgress from '~/kit/KProgress.vue'
import BrandsStep from './BrandsStep.vue'
import ColumnsStep from './ColumnsStep.vue'
import KindsStep from './KindsStep.vue'
import OpenStep from './OpenStep.vue'
import QuestionsStep from './QuestionsStep.vue'
import { useListImport } from './useListImport'
import { listedWords } from '~/areas/takeIn/places/words'
import { useCatalogue } from '~/data/useCatalogue'
import { importWords } from './words'
import { kitWords } from '~/kit/words'

/** Bringing in the list somebody keeps: read, shown, asked, and only then taken. */
const { fileName, view, problem, progress, taken, stopped, isKept, open, openSheet, paste, reopen, choose, take, startOver, cancel } =
  useListImport()
const catalogue = useCatalogue()
onMounted(reopen)
const hasBrandJoins = computed(() =>
  view.value?.facts.brands.some(group => group.mayBe || group.spellings.length > 1 || group.spellings[0]?.text !== group.preferred),
)
const hasQuestions = computed(() => {
  if (!view.value) return false
  const { facts, guesses } = view.value
  const { sizes, dates, ticks, themes, farNumbers } = facts
  const asked = [sizes.unitless, dates.undecided, dates.shortYears, ticks.used.texts, ticks.matchingDie.texts, themes, farNumbers.texts]
  return guesses.some(guess => guess.claims !== null) || asked.some(texts => texts.length > 0)
})
const sheets = computed(() => (view.value?.source.kind === 'sheet' ? view.value.source.sheets : []))
/** What of the file is worth knowing before it is taken. */
const notes = computed((): readonly string[] => {
  if (!view.value) return []
  const { above, source } = view.value
  return [
    ...(above.length > 0 ? [importWords.above(above)] : []),
    ...(source.kind === 'sheet' && source.merged > 0 ? [importWords.merged(source.merged)] : []),
    ...(source.kind === 'sheet' && source.withoutValue > 0 ? [importWords.withoutValue(source.withoutValue)] : []),
  ]
})
function pasted(event: ClipboardEvent): void {
  void paste(event.clipboardData?.getData('text/plain') ?? '', importWords.pasted)
}
/** Text that came by another way than pasting: dropped, typed, spoken. */
function typedIn(event: Event): void {
  const text = (event.target as HTMLTextAreaElement).value
  if (text.trim() !== '') void paste(text, importWords.pasted)
}
const progressText = computed(() => {
  const told = progress.value
  if (!told) return ''
  if (told.stage === 'opening') return importWords.opening
  if (told.stage === 'brands') return importWords.comparing(told.done, told.total)
  return told.stage === 'writing' ? importWords.writing(told.done, told.total) : importWords.reading(told.done, told.total)
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
        <NuxtLink v-if="taken.withQuestion > 0" to="/take-in/questions" class="button">{{ importWords.answerThem }}</NuxtLink>
        <NuxtLink v-if="catalogue.listed.length > 0" to="/take-in/places" class="button">{{ listedWords.toRoom }}</NuxtLink>
        <NuxtLink v-else to="/take-in/placeless" class="button">{{ importWords.placeThem }}</NuxtLink>
        <button type="button" class="button" @click="startOver">{{ importWords.another }}</button>
      </div>
      <MovingLine class="mt-3" />
      <OpenStep class="mt-6" :report="taken" />
    </section>
    <template v-else>
      <p v-if="problem" class="mt-4 max-w-2xl border-l-4 border-berry bg-wash p-3" role="alert">
        {{ importWords.problem(problem.code, problem.line) }}
      </p>
      <p v-if="stopped" class="mt-4 border-l-4 border-ochre bg-wash p-3" role="status">{{ importWords[stopped] }}</p>
      <p v-if="view && !isKept" class="mt-4 border-l-4 border-ochre bg-wash p-3" role="status" data-not-kept>
        {{ importWords.listNotKept }}
      </p>
      <section v-if="!view" class="mt-5">
        <KFile
          :label="importWords.choose"
          :hint="importWords.drop"
          accept=".xlsx,.xlsm,.ods,.xls,.csv,.tsv,.txt,text/csv"
          is-main
          @file="open"
        />
        <p class="hint mt-3">{{ importWords.kinds }} {{ importWords.example }}</p>
        <label class="mt-5 block max-w-xl">
          <span class="font-semibold">{{ importWords.pasteTitle }}</span>
          <span class="hint block">{{ importWords.pasteHint }}</span>
          <textarea class="field mt-1 h-24 w-full" data-paste @paste.prevent="pasted" @change="typedIn"></textarea>
        </label>
      </section>
      <template v-else>
        <p class="mt-3 figures" data-file-facts>
          {{ importWords.fileFacts(fileName, view.report.rows, view.headings.length, view.source) }}
        </p>
        <label v-if="sheets.length > 1" class="mt-2 flex flex-wrap items-center gap-2">
          <span class="font-semibold">{{ importWords.sheet }}</span>
          <select
            class="field w-auto max-w-full"
            :value="view.source.kind === 'sheet' ? view.source.name : ''"
            data-sheet
            @change="openSheet(($event.target as HTMLSelectElement).value)"
          >
            <option v-for="name in sheets" :key="name">{{ name }}</option>
          </select>
        </label>
        <p v-for="note in notes" :key="note" class="mt-2 max-w-3xl border-l-4 border-ochre bg-wash p-2 wrap-anywhere" data-list-note>
          {{ note }}
        </p>
        <ol class="mt-4 grid grid-cols-[minmax(0,1fr)] gap-6">
          <li>
            <h2 class="text-[1.15rem]">{{ importWords.stepColumns }}</h2>
            <ColumnsStep :view="view" @columns="choose({ columns: $event })" />
          </li>
          <li v-if="hasBrandJoins">
            <h2 class="text-[1.15rem]">{{ importWords.stepBrands }}</h2>
            <BrandsStep :view="view" @choose="choose" />
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
            <button type="button" class="button" @click="startOver">{{ kitWords.cancel }}</button>
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
