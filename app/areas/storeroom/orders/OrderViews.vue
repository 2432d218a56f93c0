<script setup lang="ts">
import { FILING_KEYS } from '#core/catalog'
import { roomWords } from '~/subjects/room/roomWords'
import { placeWords } from '~/data/words'

/** Which order the same sets are looked at in. Empty: as they stand. */
const view = defineModel<string>({ required: true })
</script>

<template>
  <select v-model="view" class="field w-auto" :aria-label="roomWords.view" data-order-view>
    <option value="">{{ roomWords.standing }}</option>
    <option v-for="each in FILING_KEYS" :key="each" :value="each">{{ roomWords.shownBy(placeWords.keys[each]) }}</option>
  </select>
</template>
