<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import type { WaitingLabels } from './labels.worker'
import type { LabelWork } from './useLabelWork'
import { labelWords } from './words'

/** Once, after labels were made: whether they came out well. Until somebody answers, also after a reload. */
const { work, waiting } = defineProps<{ work: LabelWork; waiting: WaitingLabels }>()
const isAsking = shallowRef(false)
const well = shallowRef<ReadonlySet<string>>(new Set())
watch(
  () => waiting,
  now => {
    isAsking.value = false
    well.value = new Set(now.lines.map(({ of }) => of))
  },
  { immediate: true },
)
function toggle(of: string): void {
  const next = new Set(well.value)
  if (!next.delete(of)) next.add(of)
  well.value = next
}
</script>

<template>
  <div>
    <p class="figures" data-waiting-labels>{{ labelWords.waiting(waiting.lines.length, waiting.at) }}</p>
    <p class="mt-1 font-semibold">{{ labelWords.well }}</p>
    <p class="hint">{{ labelWords.bladeCaution }}</p>
    <div v-if="!isAsking" class="mt-1 flex flex-wrap gap-2">
      <button type="button" class="button" data-labels-well @click="work.confirm(waiting.lines.map(({ of }) => of))">
        {{ labelWords.wellAll }}
      </button>
      <button type="button" class="button" @click="isAsking = true">{{ labelWords.wellSome }}</button>
      <button type="button" class="button" @click="work.notMade">{{ labelWords.notMade }}</button>
    </div>
    <fieldset v-else class="mt-1">
      <legend class="hint">{{ labelWords.wellWhich }}</legend>
      <div class="mt-1 max-h-56 overflow-y-auto" tabindex="0">
        <label v-for="line in waiting.lines" :key="line.of" class="flex min-h-11 items-center gap-2 leading-tight figures">
          <input type="checkbox" class="h-5 w-5 shrink-0 accent-(--strong)" :checked="well.has(line.of)" @change="toggle(line.of)" />
          {{ line.says.join(' · ') }}
        </label>
      </div>
      <button type="button" class="button mt-1" :disabled="well.size === 0" data-labels-well @click="work.confirm([...well])">
        {{ labelWords.wellThese }}
      </button>
    </fieldset>
  </div>
</template>
