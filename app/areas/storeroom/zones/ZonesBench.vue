<script setup lang="ts">
import { Plus, SlidersHorizontal } from 'lucide-vue-next'
import { computed, shallowRef } from 'vue'
import { type Container, CONTAINER_TYPES, DIE_PLACES, type Zone } from '#core/catalog'
import { useChosen } from '~/kit/useChosen'
import KChoice from '~/kit/KChoice.vue'
import KField from '~/kit/KField.vue'
import KNumber from '~/kit/KNumber.vue'
import AddressPatternField from './AddressPatternField.vue'
import RuleDialog from './RuleDialog.vue'
import StoreroomNav from '~/areas/storeroom/StoreroomNav.vue'
import { act } from '~/data/act'
import { placeWords } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import { roomWords } from '~/subjects/room/roomWords'
import { zoneWords } from './words'

/** The zones with their rules, reserves and limits; and how addresses are written. */
const catalogue = useCatalogue()
const notices = useNotices()
const zones = computed(() => [...catalogue.facts.zones].sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1)))
const kinds = computed(() => [...(catalogue.tables?.kinds.values() ?? [])].sort((a, b) => a.rank - b.rank))
const openId = useChosen('corner')
const ruleOf = shallowRef<Zone | null>(null)
const opened = computed(() => zones.value.find(zone => zone.id === openId.value) ?? zones.value[0] ?? null)
const containers = computed(() => catalogue.containers.map(row => row.container).filter(container => !container.isTable))
const zoneName = (id: string): string => zones.value.find(zone => zone.id === id)?.name ?? ''
const keysOf = (zone: Zone): string => placeWords.rule(zone.filingRule)

