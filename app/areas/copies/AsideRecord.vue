<script setup lang="ts">
import { computed, reactive, shallowRef } from 'vue'
import type { SetAside } from '#core/catalog'
import { repair } from '#core/soundness'
import { act } from '~/data/act'
import KField from '~/kit/KField.vue'
import { useNotices } from '~/kit/useNotices'
import { nameIn } from '~/subjects/copies/asideName'
import { soundnessWords } from '~/subjects/copies/soundnessWords'

/** One record that is set aside: what it is, what is wrong with it, and what would make it one that its table takes. */
const { record } = defineProps<{ record: SetAside }>()
/** So many letters of it are shown. */
const SHOWN = 20_000
const notices = useNotices()
const said = reactive<Record<string, string>>({})
const isBusy = shallowRef(false)
/** What it would be asked for, whatever was typed meanwhile. */
const asked = computed(() => repair(record.from, record.text, {}))
const repaired = computed(() => repair(record.from, record.text, said))

const fields = computed(() => [...asked.value.changes.map(({ field }) => field), ...asked.value.asks, ...asked.value.hopeless])
const found = computed(() => `${record.fault}\n${record.text.slice(0, SHOWN)}`)

async function done(work: () => Promise<string>): Promise<void> {
  isBusy.value = true
  const says = await work().finally(() => (isBusy.value = false))
  notices.tell(says, says === soundnessWords.notPutBack ? 'care' : 'done')
}
const putBack = (): Promise<void> =>
  done(async () => ((await act.putBackAside(record.id, { ...said })) ? soundnessWords.wasPutBack : soundnessWords.notPutBack))
const letGo = (): Promise<void> =>
  done(async () => {
    await act.letAsideGo(record.id)
    return soundnessWords.removed
  })
</script>

<template>
  <li class="border-t border-line py-3" data-aside>
    <h3 class="font-semibold">{{ soundnessWords.aside(record.from, nameIn(record)) }}</h3>
    <p class="hint">{{ soundnessWords.fault(fields) }}</p>
    <ul v-if="asked.changes.length" class="mt-1 list-disc pl-5">
      <li v-for="change in asked.changes" :key="change.field" class="wrap-anywhere">{{ soundnessWords.change(change) }}</li>
    </ul>
    <p v-if="asked.hopeless.length" class="mt-1">{{ soundnessWords.hopeless }}</p>
    <KField
      v-for="field in asked.asks"
      :key="field"
      class="mt-2 max-w-md"
      :label="soundnessWords.asks(field)"
      :for="`${record.id}-${field}`"
    >
      <input :id="`${record.id}-${field}`" v-model="said[field]" class="field" maxlength="300" autocomplete="off" />
    </KField>
    <div class="mt-2 flex flex-wrap gap-2">
      <button type="button" class="button" :disabled="isBusy || !repaired.record" @click="putBack">{{ soundnessWords.putBack }}</button>
      <button type="button" class="button" :disabled="isBusy" @click="letGo">{{ soundnessWords.remove }}</button>
    </div>
    <details class="mt-2">
      <summary class="min-h-11 cursor-pointer py-2 underline">{{ soundnessWords.text }}</summary>
      <pre class="max-h-60 overflow-auto bg-wash p-3 text-[0.85rem] whitespace-pre-wrap wrap-anywhere">{{ found }}</pre>
    </details>
  </li>
</template>
