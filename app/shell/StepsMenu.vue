<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { ChevronDown, Redo2, Undo2 } from 'lucide-vue-next'
import { useSteps } from './useSteps'
import { stepWords } from './steps'
import { shellWords } from './words'
import { moment } from '#core/grammar'

const { done, undone, undo, redo, undoTo } = useSteps()
const SHOWN = 30
</script>

<template>
  <div class="relative flex items-center">
    <button
      type="button"
      class="head-button pr-1"
      :disabled="done.length === 0"
      :class="{ 'text-quiet': done.length === 0 }"
      :title="done[0] ? stepWords.what(done[0]) : shellWords.noSteps"
      @click="undo"
    >
      <Undo2 :size="18" aria-hidden="true" />
      <span class="hidden 2xl:inline">{{ shellWords.undo }}</span>
      <span class="sr-only 2xl:hidden">{{ shellWords.undo }}</span>
    </button>
    <Popover v-slot="{ close }">
      <PopoverButton class="grid h-11 w-11 place-items-center rounded-[3px] hover:bg-wash" :aria-label="shellWords.steps">
        <ChevronDown :size="16" aria-hidden="true" />
      </PopoverButton>
      <PopoverPanel class="absolute right-0 z-40 mt-1 w-[22rem] max-w-[92vw] border border-edge bg-sheet p-3 shadow-md">
        <div class="flex items-start justify-between gap-3">
          <div>
            <h2 class="text-[1.05rem]">{{ shellWords.steps }}</h2>
            <p class="hint">{{ done.length ? shellWords.stepsHint : shellWords.noSteps }}</p>
          </div>
          <button type="button" class="button px-3" :disabled="undone.length === 0" @click="redo">
            <Redo2 :size="18" aria-hidden="true" />
            {{ shellWords.redo }}
          </button>
        </div>
        <ol class="mt-2 max-h-80 overflow-y-auto">
          <li v-for="step in done.slice(0, SHOWN)" :key="step.seq" class="flex items-center justify-between gap-3 border-t border-line">
            <button
              type="button"
              class="flex min-h-11 flex-1 items-center justify-between gap-3 py-1 text-left hover:bg-wash"
              @click="undoTo(step.seq).then(() => close())"
            >
              <span>{{ stepWords.what(step) }}</span>
              <span class="hint shrink-0">{{ moment(step.at) }}</span>
            </button>
          </li>
        </ol>
      </PopoverPanel>
    </Popover>
  </div>
</template>
