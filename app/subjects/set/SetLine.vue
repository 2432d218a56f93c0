<script setup lang="ts">
import type { Holding } from '#core/catalog'
import { useDescribe } from '~/data/useDescribe'
import KTicket from '~/kit/KTicket.vue'

/** A set in one line: its number ticket, its name, and what else is said of it. */
const { holding, name = 'font-semibold' } = defineProps<{
  holding: Holding
  /** Classes of the name. */
  name?: string
}>()
const { codeOf } = useDescribe()
</script>

<template>
  <span class="flex items-baseline gap-x-2">
    <KTicket :code="codeOf(holding)" size="small" />
    <span :class="name">{{ holding.name }}</span>
    <slot />
  </span>
</template>
