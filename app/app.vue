<script setup lang="ts">
import { NuxtPage, NuxtRouteAnnouncer } from '#components'
import BenchTabs from '~/shell/BenchTabs.vue'
import HeadBand from '~/shell/HeadBand.vue'
import NoticeLine from '~/shell/NoticeLine.vue'
import RidgeBand from '~/shell/RidgeBand.vue'
import ScanHost from '~/shell/ScanHost.vue'
import { useFind } from '~/subjects/ask/useFind'
import { useAside } from '~/subjects/copies/useAside'
import { useCopies } from '~/subjects/copies/useCopies'
import { useKeys } from '~/shell/useKeys'
import { useScrollBack } from '~/shell/useScrollBack'
import { useOpening } from '~/shell/useOpening'
import { useLamp } from '~/shell/useLamp'
import { kitWords, PRODUCT_NAME } from '~/kit/words'
import { shellWords, welcomeWords } from '~/shell/words'
import { useRoute } from 'vue-router'
import { computed, defineAsyncComponent } from 'vue'

/** Loaded once the screen is up: a dialog that is there before it opens gives the focus back when it closes. */
const RescueButton = defineAsyncComponent(() => import('~/subjects/copies/RescueButton.vue'))
/** Who has a room sees none of these. */
const WelcomeBench = defineAsyncComponent(() => import('~/shell/WelcomeBench.vue'))
const AsideLine = defineAsyncComponent(() => import('~/shell/AsideLine.vue'))
const KeysDialog = defineAsyncComponent(() => import('~/shell/KeysDialog.vue'))

useLamp()
useScrollBack()
const { state, trouble, isShut, isSlow, progress } = useOpening()
const aside = useAside()
const keys = useKeys()
const copies = useCopies()
const find = useFind()
const route = useRoute()
/** Reading back a copy works before there is a room: it is a way to get one. */
const isOpenToAll = computed(() => route.path === '/copies')
</script>

<template>
  <div data-shell class="grid h-dvh grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)_auto] overflow-hidden">
    <a href="#bench" class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:p-3">{{ shellWords.skip }}</a>
    <header v-if="isShut" class="px-5 py-2 font-title text-[1.15rem] font-bold">{{ PRODUCT_NAME }}</header>
    <HeadBand v-else :has-tabs="state === 'open'" @keys="keys.isOpen.value = true" />
    <main id="bench" class="flex min-h-0 flex-col px-2 sm:px-5">
      <div
        id="sheet"
        class="@container-size min-h-0 flex-1 scroll-pt-4 scroll-pb-28 overflow-y-auto border border-b-0 border-line bg-sheet"
        tabindex="-1"
      >
        <AsideLine v-if="aside.fresh.length > 0 || aside.lacksSettings" />
        <div v-if="trouble" class="mx-auto max-w-2xl p-6" role="alert" data-trouble>
          <h1 class="text-[1.6rem]">{{ shellWords.troubles[trouble].what }}</h1>
          <p class="mt-2">{{ shellWords.troubles[trouble].then }}</p>
          <button v-if="trouble === 'cleared'" type="button" class="button-main mt-4" @click="copies.saveScreen()">
            {{ shellWords.saveScreen }}
          </button>
          <RescueButton v-else-if="trouble !== 'blocked' && trouble !== 'insecure'" class="mt-4" />
        </div>
        <div v-else-if="state === 'opening'" class="grid h-full place-items-center p-6 text-quiet" role="status">
          <p v-if="progress">{{ welcomeWords.loadingDemo }}: {{ progress.done }} / {{ progress.total }}</p>
          <div v-else class="max-w-xl">
            <p>{{ kitWords.loading }}</p>
            <p v-if="isSlow" class="mt-3" data-slow>{{ shellWords.slow }}</p>
          </div>
        </div>
        <NuxtPage v-else-if="state === 'open' || isOpenToAll" />
        <WelcomeBench v-else />
      </div>
    </main>
    <div data-bars>
      <RidgeBand v-if="!isShut" />
      <BenchTabs v-if="state === 'open'" is-strip class="flex lg:hidden" />
    </div>
    <NuxtRouteAnnouncer />
    <NoticeLine />
    <ScanHost v-if="state === 'open'" />
    <KeysDialog v-if="find.isReady || keys.isOpen.value" v-model:open="keys.isOpen.value" v-model:are-on="keys.areOn.value" />
  </div>
</template>
