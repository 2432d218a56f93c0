<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { FILING_KEYS } from '#core/catalog'
import { containersInOrder, setsIn } from '#core/room'
import KField from '~/kit/KField.vue'
import OrderedList from './OrderedList.vue'
import StoreroomNav from '~/areas/storeroom/StoreroomNav.vue'
import { placeWords } from '~/data/words'
import { counted } from '#core/grammar'
import { useCatalogue } from '~/data/useCatalogue'
import { orderWords } from './words'

/** A zone, or the whole room, in any order there is: a view only. Zone and order stand in the address of the page. */
const catalogue = useCatalogue()
const route = useRoute()
const router = useRouter()
const zones = computed(() => [...catalogue.facts.zones].sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1)))
const zoneId = computed(() => zones.value.find(zone => zone.id === route.query.zone)?.id ?? null)
const by = computed(() => FILING_KEYS.find(each => each === route.query.by) ?? 'number')
const rows = computed(() => containersInOrder(catalogue.facts, zoneId.value))
const sets = computed(() => rows.value.reduce((sum, row) => sum + setsIn(row), 0))
function show(query: { readonly zone?: string; readonly by?: string }): void {
  void router.replace({ query: { ...route.query, ...query } })
}
const textOf = (event: Event): string => (event.target as HTMLSelectElement).value
</script>

<template>
  <div class="mx-auto max-w-5xl px-4 pt-2 pb-6 sm:px-6">
    <StoreroomNav :title="orderWords.ordersTitle" :lead="orderWords.ordersLead" />
    <div class="mt-4 grid gap-4 sm:grid-cols-2">
      <KField :label="orderWords.ordersOf" for="orders-zone">
        <select id="orders-zone" class="field" :value="zoneId ?? ''" @change="show({ zone: textOf($event) })">
          <option value="">{{ orderWords.wholeRoom }}</option>
          <option v-for="zone in zones" :key="zone.id" :value="zone.id">{{ zone.name }}</option>
        </select>
      </KField>
      <KField :label="orderWords.view" for="orders-by">
        <select id="orders-by" class="field" :value="by" @change="show({ by: textOf($event) })">
          <option v-for="each in FILING_KEYS" :key="each" :value="each">{{ placeWords.keys[each] }}</option>
        </select>
      </KField>
    </div>
    <p v-if="sets === 0" class="py-8 text-quiet">{{ orderWords.ordersEmpty }}</p>
    <template v-else>
      <p class="mt-3 mb-2 text-quiet figures">{{ counted(sets, 'set') }}. {{ orderWords.viewHint }}</p>
      <OrderedList :rows="rows" :by="by" />
    </template>
  </div>
</template>
