<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import KCheck from '~/kit/KCheck.vue'
import KNumber from '~/kit/KNumber.vue'
import { ArrowDown, ArrowUp, Calculator } from 'lucide-vue-next'
import { computed, reactive, watch } from 'vue'
import type { FilingKey, Zone } from '#core/catalog'
import { zoneFor } from '#core/filing'
import { type RefilingQuestion, START_AIMS } from '#core/refiling'
import { NuxtLink } from '#components'
import { plainly } from '~/kit/plainly'
import KField from '~/kit/KField.vue'
import { useLength } from '~/areas/storeroom/container/useLength'
import { refileWords } from './words'
import { placeWords } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import RuleKeys from '~/areas/storeroom/zones/RuleKeys.vue'

/** What is asked of a re-filing: zone, rule, containers in sequence, and what counts. */
const {
  initialRule = null,
  initialZone = null,
  isFromHeap = false,
} = defineProps<{
  initialRule?: readonly FilingKey[] | null
  initialZone?: string | null
  isBusy: boolean
  /** Another page has said that what stands nowhere is filed too. */
  isFromHeap?: boolean
}>()
const emit = defineEmits<{ ask: [question: Omit<RefilingQuestion, 'heap'>, heapIds: readonly string[]]; changed: [] }>()
const catalogue = useCatalogue()
/** A zone of cells only fills its pages in order of arrival: there is nothing to re-file. */
const zones = computed(() => [...catalogue.facts.zones].sort((a, b) => a.rank - b.rank).filter(zone => rowsOf(zone.id).length > 0))
const rowsOf = (zoneId: string) =>
  catalogue.containers.filter(({ container }) => container.zoneId === zoneId && !container.cells && !container.isTable)
const WEIGHTS = [0, 1, 2, 4, 8] as const
const AIMS = ['group', 'subgroup', 'container', 'even'] as const
const unit = computed(() => catalogue.settings.unit)
const form = reactive({
  zoneId: '',
  keys: [] as FilingKey[],
  containers: [] as { id: string; isUsed: boolean }[],
  reserve: 10,
  isEven: false,
  withHeap: isFromHeap,
  aims: { ...START_AIMS },
  table: unit.value === 'in' ? '24 in' : '60 cm',
  armful: unit.value === 'in' ? '6 in' : '15 cm',
})
const zone = computed((): Zone | null => zones.value.find(each => each.id === form.zoneId) ?? null)
/** Sets of this corner that stand nowhere yet. */
const heapIds = computed(() =>
  catalogue.nowhere.filter(holding => zoneFor(holding, catalogue.facts.zones)?.id === form.zoneId).map(({ id }) => id),
)
/** Where nobody has looked yet: what stands there stays where it is. */
const unseen = computed(() => rowsOf(form.zoneId).filter(row => row.somewhere.length > 0))
const tableMm = useLength(() => form.table)
const armfulMm = useLength(() => form.armful)
function begin(id: string): void {
  const found = zones.value.find(each => each.id === id) ?? zones.value[0]
  if (!found) return
  Object.assign(form, {
    zoneId: found.id,
    keys: [...(initialRule ?? found.filingRule.keys)],
    reserve: Math.round(found.growthReserve * 100),
    containers: rowsOf(found.id).map(row => ({ id: row.container.id, isUsed: true })),
  })
}
watch(
  () => zones.value.length,
  () => {
    if (!zone.value) begin(initialZone ?? '')
  },
  { immediate: true },
)
watch(form, () => emit('changed'))
function move(at: number, by: number): void {
  const [moved] = form.containers.splice(at, 1)
  if (moved) form.containers.splice(at + by, 0, moved)
}
const nameOf = (id: string): string => catalogue.tables?.containers.get(id)?.name ?? ''
const isReady = computed(() => zone.value !== null && tableMm.value !== null && armfulMm.value !== null && form.keys.length > 0)

function ask(): void {
  if (!zone.value || tableMm.value === null || armfulMm.value === null) return
  const question: Omit<RefilingQuestion, 'heap'> = {
    zone: zone.value,
    rule: { keys: [...form.keys] },
    containerIds: form.containers.filter(each => each.isUsed).map(each => each.id),
    reserve: Math.min(0.9, Math.max(0, form.reserve / 100 || 0)),
    aims: { ...form.aims },
    isEven: form.isEven,
    tableMm: tableMm.value,
    armfulMm: armfulMm.value,
  }
  emit('ask', plainly(question), form.withHeap ? [...heapIds.value] : [])
}
</script>

