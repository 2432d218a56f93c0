<script setup lang="ts">
import KNumber from '~/kit/KNumber.vue'
import { Scale, Shuffle } from 'lucide-vue-next'
import { computed, onMounted, reactive, shallowRef, watch } from 'vue'
import { NuxtLink } from '#components'
import type { FilingRule } from '#core/catalog'
import { sameRule, writeRule } from '#core/filing'
import { type Assumptions, best, COMPARED_RULES, type Decision, KNOWN, type RuleResult, START_ASSUMPTIONS } from '#core/ways'
import { useTyped } from '~/kit/useTyped'
import { useChosen } from '~/kit/useChosen'
import KField from '~/kit/KField.vue'
import KProgress from '~/kit/KProgress.vue'
import StoreroomNav from '~/areas/storeroom/StoreroomNav.vue'
import WaysChart from './WaysChart.vue'
import { useOutlook } from '~/subjects/room/useOutlook'
import { useRoomWorker } from '~/data/useRoomWorker'
import { waysWords } from './words'
import { placeWords } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import { type Progress, withProgress } from '~/data/worker'
import { plainly } from '~/kit/plainly'

/** Ways of filing compared on the owner's own sets and finds. */
const catalogue = useCatalogue()
const worker = useRoomWorker()
const { newPerYear } = useOutlook()
const zones = computed(() =>
  [...catalogue.facts.zones]
    .sort((a, b) => a.rank - b.rank)
    .filter(zone =>
      catalogue.containers.some(row => row.container.zoneId === zone.id && !row.container.cells && row.placements.length > 0),
    ),
)
type Form = { -readonly [K in keyof Assumptions]: Assumptions[K] } & { zoneId: string }
/** The corner that is compared, and that it was: the address keeps both, and a reload compares again. */
const corner = useChosen('corner')
const compared = useChosen('compared')
const form = reactive<Form>({ ...START_ASSUMPTIONS, habits: { ...START_ASSUMPTIONS.habits }, zoneId: corner.value ?? '' })
const progress = shallowRef<Progress | null>(null)
const found = shallowRef<{ readonly results: readonly RuleResult[]; readonly decisions: readonly Decision[] } | null>(null)
watch(
  zones,
  () => {
    if (!zones.value.some(zone => zone.id === form.zoneId)) form.zoneId = zones.value[0]?.id ?? ''
  },
  { immediate: true },
)
watch(
  () => form.zoneId,
  id => {
    form.newPerYear = newPerYear(id) || START_ASSUMPTIONS.newPerYear
  },
  { immediate: true },
)
const typed = useTyped(form)
typed.begin('ways', { ...form })
watch(form, () => {
  found.value = null
  corner.value = form.zoneId
  compared.value = null
})
onMounted(() => {
  if (compared.value) void compare()
})
const PRESETS = {
  log: { theme: 2, brand: 1, itself: 1 },
  occasion: { theme: 8, brand: 1, itself: 1 },
  brand: { theme: 1, brand: 8, itself: 1 },
} as const

