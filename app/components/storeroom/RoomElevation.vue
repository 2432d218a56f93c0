<script setup lang="ts">
import { computed } from 'vue'
import { NuxtLink } from '#components'
import { useFills } from '~/composables/useFills'
import { storeroomWords } from '~/messages'
import { useCatalogue } from '~/stores/catalogue'
import { useFind } from '~/stores/find'

/** The room fixture by fixture, shelves from the top, containers as wide as they are long and filled as far as they are full. */
const catalogue = useCatalogue()
const find = useFind()
const fills = useFills()
const PX_PER_MM = 0.5
const LEAST_PX = 112

const fixtures = computed(() => [...catalogue.tables?.fixtures.values() ?? []].sort((a, b) => a.rank - b.rank).map(fixture => ({
  fixture,
  shelves: Array.from({ length: fixture.shelves }, (_, index) => catalogue.containers.filter(row => row.container.fixtureId === fixture.id && row.container.shelf === index + 1)).filter((shelf, index, all) => shelf.length > 0 || all.some(each => each.length > 0)),
})))
const percent = (id: string): number => Math.round((fills.value.get(id)?.share ?? 0) * 100)
</script>

<template>
  <div class="flex flex-wrap items-end gap-x-8 gap-y-8" :aria-label="storeroomWords.elevation">
    <section v-for="{ fixture, shelves } in fixtures" :key="fixture.id" class="max-w-full">
      <div class="border-x-4 border-t-4 border-ridge-5 px-2 pt-2">
        <ul v-for="(shelf, index) in shelves" :key="index" class="flex min-h-12 flex-wrap items-end gap-2 sm:flex-nowrap border-b-4 border-ridge-5 pt-1.5">
          <li v-for="{ container, placements } in shelf" :key="container.id">
            <NuxtLink
              :to="`/storeroom/${container.id}`" class="relative flex min-h-13 flex-col justify-between overflow-hidden border border-b-0 border-edge bg-sheet px-2 pt-0.5 pb-2 leading-tight hover:bg-wash"
              :style="{ width: `${Math.max(LEAST_PX, container.lengthMm * container.lanes * PX_PER_MM)}px` }" :aria-label="`${container.name}: ${storeroomWords.sets(placements.length)}, ${storeroomWords.full(percent(container.id), true)}`"
            >
              <span class="absolute inset-x-0 bottom-0 h-1.5 bg-ridge-1"><span class="block h-full" :class="percent(container.id) > 100 ? 'bg-berry' : 'bg-ridge-4'" :style="{ width: `${Math.min(100, percent(container.id))}%` }" /></span>
              <span class="relative flex items-baseline justify-between gap-2 font-title font-semibold whitespace-nowrap">{{ container.name }}<span v-if="find.pins.get(container.id)" class="rounded-full bg-ember px-2 text-[0.85rem] text-on-strong figures">{{ find.pins.get(container.id) }}</span></span>
              <span class="relative text-[0.85rem] whitespace-nowrap text-night figures">{{ storeroomWords.sets(placements.length) }}, {{ percent(container.id) }} %</span>
            </NuxtLink>
          </li>
        </ul>
      </div>
      <h2 class="mt-1 text-[1.02rem]">{{ fixture.name }}</h2>
    </section>
  </div>
</template>
