<script setup lang="ts">
import SetLine from '~/subjects/set/SetLine.vue'
import { computed } from 'vue'
import { NuxtLink } from '#components'
import { neighboursNow, type Stop, type StopSet } from '#core/fetching'
import { cellText } from '#core/room'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { laneName } from '~/data/words'
import SetPicture from '~/subjects/set/SetPicture.vue'
import InsidePicture from './InsidePicture.vue'
import { useWalk } from '~/subjects/walk/useWalk'
import { fetchWords } from '~/subjects/walk/words'

/** A stop of a walk: its container as one meets it, the places marked, and each set with what tells the hand where it is. */
const { stop, at, of } = defineProps<{ stop: Stop; at: number; of: number }>()
const catalogue = useCatalogue()
const { awayIn, cautions: cautionsAt, facts } = useWalk()
const { address, code, nameOf, wayTo } = useDescribe()
const here = computed(() => new Set(stop.sets.map(({ standing }) => standing.holder.id)))
const away = computed(() => awayIn(stop.row))
const cautions = computed(() => cautionsAt(stop))

const setsOf = computed(() =>
  stop.sets.flatMap(each => {
    const holding = catalogue.tables?.holdings.get(each.holdingId)
    return holding ? [{ each, holding, texts: textsOf(each) }] : []
  }),
)
const named = (id: string): string => {
  const holding = catalogue.tables?.holdings.get(id)
  return holding ? `${code(holding)} ${holding.name}` : ''
}
function whereText(standing: StopSet['standing'], count: StopSet['count']): string {
  if (standing.position === null) return fetchWords.somewhere(standing.page)
  const { container, lane, cell } = standing
  if (cell) return fetchWords.cell(cell.page, cellText(container, cell.page, cell.cell), cell.side === 'back')
  return count ? fetchWords.count(count, container.lanes > 1 ? laneName(lane, container.lanes) : '') : ''
}
/** Where it is, what is beside it, and what else sits in the same pocket. */
function textsOf({ standing, count, sharesWithIds, isHalf }: StopSet): readonly string[] {
  const { cell } = standing
  const near = cell || standing.position === null ? null : neighboursNow(stop.row, standing, facts.value.loanOf)
  return [
    whereText(standing, count),
    near ? fetchWords.between(nameOf(near.front), nameOf(near.behind)) : '',
    sharesWithIds.length > 0 ? fetchWords.shares(sharesWithIds.map(named)) : '',
    isHalf ? fetchWords.half : '',
  ].filter(Boolean)
}
</script>

<template>
  <section :aria-label="stop.row.container.name" data-stop :data-container="stop.row.container.id">
    <header class="flex flex-wrap items-baseline gap-x-3">
      <span class="font-title text-[1.3rem] font-bold figures max-sm:hidden" aria-hidden="true">{{ at }}</span>
      <span class="hint w-full figures sm:hidden" aria-hidden="true">{{ fetchWords.stop(at, of) }}</span>
      <h2 class="text-[1.15rem]">
        <span class="sr-only">{{ fetchWords.stop(at, of) }}:</span>
        <NuxtLink :to="`/storeroom/${stop.row.container.id}`" class="hover:underline">{{ stop.row.container.name }}</NuxtLink>
      </h2>
      <p class="hint">{{ wayTo(stop.row.container, false) }}</p>
    </header>
    <p v-for="caution in cautions" :key="caution" class="mt-1 border-l-4 border-ochre bg-wash px-3 py-1" data-caution>
      {{ fetchWords.caution[caution] }}
    </p>
    <InsidePicture class="mt-2" :row="stop.row" :here="here" :away="away" />
    <ul class="mt-1">
      <li
        v-for="{ each, holding, texts } in setsOf"
        :key="`${holding.id}/${each.standing.holder.id}`"
        class="flex items-start gap-3 border-b border-line py-2 max-sm:flex-wrap"
        :data-set="holding.id"
      >
        <span class="h-14 w-12 shrink-0" aria-hidden="true"><SetPicture :hash="holding.pictureHash" /></span>
        <div class="min-w-0 flex-1 leading-snug">
          <SetLine class="flex-wrap" :holding="holding">
            <span v-if="each.standing.position !== null" class="hint figures">{{ address(each.standing) }}</span>
          </SetLine>
          <p v-for="(text, index) in texts" :key="text" :class="index === 0 ? '' : 'hint'" class="figures">{{ text }}</p>
          <slot name="more" :set="each" :holding="holding" />
        </div>
        <div class="max-sm:w-full"><slot name="act" :set="each" :holding="holding" /></div>
      </li>
    </ul>
    <slot />
  </section>
</template>
