<script setup lang="ts">
import { Ruler } from 'lucide-vue-next'
import { computed, shallowRef, watch } from 'vue'
import { NuxtLink } from '#components'
import { HOLDER_TYPES, type HolderKind, type HolderType, type Holding } from '#core/catalog'
import { filledThicknessMm, nextSizesUp, type NoFit, PLAIN_WAYS, latestHolder, standsByItself } from '#core/holders'
import { readSize } from '#core/units'
import FitDrawing from '~/subjects/fit/FitDrawing.vue'
import ShareHolder from '~/subjects/fit/ShareHolder.vue'
import { listOf } from '#core/grammar'
import KField from '~/kit/KField.vue'
import { useDescribe } from '~/data/useDescribe'
import { useFit } from '~/subjects/fit/useFit'
import { useFitAdvice } from '~/subjects/fit/useFitAdvice'
import { act } from '~/data/act'
import { pileWords } from '~/subjects/pile/words'
import { holderWords } from '~/subjects/fit/words'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { useCatalogue } from '~/data/useCatalogue'
import { usePile } from '~/subjects/pile/usePile'

/** What a set sits in: worked out from its size where that is known, else as the last set of its kind. */
const { holding } = defineProps<{ holding: Holding }>()
const emit = defineEmits<{ done: [] }>()
const SHOWN = 5
const pile = usePile()
const catalogue = useCatalogue()
const { lookUp, lengthText } = useDescribe()
const kind = computed(() => lookUp('kinds', holding.kindId))
const size = shallowRef('')
const reading = computed(() => readSize(size.value, catalogue.settings.unit))
/** The set as it is, or as large as has just been typed. */
const trial = computed((): Holding => (holding.size || !reading.value.ok ? holding : { ...holding, size: { ...reading.value.size } }))
const { types, fitHabits, contents, container, cutsOf, cutText } = useFit(trial)
const { advice, isWorking, settled } = useFitAdvice({ contents, types, fitHabits, container })
const sizeProblem = computed(() => (!reading.value.ok && reading.value.code !== 'empty' ? takeInWords.sizeProblem[reading.value.code] : ''))

/** The latest decision for a set of this kind, where no size says better. */
const usual = computed(() => latestHolder(holding, catalogue.tables?.holdings.values() ?? []))
const isBlock = computed(() => standsByItself(kind.value))
/** Until the first answer is there, nothing else is offered: it would be taken away again. */
const isAwaited = computed(() => isWorking.value && !advice.value)
const chosenKind = shallowRef<HolderKind>('pocket')
const chosenTypeId = shallowRef('')
const choices = computed(() => (isBlock.value ? [] : (advice.value?.choices ?? [])))
const listed = computed(() => {
  const first = choices.value.slice(0, SHOWN)
  const chosen = choices.value.find(({ type }) => type.id === chosenTypeId.value)
  return chosen && !first.includes(chosen) ? [...first, chosen] : first
})
const choice = computed(() => choices.value.find(({ type }) => type.id === chosenTypeId.value) ?? null)
watch(
  () => holding.id,
  () => {
    chosenKind.value = holding.sitsIn ?? usual.value ?? (isBlock.value ? 'none' : 'pocket')
    size.value = ''
  },
  { immediate: true },
)
watch(
  [() => holding.id, choices],
  () => {
    if (!choices.value.some(({ type }) => type.id === chosenTypeId.value))
      chosenTypeId.value = holding.holderTypeId ?? choices.value[0]?.type.id ?? ''
  },
  { immediate: true },
)
/** Nothing that has a size of its own takes it. */
const isTooBig = computed(() => choices.value.length > 0 && choices.value.every(({ type }) => type.inner === null))
/** What does not take it, the nearest miss first. */
const missOf = (why: NoFit): number => (why.code === 'onlyNever' ? 0 : why.needMm - why.haveMm)
const refused = computed(() => [...(advice.value?.refused ?? [])].sort((a, b) => missOf(a.why) - missOf(b.why)).slice(0, SHOWN))
/** Where the chosen one takes it only in some other way: the next size that takes it plainly. */
const nextUp = computed(() =>
  choice.value && contents.value && choice.value.type.inner && !PLAIN_WAYS.includes(choice.value.answer.way)
    ? (nextSizesUp(contents.value, choice.value.type, types.value, fitHabits.value)[0] ?? null)
    : null,
)
const cuts = computed(() => cutsOf(trial.value, choice.value?.type))

async function finish(): Promise<void> {
  await settled()
  await act.finishStage(
    holding.id,
    {
      stage: 'fit',
      sitsIn: choice.value?.type.type ?? chosenKind.value,
      holderTypeId: choice.value?.type.id ?? null,
      size: !holding.size && reading.value.ok ? { ...reading.value.size } : null,
      isCutInTwo: choice.value?.answer.way === 'cutInTwo',
    },
    pile.used,
  )
  emit('done')
}
/** How thick a holder gets, where that is more than what is in it. */
function filledText(type: HolderType): string {
  if (!contents.value) return ''
  const filled = lengthText(filledThicknessMm(type, contents.value.thicknessMm))
  return filled === lengthText(contents.value.thicknessMm) ? '' : holderWords.filled(filled)
}
defineExpose({ finish })
</script>

