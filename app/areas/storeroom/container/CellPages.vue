<script setup lang="ts">
import { computed } from 'vue'
import type { Cell } from '#core/catalog'
import { cellsPerPage, type ContainerRow, type Placement } from '#core/room'
import { storeroomWords } from '~/areas/storeroom/words'
import PageCell from './PageCell.vue'

/** Pages of cells, drawn as they are: what sits in each cell, and which are free. */
const { row, focusId = null } = defineProps<{ row: ContainerRow; focusId?: string | null }>()
const grid = computed(() => row.container.cells ?? { rows: 1, columns: 1, pages: 1, isTwoSided: false })
const sides = computed(() => (grid.value.isTwoSided ? (['front', 'back'] as const) : (['front'] as const)))
const keyOf = (cell: Cell): string => `${cell.page}/${cell.cell}/${cell.side}`
const taken = computed(
  () => new Map(row.placements.flatMap((placement): [string, Placement][] => (placement.cell ? [[keyOf(placement.cell), placement]] : []))),
)
const pages = computed(() =>
  Array.from({ length: grid.value.pages }, (_, index) => ({
    page: index + 1,
    cells: Array.from({ length: cellsPerPage(row.container) }, (_each, at) =>
      sides.value.map((side): Cell => ({ page: index + 1, cell: at + 1, side })),
    ).flat(),
  })),
)
</script>

<template>
  <div class="grid gap-6 lg:grid-cols-2">
    <section v-for="{ page, cells } in pages" :key="page" class="border border-edge p-3">
      <h3 class="mb-2 text-[1rem]">{{ storeroomWords.page(page) }}</h3>
      <div class="grid gap-2" :style="{ gridTemplateColumns: `repeat(${grid.columns}, minmax(0, 1fr))` }">
        <PageCell
          v-for="cell in cells"
          :key="keyOf(cell)"
          :container="row.container"
          :cell="cell"
          :placement="taken.get(keyOf(cell)) ?? null"
          :focus-id="focusId"
        />
      </div>
    </section>
  </div>
</template>
