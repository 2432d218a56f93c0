<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { Camera, ImagePlus } from 'lucide-vue-next'
import { shallowRef, useTemplateRef } from 'vue'
import KProgress from '~/kit/KProgress.vue'
import { pileWords } from '~/subjects/pile/words'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { usePhotosIn } from './usePhotosIn'

/** Photos by file, drop, paste or camera: any number at once, with progress and a stop. `receive` is what becomes of them. */
const { receive } = defineProps<{ receive: () => (hashes: readonly string[]) => Promise<void> }>()
const photos = usePhotosIn()
const isOver = shallowRef(false)
const files = useTemplateRef<HTMLInputElement>('files')
const camera = useTemplateRef<HTMLInputElement>('camera')

const take = (list: readonly File[]): Promise<void> => photos.take(list, receive())
function chosen(event: Event): void {
  const input = event.target as HTMLInputElement
  void take([...(input.files ?? [])])
  input.value = ''
}
function dropped(event: DragEvent): void {
  isOver.value = false
  void take([...(event.dataTransfer?.files ?? [])])
}
useEventListener('paste', (event: ClipboardEvent) => {
  const pasted = [...(event.clipboardData?.files ?? [])].filter(file => file.type.startsWith('image/'))
  if (pasted.length > 0) void take(pasted)
})
</script>

<template>
  <div
    class="border border-dashed p-2"
    :class="isOver ? 'border-ember bg-wash' : 'border-edge'"
    data-photos
    @dragover.prevent="isOver = true"
    @dragleave="isOver = false"
    @drop.prevent="dropped"
  >
    <KProgress v-if="photos.busy" :text="pileWords.photosBusy" :done="photos.busy.done" :total="photos.busy.total" @cancel="photos.stop" />
    <div v-else class="flex flex-col items-start gap-1">
      <button type="button" class="button sm:hidden" @click="camera?.click()">
        <Camera :size="18" aria-hidden="true" />
        {{ takeInWords.photoCamera }}
      </button>
      <button type="button" class="button" @click="files?.click()">
        <ImagePlus :size="18" aria-hidden="true" />
        {{ pileWords.photos }}
      </button>
      <span class="hint leading-tight">{{ pileWords.photosHint }}</span>
    </div>
    <input
      ref="files"
      type="file"
      multiple
      class="sr-only"
      tabindex="-1"
      accept="image/*,.heic,.heif,.tif,.tiff"
      :aria-label="pileWords.photos"
      @change="chosen"
    />
    <input
      ref="camera"
      type="file"
      accept="image/*"
      capture="environment"
      class="sr-only"
      tabindex="-1"
      :aria-label="takeInWords.photoCamera"
      @change="chosen"
    />
  </div>
</template>
