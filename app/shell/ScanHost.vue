<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useRouter } from 'vue-router'
import type { Holding } from '#core/catalog'
import { useScan } from '~/subjects/scan/useScan'

/** The scanning dialog, loaded the first time somebody wants it. */
const [scan, router] = [useScan(), useRouter()]
const ScanDialog = defineAsyncComponent(() => import('~/subjects/scan/ScanDialog.vue'))
async function found(holding: Holding): Promise<void> {
  scan.isOpen = false
  if (await scan.answer?.(holding)) return
  await router.push({ path: '/', query: { set: holding.id } })
}
</script>

<template>
  <ScanDialog v-if="scan.isOpen" open @close="scan.isOpen = false" @found="found" />
</template>
