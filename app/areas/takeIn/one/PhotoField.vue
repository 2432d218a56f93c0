<script setup lang="ts">
import { Camera, Trash2 } from 'lucide-vue-next'
import { shallowRef, useTemplateRef } from 'vue'
import KFile from '~/kit/KFile.vue'
import SetPicture from '~/subjects/set/SetPicture.vue'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { useNotices } from '~/kit/useNotices'
import { usePhotoKeeper } from '~/subjects/set/usePhotoKeeper'

/**
 * The photo of a set: a file, a drop, or the camera of a phone. `isShown`: only shown, where photos come another way. `of` counts what
 * the form shows: a photo that is still being read when the form shows another set goes to neither, and that is told.
 */
const { of } = defineProps<{ isShown?: boolean; label?: string; of: number }>()
const hash = defineModel<string | null>({ required: true })
const problem = shallowRef('')
const isBusy = shallowRef(false)
const camera = useTemplateRef<HTMLInputElement>('camera')
const keepPhoto = usePhotoKeeper()
const notices = useNotices()

async function take(file: File): Promise<void> {
  const takenFor = of
  problem.value = ''
  isBusy.value = true
  const outcome = await keepPhoto(file).finally(() => (isBusy.value = false))
  if (takenFor !== of) return notices.tell(takeInWords.photoLate, 'care')
  if (outcome.ok) hash.value = outcome.hash
  else problem.value = takeInWords.photoProblem[outcome.code]
}
function fromCamera(event: Event): void {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  // The same photo may be chosen again.
  input.value = ''
  if (file) void take(file)
}
</script>

<template>
  <div>
    <p class="label">{{ label ?? takeInWords.photo }}</p>
    <div class="flex items-start gap-3">
      <div class="mat small-mat h-32 w-26 shrink-0 border border-mat-line p-2" :aria-busy="isBusy"><SetPicture :hash="hash" /></div>
      <div class="flex flex-col items-start gap-2">
        <slot />
        <KFile
          v-if="!isShown"
          :label="takeInWords.photoFile"
          :hint="takeInWords.photoDrop"
          accept="image/*,.heic,.heif,.tif,.tiff"
          @file="take"
        />
        <button v-if="!isShown" type="button" class="button sm:hidden" @click="camera?.click()">
          <Camera :size="18" aria-hidden="true" />
          {{ takeInWords.photoCamera }}
        </button>
        <input
          ref="camera"
          type="file"
          accept="image/*"
          capture="environment"
          class="sr-only"
          tabindex="-1"
          :aria-label="takeInWords.photoCamera"
          @change="fromCamera"
        />
        <button v-if="hash" type="button" class="button" @click="hash = null">
          <Trash2 :size="18" aria-hidden="true" />
          {{ takeInWords.photoRemove }}
        </button>
        <p v-if="problem" class="max-w-64 text-[0.88rem] font-semibold text-berry" role="alert">{{ problem }}</p>
      </div>
    </div>
  </div>
</template>
