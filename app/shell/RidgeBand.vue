<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { useKept } from '~/kit/useKept'
import { ChevronDown, ChevronUp } from 'lucide-vue-next'
import { computed, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { layRidge, type RidgeSource } from '#core/drawing'
import { useFills } from '~/areas/storeroom/fill/useFills'
import { useDescribe } from '~/data/useDescribe'
import { shellWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'
import { useFind } from '~/areas/find/ask/useFind'
import RidgeBlockShape from './RidgeBlockShape.vue'

const BAND = 120
const FLOOR = 24
const PIN_ROOM = 30
const HEIGHT = BAND - FLOOR - PIN_ROOM

const catalogue = useCatalogue()
const find = useFind()
const { lookUp } = useDescribe()
const router = useRouter()
const route = useRoute()
const fills = useFills()
const frame = useTemplateRef<HTMLElement>('frame')
const { width: seen } = useElementSize(frame)
/** Folded it has no width; what it had is kept, so that nothing is laid out anew when it opens. */
const width = shallowRef(0)
watch(seen, now => {
  if (now > 0) width.value = now
})
const isFolded = useKept('ridge-folded', false)
const marked = shallowRef(0)
/** Pins rise once the answer is painted: hundreds of blocks would hold it up. */
const pins = shallowRef(find.pins)
watch(
  () => find.pins,
  () =>
    requestAnimationFrame(() =>
      setTimeout(() => {
        pins.value = find.pins
      }),
    ),
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
const layout = computed(() => layRidge(sources.value, Math.max(width.value, 320), HEIGHT))
const openId = computed(() => (typeof route.params.container === 'string' ? route.params.container : null))

function label(id: string): string {
  const row = catalogue.room.rows.get(id)
  if (!row) return ''
  return shellWords.ridgeBlock(
    row.container.name,
    lookUp('fixtures', row.container.fixtureId)?.name ?? '',
    row.placements.length,
    Math.round((fills.value.get(id)?.share ?? 0) * 100),
    pins.value.get(id) ?? 0,
  )
}
function open(id: string): void {
  void router.push({ path: `/storeroom/${id}`, query: route.query })
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
  <section class="relative border-t border-line bg-mist" :aria-label="shellWords.ridge">
    <button
      type="button"
      class="absolute top-0 right-2 z-20 grid h-7 w-11 place-items-center text-quiet"
      :aria-label="isFolded ? shellWords.ridgeOpen : shellWords.ridgeFold"
      :aria-expanded="!isFolded"
      @click="isFolded = !isFolded"
    >
      <component :is="isFolded ? ChevronUp : ChevronDown" :size="18" aria-hidden="true" />
    </button>
    <div
      v-show="!isFolded"
      ref="frame"
      class="overflow-x-auto overflow-y-hidden contain-strict"
      :style="{ height: `${BAND}px` }"
      @keydown="walk"
    >
      <p v-if="layout.blocks.length === 0" class="hint grid h-full place-items-center px-10 text-center">{{ shellWords.ridgeEmpty }}</p>
      <svg
        v-else
        :width="layout.width"
        :height="BAND"
        :viewBox="`0 0 ${layout.width} ${BAND}`"
        role="group"
        :aria-label="shellWords.ridge"
        class="block"
      >
        <g v-for="fixture in layout.fixtures" :key="fixture.id" aria-hidden="true">
          <rect :x="fixture.x - 5" :y="BAND - FLOOR" :width="fixture.width + 10" height="3" fill="var(--ridge-5)" />
          <text :x="fixture.x" :y="BAND - 7" class="fill-quiet text-[0.82rem]">{{ lookUp('fixtures', fixture.id)?.name }}</text>
        </g>
        <RidgeBlockShape
          v-for="(block, index) in layout.blocks"
          :key="block.id"
          v-memo="[block, catalogue.room, pins.get(block.id), block.id === openId, index === marked]"
          :block="block"
          :floor="BAND - FLOOR"
          :label="label(block.id)"
          :hits="pins.get(block.id) ?? 0"
          :is-open="block.id === openId"
          :tabindex="index === marked ? 0 : -1"
          @open="open(block.id)"
          @focus="marked = index"
        />
      </svg>
    </div>
    <div v-show="isFolded" class="h-7" />
  </section>
</template>
