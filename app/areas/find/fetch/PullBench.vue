<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { Check, ChevronLeft, ChevronRight, Hand, Printer, RotateCcw } from 'lucide-vue-next'
import { computed, shallowRef } from 'vue'
import { NuxtLink } from '#components'
import { placeIdsOf, type Stop, type StopSet, walkFor } from '#core/fetching'
import SlipBeside from '~/subjects/set/SlipBeside.vue'
import { useSlip } from '~/subjects/set/useSlip'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import KCombo from '~/kit/KCombo.vue'
import { useNotices } from '~/kit/useNotices'
import PullLines from './PullLines.vue'
import PullPaper from './PullPaper.vue'
import StopCard from './StopCard.vue'
import ScanButton from '~/subjects/scan/ScanButton.vue'
import { useScanAnswer } from '~/subjects/scan/useScan'
import { useFetch } from '~/subjects/walk/useFetch'
import { usePinnedStops, useWalk } from '~/subjects/walk/useWalk'
import { fetchWords } from '~/subjects/walk/words'

/** The pull list at hand as one walk: its stops from top to bottom, or on a phone one at a time. */
const [catalogue, fetch, notices, slip] = [useCatalogue(), useFetch(), useNotices(), useSlip()]
const { numberAndName } = useDescribe()
fetch.readPlaces()
const isPhone = useMediaQuery('(max-width: 639px)')
const isBusy = shallowRef(false)
const { facts } = useWalk()
const walk = computed(() => walkFor(fetch.list?.lines ?? [], facts.value))
const stops = computed(() => walk.value.stops)
usePinnedStops(() => stops.value.map(({ row }) => row.container.id))
const sets = computed(() => stops.value.reduce((sum, stop) => sum + stop.sets.length, 0))
const nowhere = computed(() => walk.value.nowhereIds.flatMap(id => catalogue.tables?.holdings.get(id) ?? []))
const isDone = computed(() => fetch.lines.length > 0 && fetch.toFetch === 0)
const fetchedOut = computed(() => fetch.lines.filter(({ state }) => state.as === 'out').length)
/** On a phone: the stop at hand, by its container; once it is done the next takes its place. */
const at = shallowRef<string | null>(null)
const index = computed(() =>
  Math.max(
    0,
    stops.value.findIndex(({ row }) => row.container.id === at.value),
  ),
)
const shown = computed(() => (isPhone.value ? stops.value.slice(index.value, index.value + 1) : stops.value))
const go = (step: 1 | -1): void => void (at.value = stops.value[index.value + step]?.row.container.id ?? null)

