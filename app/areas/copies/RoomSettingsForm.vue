<script setup lang="ts">
import { DATE_ORDERS, ROOM_CURRENCIES, type RoomSettings, SHELVES_FROM } from '#core/catalog'
import KField from '~/kit/KField.vue'
import { act } from '~/data/act'
import { copyWords } from '~/subjects/copies/words'
import { useCatalogue } from '~/data/useCatalogue'

/** How the room is called, and how it reads and writes lengths and money. */
const catalogue = useCatalogue()
const TICKS = [8, 16, 32] as const
const currencies = [...new Set([catalogue.settings.currency, ...ROOM_CURRENCIES])].sort()
const change = (part: Partial<Omit<RoomSettings, 'id'>>): Promise<void> => act.changeSettings(part)
const valueOf = (event: Event): string => (event.target as HTMLInputElement | HTMLSelectElement).value
function rename(event: Event): void {
  const roomName = valueOf(event).trim()
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
      <KField :label="copyWords.currency" for="room-currency">
        <select id="room-currency" class="field" :value="catalogue.settings.currency" @change="change({ currency: valueOf($event) })">
          <option v-for="code in currencies" :key="code" :value="code">{{ code }}</option>
        </select>
      </KField>
      <KField :label="copyWords.units" for="room-unit">
        <select
          id="room-unit"
          class="field"
          :value="catalogue.settings.unit"
          @change="change({ unit: valueOf($event) === 'in' ? 'in' : 'cm' })"
        >
          <option value="in">{{ copyWords.unit.in }}</option>
          <option value="cm">{{ copyWords.unit.cm }}</option>
        </select>
      </KField>
      <KField :label="copyWords.ticks" for="room-ticks">
        <select
          id="room-ticks"
          class="field"
          :value="catalogue.settings.trimmerTicks"
          @change="change({ trimmerTicks: TICKS.find(each => String(each) === valueOf($event)) ?? 16 })"
        >
          <option v-for="ticks in TICKS" :key="ticks" :value="ticks">{{ copyWords.tick(ticks) }}</option>
        </select>
      </KField>
      <KField :label="copyWords.reduced" for="room-fractions">
        <select
          id="room-fractions"
          class="field"
          :value="String(catalogue.settings.reducedFractions)"
          @change="change({ reducedFractions: valueOf($event) === 'true' })"
        >
          <option value="true">{{ copyWords.reducedYes }}</option>
          <option value="false">{{ copyWords.reducedNo }}</option>
        </select>
      </KField>
      <KField :label="copyWords.dateOrder" for="room-dates">
        <select
          id="room-dates"
          class="field"
          :value="catalogue.settings.dateOrder ?? ''"
          @change="change({ dateOrder: DATE_ORDERS.find(each => each === valueOf($event)) ?? null })"
        >
          <option value="">{{ copyWords.dateOrderAsked }}</option>
          <option v-for="order in DATE_ORDERS" :key="order" :value="order">{{ copyWords.dateOrders[order] }}</option>
        </select>
      </KField>
      <KField :label="copyWords.shelvesFrom" for="room-shelves">
        <select
          id="room-shelves"
          class="field"
          :value="catalogue.settings.shelvesFrom"
          @change="change({ shelvesFrom: SHELVES_FROM.find(each => each === valueOf($event)) ?? 'top' })"
        >
          <option v-for="from in SHELVES_FROM" :key="from" :value="from">{{ copyWords.shelvesFroms[from] }}</option>
        </select>
      </KField>
    </div>
  </section>
</template>
