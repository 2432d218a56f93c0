<script setup lang="ts">
import type { PageItem, PageSize } from '#core/printing'
import SetPicture from '~/subjects/set/SetPicture.vue'
import PageDrawing from './PageDrawing.vue'

/** A page of paper with all that is printed on it: its pictures, its drawing, and the links that lead to other pages. */
const { pxPerPt } = defineProps<{ items: readonly PageItem[]; paper: PageSize; pxPerPt: number }>()
const emit = defineEmits<{ follow: [label: string] }>()
const FRAME = 2
/** A picture this high on the screen is shown from the photo itself. */
const FULL_PX = 170
const placed = ({ x, y, widthPt, heightPt }: Extract<PageItem, { type: 'picture' | 'link' }>) => ({
  left: `${x * pxPerPt}px`,
  top: `${y * pxPerPt}px`,
  width: `${widthPt * pxPerPt}px`,
  height: `${heightPt * pxPerPt}px`,
})
</script>

<template>
  <div
    class="relative border border-edge bg-paper"
    :style="{ width: `${paper.widthPt * pxPerPt + FRAME}px`, height: `${paper.heightPt * pxPerPt + FRAME}px` }"
  >
    <slot />
    <template v-for="(item, index) in items" :key="index">
      <span v-if="item.type === 'picture'" class="absolute" :style="{ ...placed(item), opacity: item.inkShare ?? 1 }">
        <SetPicture :hash="item.hash" :is-full="item.heightPt * pxPerPt > FULL_PX" />
      </span>
    </template>
    <PageDrawing class="absolute inset-0 h-full w-full" :items="items" :width-pt="paper.widthPt" :height-pt="paper.heightPt" />
    <template v-for="(item, index) in items" :key="index">
      <button
        v-if="item.type === 'link'"
        type="button"
        class="absolute hover:bg-ridge-2/30"
        :aria-label="item.toLabel"
        :style="placed(item)"
        @click="emit('follow', item.toLabel)"
      />
    </template>
  </div>
</template>
