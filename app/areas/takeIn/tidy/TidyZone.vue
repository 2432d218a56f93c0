<script setup lang="ts">
import { computed } from 'vue'
import { isBlank } from '#core/catalog'
import type { ContainerShape } from '#core/room'
import type { TidyChoice, ZoneTidy } from '#core/tidy'
import FurnitureSelect from '~/subjects/room/FurnitureSelect.vue'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { placeWords } from '~/data/words'
import { kitWords } from '~/kit/words'
import { NuxtLink } from '#components'
import type { TidyTyped } from './useTidy'
import { tidyWords } from './words'
import { roomWords } from '~/subjects/room/roomWords'

/** What the waiting sets of one corner need: holders by type, and the containers that their row or their cells take. */
const { tidy, choice, length, shapes } = defineProps<{
  tidy: ZoneTidy
  choice: TidyChoice
  /** As it is typed. */
  length: string
  shapes: readonly ContainerShape[]
}>()
const emit = defineEmits<{ choose: [change: TidyTyped] }>()
const catalogue = useCatalogue()
const { lengthText, numberAndName } = useDescribe()

const shape = computed(() => shapes.find(({ id }) => id === choice.shapeId))
const typeOf = (id: string | null) => (id ? catalogue.tables?.holderTypes.get(id) : undefined)
const shapeName = ({ id }: ContainerShape): string =>
  roomWords.shapes[id] ?? tidyWords.like(catalogue.tables?.containers.get(id)?.name ?? '')
const isLengthWrong = computed(() => !isBlank(length) && choice.lengthMm === null)
const reserve = computed(() => kitWords.percent(tidy.zone.growthReserve))
</script>

<template>
  <section class="border-t-2 border-ridge-5 pt-3" :data-tidy="tidy.zone.id">
    <h2 class="text-[1.2rem] figures">{{ tidyWords.zone(tidy.zone.name, tidy.waiting.length) }}</h2>
    <p>
      {{ tidyWords.by(placeWords.rule(tidy.zone.filingRule)) }}
      <NuxtLink to="/storeroom/zones" class="inline-flex min-h-11 items-center underline">{{ tidyWords.change }}</NuxtLink>
    </p>
    <div class="grid gap-x-8 gap-y-4 md:grid-cols-2">
      <div>
        <h3 class="font-semibold">{{ tidyWords.holders }}</h3>
        <ul v-if="tidy.holders.length > 0" class="mt-1 figures" data-holders>
          <li v-for="each in tidy.holders" :key="each.typeId ?? ''" class="flex justify-between gap-3 border-t border-line py-1">
            <span class="font-semibold">{{ tidyWords.holder(each, typeOf(each.typeId)) }}</span>
            <span v-if="typeOf(each.typeId)?.type !== 'none'" class="text-quiet">{{ tidyWords.toGet(each) }}</span>
          </li>
        </ul>
        <p v-else-if="tidy.runMm !== null" class="hint mt-1">{{ tidyWords.noHolders }}</p>
        <p v-if="tidy.assumed > 0" class="hint mt-1">{{ tidyWords.assumed(tidy.assumed) }}</p>
        <p v-if="tidy.unknown > 0" class="mt-1 text-ochre">{{ tidyWords.unknown(tidy.unknown, tidy.runMm !== null) }}</p>
        <p v-if="tidy.fitsNone.length > 0" class="mt-1 border-l-4 border-ochre bg-wash px-3 py-1 wrap-anywhere">
          {{ tidyWords.fitsNone(tidy.fitsNone.map(numberAndName)) }}
        </p>
      </div>
      <div>
        <h3 class="font-semibold">{{ tidyWords.containers }}</h3>
        <p class="mt-1 figures">
          {{ tidy.runMm === null ? tidyWords.cells(reserve) : tidyWords.run(lengthText(tidy.runMm), reserve) }}
        </p>
        <div class="mt-1 flex flex-wrap items-end gap-x-4 gap-y-2">
          <label class="block max-w-full">
            <span class="hint block">{{ tidyWords.sort }}</span>
            <select
              class="field w-auto max-w-full"
              :value="choice.shapeId"
              @change="emit('choose', { shapeId: ($event.target as HTMLSelectElement).value })"
            >
              <option v-for="each in shapes" :key="each.id" :value="each.id">{{ shapeName(each) }}</option>
            </select>
          </label>
          <label v-if="tidy.runMm !== null" class="block max-w-full">
            <span class="hint block">{{ tidyWords.length }}</span>
            <input
              class="field w-36 figures"
              maxlength="20"
              autocomplete="off"
              :placeholder="lengthText(shape?.lengthMm ?? 0)"
              :value="length"
              :aria-invalid="isLengthWrong"
              @input="emit('choose', { length: ($event.target as HTMLInputElement).value })"
            />
          </label>
          <FurnitureSelect v-if="tidy.made.length > 0" :chosen="choice.fixture" @choose="emit('choose', { fixture: $event })" />
        </div>
        <p v-if="isLengthWrong" class="mt-1 font-semibold text-berry" role="alert">{{ tidyWords.lengthProblem }}</p>
        <p class="mt-2 font-semibold figures" data-makes>{{ tidyWords.makes(tidy) }}</p>
        <p v-if="tidy.tooLarge.length > 0" class="mt-1 border-l-4 border-ochre bg-wash px-3 py-1 wrap-anywhere">
          {{ tidyWords.tooLarge(tidy.tooLarge.map(numberAndName)) }}
        </p>
      </div>
    </div>
    <slot />
  </section>
</template>