function change(zone: Zone, fields: Partial<Omit<Zone, 'id'>>): void {
  void act.changeZone(zone.id, fields)
}
function toggleKind(zone: Zone, id: string): void {
  void act.changeZone(zone.id, ({ takesKindIds }) => ({
    takesKindIds: takesKindIds.includes(id) ? takesKindIds.filter(each => each !== id) : [...takesKindIds, id],
  }))
}
function setCap(zone: Zone, text: string): void {
  const cap = Math.round(Number(text))
  change(zone, { capHoldings: text.trim() !== '' && cap > 0 ? cap : null })
}
/** Comes over from the corner it was in; every container is in one. */
async function join(container: Container, zoneId: string): Promise<void> {
  const outcome = await act.changeContainer(container.id, { zoneId })
  if (!outcome.ok) notices.tell(roomWords.outcome(outcome), 'care')
}
async function add(): Promise<void> {
  openId.value = await act.addZone(`${zoneWords.newZone} ${zones.value.length + 1}`)
}
async function end(zone: Zone, intoId: string): Promise<void> {
  if (!intoId) return
  const outcome = await act.removeZone(zone.id, intoId)
  if (!outcome.ok) return void notices.tell(roomWords.outcome(outcome), 'care')
  openId.value = null
}
const textOf = (event: Event): string => (event.target as HTMLInputElement).value
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <StoreroomNav :title="zoneWords.zonesTitle" :lead="zoneWords.zonesLead" />
    <div class="mt-2 grid gap-6 md:grid-cols-[20rem_1fr]">
      <ul class="content-start border-t border-line">
        <li v-for="zone in zones" :key="zone.id" class="border-b border-line">
          <button
            type="button"
            class="min-h-11 w-full px-2 py-1 text-left leading-snug hover:bg-wash"
            :class="opened?.id === zone.id ? 'bg-wash font-semibold' : ''"
            :aria-expanded="opened?.id === zone.id"
            @click="openId = zone.id"
          >
            {{ zone.name }}
            <span class="hint block font-normal">{{ zoneWords.rule.toLowerCase() }} {{ keysOf(zone) }}</span>
          </button>
        </li>
        <li>
          <button type="button" class="button my-3" @click="add">
            <Plus :size="18" aria-hidden="true" />
            {{ zoneWords.newZone }}
          </button>
        </li>
      </ul>
      <section v-if="opened" :key="opened.id" class="panel grid content-start gap-4 sm:grid-cols-2" :aria-label="opened.name" data-zone>
        <KField :label="zoneWords.zoneName" for="zone-name">
          <input
            id="zone-name"
            class="field"
            maxlength="80"
            :value="opened.name"
            @change="textOf($event).trim() && change(opened, { name: textOf($event).trim() })"
          />
        </KField>
        <div>
          <p class="label">{{ zoneWords.rule }}</p>
          <button type="button" class="button" @click="ruleOf = opened">
            <SlidersHorizontal :size="18" aria-hidden="true" />
            {{ keysOf(opened) }}
          </button>
        </div>
        <KNumber
          id="zone-growth"
          settled
          whole
          :model-value="Math.round(opened.growthReserve * 100)"
          :label="zoneWords.growth"
          :min="0"
          :max="90"
          @update:model-value="change(opened, { growthReserve: $event / 100 })"
        />
        <KField :label="zoneWords.capField" for="zone-cap" :hint="zoneWords.capHint">
          <input
            id="zone-cap"
            class="field figures"
            inputmode="numeric"
            maxlength="7"
            :value="opened.capHoldings ?? ''"
            @change="setCap(opened, textOf($event))"
          />
        </KField>
        <KChoice
          id="zone-dies"
          :model-value="opened.habits.dies"
          :label="zoneWords.dies"
          :choices="DIE_PLACES"
          :words="zoneWords.diesOf"
          @update:model-value="change(opened, { habits: { ...opened.habits, dies: $event } })"
        />
        <KField v-if="zones.length > 1" :label="zoneWords.endZone" for="zone-end">
          <select id="zone-end" class="field" value="" @change="end(opened, textOf($event))">
            <option value="" />
            <option v-for="each in zones.filter(other => other.id !== opened?.id)" :key="each.id" :value="each.id">
              {{ zoneWords.endZoneInto(each.name) }}
            </option>
          </select>
        </KField>
        <fieldset class="sm:col-span-2">
          <legend class="label">
            {{ zoneWords.takes }}{{ opened.takesKindIds.length === 0 ? ':' : '' }}
            <span v-if="opened.takesKindIds.length === 0" class="font-normal">{{ zoneWords.takesAll }}</span>
          </legend>
          <div class="flex flex-wrap gap-x-4">
            <label v-for="kind in kinds" :key="kind.id" class="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                class="size-5"
                :checked="opened.takesKindIds.includes(kind.id)"
                @change="toggleKind(opened, kind.id)"
              />
              {{ kind.name }}
            </label>
          </div>
        </fieldset>
        <fieldset class="sm:col-span-2" data-members>
          <legend class="label">{{ zoneWords.members }}</legend>
          <p class="hint">{{ zoneWords.membersHint }}</p>
          <div class="grid grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-x-4">
            <label v-for="container in containers" :key="container.id" class="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                class="size-5"
                :checked="container.zoneId === opened.id"
                :disabled="container.zoneId === opened.id"
                @change="join(container, opened.id)"
              />
              <span>
                {{ container.name }}
                <span v-if="container.zoneId !== opened.id" class="hint block">{{ zoneName(container.zoneId) }}</span>
              </span>
            </label>
          </div>
        </fieldset>
      </section>
    </div>
    <section class="mt-8" :aria-label="zoneWords.addressTitle">
      <h2 class="text-[1.15rem]">{{ zoneWords.addressTitle }}</h2>
      <p class="hint">{{ zoneWords.addressLead }}</p>
      <div class="mt-2 grid gap-x-6 gap-y-2 sm:grid-cols-2 lg:grid-cols-4">
        <AddressPatternField v-for="type in CONTAINER_TYPES" :key="type" :type="type" />
      </div>
    </section>
    <RuleDialog v-if="ruleOf" :zone="ruleOf" :open="ruleOf !== null" @close="ruleOf = null" />
  </div>
</template>
