<script setup lang="ts">
import { DoorOpen, FileSpreadsheet, PackageOpen, Sparkles } from 'lucide-vue-next'
import { shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import KField from '~/kit/KField.vue'
import { welcomeWords } from './words'
import { useMovingIn } from '~/subjects/pile/useMovingIn'
import { copyWords } from '~/subjects/copies/words'
import { useCopies } from '~/subjects/copies/useCopies'
import { useNotices } from '~/kit/useNotices'

const copies = useCopies()
const notices = useNotices()
const router = useRouter()
const roomName = shallowRef('')
const { isBegun } = useMovingIn()

async function empty(): Promise<void> {
  await copies.startEmpty(roomName.value.trim())
  isBegun.value = true
  void router.push('/take-in')
}
async function bringList(): Promise<void> {
  await copies.startEmpty(roomName.value.trim())
  isBegun.value = true
  void router.push('/take-in/list')
}
async function demo(): Promise<void> {
  if (!(await copies.loadDemo())) notices.tell(copyWords.demoMissing, 'care')
}
const ways = [
  { icon: FileSpreadsheet, title: welcomeWords.bringList, hint: welcomeWords.bringListHint, act: bringList },
  { icon: DoorOpen, title: welcomeWords.startEmpty, hint: welcomeWords.startEmptyHint, act: empty },
  { icon: Sparkles, title: welcomeWords.demo, hint: welcomeWords.demoHint, act: demo },
  { icon: PackageOpen, title: welcomeWords.restore, hint: welcomeWords.restoreHint, act: () => router.push('/copies') },
] as const
</script>

<template>
  <div class="mx-auto max-w-3xl p-6 sm:p-12">
    <h1 class="text-[2rem]">{{ welcomeWords.title }}</h1>
    <p class="mt-1 text-quiet">{{ welcomeWords.lead }}</p>
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
  </div>
</template>
