<script setup lang="ts">
import type { Stop } from '#core/fetching'
import { cellText } from '#core/room'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { laneName } from '~/data/words'
import { moment } from '#core/grammar'
import { fetchWords } from '~/subjects/walk/words'

/** The walk on paper: a slip with a box to tick for each set, narrow enough that twenty sets stay on one page. */
defineProps<{ name: string; stops: readonly Stop[] }>()
const catalogue = useCatalogue()
const { address, code, wayTo } = useDescribe()
const setOf = (id: string) => catalogue.tables?.holdings.get(id)
function where({ standing, count }: Stop['sets'][number]): string {
  const { cell, container, lane } = standing
  if (standing.position === null) return fetchWords.somewhere(standing.page)
  if (cell) return fetchWords.cell(cell.page, cellText(container, cell.page, cell.cell), cell.side === 'back')
  return count ? fetchWords.count(count, container.lanes > 1 ? laneName(lane, container.lanes) : '') : ''
}
</script>

<template>
  <div class="hidden text-[10pt] leading-tight print:block" data-paper>
    <h1 class="text-[14pt]">{{ fetchWords.paperTitle(name) }}</h1>
    <section v-for="(stop, at) in stops" :key="stop.row.container.id" class="mt-2 break-inside-avoid">
      <h2 class="text-[11pt]">{{ at + 1 }}. {{ stop.row.container.name }}, {{ wayTo(stop.row.container, false) }}</h2>
      <p v-for="each in stop.sets" :key="`${each.holdingId}/${each.standing.holder.id}`" class="flex gap-2 border-b border-line py-[2pt]">
        <span class="mt-[1pt] size-[9pt] shrink-0 border border-night" aria-hidden="true" />
        <span class="w-20 shrink-0 font-bold figures">{{ each.standing.position === null ? '' : address(each.standing) }}</span>
        <span class="min-w-0 flex-1">
          <b class="figures">{{ setOf(each.holdingId) ? code(setOf(each.holdingId)!) : '' }}</b>
          {{ setOf(each.holdingId)?.name }}
        </span>
        <span class="w-64 shrink-0 text-right figures">{{ where(each) }}</span>
      </p>
    </section>
    <p class="mt-2 text-quiet">{{ fetchWords.paperFoot(moment(new Date().toISOString())) }}</p>
  </div>
</template>
