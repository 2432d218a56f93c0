<script setup lang="ts">
import { PencilLine, Sun } from 'lucide-vue-next'
import { computed } from 'vue'
import type { Fixture } from '#core/catalog'
import { layElevation } from '#core/drawing'
import { setsIn } from '#core/room'
import { NuxtLink } from '#components'
import { useFills } from '~/subjects/room/useFills'
import { useCatalogue } from '~/data/useCatalogue'
import { usePins } from '~/subjects/ask/usePins'
import { elevationWords } from './words'
import { furnishWords } from '../building/words'
import { roomWords } from '~/subjects/room/roomWords'

/** The room from the front, to scale: furniture on the floor, its boards at their height, each container filled as far as it is full. */
const emit = defineEmits<{ furniture: [fixture: Fixture] }>()
const catalogue = useCatalogue()
const pins = usePins()
const fills = useFills()
const PX_PER_MM = 0.37
/** A front narrower than this carries its name upright, as a spine does. */
const UPRIGHT_BELOW_PX = 60
const [LINE_PX, LETTER_PX, EDGE_PX] = [19, 8.2, 16]
/** What a front has room for: its name, or else its letters for the label; then how many sets, and how full. Nothing is cut. */
function writtenOn(name: string, code: string, widthPx: number, heightPx: number) {
  const isUpright = widthPx < UPRIGHT_BELOW_PX
  const [along, across] = isUpright ? [heightPx, widthPx] : [widthPx, heightPx]
  const lines = Math.floor(across / LINE_PX)
  const lettersALine = Math.max(1, Math.floor((along - EDGE_PX) / LETTER_PX))
  const longest = Math.max(...name.split(' ').map(word => word.length))
  const linesInParts = longest <= lettersALine ? Math.ceil(name.length / lettersALine) + 1 : Infinity
  const linesOfName = name.length <= lettersALine ? 1 : linesInParts
  const isNamed = isUpright ? name.length <= lettersALine : linesOfName <= lines
  const left = isUpright ? 0 : lines - (isNamed ? linesOfName : 1)
  return { isUpright, text: isNamed ? name : code, lines: left }
}

const px = (mm: number): string => `${mm * PX_PER_MM}px`
const percent = (id: string): number => Math.round((fills.value.get(id)?.share ?? 0) * 100)
const fixtures = computed(() =>
  [...(catalogue.tables?.fixtures.values() ?? [])]
    .sort((a, b) => a.rank - b.rank)
    .map(fixture => {
      const own = catalogue.containers.filter(row => row.container.fixtureId === fixture.id)
      const shelves = Array.from({ length: fixture.shelves }, (_, at) =>
        own.filter(row => row.container.shelf === at + 1).map(row => row.container),
      )
      const { fronts, ...drawn } = layElevation(fixture, shelves)
      const isStanding = fixture.type !== 'wall'
      return {
        fixture,
        isStanding,
        ...drawn,
        fronts: fronts.flatMap(front => {
          const row = catalogue.room.rows.get(front.id)
          return row
            ? [
                {
                  ...front,
                  row,
                  percent: percent(front.id),
                  ...writtenOn(row.container.name, row.container.code, front.widthMm * PX_PER_MM, front.heightMm * PX_PER_MM),
                },
              ]
            : []
        }),
      }
    }),
)
</script>

<template>
  <div class="flex flex-wrap items-end gap-x-8 gap-y-8" :aria-label="elevationWords.elevation" data-elevation>
    <section v-for="{ fixture, isStanding, boardsMm, fronts, widthMm, heightMm } in fixtures" :key="fixture.id" class="max-w-full">
      <div class="overflow-x-auto">
        <div
          class="relative box-content"
          :class="isStanding ? 'border-x-4 border-t-4 border-ridge-5' : ''"
          :style="{ width: px(widthMm), height: px(heightMm) }"
        >
          <span
            v-for="(board, at) in boardsMm"
            :key="at"
            class="absolute inset-x-0 h-1 translate-y-full bg-ridge-5"
            :style="{ bottom: px(board) }"
            aria-hidden="true"
          />
          <NuxtLink
            v-for="{
              row,
              row: { container },
              xMm,
              bottomMm,
              widthMm: width,
              heightMm: height,
              percent: full,
              isUpright,
              text,
              lines,
            } in fronts"
            :key="container.id"
            :to="`/storeroom/${container.id}`"
            :title="container.name"
            class="group absolute overflow-hidden border border-edge bg-sheet leading-tight hover:z-10 hover:outline-2 hover:outline-edge"
            :style="{ left: px(xMm), bottom: px(bottomMm), width: px(width), height: px(height) }"
            :aria-label="`${container.name}: ${roomWords.sets(setsIn(row))}, ${roomWords.full(full)}`"
          >
            <span class="meter absolute inset-y-0 right-0 w-1.5 border-l border-edge bg-sheet" aria-hidden="true">
              <span
                class="absolute inset-x-0 bottom-0"
                :class="full > 100 ? 'bg-berry' : 'bg-ridge-4'"
                :style="{ height: `${Math.min(100, full)}%` }"
              />
            </span>
            <span
              class="absolute inset-y-0 right-1.5 left-0 overflow-hidden px-1 py-0.5 text-[0.85rem] text-night"
              :class="isUpright ? 'flex items-center px-0 [writing-mode:vertical-rl]' : ''"
            >
              <span class="block font-title font-semibold" :class="isUpright ? 'whitespace-nowrap' : ''">{{ text }}</span>
              <span v-if="lines > 0" class="block whitespace-nowrap figures" :class="full > 100 ? 'font-semibold text-berry' : ''">
                {{ full }} %
              </span>
              <span v-if="lines > 1" class="block whitespace-nowrap figures">{{ roomWords.sets(setsIn(row)) }}</span>
            </span>
            <span
              v-if="pins.byContainer.get(container.id)"
              class="pin absolute right-2 bottom-0.5 rounded-full bg-ember px-1.5 text-[0.85rem] text-on-strong figures"
            >
              {{ pins.byContainer.get(container.id) }}
            </span>
          </NuxtLink>
        </div>
      </div>
      <h2 class="border-t-4 border-ridge-2">
        <button
          type="button"
          class="inline-flex min-h-11 items-center gap-1.5 text-[1.02rem] font-semibold hover:underline"
          @click="emit('furniture', fixture)"
        >
          {{ fixture.name }}
          <Sun v-if="fixture.isSunlit" :size="16" class="text-ochre" :aria-label="furnishWords.sunlit" />
          <PencilLine :size="15" aria-hidden="true" />
        </button>
      </h2>
    </section>
  </div>
</template>
