<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { X } from 'lucide-vue-next'
import { kitWords } from './words'

/** A dialog over the bench: a heading, what it is about, and its buttons in the `actions` slot. A wide one scrolls within itself. */
defineProps<{ open: boolean; title: string; wide?: boolean }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-night/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-3 sm:p-8">
      <DialogPanel
        class="relative w-full border border-edge bg-sheet p-5"
        :class="wide ? 'flex max-h-full max-w-3xl flex-col' : 'max-w-xl'"
      >
        <DialogTitle as="h2" class="pr-12 text-[1.3rem]">{{ title }}</DialogTitle>
        <div v-if="wide" class="-mx-5 min-h-0 flex-1 overflow-y-auto px-5 pb-1"><slot /></div>
        <slot v-else />
        <div v-if="$slots.actions" class="flex flex-wrap justify-end gap-2" :class="wide ? 'pt-3' : 'mt-5'">
          <slot name="actions" />
        </div>
        <!-- Last, so that a dialog begins in its first field. -->
        <button type="button" class="head-button absolute top-3 right-3" :aria-label="kitWords.close" @click="emit('close')">
          <X :size="20" aria-hidden="true" />
        </button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