<template>
  <div :aria-busy="isWorking">
    <h2 class="text-[1.15rem]">{{ holderWords.ask }}</h2>
    <div v-if="!holding.size && !isBlock" class="mt-2 flex flex-wrap items-start gap-3">
      <KField class="flex-1 basis-56" :label="holderWords.sizeAsk" for="fit-size" :hint="holderWords.sizeHint" :problem="sizeProblem">
        <input id="fit-size" v-model="size" class="field figures" maxlength="80" autocomplete="off" />
      </KField>
      <NuxtLink :to="`/take-in/measure?set=${holding.id}`" class="button mt-7">
        <Ruler :size="18" aria-hidden="true" />
        {{ holderWords.measure }}
      </NuxtLink>
    </div>
    <div v-if="choices.length" class="mt-2 grid gap-4 lg:grid-cols-[1fr_20rem]">
      <fieldset>
        <legend class="sr-only">{{ holderWords.ask }}</legend>
        <p v-if="contents" class="hint">{{ holderWords.thick(lengthText(contents.thicknessMm), contents.layers) }}</p>
        <p v-if="isTooBig" class="mt-1 border-l-4 border-ochre bg-wash px-3 py-2 font-semibold" data-too-big>{{ holderWords.tooBig }}</p>
        <label
          v-for="each in listed"
          :key="each.type.id"
          class="flex min-h-11 items-start gap-3 border-b border-line px-2 py-2 hover:bg-wash"
          :class="chosenTypeId === each.type.id ? 'bg-wash' : ''"
        >
          <input v-model="chosenTypeId" type="radio" name="holder-type" class="mt-0.5 size-5" :value="each.type.id" />
          <span class="leading-snug">
            <span class="font-semibold">{{ each.type.name }}:</span>
            {{ holderWords.way[each.answer.way].toLowerCase() }}
            <span class="hint block">
              {{ each.type.inner ? holderWords.answer(each.answer, lengthText) : holderWords.anySize }}.
              {{ container ? holderWords.container(each.container, container.name, lengthText) : '' }}
              {{ filledText(each.type) }}
            </span>
          </span>
        </label>
        <KField class="mt-2" :label="holderWords.others" for="fit-other">
          <select id="fit-other" v-model="chosenTypeId" class="field">
            <option v-for="each in choices" :key="each.type.id" :value="each.type.id">
              {{ each.type.name }}: {{ holderWords.way[each.answer.way].toLowerCase() }}
            </option>
            <option value="">{{ holderWords.anyHolder }}</option>
          </select>
        </KField>
        <p v-if="nextUp" class="mt-2">{{ holderWords.nextUp(nextUp.name) }}</p>
        <p v-if="advice?.unsure.length" class="mt-2 text-ochre">
          {{ holderWords.unsure(listOf(advice.unsure.map(type => type.name))) }}
        </p>
        <details v-if="refused.length" class="mt-2" :open="isTooBig">
          <summary class="min-h-11 content-center">{{ holderWords.refused(advice?.refused.length ?? 0) }}</summary>
          <ul>
            <li v-for="each in refused" :key="each.type.id" class="border-t border-line py-1 figures">
              <span class="font-semibold">{{ each.type.name }}:</span>
              {{ holderWords.whyNot(each.why, lengthText) }}
            </li>
          </ul>
        </details>
      </fieldset>
      <div v-if="choice">
        <FitDrawing v-if="choice.type.inner" :type="choice.type" :answer="choice.answer" />
        <p v-if="choice.answer.isIrreversible" class="border-l-4 border-berry bg-wash px-3 py-2 font-semibold text-berry" role="alert">
          {{ holderWords.irreversible }}
          <span class="block font-normal text-night">{{ holderWords.blade }}</span>
        </p>
        <div v-if="cuts.length" class="mt-2" data-cuts>
          <h3 class="font-semibold">{{ holderWords.cuts }}</h3>
          <ul>
            <li v-for="cut in cuts" :key="cut.of" class="figures">
              {{ holderWords.cut[cut.of] }}:
              <strong>{{ cutText(cut) }}</strong>
            </li>
          </ul>
          <p class="hint">
            {{ holderWords.cutsDown }} {{ holderWords.blade }}
            <template v-if="cuts.some(cut => cut.of === 'magnet')">{{ holderWords.magnet }}</template>
          </p>
        </div>
      </div>
    </div>
    <p v-if="isAwaited" class="hint mt-2">{{ holderWords.working }}</p>
    <fieldset v-else-if="!choice" class="mt-2">
      <legend class="sr-only">{{ pileWords.fitAsk }}</legend>
      <p v-if="usual && kind" class="hint">{{ pileWords.fitUsual(kind.name) }}</p>
      <div class="grid gap-x-4 sm:grid-cols-2">
        <label
          v-for="type in HOLDER_TYPES"
          :key="type"
          class="flex min-h-11 items-center gap-3 px-2 hover:bg-wash"
          :class="chosenKind === type ? 'bg-wash font-semibold' : ''"
        >
          <input v-model="chosenKind" type="radio" name="sits-in" class="size-5" :value="type" />
          {{ pileWords.fitHolder[type] }}
        </label>
      </div>
    </fieldset>
    <ShareHolder v-if="contents && choice" class="mt-3" :holding="trial" :types="types" @shared="emit('done')" />
    <p v-if="kind?.family === 'die'" class="mt-3 border-l-4 border-ochre bg-wash px-3 py-2">{{ pileWords.bladeCaution }}</p>
    <p v-if="isBlock" class="mt-3 border-l-4 border-ochre bg-wash px-3 py-2">{{ pileWords.blockCaution }}</p>
  </div>
</template>
