<script setup lang="ts">
import { Camera, CameraOff } from 'lucide-vue-next'
import { nextTick, onScopeDispose, shallowRef, useTemplateRef } from 'vue'
import type { Holding } from '#core/catalog'
import { lendsCamera } from '~/data/abilities'
import { useWorker } from '~/data/worker'
import { PICTURE_FAULTS } from '~/data/words'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import KFile from '~/kit/KFile.vue'
import type { ScanApi } from './scan.worker'
import { useSetByNumber } from './useSetByNumber'
import { scanWords } from './words'

/** A label by camera, by photo or by its number: tells the set it is on. */
defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: []; found: [holding: Holding] }>()
const setByNumber = useSetByNumber()
const video = useTemplateRef<HTMLVideoElement>('video')
const problem = shallowRef('')
const typed = shallowRef('')
const stream = shallowRef<MediaStream | null>(null)
const hasCamera = lendsCamera()
const BETWEEN_FRAMES_MS = 200
/** Counts what was asked of the camera: leave that comes after the dialog was closed is of no use. */
let asked = 0
onScopeDispose(stop)
const worker = useWorker<ScanApi>(() => new Worker(new URL('./scan.worker.ts', import.meta.url), { type: 'module' }))

const letGo = (of: MediaStream | null): void => of?.getTracks().forEach(track => track.stop())
function stop(): void {
  asked += 1
  letGo(stream.value)
  stream.value = null
}
/** What was read is a set of this room, or is told to be none. */
function take(text: string): boolean {
  const holding = setByNumber(text)
  problem.value = holding ? '' : scanWords.foreign(text)
  if (holding) emit('found', holding)
  return holding !== null
}
/** null: there is no camera, or the browser was told not to use it. */
async function openCamera(): Promise<MediaStream | null> {
  try {
    return await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1280 } } })
  } catch {
    return null
  }
}
async function watchCamera(): Promise<void> {
  problem.value = ''
  const turn = (asked += 1)
  const found = await openCamera()
  if (turn !== asked) return letGo(found)
  if (!found) return void (problem.value = scanWords.noCamera)
  stream.value = found
  await nextTick()
  if (video.value) video.value.srcObject = stream.value
  const mine = stream.value
  let last = ''
  while (stream.value === mine) {
    await new Promise(resolve => setTimeout(resolve, BETWEEN_FRAMES_MS))
    if (!video.value || video.value.readyState < HTMLMediaElement.HAVE_CURRENT_DATA || stream.value !== mine) continue
    const frame = await createImageBitmap(video.value)
    const text = await worker.ask(api => api.frame(frame))
    // What is no number of this room is told once, and the camera goes on looking.
    if (text !== null && text !== last && take(text)) return
    last = text ?? last
  }
}
async function readPhoto(file: File): Promise<void> {
  const scanned = (await worker.ask(api => api.file(file))) ?? ({ ok: false, code: 'noCode' } as const)
  if (scanned.ok) take(scanned.text)
  else problem.value = scanned.code === 'notRead' ? PICTURE_FAULTS[scanned.fault] : scanWords.noCode
}
</script>

<template>
  <KDialog :open="open" :title="scanWords.title" @close="emit('close')">
    <p class="mt-2">{{ hasCamera ? scanWords.lead : scanWords.leadNoCamera }}</p>
    <video v-if="stream" ref="video" autoplay playsinline muted class="mt-3 max-h-72 w-full border border-edge bg-night object-contain" />
    <p v-if="stream" class="hint mt-1" role="status">{{ scanWords.looking }}</p>
    <div class="mt-3 flex flex-wrap gap-2">
      <button v-if="hasCamera && !stream" type="button" class="button" data-scan-camera @click="watchCamera">
        <Camera :size="18" aria-hidden="true" />
        {{ scanWords.camera }}
      </button>
      <button v-else-if="hasCamera" type="button" class="button" @click="stop">
        <CameraOff :size="18" aria-hidden="true" />
        {{ scanWords.stopCamera }}
      </button>
      <KFile :label="scanWords.photo" accept="image/*" @file="readPhoto" />
    </div>
    <form class="mt-3 flex items-end gap-2" @submit.prevent="typed.trim() && take(typed)">
      <KField class="flex-1" :label="scanWords.number" for="scan-number">
        <input id="scan-number" v-model="typed" class="field figures" inputmode="numeric" autocomplete="off" maxlength="40" />
      </KField>
      <button type="submit" class="button-main" :disabled="typed.trim() === ''">{{ scanWords.take }}</button>
    </form>
    <p v-if="problem" class="mt-2 font-semibold text-berry" role="alert" data-scan-problem>{{ problem }}</p>
  </KDialog>
</template>
