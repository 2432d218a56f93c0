<script setup lang="ts">
import { computed } from 'vue'
import { FILING_KEYS } from '#core/catalog'
import type { ContainerRow } from '#core/room'
import { roomWords } from '~/areas/storeroom/roomWords'
import { placeWords } from '~/data/words'
import OrderedList from './OrderedList.vue'

/** The same sets in another order, to look at: nothing is moved, and the addresses stay. */
const { rows } = defineProps<{ rows: readonly ContainerRow[] }>()
const view = defineModel<string>({ required: true })
const by = computed(() => FILING_KEYS.find(each => each === view.value) ?? null)
</script>

<template>
  <div>
    <label class="flex flex-wrap items-center gap-2">
      <span class="hint">{{ roomWords.view }}</span>
      <select v-model="view" class="field w-auto" data-order-view>
        <option value="">{{ roomWords.standing }}</option>
        <option v-for="each in FILING_KEYS" :key="each" :value="each">{{ placeWords.keys[each] }}</option>
      </select>
      <span v-if="by" class="hint">{{ roomWords.viewHint }}</span>
    </label>
    <OrderedList v-if="by" class="mt-2" :rows="rows" :by="by" />
  </div>
</template>
