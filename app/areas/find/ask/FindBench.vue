<script setup lang="ts">
import { useDebounceFn, useMediaQuery } from '@vueuse/core'
import { ListChecks } from 'lucide-vue-next'
import { useKept } from '~/kit/useKept'
import { computed, shallowRef, watch } from 'vue'
import { NuxtLink } from '#components'
import type { Holding } from '#core/catalog'
import ManyDialog from '~/areas/find/many/ManyDialog.vue'
import { manyWords } from '~/areas/find/many/words'
import ScaleSlider from '~/areas/find/mat/ScaleSlider.vue'
import SetMat from '~/areas/find/mat/SetMat.vue'
import SlipBeside from '~/areas/find/slip/SlipBeside.vue'
import { useSlip } from '~/areas/find/slip/useSlip'
import { findWords } from '~/areas/find/words'
import { shellWords } from '~/shell/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useFind } from './useFind'

/** Find: what answers the ask lies on the mat; nothing asked, and everything lies there, by number. */
const catalogue = useCatalogue()
const find = useFind()
const isPhone = useMediaQuery('(max-width: 639px)')
/** Pixels to a millimetre, to begin with: on a phone two sets stand side by side. */
const scale = useKept('mat-scale', isPhone.value ? 0.55 : 1.15)
const slip = useSlip()
/** The sets of the answer are being changed together; an answer that changes meanwhile changes nothing of it. */
const isChanging = shallowRef(false)
const changed = shallowRef<readonly string[]>([])
function changeThese(): void {
  changed.value = find.answer?.ids ?? []
  isChanging.value = true
}

const everything = computed((): readonly Holding[] =>
  [...(catalogue.tables?.holdings.values() ?? [])].sort((a, b) => a.number - b.number || (a.id < b.id ? -1 : 1)),
)
/** What fills the first screens is laid at once; the rest of a long answer as soon as typing rests. */
const FIRST = 300
const REST_AFTER_MS = 200
const isWhole = shallowRef(false)
const layRest = useDebounceFn(() => {
  isWhole.value = true
}, REST_AFTER_MS)
watch(
  () => find.answer,
  () => {
    isWhole.value = false
    void layRest()
  },
  { immediate: true },
)
const firstOf = <T,>(all: readonly T[]): readonly T[] => (isWhole.value || all.length <= FIRST ? all : all.slice(0, FIRST))
const count = computed(() => (find.answer ? find.answer.ids.length : everything.value.length))
const holdings = computed((): readonly Holding[] => {
  const all = catalogue.tables?.holdings
  return find.answer ? firstOf(find.answer.ids).flatMap(id => all?.get(id) ?? []) : firstOf(everything.value)
})
const reasons = computed(
  () =>
    new Map(
      find.answer?.because.map((because, index) => [
        find.answer?.ids[index] ?? '',
        because[0] ? findWords.because(because[0].field, because[0].word) : '',
      ]),
    ),
)
/** Asked before the index has read the room: its answer comes in a moment, and not after everything else. */
const isReading = computed(() => find.ask.trim() !== '' && !find.isReady)
const headline = computed(() => {
  const answer = find.answer
  if (!answer) return findWords.all(count.value)
  return count.value === 0 ? findWords.none(answer.ask) : findWords.hits(count.value, find.isPinned ? find.pins.size : 0)
})
const note = computed(() => {
  const answer = find.answer
  if (!answer) return ''
  const absent = answer.absent.length > 0 ? findWords.absent(answer.absent) : ''
  const mode = answer.mode === 'some' ? findWords.some : answer.mode === 'near' ? findWords.near : ''
  return [absent, mode, answer.mode === 'none' ? findWords.noneHint : ''].filter(Boolean).join(' ')
})

function focusSet(id: string): void {
  const index = holdings.value.findIndex(holding => holding.id === id)
  requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-index="${index}"]`)?.focus())
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
        <p v-if="isReading" class="py-16 text-center text-quiet" role="status">{{ shellWords.loading }}</p>
        <div v-else class="mb-1 flex flex-wrap items-center justify-between gap-x-6 gap-y-1">
          <div aria-live="polite">
            <h2 class="text-[1.25rem] figures" data-headline :data-ask="find.answered">{{ headline }}</h2>
            <p v-if="note" class="text-quiet">{{ note }}</p>
          </div>
          <div class="flex items-center gap-x-4">
            <button
              v-if="find.answer && count > 0"
              type="button"
              class="head-button"
              :aria-label="manyWords.button"
              :title="manyWords.button"
              data-many
              @click="changeThese"
            >
              <ListChecks :size="18" aria-hidden="true" />
              <span class="hidden sm:inline">{{ manyWords.button }}</span>
            </button>
            <ScaleSlider v-model="scale" />
          </div>
        </div>
        <SetMat
          v-if="holdings.length && !isReading"
          :holdings="holdings"
          :px-per-mm="scale"
          :reasons="reasons"
          @open="slip.open($event.id)"
        />
      </div>
      <ManyDialog :open="isChanging" :ids="changed" @close="isChanging = false" />
      <SlipBeside @closed="focusSet" />
    </div>
  </div>
</template>
