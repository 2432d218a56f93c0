<script setup lang="ts">
import { Archive, FileSpreadsheet } from 'lucide-vue-next'
import { shallowRef } from 'vue'
import KPageHead from '~/kit/KPageHead.vue'
import KDialog from '~/kit/KDialog.vue'
import KFile from '~/kit/KFile.vue'
import KProgress from '~/kit/KProgress.vue'
import StorageRoom from './StorageRoom.vue'
import RoomSettingsForm from './RoomSettingsForm.vue'
import { troubleOf } from '~/data/storageTrouble'
import { copyWords } from '~/subjects/copies/words'
import { kitWords } from '~/kit/words'
import { keepingWords } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useCopies } from '~/subjects/copies/useCopies'
import { useNotices } from '~/kit/useNotices'
import { WorkStopped } from '~/data/worker'

/** Copies: all that was typed is the person's own, and can be taken away and brought back. */
const catalogue = useCatalogue()
const copies = useCopies()
const notices = useNotices()
const refusal = shallowRef('')
/** What waits until the person's own catalogue is safe. */
const waiting = shallowRef<(() => Promise<void>) | null>(null)

async function guarded(work: () => Promise<void>): Promise<void> {
  refusal.value = ''
  try {
    await work()
  } catch (reason) {
    if (troubleOf(reason) === 'full') notices.tell(keepingWords.storageFull, 'care')
    else notices.tell(reason instanceof WorkStopped && reason.code === 'cancelled' ? copyWords.cancelled : copyWords.crashed, 'care')
  }
}
async function saveNow(): Promise<void> {
  const { bytes, missing, fault } = await copies.saveCopy()
  const said = fault ? copyWords.faulty(fault) : copyWords.saved(copyWords.megabytes(bytes.byteLength), missing)
  notices.tell(said, fault || missing > 0 ? 'care' : 'done')
}
const save = (): Promise<void> => guarded(saveNow)
const restore = (file: File): Promise<void> =>
  guarded(async () => {
    const outcome = await copies.restore(await file.arrayBuffer())
    if (outcome.ok) notices.tell(copyWords.restored(outcome.holdings, outcome.missing), outcome.missing > 0 ? 'care' : 'done')
    else refusal.value = copyWords.refused(copyWords.refusal[outcome.code], outcome.where)
  })
const empty = (): Promise<void> =>
  guarded(async () => {
    await copies.startEmpty()
    notices.tell(copyWords.started)
  })
const demo = (): Promise<void> =>
  guarded(async () => {
    const isLoaded = await copies.loadDemo()
    notices.tell(isLoaded ? copyWords.demoLoaded : copyWords.demoMissing, isLoaded ? 'done' : 'care')
  })
/** Beginning anew never costs a catalogue that no copy holds. */
function begin(work: () => Promise<void>): void {
  if (copies.unsaved > 0) waiting.value = work
  else void work()
}
async function saveThenGoOn(): Promise<void> {
  const next = waiting.value
  waiting.value = null
  await guarded(async () => {
    await saveNow()
    await next?.()
  })
}
</script>

<template>
  <div class="mx-auto max-w-5xl px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="copyWords.title" :lead="`${copyWords.lead} ${copyWords.lifting}`" />
    <KProgress
      v-if="copies.progress"
      class="mt-4"
      :text="
        copyWords.progress(
          copyWords.stages[copies.progress.stage as keyof typeof copyWords.stages] ?? '',
          copies.progress.done,
          copies.progress.total,
        )
      "
      :done="copies.progress.done"
      :total="copies.progress.total"
      @cancel="copies.cancel"
    />
    <p v-if="refusal" class="mt-4 border-l-4 border-berry bg-wash p-3" role="alert" data-refusal>{{ refusal }}</p>
    <div class="mt-3 grid gap-x-10 gap-y-6 md:grid-cols-2">
      <section v-if="!catalogue.isEmpty">
        <h2 class="text-[1.15rem]">{{ copyWords.saveTitle }}</h2>
        <p class="hint mb-3">{{ copyWords.saveHint }}</p>
        <button type="button" class="button-main" :disabled="copies.progress !== null" @click="save">
          <Archive :size="18" aria-hidden="true" />
          {{ copyWords.save }}
        </button>
      </section>
      <section>
        <h2 class="text-[1.15rem]">{{ copyWords.restoreTitle }}</h2>
        <p class="hint mb-3">{{ copyWords.restoreHint }}</p>
        <KFile :label="copyWords.restore" accept=".zip,application/zip" @file="restore" />
      </section>
      <section v-if="!catalogue.isEmpty">
        <h2 class="text-[1.15rem]">{{ copyWords.listTitle }}</h2>
        <p class="hint mb-3">{{ copyWords.listHint }}</p>
        <button type="button" class="button" @click="guarded(copies.saveList)">
          <FileSpreadsheet :size="18" aria-hidden="true" />
          {{ copyWords.list }}
        </button>
      </section>
      <section>
        <h2 class="text-[1.15rem]">{{ copyWords.startTitle }}</h2>
        <div class="mt-2 grid gap-3">
          <div class="flex flex-wrap items-center gap-3">
            <button type="button" class="button" :disabled="copies.progress !== null" @click="begin(empty)">
              {{ copyWords.startEmpty }}
            </button>
            <span class="hint">{{ copyWords.startEmptyHint }}</span>
          </div>
          <div class="flex flex-wrap items-center gap-3">
            <button type="button" class="button" :disabled="copies.progress !== null" @click="begin(demo)">
              {{ copyWords.demo }}
            </button>
            <span class="hint">{{ copyWords.demoHint }}</span>
          </div>
        </div>
      </section>
      <StorageRoom v-if="!catalogue.isEmpty" class="md:col-span-2" />
      <RoomSettingsForm v-if="!catalogue.isEmpty" class="md:col-span-2" />
    </div>
    <KDialog :open="waiting !== null" :title="copyWords.guardTitle" @close="waiting = null">
      <p class="mt-2">{{ copyWords.guard(copies.unsaved) }}</p>
      <template #actions>
        <button type="button" class="button" @click="waiting = null">{{ kitWords.cancel }}</button>
        <button type="button" class="button-main" @click="saveThenGoOn">{{ copyWords.guardButton }}</button>
      </template>
    </KDialog>
  </div>
</template>
