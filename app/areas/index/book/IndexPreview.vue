<script setup lang="ts">
import { computed } from 'vue'
import { INDEX_PART_NAMES, type IndexPartName } from '#core/printing'
import KImpression from '~/kit/KImpression.vue'
import { useDescribe } from '~/data/useDescribe'
import { indexWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'

/** A glance at how the entries will stand on paper, from the first sets of the catalogue. */
const { parts } = defineProps<{ parts: readonly IndexPartName[] }>()
const catalogue = useCatalogue()
const { addressOf, codeOf, lookUp } = useDescribe()
const SHOWN = 12
const entries = computed(() => [...(catalogue.tables?.holdings.values() ?? [])].sort((a, b) => a.number - b.number).slice(0, SHOWN))
const title = computed(() => indexWords.parts[INDEX_PART_NAMES.find(part => parts.includes(part)) ?? 'byNumber'])
</script>

<template>
  <figure :aria-label="indexWords.preview">
    <div class="border border-edge bg-paper p-6 text-ink">
      <p class="flex justify-between border-b-2 border-ink pb-1 font-title font-bold">
        <span>{{ title }}</span>
        <span class="font-sans font-normal">{{ catalogue.settings.roomName }}</span>
      </p>
      <ul class="mt-3 grid grid-cols-[minmax(0,1fr)] gap-x-6 sm:grid-cols-2">
        <li v-for="holding in entries" :key="holding.id" class="flex items-center gap-3 border-b border-ridge-1 py-1.5">
          <span class="h-11 w-10 shrink-0"><KImpression :hash="holding.pictureHash" /></span>
          <span class="min-w-0 leading-tight">
            <span class="flex items-baseline gap-2">
              <span class="font-title text-[1.1rem] font-bold figures">{{ codeOf(holding).figure }}</span>
              <span class="truncate font-semibold">{{ holding.name }}</span>
            </span>
            <span class="block truncate text-[0.85rem]">{{ lookUp('brands', holding.brandId)?.name }}</span>
            <span class="block text-[0.85rem] figures">{{ addressOf(holding) ?? indexWords.noPlace }}</span>
          </span>
        </li>
      </ul>
    </div>
    <figcaption class="hint mt-1">{{ indexWords.preview }}</figcaption>
  </figure>
</template>
