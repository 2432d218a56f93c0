<script setup lang="ts">
import { useDebounceFn, useElementSize, useMediaQuery } from '@vueuse/core'
import { ChevronDown, ChevronUp } from 'lucide-vue-next'
import { computed, nextTick, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { layRidge, type RidgeSource } from '#core/drawing'
import { setsIn } from '#core/room'
import { useFills } from '~/subjects/room/useFills'
import { useDescribe } from '~/data/useDescribe'
import { shellWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'
import { usePins } from '~/subjects/ask/usePins'
import { useRidge } from '~/subjects/ask/useRidge'
import RidgeBlockShape from './RidgeBlockShape.vue'

/** Heights in pixels: up, it has the names of the furniture below; at rest it is a skyline that still carries pins. */
const UP = { band: 96, floor: 22, pin: 30, stem: 12, least: 44, leastFixture: 96 } as const
const REST = { band: 44, floor: 5, pin: 21, stem: 2, least: 0, leastFixture: 0 } as const
/** A phone, or a page at twice its size, has less height to give. */
const UP_SMALL = { ...UP, band: 57, floor: 4, leastFixture: 0 } as const

const catalogue = useCatalogue()
const hitPins = usePins()
const { lookUp } = useDescribe()
const router = useRouter()
const route = useRoute()
const fills = useFills()
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const ridge = useRidge()
const isSmall = useMediaQuery('(max-width: 639px), (max-height: 500px)')
const size = computed(() => {
  if (!ridge.isUp) return REST
  return isSmall.value ? UP_SMALL : UP
})
const height = computed(() => size.value.band - size.value.floor - size.value.pin)
const marked = shallowRef(0)
/** Pins rise once typing rests: hundreds of blocks would hold up the next letter. */
const RESTS_MS = 120
const wanted = computed(() => ridge.stops ?? hitPins.byContainer)
const pins = shallowRef(wanted.value)
watch(
  wanted,
  useDebounceFn(() => (pins.value = wanted.value), RESTS_MS),
)

/** Lower shelves stand nearer to the eye, and so darker. */
const sources = computed(() =>
  catalogue.containers.map(({ container, lanes, placements }): RidgeSource => {
    const entries = lanes.flat()
    const shelves = lookUp('fixtures', container.fixtureId)?.shelves ?? 1
    return {
      id: container.id,
      fixtureId: container.fixtureId,
      lengthMm: container.lengthMm * (container.cells ? 2 : container.lanes),
      share: fills.value.get(container.id)?.share ?? 0,
      depth: Math.min(3, Math.round(((shelves - container.shelf) / Math.max(1, shelves - 1)) * 3)),
      tabs: entries.flatMap((entry, index) =>
        entry.type === 'section' ? [{ at: (index + 0.5) / Math.max(entries.length, placements.length), colour: entry.section.colour }] : [],
      ),
    }
  }),
)
const layout = computed(() => layRidge(sources.value, { ...size.value, width: Math.max(width.value, 280), height: height.value }))
/** What lights up is brought into view where the room is wider than the screen. */
watch([pins, () => ridge.proposed, size], async () => {
  if (!ridge.isUp) return
  await nextTick()
  const lit = layout.value.blocks.find(block => pins.value.has(block.id) || block.id === ridge.proposed)
  const [from, to] = [frame.value?.scrollLeft ?? 0, (frame.value?.scrollLeft ?? 0) + width.value]
  if (lit && (lit.x < from || lit.x + lit.width > to)) frame.value?.scrollTo({ left: lit.x - width.value / 3 })
})
const openId = computed(() => (typeof route.params.container === 'string' ? route.params.container : null))

const counts = computed(() => new Map([...catalogue.room.rows].map(([id, row]) => [id, setsIn(row)])))
function label(id: string): string {
  const row = catalogue.room.rows.get(id)
  if (!row) return ''
  return shellWords.ridgeBlock(
    row.container.name,
    lookUp('fixtures', row.container.fixtureId)?.name ?? '',
    counts.value.get(id) ?? 0,
    Math.round((fills.value.get(id)?.share ?? 0) * 100),
    ridge.stops ? 0 : (pins.value.get(id) ?? 0),
    ridge.stops?.get(id) ?? 0,
  )
}
function open(id: string): void {
  void router.push({ path: `/storeroom/${id}`, query: route.query })
}
/** Raised from the skyline, the keys go on along the blocks. */
async function raise(): Promise<void> {
  ridge.swing()
  await nextTick()
  frame.value?.querySelectorAll<SVGElement>('[data-block]')[marked.value]?.focus()
}
/** One stop for the tab key, arrows from block to block. */
function walk(event: KeyboardEvent): void {
  const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
  if (!step) return
  event.preventDefault()
  marked.value = Math.min(Math.max(0, marked.value + step), layout.value.blocks.length - 1)
  frame.value?.querySelectorAll<SVGElement>('[data-block]')[marked.value]?.focus()
}
</script>

<template>
  <section class="relative border-t border-line bg-mist" :aria-label="shellWords.ridge" :data-ridge="ridge.isUp ? 'up' : 'rest'">
    <div
      ref="frame"
      class="mr-12 overflow-y-hidden contain-strict"
      :class="ridge.isUp ? 'overflow-x-auto' : 'overflow-x-hidden'"
      :style="{ height: `${size.band}px` }"
      @keydown="walk"
    >
      <p v-if="layout.blocks.length === 0" class="hint grid h-full place-items-center px-4 text-center leading-tight">
        {{ shellWords.ridgeEmpty }}
      </p>
      <svg
        v-else
        :width="layout.width"
        :height="size.band"
        :viewBox="`0 0 ${layout.width} ${size.band}`"
        role="group"
        :aria-label="shellWords.ridge"
        :aria-hidden="!ridge.isUp"
        class="block"
      >
        <g v-for="fixture in layout.fixtures" :key="fixture.id" aria-hidden="true">
          <rect :x="fixture.x - 5" :y="size.band - size.floor" :width="fixture.width + 10" height="3" fill="var(--ridge-5)" />
          <text v-if="size.leastFixture > 0" :x="fixture.x" :y="size.band - 6" class="fill-quiet text-[0.83rem]">
            {{ lookUp('fixtures', fixture.id)?.name }}
          </text>
        </g>
        <RidgeBlockShape
          v-for="(block, index) in layout.blocks"
          :key="block.id"
          v-memo="[block, catalogue.room, pins.get(block.id), block.id === openId, index === marked, block.id === ridge.proposed]"
          :block="block"
          :floor="size.band - size.floor"
          :stem="size.stem"
          :label="label(block.id)"
          :hits="pins.get(block.id) ?? 0"
          :is-open="block.id === openId"
          :is-proposed="block.id === ridge.proposed"
          :tabindex="ridge.isUp && index === marked ? 0 : -1"
          @open="open(block.id)"
          @focus="marked = index"
        />
      </svg>
    </div>
    <button
      v-if="!ridge.isUp && layout.blocks.length > 0"
      type="button"
      class="absolute inset-0 z-10 grid w-full justify-items-end"
      :aria-label="shellWords.ridgeRaise"
      :title="shellWords.ridgeRaise"
      aria-expanded="false"
      @click="raise"
    >
      <span class="grid h-11 w-12 place-items-center text-quiet"><ChevronUp :size="20" aria-hidden="true" /></span>
    </button>
    <button
      v-else-if="layout.blocks.length > 0"
      type="button"
      class="absolute top-0 right-0 z-10 grid h-11 w-12 place-items-center text-quiet"
      :aria-label="shellWords.ridgeLower"
      :title="shellWords.ridgeLower"
      aria-expanded="true"
      @click="ridge.swing()"
    >
      <ChevronDown :size="20" aria-hidden="true" />
    </button>
  </section>
</template>