const zone = computed(() => zones.value.find(each => each.id === form.zoneId) ?? null)
const isNumber = (rule: FilingRule): boolean => rule.keys[0]?.by === 'number'
/** The schools, and how the zone files now where that is none of them. */
const rules = computed((): readonly FilingRule[] =>
  zone.value && !COMPARED_RULES.some(rule => sameRule(rule, zone.value?.filingRule ?? rule))
    ? [zone.value.filingRule, ...COMPARED_RULES]
    : COMPARED_RULES,
)
function nameOf(rule: FilingRule): string {
  const keys = waysWords.rule(placeWords.rule(rule))
  if (isNumber(rule)) return waysWords.never
  return zone.value && sameRule(rule, zone.value.filingRule) ? `${keys}, ${waysWords.present}` : keys
}
async function compare(): Promise<void> {
  const { zoneId, ...assumptions } = plainly(form)
  const plain = plainly(rules.value)
  found.value = await withProgress(
    told => {
      progress.value = told
    },
    tell => worker.ask(api => api.compare(zoneId, plain, assumptions, tell)),
  )
  compared.value = 'yes'
}
const winners = computed(() =>
  found.value ? { withIndex: best(found.value.results, true), withoutIndex: best(found.value.results, false) } : null,
)
const reading = computed(() => {
  const { value: won } = winners
  return won?.withIndex && won.withoutIndex
    ? waysWords.reading(
        nameOf(won.withIndex.rule),
        won.withIndex.minutesWithIndex,
        nameOf(won.withoutIndex.rule),
        won.withoutIndex.minutesWithoutIndex,
      )
    : ''
})
const deciding = computed(() => {
  const { value: all } = found
  if (!all || !winners.value) return []
  const at = (result: RuleResult | null): number => (result ? all.results.indexOf(result) : -1)
  const [indexed, bare] = [at(winners.value.withIndex), at(winners.value.withoutIndex)]
  return all.decisions.flatMap(({ change, withIndex, withoutIndex }) => [
    ...(withIndex === indexed
      ? []
      : [waysWords.decided(waysWords.change[change], nameOf((all.results[withIndex] as RuleResult).rule), true)]),
    ...(withoutIndex === bare
      ? []
      : [waysWords.decided(waysWords.change[change], nameOf((all.results[withoutIndex] as RuleResult).rule), false)]),
  ])
})
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <StoreroomNav :title="waysWords.title" :lead="waysWords.lead" />
    <p v-if="zones.length === 0" class="py-8">{{ waysWords.empty }}</p>
    <form v-else class="mt-4 grid gap-4 sm:grid-cols-2" novalidate @submit.prevent="compare">
      <KField :label="waysWords.zone" for="ways-zone">
        <select id="ways-zone" v-model="form.zoneId" class="field">
          <option v-for="each in zones" :key="each.id" :value="each.id">{{ each.name }}</option>
        </select>
      </KField>
      <fieldset>
        <legend class="label">{{ waysWords.habits }}</legend>
        <div class="flex flex-wrap gap-2">
          <button
            v-for="(habits, preset) in PRESETS"
            :key="preset"
            type="button"
            class="button"
            :aria-pressed="KNOWN.every(known => form.habits[known] === habits[known])"
            :class="KNOWN.every(known => form.habits[known] === habits[known]) ? 'border-strong! bg-wash' : ''"
            @click="form.habits = { ...habits }"
          >
            {{ waysWords.presets[preset] }}
          </button>
        </div>
      </fieldset>
      <details class="sm:col-span-2">
        <summary class="min-h-11 content-center font-semibold">{{ waysWords.decides }}</summary>
        <div class="grid grid-cols-2 gap-3 sm:grid-cols-4">
          <KNumber
            v-for="known in KNOWN"
            :id="`habit-${known}`"
            :key="known"
            v-model="form.habits[known]"
            :label="waysWords.habit[known]"
            :min="0"
            :max="20"
          />
          <KNumber id="ways-finds" v-model="form.findsPerYear" :label="waysWords.finds" :min="0" :max="100000" />
          <KNumber id="ways-new" v-model="form.newPerYear" :label="waysWords.arrivals" :min="0" :max="100000" />
          <KNumber id="ways-open" v-model="form.secondsToOpen" :label="waysWords.open" :min="0" :max="600" :step="0.5" />
          <KNumber id="ways-flip" v-model="form.secondsToFlip" :label="waysWords.flip" :min="0" :max="600" :step="0.1" />
          <KNumber id="ways-move" v-model="form.secondsToMove" :label="waysWords.move" :min="0" :max="600" :step="0.5" />
        </div>
        <p class="hint mt-2">{{ waysWords.assumed }}</p>
      </details>
      <div class="sm:col-span-2">
        <KProgress v-if="progress" :text="waysWords.comparing" :done="progress.done" :total="progress.total" @cancel="worker.cancel()" />
        <button v-else type="submit" class="button-main">
          <Scale :size="18" aria-hidden="true" />
          {{ waysWords.compare }}
        </button>
      </div>
    </form>
    <section v-if="found" class="mt-6 border-t-2 border-ridge-5 pt-4" :aria-label="waysWords.chart" data-ways>
      <p class="mb-4 text-[1.1rem] font-semibold" data-reading>{{ reading }}</p>
      <WaysChart
        :rows="
          found.results.map(result => ({
            name: nameOf(result.rule),
            withIndex: result.minutesWithIndex,
            withoutIndex: result.minutesWithoutIndex,
          }))
        "
      />
      <h2 class="mt-4 text-[1.1rem]">{{ waysWords.decides }}</h2>
      <p v-if="deciding.length === 0">{{ waysWords.holds }}</p>
      <ul class="list-disc pl-5">
        <li v-for="line in deciding" :key="line">{{ line }}</li>
      </ul>
      <div class="mt-4 overflow-x-auto">
        <table class="w-full min-w-[48rem] text-[0.94rem] figures">
          <thead>
            <tr class="text-left align-bottom text-[0.85rem] text-quiet">
              <th v-for="(text, column) in waysWords.table" :key="column" class="py-1 pr-3 font-semibold" scope="col">{{ text }}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            <tr v-for="result in found.results" :key="nameOf(result.rule)" class="border-t border-line">
              <th class="py-2 pr-3 text-left font-semibold" scope="row">{{ nameOf(result.rule) }}</th>
              <td>{{ waysWords.find(result.withoutIndex.opened, result.withoutIndex.flipped) }}</td>
              <td>{{ waysWords.find(result.withIndex.opened, result.withIndex.flipped) }}</td>
              <td>{{ waysWords.of(result.smallGroups, result.groups) }}</td>
              <td>{{ waysWords.of(result.splitGroups, result.groups) }}</td>
              <td>{{ result.belongTwice }}</td>
              <td>{{ result.movesNow }}</td>
              <td>{{ result.movesPerHundred }}</td>
              <td>{{ result.lanesNeeded }}</td>
              <td>
                <NuxtLink
                  :to="{ path: '/storeroom/refile', query: { zone: form.zoneId, by: writeRule(result.rule) } }"
                  class="inline-flex min-h-11 items-center gap-1 underline"
                >
                  <Shuffle :size="16" aria-hidden="true" />
                  {{ waysWords.refile }}
                </NuxtLink>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
  </div>
</template>
