<script setup lang="ts">
import { computed, shallowRef, useTemplateRef } from 'vue'
import type { Cell } from '#core/catalog'
import { cellsPerPage, type ContainerRow, type Placement } from '#core/room'
import PageCell from './PageCell.vue'
import { containerWords } from './words'

/** Pages of cells, drawn as they are: what sits in each cell, and which are free. */
const { row, focusId = null } = defineProps<{ row: ContainerRow; focusId?: string | null }>()
const grid = computed(() => row.container.cells ?? { rows: 1, columns: 1, pages: 1, isTwoSided: false })
const sides = computed(() => (grid.value.isTwoSided ? (['front', 'back'] as const) : (['front'] as const)))
const keyOf = (cell: Cell): string => `${cell.page}/${cell.cell}/${cell.side}`
const taken = computed(
  () => new Map(row.placements.flatMap((placement): [string, Placement][] => (placement.cell ? [[keyOf(placement.cell), placement]] : []))),
)
/** Pages of one cell are numbered slots: they are drawn as one run. */
const isSlots = computed(() => cellsPerPage(row.container) === 1)
const pages = computed(() => (isSlots.value ? [{ page: 0, cells: allPages.value.flatMap(({ cells }) => cells) }] : allPages.value))
const allPages = computed(() =>
  Array.from({ length: grid.value.pages }, (_, index) => ({
    page: index + 1,
    cells: Array.from({ length: cellsPerPage(row.container) }, (_each, at) =>
      sides.value.map((side): Cell => ({ page: index + 1, cell: at + 1, side })),
    ).flat(),
  })),
)
const emit = defineEmits<{ open: [holdingId: string] }>()
const at = shallowRef(0)
const frame = useTemplateRef<HTMLElement>('frame')
/** One stop for the tab key; arrows walk from cell to cell, Page up and down from page to page. */
function walk(event: KeyboardEvent): void {
  const columns = isSlots.value ? inOneLine() : grid.value.columns
  const aPage = cellsPerPage(row.container) * sides.value.length
  const here = at.value % columns
  const to = {
    ArrowRight: at.value + 1,
    ArrowLeft: at.value - 1,
    ArrowDown: at.value + columns,
    ArrowUp: at.value - columns,
    Home: at.value - here,
    End: at.value - here + columns - 1,
    PageDown: at.value + aPage,
    PageUp: at.value - aPage,
  }[event.key]
  if (to === undefined) return
  event.preventDefault()
  frame.value?.querySelectorAll<HTMLElement>('[data-cell]')[to]?.focus()
}
/** How many slots the screen has side by side. */
function inOneLine(): number {
  const all = [...(frame.value?.querySelectorAll<HTMLElement>('[data-cell]') ?? [])]
  return Math.max(1, all.filter(cell => cell.offsetTop === all[0]?.offsetTop).length)
}
</script>

<template>
  <div ref="frame" class="grid content-start gap-6" :class="isSlots ? '' : 'lg:grid-cols-2'" @keydown="walk">
    <section v-for="({ page, cells }, ofPage) in pages" :key="page" class="border border-edge p-3">
      <h3 v-if="!isSlots" class="mb-2 text-[1rem]">{{ containerWords.page(page) }}</h3>
      <div
        class="grid gap-2"
        :style="{ gridTemplateColumns: isSlots ? 'repeat(auto-fill, minmax(8.5rem, 1fr))' : `repeat(${grid.columns}, minmax(0, 1fr))` }"
      >
        <PageCell
          v-for="(cell, index) in cells"
          :key="keyOf(cell)"
          :container="row.container"
          :cell="cell"
          :placement="taken.get(keyOf(cell)) ?? null"
          :focus-id="focusId"
          :is-stop="ofPage * cells.length + index === at"
          @focus="at = ofPage * cells.length + index"
          @open="emit('open', $event)"
        />
      </div>
    </section>
  </div>
</template>
