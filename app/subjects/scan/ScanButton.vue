<script setup lang="ts">
import { ScanLine } from 'lucide-vue-next'
import { useScan } from './useScan'
import { scanWords } from './words'

/** Opens the scanning dialog; what a scanned set means is for the page that shows it. */
const scan = useScan()
</script>

<template>
  <button type="button" class="head-button" :aria-label="scanWords.title" :title="scanWords.title" data-scan @click="scan.isOpen = true">
    <ScanLine :size="18" aria-hidden="true" />
    <span class="hidden xl:inline">{{ scanWords.short }}</span>
  </button>
</template>
