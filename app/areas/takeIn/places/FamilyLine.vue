<script setup lang="ts">
import { computed } from 'vue'
import { CODE_READINGS, type Zone } from '#core/catalog'
import { CONTAINER_SHAPES } from '#core/room'
import {
  cellSpots,
  type FamilyChoice,
  type FamilyMeaning,
  type FamilyPlan,
  marksOf,
  meaningOf,
  namesPages,
  pageAndCell,
  type PlaceFamily,
} from '#core/room/places'
import FurnitureSelect from '~/subjects/room/FurnitureSelect.vue'
import { listedWords } from './words'
import { roomWords } from '~/subjects/room/roomWords'

/** One family of places: how its texts look, what they mean, and what comes of it. */
const { family, choice, plan, zones } = defineProps<{
  family: PlaceFamily
  choice: FamilyChoice
  plan: FamilyPlan
  zones: readonly Zone[]
}>()
const emit = defineEmits<{ choose: [change: Partial<FamilyChoice>] }>()
const SHOWN = 4
const DOUBTED = 6

const examples = computed(() => family.spots.slice(0, SHOWN).map(spot => spot.texts[0] ?? ''))
const meanings = computed((): readonly FamilyMeaning[] => {
  if (family.as === 'in') return ['containers', 'slots', 'out', 'none']
  return family.as === 'cell' ? ['pages', 'none'] : ['out', 'none']
})
const because = computed(() => listedWords.because[meaningOf(family).because])
const isBuilt = computed(() => choice.as === 'containers' || choice.as === 'slots' || choice.as === 'pages')
const hasPages = computed(() => choice.as === 'containers' && namesPages(family))
const shapes = computed(() =>
  CONTAINER_SHAPES.filter(shape => (hasPages.value ? shape.type === 'binder' : choice.as !== 'slots' || !shape.cells)),
)
function chooseShape(id: string): void {
  const shape = CONTAINER_SHAPES.find(each => each.id === id)
  if (!shape) return
  const { rows, columns } = shape.cells ?? choice.grid
  emit('choose', { shapeId: id, type: shape.type, grid: { rows, columns } })
}
/** A code that reads in two ways. */
const twoWays = computed(() => {
  const code = cellSpots(family).find(({ reading }) => reading.cell > 1)
  if (!code) return null
  const [cell, serial] = CODE_READINGS.map(reading => pageAndCell(code.reading, reading)).map(({ page, cell: at }) =>
    listedWords.pageCell(page, at),
  )
  return listedWords.readingHint(code.texts[0] ?? '', cell ?? '', serial ?? '')
})
const valueOf = (event: Event): string => (event.target as HTMLSelectElement).value
</script>

<template>
  <li class="border-t border-edge py-3" :data-family="family.key">
    <div class="flex flex-wrap items-baseline gap-x-4">
      <h2 class="text-[1.1rem]">{{ listedWords.family(family, marksOf(family), choice.grid.rows * choice.grid.columns) }}</h2>
      <span class="font-semibold figures">{{ listedWords.spots(family.sets, family.spots.length) }}</span>
      <span class="hint min-w-0 wrap-anywhere">{{ listedWords.examples(examples) }}</span>
    </div>
    <div class="mt-1 flex flex-wrap items-end gap-x-4 gap-y-2">
      <label class="block max-w-full">
        <span class="hint block">{{ listedWords.meaning }}</span>
        <select class="field w-auto max-w-full" :value="choice.as" @change="emit('choose', { as: valueOf($event) as FamilyMeaning })">
          <option v-for="each in meanings" :key="each" :value="each">{{ listedWords.meanings[each] }}</option>
        </select>
      </label>
      <template v-if="isBuilt">
        <label v-if="choice.as !== 'pages'" class="block max-w-full">
          <span class="hint block">{{ listedWords.shape }}</span>
          <select class="field w-auto" :value="choice.shapeId" @change="chooseShape(valueOf($event))">
            <option v-for="{ id } in shapes" :key="id" :value="id">{{ roomWords.shapes[id] }}</option>
          </select>
        </label>
        <FurnitureSelect v-if="plan.made.length > 0" :chosen="choice.fixture" @choose="emit('choose', { fixture: $event })" />
        <label v-if="zones.length > 1 && plan.made.length > 0" class="block max-w-full">
          <span class="hint block">{{ listedWords.corner }}</span>
          <select class="field w-auto max-w-full" :value="choice.zoneId" @change="emit('choose', { zoneId: valueOf($event) })">
            <option v-for="zone in zones" :key="zone.id" :value="zone.id">{{ zone.name }}</option>
          </select>
        </label>
      </template>
    </div>
    <fieldset v-if="choice.as === 'pages'" class="mt-1">
      <legend class="sr-only">{{ listedWords.reading }}</legend>
      <div class="flex flex-wrap items-center gap-x-4">
        <span aria-hidden="true">{{ listedWords.reading }}</span>
        <label v-for="reading in CODE_READINGS" :key="reading" class="flex min-h-11 items-center gap-2">
          <input
            type="radio"
            class="size-5 accent-(--strong)"
            :name="`reading ${family.key}`"
            :checked="choice.reading === reading"
            @change="emit('choose', { reading })"
          />
          {{ listedWords.readings[reading] }}
        </label>
        <span class="hint">{{ twoWays }}</span>
      </div>
    </fieldset>
    <p v-if="hasPages && plan.made.length > 0" class="mt-1 text-ochre">
      {{ listedWords.pagesUnknown(choice.grid.rows * choice.grid.columns) }}
    </p>
    <p class="mt-1">
      {{ isBuilt ? `${listedWords.makes(plan)} ` : '' }}
      <span class="font-semibold figures" data-gives>{{ listedWords.gives(plan) }}.</span>
      <span class="hint block">{{ because }}</span>
    </p>
    <p v-for="{ code, sets, texts } in plan.doubts" :key="code" class="mt-1 border-l-4 border-ochre bg-wash px-3 py-1" data-doubt>
      {{ listedWords.doubt[code](sets) }}
      <span class="hint block wrap-anywhere">
        {{ listedWords.doubtTexts(texts.slice(0, DOUBTED), Math.max(0, texts.length - DOUBTED)) }}
      </span>
    </p>
  </li>
</template>
