<script setup lang="ts">
import { computed } from 'vue'
import type { LabelWork } from './useLabelWork'
import { labelWords } from './words'

/** What the practice machine did: the strip as it came out, what is still inside, and what is left on the reel. */
const { work } = defineProps<{ work: LabelWork }>()
const outcome = computed(() => work.strip.value?.outcome ?? null)
/** What is inside stays there over a reload. */
const held = computed(() => work.machine.value?.held.length ?? 0)
const problem = computed(() => {
  const now = outcome.value
  if (!now || now.ok) return ''
  return now.code === 'otherTape' ? labelWords.faults.otherTape(work.machine.value?.loadedWidthMm ?? 0) : labelWords.faults[now.code]
})
</script>

<template>
  <section class="mt-3 border border-line p-3" :aria-label="labelWords.strip" data-machine>
    <p v-if="problem" class="border-l-4 border-ochre bg-wash px-3 py-2" role="status">{{ problem }}</p>
    <template v-else-if="outcome?.ok">
      <p class="font-semibold figures" role="status" data-came-out>{{ labelWords.cameOut(outcome.out.length, outcome.stripMm) }}</p>
      <div v-for="url in work.strip.value?.urls" :key="url" class="my-2 overflow-x-auto bg-mat p-2" tabindex="0">
        <img :src="url" :alt="labelWords.strip" class="h-12 w-auto max-w-none border border-edge" />
      </div>
      <p v-if="outcome.unprinted.length" class="mt-1 border-l-4 border-ochre bg-wash px-3 py-2">
        {{ outcome.fault ? labelWords.brokeOff(outcome.unprinted.length) : labelWords.ranOut(outcome.unprinted.length) }}
      </p>
    </template>
    <p v-if="held > 0 && !problem" class="mt-1" data-held>{{ labelWords.held(held) }}</p>
    <p v-if="work.machine.value" class="hint mt-1 figures">{{ labelWords.left(work.machine.value.leftMm) }}</p>
    <div class="mt-2 flex flex-wrap gap-2">
      <button v-if="held > 0 && !problem" type="button" class="button" data-feed @click="work.print([], true)">
        {{ labelWords.feed }}
      </button>
      <button v-if="problem || (outcome?.ok && outcome.unprinted.length)" type="button" class="button" @click="work.newReel">
        {{ labelWords.newReel }}
      </button>
      <button
        v-if="work.leftover.value.length > 0"
        type="button"
        class="button-main"
        data-leftover
        @click="work.print(work.leftover.value)"
      >
        {{ labelWords.printOthers(work.leftover.value.length) }}
      </button>
    </div>
  </section>
</template>
