<script setup lang="ts">
import { CircleHelp, ClipboardList, Hand, MapPinOff } from 'lucide-vue-next'
import { NuxtLink } from '#components'
import { useCatalogue } from '~/data/useCatalogue'
import { useFetch } from '~/subjects/walk/useFetch'
import { fetchWords } from '~/subjects/walk/words'
import { shellWords } from './words'

/** How many sets are to be fetched, out, without a place and asked about. What finds no room here stands in the menu. */
const { isNarrow, isPhone } = defineProps<{ isNarrow: boolean; isPhone: boolean }>()
const catalogue = useCatalogue()
const fetch = useFetch()
</script>

<template>
  <NuxtLink
    v-if="!isNarrow"
    to="/find/pull"
    class="head-button"
    :title="fetch.toFetch > 0 ? shellWords.toFetch(fetch.toFetch) : fetchWords.title"
    data-to-fetch
  >
    <ClipboardList :size="18" aria-hidden="true" />
    <span v-if="fetch.toFetch > 0" class="figures" aria-hidden="true">{{ fetch.toFetch }}</span>
    <span class="sr-only">{{ fetch.toFetch > 0 ? shellWords.toFetch(fetch.toFetch) : fetchWords.title }}</span>
  </NuxtLink>
  <NuxtLink v-if="!isNarrow && fetch.out.length > 0" to="/find/out" class="head-button" :title="shellWords.out(fetch.out.length)" data-out>
    <Hand :size="18" aria-hidden="true" />
    <span class="figures" aria-hidden="true">{{ fetch.out.length }}</span>
    <span class="sr-only">{{ shellWords.out(fetch.out.length) }}</span>
  </NuxtLink>
  <NuxtLink
    v-if="catalogue.placeless.length > 0"
    to="/take-in/placeless"
    class="head-button text-ochre"
    :title="shellWords.placeless(catalogue.placeless.length)"
  >
    <MapPinOff :size="18" aria-hidden="true" />
    <span class="figures" aria-hidden="true">{{ catalogue.placeless.length }}</span>
    <span class="sr-only">{{ shellWords.placeless(catalogue.placeless.length) }}</span>
  </NuxtLink>
  <NuxtLink
    v-if="!isPhone && catalogue.asked.length > 0"
    to="/take-in/questions"
    class="head-button text-ochre"
    :title="shellWords.asked(catalogue.asked.length)"
    data-asked
  >
    <CircleHelp :size="18" aria-hidden="true" />
    <span class="figures" aria-hidden="true">{{ catalogue.asked.length }}</span>
    <span class="sr-only">{{ shellWords.asked(catalogue.asked.length) }}</span>
  </NuxtLink>
</template>
