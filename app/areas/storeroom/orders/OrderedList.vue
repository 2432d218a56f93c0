<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, onMounted, shallowRef, useTemplateRef, watch } from 'vue'
import { NuxtLink } from '#components'
import type { FilingKey } from '#core/catalog'
import { type ViewEntry, viewInOrder } from '#core/filing'
import type { ContainerRow } from '#core/room'
import { useOnPaper } from '~/kit/useOnPaper'
import { useSheetElement } from '~/kit/useSheetElement'
import KTicket from '~/kit/KTicket.vue'
import { useDescribe } from '~/data/useDescribe'
import { useCatalogue } from '~/data/useCatalogue'
import { orderWords } from './words'

/** The sets of some containers in another order than the one they stand in; only the lines in view are drawn. */
const { rows, by } = defineProps<{ rows: readonly ContainerRow[]; by: FilingKey['by'] }>()
const LINE = 44
const catalogue = useCatalogue()
const { address, codeOf } = useDescribe()
type Line = { readonly key: string } & (
  | { readonly is: 'group'; readonly text: string }
  | { readonly is: 'missing'; readonly text: string }
  | { readonly is: 'set'; readonly entry: ViewEntry }
)
const lines = computed((): readonly Line[] =>
  viewInOrder(rows, by, {
    holdings: catalogue.tables?.holdings ?? new Map(),
    authority: catalogue.authority,
    series: catalogue.tables?.series ?? new Map(),
  }).flatMap((entry): Line[] => [
    ...(entry.opensGroup === null
      ? []
      : [{ is: 'group' as const, key: `group ${entry.holding.id}`, text: entry.opensGroup || orderWords.noGroup }]),
    ...(entry.missing
      ? [{ is: 'missing' as const, key: `missing ${entry.holding.id}`, text: orderWords.gaps(entry.missing.from, entry.missing.to) }]
      : []),
    { is: 'set', key: `${entry.standing.holder.id} ${entry.holding.id}`, entry },
  ]),
)
const list = useTemplateRef<HTMLElement>('list')
/** How far down the sheet the list begins: the lines in view are counted from there. */
const begins = shallowRef(0)
function look(): void {
  const sheet = document.getElementById('sheet')
  if (sheet && list.value) begins.value = list.value.getBoundingClientRect().top - sheet.getBoundingClientRect().top + sheet.scrollTop
}
onMounted(look)
watch(lines, look, { flush: 'post' })
const isOnPaper = useOnPaper()
const sheetElement = useSheetElement()
const virtual = useVirtualizer(
  computed(() => ({
    count: lines.value.length,
    getScrollElement: () => sheetElement.value,
    estimateSize: () => LINE,
    overscan: isOnPaper.value ? lines.value.length : 12,
    scrollMargin: begins.value,
    getItemKey: (at: number) => lines.value[at]?.key ?? at,
  })),
)
const drawn = computed(() =>
  virtual.value.getVirtualItems().flatMap(item => {
    const line = lines.value[item.index]
    return line ? [{ line, top: item.start - begins.value }] : []
  }),
)
</script>

<template>
  <ol ref="list" class="relative border-t border-line" :style="{ height: `${virtual.getTotalSize()}px` }" data-ordered>
    <li
      v-for="{ line, top } in drawn"
      :key="line.key"
      class="absolute inset-x-0 top-0 flex h-11 items-center gap-3 border-b border-line px-1"
      :style="{ transform: `translateY(${top}px)` }"
      :data-line="line.is"
    >
      <span v-if="line.is === 'group'" class="font-title font-semibold">{{ line.text }}</span>
      <span v-else-if="line.is === 'missing'" class="px-2 text-ochre figures">{{ line.text }}</span>
      <NuxtLink
        v-else
        :to="`/storeroom/${line.entry.standing.container.id}?at=${line.entry.holding.id}`"
        class="flex h-full min-w-0 flex-1 items-center gap-3 hover:bg-wash"
      >
        <KTicket :code="codeOf(line.entry.holding)" size="small" />
        <span class="min-w-0 flex-1 truncate font-semibold">{{ line.entry.holding.name }}</span>
        <span class="font-title font-semibold figures">{{ address(line.entry.standing) }}</span>
      </NuxtLink>
    </li>
  </ol>
</template>
