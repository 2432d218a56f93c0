<script setup lang="ts">
import { computed } from 'vue'
import { type ImportChoices, LIST_FIELDS, type Tally } from '#core/exchange'
import { importWords } from './words'
import type { ListView } from './list.worker'
import TextTallies from './TextTallies.vue'
import { useCatalogue } from '~/data/useCatalogue'

/** Texts that could mean two things: what the file says for each reading, and the person's choice. */
const { view } = defineProps<{ view: ListView }>()
const catalogue = useCatalogue()
const emit = defineEmits<{ choose: [change: Partial<ImportChoices>] }>()

interface Question {
  readonly key: string
  readonly title: string
  readonly why: string
  readonly texts: readonly Tally[]
  readonly options: readonly { readonly text: string; readonly isChosen: boolean; readonly change: Partial<ImportChoices> }[]
}
const sum = (texts: readonly Tally[]): number => texts.reduce((total, each) => total + each.count, 0)

/** Fields that more than one column claims. */
const claimed = computed((): readonly Question[] =>
  LIST_FIELDS.flatMap(field => {
    const columns = view.guesses.flatMap((guess, at) =>
      guess.claims === field || (guess.field === field && field !== 'notes') ? [at] : [],
    )
    if (!view.guesses.some(guess => guess.claims === field)) return []
    return [
      {
        key: `claim-${field}`,
        title: importWords.claimed(field, columns.length),
        texts: [],
        why: importWords.claimedWhy,
        options: columns.map(column => ({
          text: importWords.column(view.headings[column] ?? '', column),
          isChosen: view.choices.columns[column] === field,
          change: {
            columns: view.choices.columns.map((each, at) => {
              if (at === column) return field
              return each === field ? 'notes' : each
            }),
          },
        })),
      },
    ]
  }),
)

const questions = computed((): readonly Question[] => {
  const { facts, choices } = view
  const { sizes, dates, ticks, themes, farNumbers } = facts
  const all: Question[] = [
    ...claimed.value,
    {
      key: 'sizeUnit',
      title: importWords.sizeUnit(sum(sizes.unitless)),
      texts: sizes.unitless,
      why:
        sizes.inInches + sizes.inCentimetres < 3 ? importWords.sizeUnitAsk : importWords.sizeUnitWhy(sizes.inInches, sizes.inCentimetres),
      options: [
        { text: importWords.inches, isChosen: choices.sizeUnit === 'in', change: { sizeUnit: 'in' } },
        { text: importWords.centimetres, isChosen: choices.sizeUnit === 'cm', change: { sizeUnit: 'cm' } },
        { text: importWords.millimetres, isChosen: choices.sizeUnit === 'mm', change: { sizeUnit: 'mm' } },
        { text: importWords.keep, isChosen: choices.sizeUnit === null, change: { sizeUnit: null } },
      ],
    },
    {
      key: 'dateOrder',
      title: importWords.dateOrder(sum(dates.undecided)),
      texts: dates.undecided,
      why: importWords.dateOrderWhy(dates.monthFirst, dates.dayFirst, catalogue.settings.dateOrder),
      options: [
        { text: importWords.monthFirst, isChosen: choices.dateOrder === 'monthFirst', change: { dateOrder: 'monthFirst' } },
        { text: importWords.dayFirst, isChosen: choices.dateOrder === 'dayFirst', change: { dateOrder: 'dayFirst' } },
        { text: importWords.keep, isChosen: choices.dateOrder === null, change: { dateOrder: null } },
      ],
    },
    {
      key: 'shortYears',
      title: importWords.shortYears(sum(dates.shortYears)),
      texts: dates.shortYears,
      why: importWords.shortYearsWhy(new Date().getFullYear()),
      options: [
        { text: importWords.readThem, isChosen: choices.shortYears, change: { shortYears: true } },
        { text: importWords.keep, isChosen: !choices.shortYears, change: { shortYears: false } },
      ],
    },
    ...(['matchingDie', 'used'] as const).map((field): Question => {
      const { texts, recommended } = ticks[field]
      const option = (text: string, means: boolean | null) => ({
        text,
        isChosen: choices.ticks[field] === means,
        change: { ticks: { ...choices.ticks, [field]: means } },
      })
      return {
        key: `ticks-${field}`,
        title: importWords.ticks(sum(texts), field),
        texts,
        why: importWords.ticksWhy(recommended === true),
        options: [option(importWords.yes, true), option(importWords.no, false), option(importWords.keep, null)],
      }
    }),
    {
      key: 'themeSigns',
      title: importWords.themeSigns(sum(themes)),
      texts: themes,
      why: themes[0] ? importWords.themeSignsWhy(themes[0].text, themes[0].parts) : '',
      options: [
        { text: importWords.signsTell, isChosen: choices.themeSigns === 'tell', change: { themeSigns: 'tell' } },
        { text: importWords.signsDivide, isChosen: choices.themeSigns === 'divide', change: { themeSigns: 'divide' } },
        { text: importWords.signsWhole, isChosen: choices.themeSigns === 'whole', change: { themeSigns: 'whole' } },
      ],
    },
    {
      key: 'farNumbers',
      title: importWords.farNumbers(sum(farNumbers.texts)),
      texts: farNumbers.texts,
      why: importWords.farWhy,
      options: [
        { text: importWords.farOlder, isChosen: choices.farFrom !== null, change: { farFrom: farNumbers.from } },
        { text: importWords.farNumber, isChosen: choices.farFrom === null, change: { farFrom: null } },
      ],
    },
  ]
  return all.filter(question => question.texts.length > 0 || question.key.startsWith('claim-'))
})
</script>

<template>
  <fieldset v-for="question in questions" :key="question.key" class="border-t border-line py-3">
    <legend class="float-left w-full font-semibold">{{ question.title }}</legend>
    <p class="hint clear-both">{{ question.why }}</p>
    <TextTallies :texts="question.texts" />
    <div class="flex flex-wrap gap-x-5">
      <label v-for="option in question.options" :key="option.text" class="flex min-h-11 items-center gap-2">
        <input
          type="radio"
          class="h-5 w-5 accent-(--strong)"
          :name="question.key"
          :checked="option.isChosen"
          @change="emit('choose', option.change)"
        />
        {{ option.text }}
      </label>
    </div>
  </fieldset>
</template>
