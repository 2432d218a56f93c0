<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import { Shuffle, Undo2 } from 'lucide-vue-next'
import { computed, reactive, shallowRef } from 'vue'
import { NuxtLink } from '#components'
import type { Holding } from '#core/catalog'
import { type StopSet, walkBack } from '#core/fetching'
import StopCard from '~/areas/find/fetch/StopCard.vue'
import { useFetch } from '~/subjects/walk/useFetch'
import { usePinnedStops, useWalk } from '~/subjects/walk/useWalk'
import ScanButton from '~/subjects/scan/ScanButton.vue'
import { useScanAnswer } from '~/subjects/scan/useScan'
import SlipBeside from '~/subjects/set/SlipBeside.vue'
import { useSlip } from '~/subjects/set/useSlip'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import KDialog from '~/kit/KDialog.vue'
import { useChosen } from '~/kit/useChosen'
import { useNotices } from '~/kit/useNotices'
import ElsewhereDialog from './ElsewhereDialog.vue'
import PiecesCount from './PiecesCount.vue'
import SlotField from './SlotField.vue'
import { awayWords } from './words'

/** What is out, as one walk back: each set with its address, its neighbours and how far behind the tab. */
const [catalogue, fetch, notices, slip] = [useCatalogue(), useFetch(), useNotices(), useSlip()]
const { numberAndName } = useDescribe()
const isBusy = shallowRef(false)
/** Only what is at one place. */
const place = useChosen('where')
const counts = computed(() => {
  const found = new Map<string, number>()
  for (const { to } of fetch.out) found.set(to, (found.get(to) ?? 0) + 1)
  return [...found].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
})
const wanted = computed(() => fetch.out.filter(({ to }) => place.value === null || to === place.value))
const { facts } = useWalk()
const walk = computed(() =>
  walkBack(
    wanted.value.map(({ holdingId }) => holdingId),
    facts.value,
  ),
)
usePinnedStops(() => walk.value.stops.map(({ row }) => row.container.id))
const nowhere = computed(() => walk.value.nowhereIds.flatMap(id => catalogue.tables?.holdings.get(id) ?? []))
/** Whether a set goes into the log of use: as it was fetched for, unless somebody says otherwise. */
const said = reactive<Record<string, boolean>>({})
const wasUsed = (id: string): boolean => said[id] ?? catalogue.loanOf.get(id)?.isForUse ?? false
const loanText = (id: string): string => {
  const loan = catalogue.loanOf.get(id)
  return loan ? awayWords.out(loan.to, loan.outAt) : ''
}

