<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import { ArrowDown, ArrowUp } from 'lucide-vue-next'
import { computed } from 'vue'
import type { FitWay, Zone } from '#core/catalog'
import { act } from '~/data/act'
import { holderWords } from '~/subjects/fit/words'
import { useCatalogue } from '~/data/useCatalogue'

/** The owner's ranking of the ways to fit, what they would never do, and what goes in besides the set, zone by zone. */
const catalogue = useCatalogue()
const order = computed(() => catalogue.settings.fitOrder)
const never = computed(() => catalogue.settings.fitNever)
const zones = computed(() => [...(catalogue.tables?.zones.values() ?? [])].sort((a, b) => a.rank - b.rank))

function move(way: FitWay, by: number): void {
  void act.changeSettings(({ fitOrder }) => {
    const others = fitOrder.filter(each => each !== way)
    const at = Math.min(others.length, Math.max(0, fitOrder.indexOf(way) + by))
    return { fitOrder: [...others.slice(0, at), way, ...others.slice(at)] }
  })
}
function toggleNever(way: FitWay): void {
  void act.changeSettings(({ fitNever }) => ({
    fitNever: fitNever.includes(way) ? fitNever.filter(each => each !== way) : [...fitNever, way],
  }))
}
const HABITS = ['insert', 'magnet', 'packaging', 'dies'] as const
const isOn = (zone: Zone, habit: (typeof HABITS)[number]): boolean =>
  ({
    insert: zone.habits.insert,
    magnet: zone.habits.magnet,
    packaging: zone.habits.packaging === 'keep',
    dies: zone.habits.dies === 'behind',
  })[habit]
function toggleHabit(zone: Zone, habit: (typeof HABITS)[number]): void {
  const isNow = !isOn(zone, habit)
  const changed: Partial<Zone['habits']> = {
    insert: { insert: isNow },
    magnet: { magnet: isNow },
    packaging: { packaging: isNow ? ('keep' as const) : ('none' as const) },
    dies: { dies: isNow ? ('behind' as const) : ('apart' as const) },
  }[habit]
  void act.changeZone(zone.id, ({ habits }) => ({ habits: { ...habits, ...changed } }))
}
</script>

<template>
  <div class="grid grid-cols-1 gap-6 md:grid-cols-2">
    <section :aria-label="holderWords.habits">
      <h2 class="text-[1.15rem]">{{ holderWords.habits }}</h2>
      <p class="hint">{{ holderWords.habitsLead }}</p>
      <ol class="mt-2 border-t border-line">
        <li v-for="(way, at) in order" :key="way" class="flex items-center gap-2 border-b border-line">
          <span class="min-w-0 flex-1" :class="never.includes(way) ? 'text-quiet line-through' : ''">{{ holderWords.way[way] }}</span>
          <label class="flex min-h-11 items-center gap-2">
            <input type="checkbox" class="size-5" :checked="never.includes(way)" @change="toggleNever(way)" />
            {{ holderWords.never }}
          </label>
          <KIcon :disabled="at === 0" :icon="ArrowUp" :label="holderWords.earlier(holderWords.way[way])" @click="move(way, -1)" />
          <KIcon
            :disabled="at === order.length - 1"
            :icon="ArrowDown"
            :label="holderWords.later(holderWords.way[way])"
            @click="move(way, 1)"
          />
        </li>
      </ol>
    </section>
    <section :aria-label="holderWords.zones">
      <h2 class="text-[1.15rem]">{{ holderWords.zones }}</h2>
      <fieldset v-for="zone in zones" :key="zone.id" class="mt-3 border-t border-line pt-1">
        <legend class="float-left w-full font-semibold">{{ zone.name }}</legend>
        <div class="flex clear-both flex-wrap gap-x-4">
          <label v-for="habit in HABITS" :key="habit" class="flex min-h-11 items-center gap-2">
            <input type="checkbox" class="size-5" :checked="isOn(zone, habit)" @change="toggleHabit(zone, habit)" />
            {{ holderWords.zoneHabits[habit] }}
          </label>
        </div>
      </fieldset>
      <p class="hint mt-3">{{ holderWords.magnet }}</p>
    </section>
  </div>
</template>