<template>
  <form class="grid gap-4 sm:grid-cols-2" novalidate @submit.prevent="ask">
    <KField :label="refileWords.zone" for="refile-zone">
      <select id="refile-zone" class="field" :value="form.zoneId" @change="begin(($event.target as HTMLSelectElement).value)">
        <option v-for="each in zones" :key="each.id" :value="each.id">{{ each.name }} ({{ placeWords.rule(each.filingRule) }})</option>
      </select>
    </KField>
    <div>
      <p class="label">{{ refileWords.rule }}</p>
      <RuleKeys v-model="form.keys" />
    </div>
    <KCheck v-if="heapIds.length > 0" v-model="form.withHeap" class="sm:col-span-2" :label="refileWords.withHeap(heapIds.length)" />
    <p v-if="unseen[0]" class="border-l-4 border-ochre bg-wash px-3 py-1 sm:col-span-2" data-unseen>
      {{
        refileWords.unseen(
          unseen.reduce((sum, row) => sum + row.somewhere.length, 0),
          unseen.length,
        )
      }}
      <NuxtLink :to="`/storeroom/${unseen[0].container.id}?along=`" class="inline-flex min-h-11 items-center underline">
        {{ refileWords.walkAlong(unseen[0].container.name) }}
      </NuxtLink>
    </p>
    <fieldset class="sm:col-span-2">
      <legend class="label">{{ refileWords.into }}</legend>
      <ol class="grid gap-x-6 sm:grid-cols-2">
        <li v-for="(each, at) in form.containers" :key="each.id" class="flex items-center gap-1 border-b border-line">
          <KCheck v-model="each.isUsed" class="flex-1" :label="nameOf(each.id)" />
          <KIcon :disabled="at === 0" :icon="ArrowUp" :label="`${nameOf(each.id)} ↑`" @click="move(at, -1)" />
          <KIcon :disabled="at === form.containers.length - 1" :icon="ArrowDown" :label="`${nameOf(each.id)} ↓`" @click="move(at, 1)" />
        </li>
      </ol>
    </fieldset>
    <div class="grid grid-cols-3 gap-3 sm:col-span-2">
      <KNumber id="refile-reserve" v-model="form.reserve" :label="refileWords.reserve" :min="0" :max="90" />
      <KField :label="refileWords.table" for="refile-table" :problem="tableMm === null ? refileWords.lengthProblem : ''">
        <input id="refile-table" v-model="form.table" class="field figures" maxlength="20" autocomplete="off" />
      </KField>
      <KField :label="refileWords.armful" for="refile-armful" :problem="armfulMm === null ? refileWords.lengthProblem : ''">
        <input id="refile-armful" v-model="form.armful" class="field figures" maxlength="20" autocomplete="off" />
      </KField>
    </div>
    <details class="sm:col-span-2">
      <summary class="min-h-11 content-center font-semibold">{{ refileWords.moreAims }}</summary>
      <fieldset>
        <legend class="label">{{ refileWords.aims }}</legend>
        <div class="grid gap-3 sm:grid-cols-4">
          <KField v-for="aim in AIMS" :key="aim" :label="refileWords.aim[aim]" :for="`aim-${aim}`">
            <select :id="`aim-${aim}`" v-model.number="form.aims[aim]" class="field">
              <option v-for="(weight, at) in WEIGHTS" :key="weight" :value="weight">{{ refileWords.weight[at] }}</option>
              <option v-if="!WEIGHTS.some(each => each === form.aims[aim])" :value="form.aims[aim]">{{ refileWords.weight[2] }}</option>
            </select>
          </KField>
        </div>
        <label class="mt-2 flex min-h-11 items-center gap-3">
          <input v-model="form.isEven" type="checkbox" class="size-5" />
          {{ refileWords.evenFirst }}
        </label>
      </fieldset>
    </details>
    <div class="sm:col-span-2">
      <button type="submit" class="button-main" :disabled="!isReady || isBusy">
        <Calculator :size="18" aria-hidden="true" />
        {{ refileWords.propose }}
      </button>
    </div>
  </form>
</template>
