<script setup lang="ts">
import { ArrowDownAZ, Gauge, ListOrdered, Package, Shuffle, SquareSplitHorizontal } from 'lucide-vue-next'
import { NuxtLink } from '#components'
import { roomWords } from './roomWords'
import { storeroomWords } from './words'
import { holderWords } from '~/areas/storeroom/holders/words'

/** The works of the storeroom, one step from each other. */
const WAYS = [
  { to: '/storeroom/fill', icon: Gauge, text: roomWords.nav.fill },
  { to: '/storeroom/refile', icon: Shuffle, text: roomWords.nav.refile },
  { to: '/storeroom/ways', icon: ListOrdered, text: roomWords.nav.ways },
  { to: '/storeroom/orders', icon: ArrowDownAZ, text: roomWords.nav.orders },
  { to: '/storeroom/zones', icon: SquareSplitHorizontal, text: roomWords.nav.zones },
  { to: '/storeroom/holders', icon: Package, text: holderWords.button },
] as const
</script>

<template>
  <nav class="flex gap-x-5 overflow-x-auto overflow-y-hidden whitespace-nowrap" :aria-label="storeroomWords.title">
    <NuxtLink
      v-for="{ to, icon, text } in WAYS"
      :key="to"
      :to="to"
      class="inline-flex min-h-11 shrink-0 items-center gap-1.5 border-b-3 border-transparent font-semibold hover:border-edge"
      active-class="border-strong!"
    >
      <component :is="icon" :size="18" aria-hidden="true" />
      {{ text }}
    </NuxtLink>
  </nav>
</template>
