<script setup lang="ts">
import type { RoomSettings } from '#core/catalog'
import KField from '~/kit/KField.vue'
import { act } from '~/data/act'
import { copyWords } from './words'
import { shellWords } from '~/shell/words'
import { useCatalogue } from '~/data/useCatalogue'

/** How the room is called, and how it reads and writes lengths and money. */
const catalogue = useCatalogue()
const TICKS = [8, 16, 32] as const
const CURRENCIES = ['EUR', 'USD', 'GBP', 'CAD', 'AUD', 'NZD', 'CHF', 'SEK', 'NOK', 'DKK'] as const
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
          <option v-for="code in CURRENCIES" :key="code" :value="code">{{ code }}</option>
        </select>
      </KField>
      <KField :label="copyWords.units" for="room-unit">
        <select
          id="room-unit"
          class="field"
          :value="catalogue.settings.unit"
          @change="change({ unit: valueOf($event) === 'in' ? 'in' : 'cm' })"
        >
          <option value="in">{{ shellWords.unit.in }}</option>
          <option value="cm">{{ shellWords.unit.cm }}</option>
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
    </div>
  </section>
</template>
