<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, onMounted, shallowRef, watch } from 'vue'
import type { Holder, Section } from '#core/catalog'
import { type ContainerRow, entryId } from '#core/room'
import { useMoving } from '~/subjects/room/useMoving'
import { useCarry } from '~/subjects/room/useCarry'
import { usePins } from '~/subjects/ask/usePins'
import { useOnPaper } from '~/kit/useOnPaper'
import { useSheetElement } from '~/kit/useSheetElement'
import ApartDialog from './ApartDialog.vue'
import HolderRow from './HolderRow.vue'
import TabRow from './TabRow.vue'
import { containerWords } from './words'

/**
 * A lane front to back: dividers and holders. Arrows walk, Enter opens the slip, Space marks, Shift marks a run, m picks up, arrows
 * then choose the gap, Enter sets down. Only the rows in view are drawn, so a lane of thousands scrolls as lightly as one of ten.
 */
const { row, lane, focusId = null } = defineProps<{ row: ContainerRow; lane: number; focusId?: string | null }>()
const emit = defineEmits<{ editTab: [section: Section]; open: [holdingId: string] }>()
/** As high as they are drawn, in pixels: rem of 17. */
const TAB_HEIGHT = 51
const ROW_HEIGHT = 68
/** The holder that is being kept apart, or is filed by the rule again. */
const apart = shallowRef<Holder | null>(null)
const carry = useCarry()
const pins = usePins()
const { setDown } = useMoving()
const entries = computed(() => row.lanes[lane - 1] ?? [])
const idAt = (index: number): string | null => {
  const entry = entries.value[index]
  return entry ? entryId(entry) : null
}
const at = shallowRef(0)
/** While carrying: the entry behind which the holders would be set down; -1 is the very front. */
const gap = shallowRef<number | null>(null)

const isOnPaper = useOnPaper()
const sheetElement = useSheetElement()
const virtual = useVirtualizer(
  computed(() => ({
    count: entries.value.length,
    getScrollElement: () => sheetElement.value,
    overscan: isOnPaper.value ? entries.value.length : 12,
    estimateSize: (index: number) => (entries.value[index]?.type === 'section' ? TAB_HEIGHT : ROW_HEIGHT),
    getItemKey: (index: number) => idAt(index) ?? index,
  })),
)
const sectionCounts = computed(() => {
  const counts = new Map<string, number>()
  for (const placement of row.placements) if (placement.section) counts.set(placement.section.id, placement.sectionCount)
  return counts
})

