<script setup lang="ts">
import { ArrowLeft, Plus, SlidersHorizontal } from 'lucide-vue-next'
import { computed, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { NuxtLink } from '#components'
import type { Section } from '#core/catalog'
import { outOfOrder } from '#core/refiling'
import ContainerActions from './ContainerActions.vue'
import CarryBar from './CarryBar.vue'
import CellPages from './CellPages.vue'
import LaneRows from './LaneRows.vue'
import OrderViews from '~/areas/storeroom/orders/OrderViews.vue'
import RuleDialog from '~/areas/storeroom/zones/RuleDialog.vue'
import TabDialog from './TabDialog.vue'
import { useDescribe } from '~/data/useDescribe'
import { useFills } from '~/areas/storeroom/fill/useFills'
import { useOutlook } from '~/areas/storeroom/fill/useOutlook'
import { roomWords } from '~/areas/storeroom/roomWords'
import { storeroomWords } from '~/areas/storeroom/words'
import { containerWay, laneName, placeWords } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'

/** One container: its lanes front to back, or its pages of cells. */
const catalogue = useCatalogue()
const route = useRoute()
const fills = useFills()
const { lookUp, lengthText } = useDescribe()
const row = computed(() => catalogue.room.rows.get(String(route.params.container)))
const zone = computed(() => catalogue.tables?.zones.get(row.value?.container.zoneId ?? ''))
const fill = computed(() => fills.value.get(row.value?.container.id ?? ''))
const focusId = computed(() => (typeof route.query.set === 'string' ? route.query.set : null))
const { zones: outlooks } = useOutlook()
const outlook = computed(() =>
  row.value?.container.cells
    ? null
    : (outlooks.value.flatMap(each => each.containers).find(each => each.row.container.id === row.value?.container.id)?.outlook ?? null),
)
const misplaced = computed(() =>
  row.value && zone.value ? outOfOrder([row.value], zone.value.filingRule, zone.value.habits.dies, catalogue.facts) : 0,
)
/** Another order to look at it in; empty: as it stands. */
const view = shallowRef('')
const isRuleOpen = shallowRef(false)
const tab = shallowRef<{ lane: number; section: Section | null } | null>(null)
const keys = computed(() => (zone.value ? placeWords.rule(zone.value.filingRule) : ''))
/** Where it stands, what is in it, how full and how long it is. */
const inShort = computed(() => {
  const { container, placements } = row.value ?? { container: null, placements: [] }
  if (!container) return ''
  const facts = [
    storeroomWords.sets(placements.length),
    ...(fill.value ? [storeroomWords.full(Math.round(fill.value.share * 100), fill.value.isMeasured)] : []),
    ...(container.cells ? [] : [lengthText(container.lengthMm)]),
  ]
  return `${containerWay(lookUp('fixtures', container.fixtureId), container)}. ${facts.join(', ')}${outlook.value ? ':' : ''}`
})
</script>

<template>
  <div class="mx-auto max-w-5xl p-4 sm:p-6">
    <NuxtLink to="/storeroom" class="inline-flex min-h-11 items-center gap-1.5 text-quiet hover:underline">
      <ArrowLeft :size="18" aria-hidden="true" />
      {{ storeroomWords.title }}
    </NuxtLink>
    <p v-if="!row" class="py-10">{{ storeroomWords.pick }}</p>
    <template v-else>
      <h1 class="text-[1.6rem]">{{ row.container.name }}</h1>
      <p class="text-quiet figures">
        {{ inShort }}
        <template v-if="outlook">
          <span :class="outlook.state === 'over' ? 'font-semibold text-berry' : outlook.state === 'room' ? '' : 'text-ochre'" data-outlook>
            {{ roomWords.outlook(outlook, lengthText) }}, {{ roomWords.lastsFor(outlook) }}
          </span>
        </template>
      </p>
      <p v-if="zone && !row.container.isTable" class="text-quiet">
        {{ storeroomWords.zone(zone.name, keys) }}.
        <span class="figures" data-out-of-order>{{ roomWords.outOfOrder(misplaced) }}</span>
      </p>
      <div class="mt-3 flex flex-wrap gap-2">
        <template v-if="!row.container.isTable">
          <button v-if="zone" type="button" class="button px-3" @click="isRuleOpen = true">
            <SlidersHorizontal :size="18" aria-hidden="true" />
            {{ storeroomWords.changeRule }}
          </button>
          <button v-if="!row.container.cells" type="button" class="button px-3" @click="tab = { lane: 1, section: null }">
            <Plus :size="18" aria-hidden="true" />
            {{ storeroomWords.addTab }}
          </button>
          <ContainerActions :row="row" />
        </template>
      </div>
      <div class="mt-3">
        <OrderViews v-if="zone && row.placements.length > 1" v-model="view" class="mb-2" :rows="[row]" />
        <CarryBar />
        <CellPages v-if="view === '' && row.container.cells" :key="row.container.id" :row="row" :focus-id="focusId" />
        <section
          v-for="(entries, index) in view !== '' || row.container.cells ? [] : row.lanes"
          :key="`${row.container.id}/${index}`"
          class="mb-6"
          :data-entries="entries.length"
        >
          <h2 v-if="row.container.lanes > 1" class="mb-1 text-[1.05rem]">{{ laneName(index + 1, row.container.lanes) }}</h2>
          <LaneRows :row="row" :lane="index + 1" :focus-id="focusId" @edit-tab="tab = { lane: index + 1, section: $event }" />
        </section>
      </div>
      <RuleDialog v-if="zone" :zone="zone" :open="isRuleOpen" @close="isRuleOpen = false" />
      <TabDialog :row="row" :lane="tab?.lane ?? 1" :section="tab?.section ?? null" :open="tab !== null" @close="tab = null" />
    </template>
  </div>
</template>
