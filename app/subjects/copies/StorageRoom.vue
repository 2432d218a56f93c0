<script setup lang="ts">
import { Eraser } from 'lucide-vue-next'
import { onMounted, shallowRef } from 'vue'
import { act } from '~/data/act'
import type { StorageUse } from '~/db/commands'
import { useNotices } from '~/kit/useNotices'
import { useCopies } from '~/subjects/copies/useCopies'
import { copyWords } from '~/subjects/copies/words'

/** What takes how much room in this browser, what may be let go, and whether the browser has promised to keep it. */
const copies = useCopies()
const notices = useNotices()
const use = shallowRef<StorageUse | null>(null)
const estimate = shallowRef<StorageEstimate | null>(null)
const isPersisted = shallowRef<boolean | null>(null)
const isBusy = shallowRef(false)

async function look(): Promise<void> {
  isPersisted.value = (await navigator.storage?.persisted?.().catch(() => null)) ?? null
  estimate.value = (await navigator.storage?.estimate?.().catch(() => null)) ?? null
  use.value = await copies.storageUse()
}
onMounted(() => void look())

async function clear(work: () => Promise<number>, say: (count: number) => string): Promise<void> {
  isBusy.value = true
  const count = await work().finally(() => (isBusy.value = false))
  notices.tell(say(count))
  await look()
}
const sweep = (): Promise<void> => clear(() => act.sweepPictures(), copyWords.swept)
const forget = (): Promise<void> => clear(() => act.forgetSteps(), copyWords.forgotten)
async function askToKeep(): Promise<void> {
  isPersisted.value = (await navigator.storage?.persist?.().catch(() => false)) ?? false
}
</script>

<template>
  <section :aria-busy="use === null" data-storage>
    <h2 class="text-[1.15rem]">{{ copyWords.storageTitle }}</h2>
    <p class="hint">{{ copyWords.storageLead }}</p>
    <p v-if="estimate?.usage !== undefined && estimate.quota" class="mt-2 figures">
      {{ copyWords.storageUsed(copyWords.megabytes(estimate.usage), copyWords.megabytes(estimate.quota)) }}
    </p>
    <p v-if="isPersisted !== null" class="mt-1" data-persisted>
      {{ isPersisted ? copyWords.persisted : copyWords.notPersisted }}
      <button v-if="!isPersisted" type="button" class="min-h-11 underline" @click="askToKeep">{{ copyWords.askToKeep }}</button>
    </p>
    <ul v-if="use" class="mt-2 figures">
      <li class="border-t border-line py-2">{{ copyWords.picturesTake(copyWords.megabytes(use.pictures)) }}</li>
      <li class="flex flex-wrap items-center justify-between gap-3 border-t border-line py-2">
        <span>{{ copyWords.unnamedTake(use.unnamedPictures.count, copyWords.megabytes(use.unnamedPictures.bytes)) }}</span>
        <button v-if="use.unnamedPictures.count" type="button" class="button" :disabled="isBusy" @click="sweep">
          <Eraser :size="18" aria-hidden="true" />
          {{ copyWords.sweep }}
        </button>
      </li>
      <li class="flex flex-wrap items-center justify-between gap-3 border-t border-line py-2">
        <span>{{ copyWords.stepsTake(use.steps.count, copyWords.megabytes(use.steps.bytes)) }}</span>
        <button v-if="use.steps.count" type="button" class="button" :disabled="isBusy" @click="forget">
          <Eraser :size="18" aria-hidden="true" />
          {{ copyWords.forget }}
        </button>
      </li>
    </ul>
  </section>
</template>
