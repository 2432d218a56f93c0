<script setup lang="ts">
import { useDebounceFn, useMediaQuery } from '@vueuse/core'
import { useKept } from '~/kit/useKept'
import { computed, defineAsyncComponent, shallowRef, watch } from 'vue'
import { NuxtLink } from '#components'
import type { Holding } from '#core/catalog'
import SetMat from '~/areas/find/mat/SetMat.vue'
import { useFetch } from '~/subjects/walk/useFetch'
import SlipBeside from '~/subjects/set/SlipBeside.vue'
import { useSlip } from '~/subjects/set/useSlip'
import { findWords } from '~/areas/find/words'
import { kitWords } from '~/kit/words'
import { useCatalogue } from '~/data/useCatalogue'
import AskParts from './AskParts.vue'
import FindTools from './FindTools.vue'
import FindWays from './FindWays.vue'
import LinkedBand from './LinkedBand.vue'
import NearestBand from './NearestBand.vue'
import ShelfBand from './ShelfBand.vue'
import { useCollection } from '~/subjects/ask/useCollection'
import { useFind } from '~/subjects/ask/useFind'
import { useNarrowing } from '~/subjects/ask/useNarrowing'
import { usePins } from '~/subjects/ask/usePins'

// What is not there at first is loaded when it is wanted.
const LinksDialog = defineAsyncComponent(() => import('~/areas/find/links/LinksDialog.vue'))
const ManyDialog = defineAsyncComponent(() => import('~/areas/find/many/ManyDialog.vue'))
const PullTray = defineAsyncComponent(() => import('~/areas/find/fetch/PullTray.vue'))
const PartingStrip = defineAsyncComponent(() => import('~/areas/find/narrow/PartingStrip.vue'))

/** Find: what answers the ask lies on the mat; nothing asked, and everything lies there, by number. */
const catalogue = useCatalogue()
const collection = useCollection()
const find = useFind()
const narrowing = useNarrowing()
const pins = usePins()
const fetch = useFetch()
const isPhone = useMediaQuery('(max-width: 639px)')
/** Pixels to a millimetre, to begin with: on a phone two sets stand side by side. */
const scale = useKept('mat-scale', isPhone.value ? 0.55 : 1.15)
const slip = useSlip()
/** How an answer parts: shown when somebody wants it, from then on with every answer; not beside an open slip, where room is short. */
const partsAnswers = useKept('find-parts', false)
const partsAll = shallowRef(false)
const isParted = computed(() => slip.opened.value === null && (narrowing.isAsked ? partsAnswers.value : partsAll.value))
function swingParting(): void {
  if (narrowing.isAsked) partsAnswers.value = !partsAnswers.value
  else partsAll.value = !partsAll.value
}
/** The sets of the answer are being changed together; an answer that changes meanwhile changes nothing of it. */
const isChanging = shallowRef(false)
const isLinking = shallowRef(false)
const changed = shallowRef<readonly string[]>([])
function changeThese(): void {
  changed.value = pins.hitIds
  isChanging.value = true
}

/** What fills the first screens is laid at once; the rest of a long answer as soon as typing rests. */
const FIRST = 300
const REST_AFTER_MS = 200
const isWhole = shallowRef(false)
const layRest = useDebounceFn(() => {
  isWhole.value = true
}, REST_AFTER_MS)
watch(
  () => narrowing.ids,
  () => {
    isWhole.value = false
    void layRest()
  },
  { immediate: true },
)
const firstOf = <T>(all: readonly T[]): readonly T[] => (isWhole.value || all.length <= FIRST ? all : all.slice(0, FIRST))
const count = computed(() => (narrowing.ids ? narrowing.ids.length : collection.everything.length))
const holdings = computed((): readonly Holding[] => {
  const all = catalogue.tables?.holdings
  return narrowing.ids ? firstOf(narrowing.ids).flatMap(id => all?.get(id) ?? []) : firstOf(collection.everything)
})
const reasons = computed(() => {
  const words = find.answer?.words
  return new Map(
    words?.because.map((because, index) => [
      words.ids[index] ?? '',
      because[0] ? findWords.because(because[0].field, because[0].word) : '',
    ]),
  )
})
/** Asked before the index has read the room: its answer comes in a moment, and not after everything else. */
const isReading = computed(() => find.ask.trim() !== '' && !find.isReady)
/** What is named on a shelf is the answer; the same as words is shown below it where every word is met. */
const isShelf = computed(() => find.shelf.length > 0)
const named = computed(() => new Set(find.shelf.flatMap(each => ('ids' in each ? each.ids : []))))
const isSame = computed(() => isShelf.value && count.value > 0 && (narrowing.ids ?? []).every(id => named.value.has(id)))
const hasWords = computed(
  () => !isShelf.value || (count.value > 0 && !isSame.value && find.answer !== null && (find.answer.words?.mode ?? 'all') === 'all'),
)
const headline = computed(() => {
  if (narrowing.isNarrowed) return findWords.narrowedTo(count.value, narrowing.total)
  const answer = find.answer
  if (!answer) return findWords.all(count.value)
  if (isShelf.value) return findWords.wordsBelow(count.value)
  return count.value === 0 ? findWords.none(find.answered.trim()) : findWords.hits(count.value, pins.isPinned ? pins.byContainer.size : 0)
})
const note = computed(() => {
  const answer = find.answer
  if (!answer) return ''
  const { mode = 'all', absent = [] } = answer.words ?? {}
  // Why an ask of several parts has no answer is told part by part.
  const missing = absent.length > 0 && !find.absence ? findWords.absent(absent) : ''
  const how = mode === 'some' || mode === 'near' ? findWords[mode] : ''
  const hint = mode === 'none' && !find.absence && find.linked.length === 0 ? findWords.noneHint : ''
  return [missing, how, hint, answer.unsaid > 0 ? findWords.unsaid(answer.unsaid) : ''].filter(Boolean).join(' ')
})
const isNarrowedAway = computed(() => narrowing.isNarrowed && count.value === 0 && narrowing.total > 0)