/** Stamps of which nobody has said in this walk that they are clean. */
const cleaned = reactive(new Set<string>())
const asked = shallowRef<readonly string[]>([])
const isInky = (id: string): boolean => {
  const { kindId = null } = catalogue.tables?.holdings.get(id) ?? {}
  return catalogue.authority.kinds.get(kindId ?? '')?.family === 'stamp'
}
const inky = computed(() => asked.value.filter(isInky).length)
async function putBack(ids: readonly string[]): Promise<void> {
  if (ids.some(id => isInky(id) && wasUsed(id) && !cleaned.has(id))) return void (asked.value = ids)
  await bring(ids)
}
async function clean(): Promise<void> {
  const ids = asked.value
  asked.value = []
  for (const id of ids) cleaned.add(id)
  await bring(ids)
}
async function bring(ids: readonly string[]): Promise<void> {
  if (isBusy.value) return
  isBusy.value = true
  const hasPlace = ids.every(id => catalogue.room.placements.has(id))
  const outcome = await act
    .bringBack(ids.map(holdingId => ({ holdingId, wasUsed: wasUsed(holdingId) })))
    .finally(() => (isBusy.value = false))
  if (!outcome.ok) notices.tell(awayWords.problem[outcome.code], 'care')
  else notices.tell(hasPlace ? awayWords.back(outcome.back) : awayWords.backNoPlace)
}
/** A scanned label is put back, where it is out. */
useScanAnswer(async holding => {
  if (!catalogue.loanOf.has(holding.id)) return false
  await putBack([holding.id])
  return true
})
const idsOf = (sets: readonly StopSet[]): readonly string[] => [...new Set(sets.map(({ holdingId }) => holdingId))]
const elsewhere = shallowRef<Holding | null>(null)
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <header class="flex min-h-11 flex-wrap items-center gap-x-4 gap-y-1">
      <h1 class="text-[1.35rem] leading-tight">{{ awayWords.title }}</h1>
      <p v-if="fetch.out.length" class="hint min-w-0 flex-1 font-semibold figures" role="status" data-walk>
        {{ awayWords.walk(walk.stops.length, wanted.length) }}
      </p>
      <ScanButton v-if="fetch.out.length" />
      <NuxtLink to="/find/pull" class="button px-3 max-sm:hidden">{{ awayWords.toPull }}</NuxtLink>
    </header>
    <div v-if="fetch.out.length === 0" class="mx-auto max-w-xl py-12 text-center" data-out-empty>
      <h2 class="text-[1.4rem]">{{ awayWords.emptyTitle }}</h2>
      <p class="mt-2 text-quiet">{{ awayWords.empty }}</p>
    </div>
    <div v-else class="flex items-start gap-6">
      <div class="min-w-0 flex-1">
        <div v-if="counts.length > 1" class="mt-1 flex gap-2 overflow-x-auto whitespace-nowrap" role="group" :aria-label="awayWords.filter">
          <button
            type="button"
            class="button px-3 figures"
            :aria-pressed="place === null"
            :class="{ 'bg-wash': place === null }"
            @click="place = null"
          >
            {{ awayWords.all(fetch.out.length) }}
          </button>
          <button
            v-for="[name, count] in counts"
            :key="name"
            type="button"
            class="button px-3 figures"
            :aria-pressed="place === name"
            :class="{ 'bg-wash': place === name }"
            @click="place = place === name ? null : name"
          >
            {{ awayWords.place(name, count) }}
          </button>
        </div>
        <ol>
          <li v-for="(stop, at) in walk.stops" :key="stop.row.container.id" class="mt-3">
            <StopCard :stop="stop" :at="at + 1" :of="walk.stops.length">
              <template #more="{ set, holding }">
                <p class="hint text-ochre figures">{{ loanText(holding.id) }}</p>
                <label class="flex min-h-11 w-fit items-center gap-2" :title="awayWords.wasUsedHint">
                  <input
                    type="checkbox"
                    class="size-5"
                    :checked="wasUsed(holding.id)"
                    @change="said[holding.id] = ($event.target as HTMLInputElement).checked"
                  />
                  {{ awayWords.wasUsed }}
                </label>
                <SlotField v-if="set.count" :row="stop.row" :standing="set.standing" />
                <PiecesCount v-if="holding.pieces.length" :holding="holding" />
              </template>
              <template #act="{ holding }">
                <span class="flex flex-col gap-1">
                  <button
                    type="button"
                    class="button"
                    :disabled="isBusy"
                    :aria-label="`${awayWords.putBack}: ${numberAndName(holding)}`"
                    data-put-back
                    @click="putBack([holding.id])"
                  >
                    <Undo2 :size="18" aria-hidden="true" />
                    {{ awayWords.putBack }}
                  </button>
                  <KIcon
                    class="text-quiet"
                    :icon="Shuffle"
                    :label="`${awayWords.elsewhere}: ${numberAndName(holding)}`"
                    data-elsewhere
                    @click="elsewhere = holding"
                  />
                </span>
              </template>
              <button
                v-if="stop.sets.length > 1"
                type="button"
                class="button-main mt-2"
                :disabled="isBusy"
                data-put-all-back
                @click="putBack(idsOf(stop.sets))"
              >
                <Undo2 :size="18" aria-hidden="true" />
                {{ awayWords.putAllBack(idsOf(stop.sets).length) }}
              </button>
            </StopCard>
          </li>
        </ol>
        <section v-if="nowhere.length" class="mt-4">
          <h2 class="text-[1.1rem]">{{ awayWords.nowhere }}</h2>
          <p class="hint">{{ awayWords.nowhereThen }}</p>
          <ul>
            <li
              v-for="holding in nowhere"
              :key="holding.id"
              class="flex min-h-11 flex-wrap items-center justify-between gap-3 border-b border-line py-1"
            >
              <button type="button" class="min-h-11 text-left underline" @click="slip.open(holding.id)">
                {{ numberAndName(holding) }}
              </button>
              <span class="hint text-ochre">{{ loanText(holding.id) }}</span>
              <button type="button" class="button" @click="putBack([holding.id])">{{ awayWords.putBack }}</button>
            </li>
          </ul>
        </section>
      </div>
      <SlipBeside />
    </div>
    <ElsewhereDialog :holding="elsewhere" :was-used="elsewhere !== null && wasUsed(elsewhere.id)" @close="elsewhere = null" />
    <KDialog :open="asked.length > 0" :title="awayWords.cleanTitle" @close="asked = []">
      <p class="mt-2">{{ awayWords.clean(inky) }}</p>
      <template #actions>
        <button type="button" class="button" @click="asked = []">{{ awayWords.notClean }}</button>
        <button type="button" class="button-main" data-clean @click="clean">{{ awayWords.isClean }}</button>
      </template>
    </KDialog>
  </div>
</template>