async function take(some: readonly Pick<StopSet, 'holdingId' | 'standing'>[]): Promise<void> {
  await tick(some.map(({ holdingId, standing }) => ({ holdingId, placeId: standing.holder.id })))
}
async function tick(taken: readonly { readonly holdingId: string; readonly placeId: string }[]): Promise<void> {
  const { list } = fetch
  if (!list || isBusy.value) return
  isBusy.value = true
  const count = await act.takeSets(list.id, [...taken], fetch.to.trim() || fetchWords.table).finally(() => (isBusy.value = false))
  const half = taken.some(({ holdingId }) => placeIdsOf(holdingId, catalogue.room).length > 1)
  if (count > 0) notices.tell(fetchWords.took(count, fetch.to.trim() || fetchWords.table))
  else notices.tell(half ? fetchWords.tookHalf : fetchWords.tookNothing)
}
const takeStop = (stop: Stop): Promise<void> => take(stop.sets)
/** A scanned label ticks its set, where it is on this walk. */
useScanAnswer(async holding => {
  const here = stops.value.flatMap(stop => stop.sets).find(({ holdingId }) => holdingId === holding.id)
  if (here) await take([here])
  return here !== undefined
})
const summary = computed(() => {
  if (fetch.lines.length === 0) return ''
  return isDone.value ? fetchWords.allFetched(fetchedOut.value) : fetchWords.stopsTitle(stops.value.length, sets.value)
})
const print = (): void => window.print()
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6 print:hidden">
    <header class="flex min-h-11 flex-wrap items-center gap-x-4 gap-y-1">
      <h1 class="text-[1.35rem] leading-tight">{{ fetchWords.title }}</h1>
      <p class="hint min-w-0 flex-1 font-semibold figures" role="status" data-walk>{{ summary }}</p>
      <label v-if="stops.length || nowhere.length" class="flex items-center gap-2">
        {{ fetchWords.where }}
        <span class="w-44"><KCombo v-model="fetch.to" :label="fetchWords.where" :options="fetch.places" /></span>
      </label>
      <NuxtLink to="/find/card" class="button px-3 max-sm:hidden">{{ fetchWords.forCard }}</NuxtLink>
      <NuxtLink v-if="fetch.out.length" to="/find/out" class="button px-3 max-sm:hidden">
        <Hand :size="18" aria-hidden="true" />
        {{ fetchWords.toBack }}
      </NuxtLink>
      <ScanButton v-if="stops.length" />
      <button
        v-if="stops.length"
        type="button"
        class="head-button max-sm:hidden"
        :aria-label="fetchWords.print"
        :title="fetchWords.print"
        @click="print"
      >
        <Printer :size="18" aria-hidden="true" />
        <span class="hidden xl:inline">{{ fetchWords.printShort }}</span>
      </button>
    </header>
    <div v-if="!fetch.list || fetch.lines.length === 0" class="mx-auto max-w-xl py-12 text-center" data-pull-empty>
      <h2 class="text-[1.4rem]">{{ fetchWords.emptyTitle }}</h2>
      <p class="mt-2 text-quiet">{{ fetchWords.empty }}</p>
      <NuxtLink to="/" class="button-main mt-5">{{ fetchWords.toFind }}</NuxtLink>
    </div>
    <div v-if="fetch.list" class="flex items-start gap-6">
      <div class="min-w-0 flex-1">
        <button v-if="isDone" type="button" class="button mt-3" @click="act.fetchAgain(fetch.list.id)">
          <RotateCcw :size="18" aria-hidden="true" />
          {{ fetchWords.again }}
        </button>
        <ol>
          <li v-for="(stop, i) in shown" :key="stop.row.container.id" class="mt-3">
            <StopCard :stop="stop" :at="(isPhone ? index : i) + 1" :of="stops.length">
              <template #act="{ set, holding }">
                <button
                  type="button"
                  class="button min-w-24 max-sm:min-h-14 max-sm:w-full"
                  :disabled="isBusy"
                  :aria-label="`${fetchWords.taken}: ${numberAndName(holding)}`"
                  data-taken
                  @click="take([set])"
                >
                  <Check :size="18" aria-hidden="true" />
                  {{ fetchWords.taken }}
                </button>
              </template>
              <button
                v-if="stop.sets.length > 1 && !isPhone"
                type="button"
                class="button-main mt-2"
                :disabled="isBusy"
                data-take-all
                @click="takeStop(stop)"
              >
                <Check :size="18" aria-hidden="true" />
                {{ fetchWords.takenAll(stop.sets.length) }}
              </button>
            </StopCard>
          </li>
        </ol>
        <!-- In reach of one thumb: what is done at this stop, and the way to the next. -->
        <div v-if="isPhone && shown[0]" class="sticky bottom-0 z-10 mt-2 grid grid-cols-[3.5rem_1fr_3.5rem] gap-2 bg-sheet py-2">
          <button type="button" class="button min-h-16 px-0" :disabled="index === 0" :aria-label="fetchWords.before" @click="go(-1)">
            <ChevronLeft :size="22" aria-hidden="true" />
          </button>
          <button type="button" class="button-main min-h-16" :disabled="isBusy" data-take-all @click="takeStop(shown[0])">
            <Check :size="20" aria-hidden="true" />
            {{ fetchWords.takenAll(shown[0].sets.length) }}
          </button>
          <button
            type="button"
            class="button min-h-16 px-0"
            :disabled="index + 1 >= stops.length"
            :aria-label="fetchWords.next"
            @click="go(1)"
          >
            <ChevronRight :size="22" aria-hidden="true" />
          </button>
        </div>
        <section v-if="nowhere.length" class="mt-4">
          <h2 class="text-[1.1rem]">{{ fetchWords.nowhere }}</h2>
          <p class="hint">{{ fetchWords.nowhereThen }}</p>
          <ul>
            <li v-for="holding in nowhere" :key="holding.id" class="flex min-h-11 items-center justify-between gap-3 border-b border-line">
              <button type="button" class="min-h-11 text-left underline" @click="slip.open(holding.id)">
                {{ numberAndName(holding) }}
              </button>
              <button type="button" class="button" @click="tick([{ holdingId: holding.id, placeId: holding.id }])">
                <Check :size="18" aria-hidden="true" />
                {{ fetchWords.found }}
              </button>
            </li>
          </ul>
        </section>
        <template v-if="isPhone">
          <PullLines class="mt-6" @open="slip.open" />
          <NuxtLink to="/find/card" class="button mt-4 w-full">{{ fetchWords.forCard }}</NuxtLink>
        </template>
        <NuxtLink v-if="isDone" to="/find/out" class="button-main mt-4">{{ fetchWords.toBack }}</NuxtLink>
      </div>
      <PullLines v-if="!isPhone && slip.opened.value === null" class="mt-2 w-80 shrink-0" @open="slip.open" />
      <SlipBeside />
    </div>
  </div>
  <PullPaper v-if="fetch.list" :name="fetch.nameOf(fetch.list)" :stops="stops" />
</template>
