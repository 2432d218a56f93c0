<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { Archive, Keyboard, MapPinOff, Moon, Ruler, Search, Sun, X } from 'lucide-vue-next'
import { computed, onMounted, shallowRef, useTemplateRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { NuxtLink } from '#components'
import { act } from '~/data/act'
import { useLamp } from './useLamp'
import { shellWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'
import { useCopies } from '~/areas/copies/useCopies'
import { useFind } from '~/areas/find/ask/useFind'
import RidgeMark from './RidgeMark.vue'
import StepsMenu from './StepsMenu.vue'

defineEmits<{ keys: [] }>()
const catalogue = useCatalogue()
const copies = useCopies()
const find = useFind()
const route = useRoute()
const router = useRouter()
const lamp = useLamp()
const field = useTemplateRef<HTMLInputElement>('field')
const text = shallowRef('')

/** The address keeps the ask, so that a reload or a link finds the same sets. */
const keepInAddress = useDebounceFn((ask: string) => {
  // The person may have gone on to another page in the meantime.
  if (route.path === '/') void router.replace({ query: ask ? { ask } : {} })
}, 300)

function type(value: string): void {
  text.value = value
  void find.setAsk(value)
  if (route.path !== '/') void router.push({ path: '/', query: value ? { ask: value } : {} })
  else void keepInAddress(value)
}
function clear(): void {
  type('')
  field.value?.focus()
}
/** From the ask field, one step down is the first answer. */
function toMat(): void {
  document.querySelector<HTMLElement>('[data-mat-item]')?.focus()
}
onMounted(() => {
  if (typeof route.query.ask === 'string') {
    text.value = route.query.ask
    void find.setAsk(route.query.ask)
  }
})

const unit = computed(() => catalogue.settings.unit)
const copyLine = computed(() =>
  copies.lastCopy
    ? `${shellWords.copyAt(copies.lastCopy.at)}${copies.stepsSince > 0 ? `, ${shellWords.copyStale(copies.stepsSince)}` : ''}`
    : shellWords.copyNever,
)
</script>

<template>
  <header class="flex min-h-14 flex-wrap items-center gap-x-3 gap-y-1 px-3 py-1.5 sm:flex-nowrap sm:px-5">
    <NuxtLink to="/" class="order-1 flex min-h-11 items-center gap-2 font-title text-[1.15rem] font-bold" @click="type('')">
      <RidgeMark />
      <span class="hidden md:inline">{{ shellWords.name }}</span>
      <span class="sr-only md:hidden">{{ shellWords.name }}</span>
    </NuxtLink>
    <form class="relative order-3 w-full sm:order-2 sm:w-auto sm:max-w-[46rem] sm:flex-1" role="search" @submit.prevent="toMat">
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
    <div class="order-2 ml-auto flex items-center gap-1 sm:order-3">
      <NuxtLink
        v-if="catalogue.placeless.length > 0"
        to="/take-in/placeless"
        class="head-button text-ochre"
        :title="shellWords.placeless(catalogue.placeless.length)"
      >
        <MapPinOff :size="18" aria-hidden="true" />
        <span class="figures">
          <span class="hidden xl:inline">{{ shellWords.placeless(catalogue.placeless.length) }}</span>
          <span class="xl:hidden">{{ catalogue.placeless.length }}</span>
        </span>
      </NuxtLink>
      <button
        type="button"
        class="head-button"
        :aria-label="shellWords.unitSwitch(unit)"
        @click="act.changeSettings({ unit: unit === 'in' ? 'cm' : 'in' })"
      >
        <Ruler :size="18" aria-hidden="true" />
        <span>{{ unit }}</span>
      </button>
      <StepsMenu />
      <NuxtLink to="/copies" class="head-button" :title="copyLine">
        <Archive :size="18" aria-hidden="true" />
        <span class="hidden max-w-44 truncate text-left text-[0.82rem] lg:inline">{{ copyLine }}</span>
        <span class="sr-only lg:hidden">{{ shellWords.copies }}</span>
      </NuxtLink>
      <button
        type="button"
        class="head-button"
        :aria-label="lamp.isNight.value ? shellWords.lampDay : shellWords.lampNight"
        :title="lamp.isNight.value ? shellWords.lampDay : shellWords.lampNight"
        @click="lamp.toggle()"
      >
        <component :is="lamp.isNight.value ? Sun : Moon" :size="18" aria-hidden="true" />
      </button>
      <button
        type="button"
        class="head-button hidden sm:inline-flex"
        :aria-label="shellWords.shortcuts"
        :title="shellWords.shortcuts"
        @click="$emit('keys')"
      >
        <Keyboard :size="18" aria-hidden="true" />
      </button>
    </div>
  </header>
</template>
