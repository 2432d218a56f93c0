<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { Camera, ImagePlus } from 'lucide-vue-next'
import { onScopeDispose, shallowRef, useTemplateRef } from 'vue'
import KProgress from '~/kit/KProgress.vue'
import { pileWords } from './words'
import { takeInWords } from '~/areas/takeIn/words'
import { hireExchange } from '~/areas/copies/useCopies'
import { useNotices } from '~/shell/useNotices'

/** Photos by file, drop, paste or camera: any number at once, read in a worker, with progress and cancel. */
const emit = defineEmits<{ photos: [hashes: readonly string[]] }>()
const notices = useNotices()
const busy = shallowRef<{ done: number; total: number } | null>(null)
const isOver = shallowRef(false)
const files = useTemplateRef<HTMLInputElement>('files')
const camera = useTemplateRef<HTMLInputElement>('camera')
/** Two at a time: one is decoded while the other is written. */
let crews: ReturnType<typeof hireExchange>[] = []
let isStopped = false
onScopeDispose(() => crews.forEach(crew => crew.end()))

async function take(list: readonly File[]): Promise<void> {
  if (list.length === 0 || busy.value) return
  isStopped = false
  busy.value = { done: 0, total: list.length }
  const outcomes = new Array<string | null>(list.length).fill(null)
  const refused: string[] = []
  if (crews.length === 0) crews = [hireExchange(), hireExchange()]
  let next = 0
  let isFull = false
  let fault: keyof typeof takeInWords.photoProblem = 'notAPicture'
  await Promise.all(
    crews.map(async crew => {
      while (next < list.length && !isStopped) {
        const index = next
        next += 1
        const file = list[index] as File
        const outcome = await crew.run(api => api.addPicture(file)).catch(() => null)
        if (outcome?.ok) outcomes[index] = outcome.hash
        else {
          refused.push(file.name)
          if (outcome?.code === 'full') isFull = true
          fault = outcome?.code ?? fault
        }
        busy.value = { done: (busy.value?.done ?? 0) + 1, total: list.length }
      }
    }),
  )
  busy.value = null
  const hashes = outcomes.filter(hash => hash !== null)
  emit('photos', hashes)
  notices.tell(
    isFull
      ? takeInWords.photoProblem.full
      : list.length === 1 && refused.length === 1
        ? takeInWords.photoProblem[fault]
        : pileWords.photosIn(hashes.length, refused),
    refused.length > 0 ? 'care' : undefined,
  )
}
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
    <KProgress v-if="busy" :text="pileWords.photosBusy" :done="busy.done" :total="busy.total" @cancel="isStopped = true" />
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
