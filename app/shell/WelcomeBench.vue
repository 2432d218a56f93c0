<script setup lang="ts">
import { DoorOpen, FileSpreadsheet, PackageOpen, Sparkles } from 'lucide-vue-next'
import { shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import { stepWords } from './steps'
import { useSteps } from './useSteps'
import { welcomeWords } from './words'
import { useMovingIn } from '~/subjects/pile/useMovingIn'
import { copyWords } from '~/subjects/copies/words'
import { useCopies } from '~/subjects/copies/useCopies'
import { useNotices } from '~/kit/useNotices'

const [copies, steps] = [useCopies(), useSteps()]
const notices = useNotices()
const router = useRouter()
const roomName = shallowRef('')
const { isBegun } = useMovingIn()

/** An empty room, and where its owner begins. That it is begun is kept first: this page goes as soon as the room is there. */
async function beginAt(path: string): Promise<void> {
  isBegun.value = true
  try {
    await copies.startEmpty(roomName.value.trim())
    void router.push(path)
  } catch (reason) {
    isBegun.value = false
    throw reason
  }
}
const empty = (): Promise<void> => beginAt('/take-in')
const bringList = (): Promise<void> => beginAt('/take-in/list')
async function demo(): Promise<void> {
  const outcome = await copies.loadDemo()
  if (outcome !== 'loaded') notices.tell(outcome === 'full' ? copyWords.demoFull : copyWords.demoMissing, 'care')
}
/** What was undone down to an empty room is one's own, until something new takes its place. */
const waiting = shallowRef<(() => Promise<void>) | null>(null)
function begin(work: () => Promise<void>): void {
  if (steps.undone.value.length > 0) waiting.value = work
  else void work()
}
async function letGo(): Promise<void> {
  const work = waiting.value
  waiting.value = null
  await work?.()
}
async function bringBack(): Promise<void> {
  waiting.value = null
  await steps.redoAll()
}
const ways = [
  { icon: FileSpreadsheet, title: welcomeWords.bringList, hint: welcomeWords.bringListHint, act: () => begin(bringList) },
  { icon: DoorOpen, title: welcomeWords.startEmpty, hint: welcomeWords.startEmptyHint, act: () => begin(empty) },
  { icon: Sparkles, title: welcomeWords.demo, hint: welcomeWords.demoHint, act: () => begin(demo) },
  { icon: PackageOpen, title: welcomeWords.restore, hint: welcomeWords.restoreHint, act: () => router.push('/copies') },
] as const
</script>

<template>
  <div class="mx-auto max-w-3xl p-6 sm:p-12">
    <h1 class="text-[2rem]">{{ welcomeWords.title }}</h1>
    <p class="mt-1 text-quiet">{{ welcomeWords.lead }}</p>
    <p v-if="steps.undone.value[0]" class="mt-4 border-l-4 border-ochre bg-wash px-4 py-2" data-undone>
      {{ welcomeWords.undone(steps.undone.value.length, stepWords.what(steps.undone.value[0])) }}
      <button type="button" class="min-h-11 underline" @click="bringBack">{{ welcomeWords.bringBack }}</button>
    </p>
    <p v-if="copies.progress" class="mt-6 figures" role="status">
      {{ welcomeWords.loadingDemo }}: {{ copies.progress.done }} / {{ copies.progress.total }}
    </p>
    <ol v-else class="mt-8 grid gap-3 sm:grid-cols-2">
      <li v-for="way in ways" :key="way.title">
        <button
          type="button"
          class="flex h-full w-full items-start gap-4 rounded-[3px] border border-edge p-4 text-left hover:bg-wash"
          @click="way.act()"
        >
          <component :is="way.icon" class="mt-0.5 shrink-0 text-ridge-4" :size="26" aria-hidden="true" />
          <span>
            <span class="block font-title text-[1.12rem] font-semibold">{{ way.title }}</span>
            <span class="hint">{{ way.hint }}</span>
          </span>
        </button>
      </li>
    </ol>
    <KField
      v-if="!copies.progress"
      class="mt-6 max-w-md"
      :label="welcomeWords.roomName"
      for="new-room"
      :hint="welcomeWords.begins(copies.locale)"
    >
      <input id="new-room" v-model="roomName" class="field" maxlength="300" autocomplete="off" :placeholder="welcomeWords.roomExample" />
    </KField>
    <KDialog :open="waiting !== null" :title="welcomeWords.beginTitle" @close="waiting = null">
      <p v-if="steps.undone.value[0]" class="mt-2">
        {{ welcomeWords.undone(steps.undone.value.length, stepWords.what(steps.undone.value[0])) }}
      </p>
      <template #actions>
        <button type="button" class="button" @click="letGo">{{ welcomeWords.begin }}</button>
        <button type="button" class="button-main" @click="bringBack">{{ welcomeWords.bringBack }}</button>
      </template>
    </KDialog>
  </div>
</template>
