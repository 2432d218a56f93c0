<script setup lang="ts">
import { FileUp } from 'lucide-vue-next'
import { shallowRef, useTemplateRef } from 'vue'

/** A file from a button or dropped on it. */
defineProps<{ label: string; hint?: string; accept?: string; capture?: boolean; isMain?: boolean }>()
const emit = defineEmits<{ file: [file: File] }>()
const input = useTemplateRef<HTMLInputElement>('input')
const isOver = shallowRef(false)

function chosen(event: Event): void {
  const target = event.target as HTMLInputElement
  const file = target.files?.[0]
  if (file) emit('file', file)
  target.value = ''
}
function dropped(event: DragEvent): void {
  isOver.value = false
  const file = event.dataTransfer?.files[0]
  if (file) emit('file', file)
}
</script>

<template>
  <div
    class="inline-flex flex-wrap items-center gap-x-3 gap-y-1"
    :class="{ 'outline-3 outline-offset-4 outline-ember': isOver }"
    @dragover.prevent="isOver = true"
    @dragleave="isOver = false"
    @drop.prevent="dropped"
  >
    <button type="button" :class="isMain ? 'button-main' : 'button'" @click="input?.click()">
      <FileUp :size="18" aria-hidden="true" />
      {{ label }}
    </button>
    <span v-if="hint" class="hint">{{ hint }}</span>
    <input
      ref="input"
      type="file"
      class="sr-only"
      tabindex="-1"
      :accept="accept"
      :capture="capture ? 'environment' : undefined"
      :aria-label="label"
      @change="chosen"
    />
  </div>
</template>
