<script setup lang="ts">
import { FILING_KEYS } from '#core/catalog'
import { placeWords } from '~/data/words'
import { orderWords } from './words'

/** Which order the same sets are looked at in. Empty: as they stand. */
const view = defineModel<string>({ required: true })
</script>

<template>
  <select v-model="view" class="field w-auto" :aria-label="orderWords.view" data-order-view>
    <option value="">{{ orderWords.standing }}</option>
    <option v-for="each in FILING_KEYS" :key="each" :value="each">{{ orderWords.shownBy(placeWords.keys[each]) }}</option>
  </select>
</template>
