<script setup lang="ts">
import { ClipboardList } from 'lucide-vue-next'
import { useTemplateRef } from 'vue'
import { useFetch } from '~/subjects/walk/useFetch'
import { usePullDrop } from './usePullDrag'
import { fetchWords } from '~/subjects/walk/words'

/** Stands below the head while a set is carried: what is dropped here goes onto the pull list at hand. */
const fetch = useFetch()
const tray = useTemplateRef<HTMLElement>('tray')
const isOver = usePullDrop(tray)
</script>

<template>
  <div
    ref="tray"
    class="fixed top-2 right-2 z-50 flex h-32 w-80 max-w-[80vw] items-center gap-3 border-3 border-dashed px-4 shadow-lg"
    :class="isOver ? 'border-ember bg-wash' : 'border-strong bg-sheet'"
    data-pull-tray
  >
    <ClipboardList class="shrink-0" :size="28" aria-hidden="true" />
    <p class="leading-snug">
      <b class="block">{{ fetchWords.dropHere }}</b>
      <span class="hint line-clamp-2">
        {{ fetch.list ? fetchWords.dropOn(fetch.nameOf(fetch.list), fetch.lines.length) : fetchWords.dropOnNew }}
      </span>
    </p>
  </div>
</template>