async function focusAt(index: number): Promise<void> {
  const id = idAt(index)
  if (!id) return
  at.value = index
  virtual.value.scrollToIndex(index, { align: 'auto' })
  for (let tries = 0; tries < 8; tries += 1) {
    await nextTick()
    const element = document.querySelector<HTMLElement>(`[data-holder][data-id="${id}"]`)
    if (element) return element.focus()
    await new Promise(resolve => requestAnimationFrame(resolve))
  }
}
function nextHolder(from: number, step: 1 | -1): number {
  for (let index = from + step; index >= 0 && index < entries.value.length; index += step)
    if (entries.value[index]?.type === 'holder') return index
  return from
}
/** The holders from where the last mark was made to here, both with. */
const anchor = shallowRef(0)
function markTo(index: number): void {
  const [from, to] = [Math.min(anchor.value, index), Math.max(anchor.value, index)]
  carry.markAll(entries.value.slice(from, to + 1).flatMap(entry => (entry.type === 'holder' ? [entry.placement.holder.id] : [])))
}
/** Where a key leads to in the row of holders. */
function goal(key: string): number | null {
  const last = entries.value.length
  const page = Math.max(1, Math.floor((document.getElementById('sheet')?.clientHeight ?? 0) / ROW_HEIGHT) - 2)
  const nearest = (index: number, step: 1 | -1): number => nextHolder(Math.min(last, Math.max(-1, index)) - step, step)
  switch (key) {
    case 'ArrowDown':
      return nextHolder(at.value, 1)
    case 'ArrowUp':
      return nextHolder(at.value, -1)
    case 'Home':
      return nearest(0, 1)
    case 'End':
      return nearest(last - 1, -1)
    case 'PageDown':
      return nearest(Math.min(last - 1, at.value + page), -1)
    case 'PageUp':
      return nearest(Math.max(0, at.value - page), 1)
    default:
      return null
  }
}
/** Left and right walk through what can be done with one holder: its mark, its pin. */
function aside(event: KeyboardEvent, step: 1 | -1): void {
  const row = (event.target as HTMLElement).closest<HTMLElement>('[data-holder]')
  if (!row) return
  const stops = [row, ...row.querySelectorAll<HTMLElement>('input, button')]
  stops[stops.indexOf(event.target as HTMLElement) + step]?.focus()
}
async function keyed(event: KeyboardEvent): Promise<void> {
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key] as 1 | -1 | undefined
  if (gap.value !== null && carry.isCarrying) return carryKey(event, step)
  const entry = entries.value[at.value]
  const to = goal(event.key)
  if (to !== null) {
    event.preventDefault()
    if (event.shiftKey) markTo(to)
    else anchor.value = to
    return focusAt(to)
  }
  if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
    event.preventDefault()
    return aside(event, event.key === 'ArrowRight' ? 1 : -1)
  }
  if (entry?.type !== 'holder' || !(event.target instanceof HTMLElement) || !event.target.matches('[data-holder]')) return
  const { id, holdingIds } = entry.placement.holder
  const act = {
    m: () => {
      carry.pickUp(id)
      gap.value = at.value - 1
    },
    ' ': () => {
      anchor.value = at.value
      carry.toggle(id)
    },
    Enter: () => emit('open', holdingIds[0] ?? ''),
  }[event.key]
  if (!act) return
  event.preventDefault()
  act()
}
function press(index: number, isShift: boolean): void {
  const entry = entries.value[index]
  at.value = index
  if (isShift) markTo(index)
  else if (entry?.type === 'holder') emit('open', entry.placement.holder.holdingIds[0] ?? '')
}
async function carryKey(event: KeyboardEvent, step: 1 | -1 | undefined): Promise<void> {
  if (step) {
    event.preventDefault()
    gap.value = Math.min(Math.max(-1, (gap.value ?? 0) + step), entries.value.length - 1)
    virtual.value.scrollToIndex(Math.max(0, gap.value), { align: 'auto' })
  } else if (event.key === 'Enter') {
    event.preventDefault()
    const ids = carry.carried
    const behindId = gap.value === -1 || gap.value === null ? null : idAt(gap.value)
    endCarry()
    if (await setDown(ids, { type: 'row', containerId: row.container.id, lane, behindId })) await focusHolder(ids[0] ?? '')
  } else if (event.key === 'Escape') {
    event.preventDefault()
    endCarry()
  }
}
function endCarry(): void {
  gap.value = null
  carry.putDown()
}
async function focusHolder(id: string): Promise<void> {
  const index = entries.value.findIndex(entry => entry.type === 'holder' && entry.placement.holder.id === id)
  if (index >= 0) await focusAt(index)
}
onMounted(() => {
  const wanted = entries.value.findIndex(
    entry => entry.type === 'holder' && focusId !== null && entry.placement.holder.holdingIds.includes(focusId),
  )
  at.value = wanted >= 0 ? wanted : nextHolder(-1, 1)
  if (wanted >= 0) void focusAt(wanted)
})
watch(
  () => carry.isCarrying,
  isCarrying => {
    if (!isCarrying) gap.value = null
  },
)
</script>

<template>
  <div>
    <ApartDialog :holder="apart" @close="apart = null" />
    <p v-if="entries.length === 0 && row.somewhere.length === 0" class="py-6 text-quiet">{{ containerWords.emptyContainer }}</p>
    <div
      v-else
      role="grid"
      :aria-label="row.container.name"
      class="relative"
      :style="{ height: `${virtual.getTotalSize()}px` }"
      @keydown="keyed"
    >
      <span v-if="gap === -1" class="absolute inset-x-0 top-0 z-10 h-[3px] bg-ember" />
      <div
        v-for="item in virtual.getVirtualItems()"
        :key="String(item.key)"
        role="rowgroup"
        class="absolute inset-x-0 top-0"
        :style="{ transform: `translateY(${item.start}px)` }"
      >
        <template v-for="entry in entries.slice(item.index, item.index + 1)" :key="entry.order">
          <TabRow
            v-if="entry.type === 'section'"
            :section="entry.section"
            :count="sectionCounts.get(entry.section.id) ?? 0"
            :stagger="entry.section.colour % 3"
            :is-drop-mark="gap === item.index"
            @edit="emit('editTab', entry.section)"
          />
          <HolderRow
            v-else
            :placement="entry.placement"
            :is-hit="entry.placement.holder.holdingIds.some(id => pins.hits.has(id))"
            :is-focus="item.index === at"
            :is-drop-mark="gap === item.index"
            @focus="at = item.index"
            @press="press(item.index, $event)"
            @marked="anchor = item.index"
            @apart="apart = entry.placement.holder"
          />
        </template>
      </div>
    </div>
  </div>
</template>
