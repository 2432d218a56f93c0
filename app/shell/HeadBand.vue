<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import { useMediaQuery } from '@vueuse/core'
import {
  Archive,
  CircleHelp,
  ClipboardList,
  Download,
  Ellipsis,
  Hand,
  Keyboard,
  Moon,
  RefreshCw,
  Ruler,
  ScanLine,
  Sun,
  WifiOff,
} from 'lucide-vue-next'
import { computed, useTemplateRef } from 'vue'
import { NuxtLink } from '#components'
import { act } from '~/data/act'
import { useInstalled } from './useInstalled'
import { useSheet } from './useSheet'
import { useLamp } from './useLamp'
import { PRODUCT_NAME } from '~/kit/words'
import { shellWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'
import { useCopies } from '~/subjects/copies/useCopies'
import { useFetch } from '~/subjects/walk/useFetch'
import { useScan } from '~/subjects/scan/useScan'
import { scanWords } from '~/subjects/scan/words'
import { fetchWords } from '~/subjects/walk/words'
import KMenu from '~/kit/KMenu.vue'
import AskField from './AskField.vue'
import BenchTabs from './BenchTabs.vue'
import HeadCounts from './HeadCounts.vue'
import RidgeMark from './RidgeMark.vue'
import StepsMenu from './StepsMenu.vue'

defineProps<{ hasTabs: boolean }>()
const emit = defineEmits<{ keys: [] }>()
const catalogue = useCatalogue()
const copies = useCopies()
const fetch = useFetch()
const scan = useScan()
const installed = useInstalled()
const lamp = useLamp()
const askField = useTemplateRef<InstanceType<typeof AskField>>('askField')

/** On a phone the mark and the tools fold away as one scrolls on, and come back as one scrolls up. */
const isPhone = useMediaQuery('(max-width: 639px)')
/** Below this width the areas leave the band, and what is fetched goes into the menu. */
const isNarrow = useMediaQuery('(max-width: 1023px)')
const sheet = useSheet()
const isRolledUp = computed(() => isPhone.value && sheet.isScrolledOn.value)
/** So many steps since the last copy are worth a word. */
const STALE_FROM = 50
const unit = computed(() => catalogue.settings.unit)
const switchUnit = (): void => void act.changeSettings({ unit: unit.value === 'in' ? 'cm' : 'in' })
const more = computed(() => [
  // A phone has no room for them in the band.
  ...(isNarrow.value
    ? [{ word: fetch.toFetch > 0 ? shellWords.toFetch(fetch.toFetch) : fetchWords.title, icon: ClipboardList, to: '/find/pull' }]
    : []),
  ...(isNarrow.value && fetch.out.length > 0 ? [{ word: shellWords.out(fetch.out.length), icon: Hand, to: '/find/out' }] : []),
  ...(isPhone.value && catalogue.asked.length > 0
    ? [{ word: shellWords.asked(catalogue.asked.length), icon: CircleHelp, to: '/take-in/questions' }]
    : []),
  ...(isPhone.value ? [{ word: shellWords.unitSwitch(unit.value), icon: Ruler, run: switchUnit }] : []),
  { word: scanWords.title, icon: ScanLine, run: () => void (scan.isOpen = true) },
  { word: lamp.isNight.value ? shellWords.lampDay : shellWords.lampNight, icon: lamp.isNight.value ? Sun : Moon, run: lamp.toggle },
  ...(installed.offer ? [{ word: shellWords.install, icon: Download, run: () => void installed.install() }] : []),
  { word: shellWords.shortcuts, icon: Keyboard, run: () => emit('keys') },
])
const copyLine = computed(() =>
  copies.lastCopy
    ? `${shellWords.copyAt(copies.lastCopy.at)}${copies.stepsSince > 0 ? `, ${shellWords.copyStale(copies.stepsSince)}` : ''}`
    : shellWords.copyNever,
)
</script>

<template>
  <header class="flex flex-wrap items-center gap-x-2 px-3 py-1.5 sm:flex-nowrap sm:px-5 lg:h-15 lg:items-end lg:gap-x-3 lg:py-0">
    <NuxtLink
      v-show="!isRolledUp"
      to="/"
      class="order-1 flex min-h-11 min-w-11 items-center justify-center gap-2 font-title text-[1.15rem] font-bold lg:mb-2"
      @click="askField?.type('')"
    >
      <RidgeMark />
      <span class="hidden 2xl:inline">{{ PRODUCT_NAME }}</span>
      <span class="sr-only 2xl:hidden">{{ PRODUCT_NAME }}</span>
    </NuxtLink>
    <BenchTabs v-if="hasTabs" class="order-2 hidden lg:flex" />
    <AskField ref="askField" class="order-4 w-full sm:order-3 sm:w-auto sm:min-w-40 sm:flex-1 lg:mb-2" />
    <div v-show="!isRolledUp" class="order-3 ml-auto flex items-center gap-0.5 sm:order-4 lg:mb-2">
      <span v-if="!installed.isOnline" class="head-button text-ochre" role="status" :title="shellWords.noNetwork" data-no-network>
        <WifiOff :size="18" aria-hidden="true" />
        <span class="sr-only">{{ shellWords.noNetwork }}</span>
      </span>
      <KIcon
        v-if="installed.isNewer"
        class="text-ochre"
        :icon="RefreshCw"
        :label="installed.isAsked ? shellWords.takingNewer : shellWords.takeNewer"
        :aria-busy="installed.isAsked"
        data-newer
        @click="installed.takeNewer"
      />
      <HeadCounts :is-narrow="isNarrow" :is-phone="isPhone" />
      <button
        v-if="!isPhone"
        type="button"
        class="head-button"
        :aria-label="shellWords.unitSwitch(unit)"
        :title="shellWords.unitSwitch(unit)"
        @click="switchUnit"
      >
        <Ruler :size="18" aria-hidden="true" />
        <span class="hidden 2xl:inline">{{ shellWords.unitShort[unit] }}</span>
      </button>
      <StepsMenu />
      <NuxtLink to="/copies" class="head-button" :class="{ 'text-ochre': copies.stepsSince > STALE_FROM }" :title="copyLine">
        <Archive :size="18" aria-hidden="true" />
        <span class="sr-only 2xl:not-sr-only">{{ shellWords.copies }}</span>
        <span class="sr-only">{{ copyLine }}</span>
      </NuxtLink>
      <KMenu :label="shellWords.more" :entries="more"><Ellipsis :size="18" aria-hidden="true" /></KMenu>
    </div>
  </header>
</template>
