<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { Search, X } from 'lucide-vue-next'
import { computed, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useFind } from '~/subjects/ask/useFind'
import { useNarrowing } from '~/subjects/ask/useNarrowing'
import { shellWords } from './words'

/** The ask, on every page. What is typed is answered on Find, and kept in the address there. */
const find = useFind()
const narrowing = useNarrowing()
const route = useRoute()
const router = useRouter()
const field = useTemplateRef<HTMLInputElement>('field')
const text = computed(() => find.ask)

/**
 * The address keeps the ask, so that a reload or a link finds the same sets. Another page that is opened meanwhile keeps its own
 * address, and a slip that is being opened is opened first.
 */
let toKeep = false
let [isUnderWay, isDue] = [false, false]
function keep(): void {
  isDue = isUnderWay
  if (isUnderWay || !toKeep) return
  const query = { ...route.query, ...narrowing.toQuery() }
  toKeep = false
  void router.replace({ query })
}
const keepInAddress = useDebounceFn(keep, 300)
router.beforeEach(to => {
  isUnderWay = true
  if (to.path !== '/') toKeep = false
})
router.afterEach(() => {
  isUnderWay = false
  if (isDue) keep()
})

function type(value: string): void {
  if (value.trim() === '') narrowing.widen()
  void find.setAsk(value)
  if (route.path !== '/') return void router.push({ path: '/', query: narrowing.toQuery() })
  keepSoon()
}
function keepSoon(): void {
  if (route.path !== '/') return
  toKeep = true
  void keepInAddress()
}
watch([() => narrowing.narrowing, () => find.takenBack], keepSoon)
function clear(): void {
  type('')
  field.value?.focus()
}
/** From the ask field, one step down is the first answer. */
function toMat(): void {
  document.querySelector<HTMLElement>('[data-mat-item]')?.focus()
}
// Before the page is put up: what the address asks for never comes after everything else.
if (route.path === '/') narrowing.fromQuery(route.query)
if (typeof route.query.ask === 'string') void find.setAsk(route.query.ask)

defineExpose({ type })
</script>

<template>
  <form class="relative" role="search" @submit.prevent="toMat">
    <Search class="pointer-events-none absolute top-1/2 left-3 -translate-y-1/2 text-quiet" :size="20" aria-hidden="true" />
    <input
      id="ask"
      ref="field"
      class="field pr-12 pl-10"
      type="search"
      autocomplete="off"
      spellcheck="false"
      maxlength="200"
      :aria-label="shellWords.askLabel"
      :placeholder="shellWords.ask"
      :value="text"
      @input="type(($event.target as HTMLInputElement).value)"
      @keydown.down.prevent="toMat"
      @keydown.esc="clear"
    />
    <button
      v-if="text"
      type="button"
      class="absolute top-0 right-0 grid h-11 w-11 place-items-center text-quiet"
      :aria-label="shellWords.askClear"
      @click="clear"
    >
      <X :size="18" aria-hidden="true" />
    </button>
  </form>
</template>
