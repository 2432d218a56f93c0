<script setup lang="ts">
import { DATE_ORDERS, ROOM_CURRENCIES, type RoomSettings, SHELVES_FROM } from '#core/catalog'
import { fieldsOf } from '~/kit/fieldsOf'
import KChoice from '~/kit/KChoice.vue'
import KField from '~/kit/KField.vue'
import { act } from '~/data/act'
import { copyWords } from '~/subjects/copies/words'
import { useCatalogue } from '~/data/useCatalogue'

/** How the room is called, and how it reads and writes lengths and money. */
const catalogue = useCatalogue()
const TICKS = [8, 16, 32] as const
const UNITS = ['in', 'cm'] as const
const currencies = [...new Set([catalogue.settings.currency, ...ROOM_CURRENCIES])].sort()
const change = (part: Partial<Omit<RoomSettings, 'id'>>): Promise<void> => act.changeSettings(part)
const own = fieldsOf(() => catalogue.settings, change)
const reducedWord = (is: boolean): string => (is ? copyWords.reducedYes : copyWords.reducedNo)
const dateWord = (order: RoomSettings['dateOrder']): string => (order ? copyWords.dateOrders[order] : copyWords.dateOrderAsked)
function rename(event: Event): void {
  const roomName = (event.target as HTMLInputElement).value.trim()
  if (roomName) void change({ roomName })
}
</script>

<template>
  <section class="border-t border-line pt-5">
    <h2 class="text-[1.15rem]">{{ copyWords.settingsTitle }}</h2>
    <div class="mt-3 grid gap-4 sm:grid-cols-3">
      <KField class="sm:col-span-2" :label="copyWords.roomName" for="room-name">
        <input id="room-name" class="field" maxlength="300" :value="catalogue.settings.roomName" @change="rename" />
      </KField>
      <KChoice id="room-currency" v-model="own.currency" :label="copyWords.currency" :choices="currencies" :words="code => code" />
      <KChoice id="room-unit" v-model="own.unit" :label="copyWords.units" :choices="UNITS" :words="copyWords.unit" />
      <KChoice id="room-ticks" v-model="own.trimmerTicks" :label="copyWords.ticks" :choices="TICKS" :words="copyWords.tick" />
      <KChoice
        id="room-fractions"
        v-model="own.reducedFractions"
        :label="copyWords.reduced"
        :choices="[true, false]"
        :words="reducedWord"
      />
      <KChoice id="room-dates" v-model="own.dateOrder" :label="copyWords.dateOrder" :choices="[null, ...DATE_ORDERS]" :words="dateWord" />
      <KChoice
        id="room-shelves"
        v-model="own.shelvesFrom"
        :label="copyWords.shelvesFrom"
        :choices="SHELVES_FROM"
        :words="copyWords.shelvesFroms"
      />
    </div>
  </section>
</template>
