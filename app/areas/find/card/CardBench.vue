<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import { ClipboardList, Plus, RotateCcw, X } from 'lucide-vue-next'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import FindWays from '~/areas/find/ask/FindWays.vue'
import { useFetch } from '~/subjects/walk/useFetch'
import { usePinnedStops } from '~/subjects/walk/useWalk'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import SetPicture from '~/subjects/set/SetPicture.vue'
import KPageHead from '~/kit/KPageHead.vue'
import KTicket from '~/kit/KTicket.vue'
import KTyped from '~/kit/KTyped.vue'
import { MOST_NEEDS, type Need, useCard } from './useCard'
import { cardWords } from './words'

/** For one card: what it needs, a line each; of all that would serve, the choice that opens the fewest containers. */
const [catalogue, fetch, router] = [useCatalogue(), useFetch(), useRouter()]
const { addressOf, codeOf, numberAndName } = useDescribe()
const { form, typed, servedFor, choice, chosenIds, isWorking } = useCard()
usePinnedStops(() => choice.value?.containerIds ?? [])
const holding = (id: string) => catalogue.tables?.holdings.get(id)

interface Line {
  readonly need: Need
  readonly at: number
  readonly told: string
  readonly sets: readonly { readonly id: string; readonly where: string; readonly isChosen: boolean }[]
}
const lines = computed((): readonly Line[] =>
  form.needs.map((need, at) => {
    const served = servedFor(need)
    const chosen = choice.value?.chosen[at] ?? null
    const ids = [...new Set([...(need.pinnedId ? [need.pinnedId] : []), ...(served?.ids ?? [])])]
    return { need, at, told: toldOf(need), sets: ids.map(id => ({ id, where: whereIs(id), isChosen: id === chosen })) }
  }),
)
function toldOf(need: Need): string {
  if (need.text.trim() === '') return at0(need) ? cardWords.typeFirst : ''
  const served = servedFor(need)
  if (!served) return ''
  if (served.mode === 'none') return cardWords.none
  const how = served.mode === 'some' || served.mode === 'near' ? cardWords[served.mode] : ''
  return [served.all > served.ids.length ? cardWords.more(served.ids.length, served.all) : cardWords.serves(served.all), how]
    .filter(Boolean)
    .join(' ')
}
const at0 = (need: Need): boolean => form.needs[0] === need
function whereIs(id: string): string {
  const [loan, own] = [catalogue.loanOf.get(id), holding(id)]
  if (loan) return loan.to === fetch.to ? cardWords.atHand : cardWords.away(loan.to)
  return own ? (addressOf(own) ?? cardWords.noPlace) : ''
}
const isImperial = computed(() => catalogue.settings.unit === 'in')
const result = computed(() => {
  const { containerIds = [], walkMm = 0 } = choice.value ?? {}
  return cardWords.result(containerIds.length, isImperial.value ? cardWords.feet(walkMm) : cardWords.metres(walkMm))
})
const stops = computed(() => (choice.value?.containerIds ?? []).flatMap(id => catalogue.tables?.containers.get(id)?.name ?? []))
const add = (): void => void form.needs.push({ text: '', pinnedId: '' })
async function pull(): Promise<void> {
  if (await fetch.pull(chosenIds.value, null)) void router.push('/find/pull')
}
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="cardWords.title" :lead="cardWords.lead">
      <FindWays class="max-sm:hidden" />
    </KPageHead>
    <KTyped :is-back="typed.isBack.value" @afresh="typed.beginAfresh" />
    <ol>
      <li v-for="line in lines" :key="line.at" class="border-b border-line py-2" :data-need="line.at + 1">
        <div class="flex flex-wrap items-center gap-3">
          <input
            v-model="line.need.text"
            class="field w-full sm:w-80"
            maxlength="200"
            autocomplete="off"
            :aria-label="cardWords.need(line.at + 1)"
            :placeholder="cardWords.examples[line.at % cardWords.examples.length]"
            @input="line.need.pinnedId = ''"
          />
          <p class="hint min-w-0 flex-1 figures" role="status">{{ line.told }}</p>
          <button v-if="line.need.pinnedId" type="button" class="head-button" @click="line.need.pinnedId = ''">
            <RotateCcw :size="16" aria-hidden="true" />
            {{ cardWords.letChoose }}
          </button>
          <KIcon class="text-quiet" :icon="X" :label="cardWords.remove(line.at + 1)" @click="form.needs.splice(line.at, 1)" />
        </div>
        <ul v-if="line.sets.length" class="mt-2 flex gap-2 overflow-x-auto pb-1" tabindex="-1">
          <li v-for="set in line.sets" :key="set.id" class="shrink-0" :class="{ 'order-first': set.isChosen }">
            <button
              type="button"
              class="block w-36 border p-2 text-left"
              :class="
                set.isChosen ? 'border-ember bg-wash outline-2 -outline-offset-2 outline-ember' : 'border-line bg-sheet hover:bg-wash'
              "
              :aria-pressed="set.isChosen"
              :aria-label="`${cardWords.choose(numberAndName(holding(set.id)!))}, ${set.where}`"
              :data-candidate="set.id"
              @click="line.need.pinnedId = set.id"
            >
              <span class="block h-16" aria-hidden="true"><SetPicture :hash="holding(set.id)?.pictureHash ?? null" /></span>
              <span class="mt-1 flex items-baseline gap-2 overflow-hidden whitespace-nowrap">
                <KTicket :code="codeOf(holding(set.id)!)" size="small" />
                <span class="hint truncate figures">{{ set.where }}</span>
              </span>
              <span class="block truncate text-[0.88rem] font-semibold">{{ holding(set.id)?.name }}</span>
              <span class="hint block h-5 leading-tight text-ember">
                {{ set.isChosen ? (line.need.pinnedId === set.id ? cardWords.yours : cardWords.chosen) : '' }}
              </span>
            </button>
          </li>
        </ul>
      </li>
    </ol>
    <button v-if="form.needs.length < MOST_NEEDS" type="button" class="button mt-2" @click="add">
      <Plus :size="18" aria-hidden="true" />
      {{ cardWords.add }}
    </button>
    <div v-if="chosenIds.length" class="action-row mt-2 justify-between!">
      <div class="min-w-0 flex-1" role="status" data-card-result>
        <p class="font-semibold figures">{{ isWorking ? cardWords.working : result }}</p>
        <p class="hint">{{ stops.join(', ') }}</p>
        <p v-if="choice && !choice.isBest" class="text-ochre">{{ cardWords.notBest }}</p>
      </div>
      <button type="button" class="button-main" :disabled="isWorking" data-card-pull @click="pull">
        <ClipboardList :size="18" aria-hidden="true" />
        {{ cardWords.pull }}
      </button>
    </div>
  </div>
</template>
