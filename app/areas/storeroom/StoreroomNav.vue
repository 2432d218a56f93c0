<script setup lang="ts">
import { ArrowDownAZ, Gauge, ListOrdered, Package, Shuffle, SquareSplitHorizontal, Warehouse } from 'lucide-vue-next'
import KWays from '~/kit/KWays.vue'
import { holderWords } from '~/subjects/fit/words'
import { roomWords } from '~/subjects/room/roomWords'

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
  <KWays :title="title" :lead="lead" :area="roomWords.title" :ways="WAYS"><slot /></KWays>
</template>
