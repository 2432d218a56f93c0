<script setup lang="ts">
import { Archive, FileSpreadsheet, ListChecks } from 'lucide-vue-next'
import { shallowRef } from 'vue'
import { NuxtLink } from '#components'
import type { Reading } from '#core/exchange'
import KPageHead from '~/kit/KPageHead.vue'
import KDialog from '~/kit/KDialog.vue'
import KFile from '~/kit/KFile.vue'
import KProgress from '~/kit/KProgress.vue'
import StorageRoom from '~/subjects/copies/StorageRoom.vue'
import RoomSettingsForm from './RoomSettingsForm.vue'
import { troubleOf } from '~/data/storageTrouble'
import RescueButton from '~/subjects/copies/RescueButton.vue'
import { soundnessWords } from '~/subjects/copies/soundnessWords'
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
/** A copy that is not whole: what of it can be read may be wanted. */
const broken = shallowRef<File | null>(null)
/** What reading a copy has found in it, said for as long as one stays. */
const notWhole = shallowRef('')
/** What waits until the person's own catalogue is safe. */
const waiting = shallowRef<(() => Promise<void>) | null>(null)

async function guarded(work: () => Promise<void>): Promise<void> {
  refusal.value = ''
  notWhole.value = ''
  broken.value = null
  try {
    await work()
  } catch (reason) {
    if (troubleOf(reason) === 'full') notices.tell(keepingWords.storageFull, 'care')
    else notices.tell(reason instanceof WorkStopped && reason.code === 'cancelled' ? copyWords.cancelled : copyWords.crashed, 'care')
  }
}
async function saveNow(): Promise<void> {
  const { file, missing, findings } = await copies.saveCopy()
  const said = findings > 0 ? soundnessWords.findingsSaved(findings) : copyWords.saved(copyWords.megabytes(file.size), missing)
  notices.tell(said, findings + missing > 0 ? 'care' : 'done')
}
const save = (): Promise<void> => guarded(saveNow)
/** What is refused for a fault in it may be read as far as it goes; what is no copy at all holds nothing to read. */
const READABLE: readonly string[] = ['damaged', 'badRecord', 'fileMissing', 'fileUnlisted']
const restore = (file: File, wanted: Reading = 'whole'): Promise<void> =>
  guarded(async () => {
    const outcome = await copies.restore(await file.arrayBuffer(), wanted)
    if (!outcome.ok) {
      refusal.value = copyWords.refused(copyWords.refusal[outcome.code], outcome.where)
      broken.value = wanted === 'whole' && READABLE.includes(outcome.code) ? file : null
      return
    }
    const { mended, left, aside, leftOut } = outcome
    notWhole.value = copyWords.notWhole(mended.length, left.length, aside, leftOut)
    notices.tell(copyWords.restored(outcome.holdings, outcome.missing), outcome.missing > 0 || notWhole.value ? 'care' : 'done')
  })
const empty = (): Promise<void> =>
  guarded(async () => {
    await copies.startEmpty()
    notices.tell(copyWords.started)
  })
const demo = (): Promise<void> =>
  guarded(async () => {
    const outcome = await copies.loadDemo()
    const said = { loaded: copyWords.demoLoaded, missing: copyWords.demoMissing, full: copyWords.demoFull }
    notices.tell(said[outcome], outcome === 'loaded' ? 'done' : 'care')
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
      :text="copyWords.howFar(copies.progress)"
      :done="copies.progress.done"
      :total="copies.progress.total"
      @cancel="copies.cancel"
    />
    <div v-if="refusal" class="mt-4 border-l-4 border-berry bg-wash p-3" role="alert" data-refusal>
      <p>{{ refusal }}</p>
      <template v-if="broken">
        <p class="mt-1">{{ copyWords.readAnywayHint }}</p>
        <button type="button" class="button mt-2" @click="restore(broken, 'asFarAsItGoes')">{{ copyWords.readAnyway }}</button>
      </template>
    </div>
    <p v-if="notWhole" class="mt-4 border-l-4 border-ochre bg-wash p-3" role="status" data-not-whole>
      {{ notWhole }}
      <NuxtLink to="/copies/check" class="underline">{{ soundnessWords.open }}</NuxtLink>
    </p>
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
        <KFile :label="copyWords.restore" accept=".zip,application/zip" @file="file => restore(file)" />
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
      <section v-if="!catalogue.isEmpty">
        <h2 class="text-[1.15rem]">{{ soundnessWords.section }}</h2>
        <p class="hint mb-3">{{ soundnessWords.sectionHint }}</p>
        <NuxtLink to="/copies/check" class="button">
          <ListChecks :size="18" aria-hidden="true" />
          {{ soundnessWords.open }}
        </NuxtLink>
      </section>
      <section>
        <h2 class="text-[1.15rem]">{{ copyWords.rescueTitle }}</h2>
        <p class="hint mb-3">{{ copyWords.rescueHint }}</p>
        <RescueButton />
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
