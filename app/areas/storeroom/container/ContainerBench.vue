<script setup lang="ts">
import { ChevronLeft, ListChecks, Plus, SlidersHorizontal } from 'lucide-vue-next'
import { computed, shallowRef, useTemplateRef } from 'vue'
import { useRoute } from 'vue-router'
import { NuxtLink } from '#components'
import { FILING_KEYS, type Section } from '#core/catalog'
import { outOfOrder } from '#core/refiling'
import { setsIn } from '#core/room'
import ContainerActions from './ContainerActions.vue'
import AlongPanel from '~/areas/storeroom/along/AlongPanel.vue'
import { alongWords } from '~/areas/storeroom/along/words'
import CarryBar from './CarryBar.vue'
import CellPages from './CellPages.vue'
import LaneRows from './LaneRows.vue'
import SomewhereStrip from './SomewhereStrip.vue'
import SlipBeside from '~/subjects/set/SlipBeside.vue'
import { useSlip } from '~/subjects/set/useSlip'
import OrderedList from '~/areas/storeroom/orders/OrderedList.vue'
import OrderViews from '~/areas/storeroom/orders/OrderViews.vue'
import RuleDialog from '~/areas/storeroom/zones/RuleDialog.vue'
import TabDialog from './TabDialog.vue'
import { useDescribe } from '~/data/useDescribe'
import { useFills } from '~/subjects/room/useFills'
import { useOutlook } from '~/subjects/room/useOutlook'
import KNotFound from '~/kit/KNotFound.vue'
import { useTitle } from '~/subjects/set/useTitle'
import { laneName, placeWords } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import { containerWords } from './words'
import { orderWords } from '../orders/words'
import { roomWords } from '~/subjects/room/roomWords'

/** One container: its lanes front to back, or its pages of cells. */
const catalogue = useCatalogue()
const route = useRoute()
const fills = useFills()
const { lengthText, wayTo } = useDescribe()
const row = computed(() => catalogue.room.rows.get(String(route.params.container)))
useTitle(() => row.value?.container.name ?? containerWords.gone)
const zone = computed(() => catalogue.tables?.zones.get(row.value?.container.zoneId ?? ''))
const fill = computed(() => fills.value.get(row.value?.container.id ?? ''))
const focusId = computed(() => (typeof route.query.at === 'string' ? route.query.at : null))
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
const by = computed(() => FILING_KEYS.find(each => each === view.value) ?? null)
const slip = useSlip()
const isAlong = shallowRef(route.query.along !== undefined)
const alongButton = useTemplateRef<HTMLButtonElement>('alongButton')
function leaveAlong(): void {
  isAlong.value = false
  alongButton.value?.focus()
}
const isRuleOpen = shallowRef(false)
const tab = shallowRef<{ lane: number; section: Section | null } | null>(null)
const keys = computed(() => (zone.value ? placeWords.rule(zone.value.filingRule) : ''))
/** Where it stands, what is in it, how full and how long it is. */
const inShort = computed(() => {
  if (!row.value) return ''
  const { container } = row.value
  const facts = [roomWords.sets(setsIn(row.value)), ...(fill.value ? [roomWords.full(Math.round(fill.value.share * 100))] : [])]
  return `${wayTo(container, false)}. ${facts.join(', ')}${outlook.value ? ',' : '.'}`
})
function focusSet(id: string): void {
  const { holder } = catalogue.room.placements.get(id) ?? {}
  requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-id="${holder?.id}"], [data-cell][data-set="${id}"]`)?.focus())
}
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <KNotFound v-if="!row" :what="containerWords.gone" :then="containerWords.goneThen" to="/storeroom" :way="containerWords.toStoreroom" />
    <div v-else class="flex items-start gap-4">
      <div class="min-w-0 flex-1">
        <header class="flex min-h-11 flex-wrap items-center gap-x-4 gap-y-1">
          <NuxtLink to="/storeroom" class="inline-flex min-h-11 items-center gap-1 text-quiet hover:underline">
            <ChevronLeft :size="18" aria-hidden="true" />
            {{ roomWords.title }}
          </NuxtLink>
          <h1 class="text-[1.35rem] leading-tight">{{ row.container.name }}</h1>
          <p class="hint min-w-0 flex-1 basis-60 leading-tight figures">
            {{ inShort }}
            <template v-if="outlook">
              <span
                :class="outlook.state === 'over' ? 'font-semibold text-berry' : outlook.state === 'room' ? '' : 'text-ochre'"
                data-outlook
              >
                {{ roomWords.outlook(outlook, lengthText) }}, {{ roomWords.lastsFor(outlook) }}.
              </span>
            </template>
            <span v-if="zone && !row.container.isTable" class="hidden sm:block">
              {{ containerWords.zone(zone.name, keys) }}.
              <span class="figures" data-out-of-order>{{ containerWords.outOfOrder(misplaced) }}</span>
            </span>
          </p>
          <OrderViews v-if="zone && row.placements.length > 1" v-model="view" class="hidden sm:flex" />
        </header>
        <div v-if="!row.container.isTable" class="mt-1 flex gap-2 overflow-x-auto whitespace-nowrap">
          <button v-if="zone" type="button" class="button px-3" @click="isRuleOpen = true">
            <SlidersHorizontal :size="18" aria-hidden="true" />
            {{ containerWords.changeRule }}
          </button>
          <button v-if="!row.container.cells" type="button" class="button px-3" @click="tab = { lane: 1, section: null }">
            <Plus :size="18" aria-hidden="true" />
            {{ containerWords.addTab }}
          </button>
          <button ref="alongButton" type="button" class="button px-3" :aria-expanded="isAlong" @click="isAlong = !isAlong">
            <ListChecks :size="18" aria-hidden="true" />
            {{ alongWords.begin }}
          </button>
          <ContainerActions :row="row" />
        </div>
        <div class="mt-1">
          <template v-if="by">
            <p class="hint">{{ orderWords.viewHint }}</p>
            <OrderedList :rows="[row]" :by="by" />
          </template>
          <CarryBar />
          <AlongPanel v-if="isAlong" :key="row.container.id" :row="row" @done="leaveAlong" />
          <SomewhereStrip v-else-if="row.somewhere.length > 0" :row="row" @open="slip.open" @along="isAlong = true" />
          <CellPages v-if="view === '' && row.container.cells" :key="row.container.id" :row="row" :focus-id="focusId" @open="slip.open" />
          <section
            v-for="(entries, index) in view !== '' || row.container.cells ? [] : row.lanes"
            :key="`${row.container.id}/${index}`"
            class="mb-6"
            :data-entries="entries.length"
          >
            <h2 v-if="row.container.lanes > 1" class="text-[1rem] leading-tight">{{ laneName(index + 1, row.container.lanes) }}</h2>
            <LaneRows
              :row="row"
              :lane="index + 1"
              :focus-id="focusId"
              @edit-tab="tab = { lane: index + 1, section: $event }"
              @open="slip.open"
            />
          </section>
        </div>
        <RuleDialog v-if="zone" :zone="zone" :open="isRuleOpen" @close="isRuleOpen = false" />
        <TabDialog :row="row" :lane="tab?.lane ?? 1" :section="tab?.section ?? null" :open="tab !== null" @close="tab = null" />
      </div>
      <SlipBeside @closed="focusSet" />
    </div>
  </div>
</template>