function focusSet(id: string): void {
  requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-set="${id}"]`)?.focus())
}
</script>

<template>
  <div class="px-2 pt-1 pb-3 sm:px-5 sm:pb-5">
    <h1 class="sr-only">{{ findWords.title }}</h1>
    <div v-if="catalogue.tables?.holdings.size === 0" class="mx-auto max-w-xl py-16 text-center">
      <h2 class="text-[1.5rem]">{{ findWords.emptyTitle }}</h2>
      <p class="mt-2 text-quiet">{{ findWords.empty }}</p>
      <NuxtLink to="/take-in" class="button-main mt-6">{{ findWords.emptyButton }}</NuxtLink>
    </div>
    <div v-else class="flex items-start gap-4">
      <div class="min-w-0 flex-1">
        <p v-if="isReading" class="py-16 text-center text-quiet" role="status">{{ kitWords.loading }}</p>
        <template v-else>
          <ShelfBand :px-per-mm="scale" @open="slip.open($event)">
            <FindTools v-model:scale="scale" :is-parted="isParted" @part="swingParting" @change="changeThese" />
          </ShelfBand>
          <div class="mb-1 flex flex-wrap items-start justify-between gap-x-6 gap-y-1">
            <div class="min-w-0 flex-1 basis-72" aria-live="polite">
              <div class="flex items-center gap-x-6 sm:flex-wrap">
                <h2
                  class="shrink-0 figures sm:shrink"
                  :class="hasWords ? 'text-[1.25rem]' : 'hint'"
                  data-headline
                  :data-ask="find.answered"
                >
                  {{ hasWords ? headline : isSame ? findWords.sameWords : findWords.noWords }}
                </h2>
                <FindWays v-if="!narrowing.isAsked && !slip.opened.value" class="max-sm:min-w-0 max-sm:flex-1" />
              </div>
              <p v-if="note && hasWords" class="text-quiet">{{ note }}</p>
              <NearestBand v-if="hasWords" />
              <p v-if="isNarrowedAway" class="mt-1">
                {{ findWords.narrowedAway }}
                <button type="button" class="min-h-11 underline" @click="narrowing.widen">{{ findWords.widen }}</button>
              </p>
              <AskParts />
            </div>
            <FindTools v-if="!isShelf" v-model:scale="scale" :is-parted="isParted" @part="swingParting" @change="changeThese" />
          </div>
          <PartingStrip v-if="isParted && hasWords && narrowing.total > 1" @links="isLinking = true" />
          <SetMat
            v-if="holdings.length && hasWords"
            :holdings="holdings"
            :px-per-mm="scale"
            :reasons="reasons"
            @open="slip.open($event.id)"
          />
          <LinkedBand v-if="find.answer" :px-per-mm="scale" @open="slip.open($event)" @links="isLinking = true" />
        </template>
      </div>
      <LinksDialog v-if="isLinking" open @close="isLinking = false" />
      <ManyDialog v-if="isChanging" open :ids="changed" @close="isChanging = false" />
      <PullTray v-if="fetch.carriedId" />
      <SlipBeside @closed="focusSet" />
    </div>
  </div>
</template>
