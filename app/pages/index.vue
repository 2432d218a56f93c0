<script setup lang="ts">
import { useLocalStorage, useMediaQuery } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import { NuxtLink } from '#components'
import type { Holding } from '#core/catalog'
import ScaleSlider from '~/components/find/ScaleSlider.vue'
import SetMat from '~/components/find/SetMat.vue'
import SetSlip from '~/components/find/SetSlip.vue'
import { findWords } from '~/messages'
import { useCatalogue } from '~/stores/catalogue'
import { useFind } from '~/stores/find'

/** Find: what answers the ask lies on the mat; nothing asked, and everything lies there, by number. */
const catalogue = useCatalogue()
const find = useFind()
const scale = useLocalStorage('mat-scale', 1.15)
const isPhone = useMediaQuery('(max-width: 639px)')
const openId = shallowRef<string | null>(null)

const holdings = computed((): readonly Holding[] => {
  const all = catalogue.tables?.holdings
  if (!all) return []
  if (!find.answer) return [...all.values()].sort((a, b) => a.number - b.number || (a.id < b.id ? -1 : 1))
  return find.answer.ids.flatMap(id => all.get(id) ?? [])
})
const reasons = computed(() => new Map(find.answer?.because.map((because, index) =>
  [find.answer?.ids[index] ?? '', because[0] ? findWords.because(because[0].field, because[0].word) : ''])))
const opened = computed(() => openId.value ? catalogue.tables?.holdings.get(openId.value) ?? null : null)
const headline = computed(() => {
  const answer = find.answer
  if (!answer) return findWords.all(holdings.value.length)
  return holdings.value.length === 0 ? findWords.none(answer.ask) : findWords.hits(holdings.value.length, find.pins.size)
})
const note = computed(() => {
  const answer = find.answer
  if (!answer) return ''
  const absent = answer.absent.length > 0 ? findWords.absent(answer.absent) : ''
  const mode = answer.mode === 'some' ? findWords.some : answer.mode === 'near' ? findWords.near : ''
  return [absent, mode, answer.mode === 'none' ? findWords.noneHint : ''].filter(Boolean).join(' ')
})

function close(): void {
  const id = openId.value
  openId.value = null
  const index = holdings.value.findIndex(holding => holding.id === id)
  requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-index="${index}"]`)?.focus())
}
</script>

<template>
  <div class="p-3 sm:p-5">
    <h1 class="sr-only">{{ findWords.title }}</h1>
    <div v-if="catalogue.tables?.holdings.size === 0" class="mx-auto max-w-xl py-16 text-center">
      <h2 class="text-[1.5rem]">{{ findWords.emptyTitle }}</h2>
      <p class="mt-2 text-quiet">{{ findWords.empty }}</p>
      <NuxtLink to="/take-in" class="button-main mt-6">{{ findWords.emptyButton }}</NuxtLink>
    </div>
    <template v-else>
      <div class="mb-3 flex flex-wrap items-center justify-between gap-x-6 gap-y-1">
        <div aria-live="polite"><h2 class="text-[1.25rem] figures" data-headline :data-ask="find.answered">{{ headline }}</h2><p v-if="note" class="text-quiet">{{ note }}</p></div>
        <ScaleSlider v-model="scale" />
      </div>
      <div class="flex items-start gap-4">
        <SetMat v-if="holdings.length" class="min-w-0 flex-1" :holdings="holdings" :px-per-mm="scale" :reasons="reasons" @open="openId = $event.id" />
        <SetSlip v-if="opened && !isPhone" :key="opened.id" class="sticky top-0 w-[25rem] shrink-0" :holding="opened" @close="close" @open="openId = $event.id" />
      </div>
      <div v-if="opened && isPhone" class="fixed inset-0 z-30 overflow-y-auto bg-mist p-3"><SetSlip :key="opened.id" :holding="opened" @close="close" @open="openId = $event.id" /></div>
    </template>
  </div>
</template>
