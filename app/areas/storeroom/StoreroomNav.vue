<script setup lang="ts">
import { ArrowDownAZ, Gauge, ListOrdered, Package, Shuffle, SquareSplitHorizontal, Warehouse } from 'lucide-vue-next'
import { NuxtLink } from '#components'
import { roomWords } from './roomWords'
import { storeroomWords } from './words'
import { holderWords } from '~/areas/storeroom/holders/words'

/** The head of every page of the storeroom: its works, one step from each other. The marked one names the page. */
defineProps<{ title: string; lead?: string }>()
const WAYS = [
  { to: '/storeroom', icon: Warehouse, text: roomWords.nav.room },
  { to: '/storeroom/fill', icon: Gauge, text: roomWords.nav.fill },
  { to: '/storeroom/refile', icon: Shuffle, text: roomWords.nav.refile },
  { to: '/storeroom/ways', icon: ListOrdered, text: roomWords.nav.ways },
  { to: '/storeroom/orders', icon: ArrowDownAZ, text: roomWords.nav.orders },
  { to: '/storeroom/zones', icon: SquareSplitHorizontal, text: roomWords.nav.zones },
  { to: '/storeroom/holders', icon: Package, text: holderWords.button },
] as const
</script>

<template>
  <header class="flex flex-wrap items-center gap-x-4 gap-y-1">
    <h1 class="sr-only">{{ title }}</h1>
    <nav
      class="flex min-w-0 gap-x-5 overflow-x-auto overflow-y-hidden pr-1 whitespace-nowrap"
      :aria-label="storeroomWords.title"
      tabindex="-1"
    >
      <NuxtLink
        v-for="{ to, icon, text } in WAYS"
        :key="to"
        :to="to"
        class="inline-flex min-h-11 shrink-0 items-center gap-1.5 border-b-3 border-transparent font-semibold hover:border-edge"
        exact-active-class="border-strong!"
      >
        <component :is="icon" :size="18" aria-hidden="true" />
        {{ text }}
      </NuxtLink>
    </nav>
    <div class="ml-auto flex flex-wrap items-center gap-2"><slot /></div>
    <p v-if="lead" class="hint hidden w-full leading-tight lg:block">{{ lead }}</p>
  </header>
</template>
