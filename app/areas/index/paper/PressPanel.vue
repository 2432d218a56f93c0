<script setup lang="ts">
import { Download, ExternalLink } from 'lucide-vue-next'
import { shallowRef, watch } from 'vue'
import KProgress from '~/kit/KProgress.vue'
import { offerFile } from '~/kit/offerFile'
import type { Press } from './usePress'
import { pressWords } from './words'

/**
 * The making of what is printed: its buttons, how far it is, the file to open or save, and once whether it came out well. `asks`:
 * what waits for that answer, piece by piece; null: nothing does. `out`: what a machine gave, told between the two.
 */
const { press, asks } = defineProps<{
  press: Press
  ready: string
  fileName: string
  /** Asked in place of whether it came out well. */
  question?: string
  /** A word of care where blades or the printer call for it. */
  care?: string
  /** Pictures that the sets name and this browser no longer has. */
  gone?: number
  asks: { readonly text: string; readonly pieces: readonly { readonly id: string; readonly text: string }[] } | null
}>()
const emit = defineEmits<{ well: [string[]]; none: [] }>()
const isAsking = shallowRef(false)
const well = shallowRef<ReadonlySet<string>>(new Set())
watch(
  () => asks,
  now => {
    isAsking.value = false
    well.value = new Set(now?.pieces.map(({ id }) => id) ?? [])
  },
  { immediate: true },
)
function toggle(id: string): void {
  const next = new Set(well.value)
  if (!next.delete(id)) next.add(id)
  well.value = next
}
</script>

<template>
  <div>
    <p v-if="gone" class="mt-3 border-l-4 border-ochre bg-wash px-3 py-2 figures" role="status" data-gone>{{ pressWords.gone(gone) }}</p>
    <KProgress
      v-if="press.progress.value"
      class="mt-3"
      :text="press.progress.value.total ? pressWords.making(press.progress.value.done, press.progress.value.total) : pressWords.laying"
      :done="press.progress.value.done"
      :total="press.progress.value.total"
      @cancel="press.cancel"
    />
    <div v-else-if="!asks" class="mt-3 flex flex-wrap gap-2 empty:hidden"><slot /></div>
    <p v-if="press.stopped.value" class="mt-3 border-l-4 border-ochre bg-wash p-3" role="status">{{ pressWords[press.stopped.value] }}</p>
    <slot name="out" />
    <div v-if="(press.made.value || asks) && !press.progress.value" class="mt-3 border-l-4 border-strong bg-wash p-3">
      <template v-if="press.made.value">
        <p class="font-semibold figures" role="status" data-ready>{{ ready }}</p>
        <p v-if="press.made.value.missing.length" class="mt-1 text-ochre" data-missing>
          {{ pressWords.missing(press.made.value.missing) }}
        </p>
        <div class="mt-2 flex flex-wrap gap-2">
          <a class="button-main" :href="press.made.value.url" target="_blank" rel="noopener">
            <ExternalLink :size="18" aria-hidden="true" />
            {{ pressWords.open }}
          </a>
          <button type="button" class="button" @click="offerFile(press.made.value.blob, fileName)">
            <Download :size="18" aria-hidden="true" />
            {{ pressWords.save }}
          </button>
        </div>
      </template>
      <p v-if="care" class="hint" :class="press.made.value ? 'mt-2' : ''">{{ care }}</p>
      <div v-if="asks" :class="press.made.value || care ? 'mt-2' : ''">
        <p class="figures" data-waiting>{{ asks.text }}</p>
        <p class="mt-1 font-semibold">{{ question ?? pressWords.well }}</p>
        <div v-if="!isAsking" class="mt-1 flex flex-wrap gap-2">
          <button
            type="button"
            class="button"
            data-well
            @click="
              emit(
                'well',
                asks.pieces.map(({ id }) => id),
              )
            "
          >
            {{ pressWords.wellAll }}
          </button>
          <button v-if="asks.pieces.length > 1" type="button" class="button" @click="isAsking = true">{{ pressWords.wellSome }}</button>
          <button type="button" class="button" @click="emit('none')">{{ pressWords.notPrinted }}</button>
        </div>
        <fieldset v-else class="mt-1">
          <legend class="hint">{{ pressWords.wellWhich }}</legend>
          <div class="mt-1 flex max-h-56 flex-wrap gap-x-4 overflow-y-auto" tabindex="0">
            <label v-for="{ id, text } in asks.pieces" :key="id" class="flex min-h-11 items-center gap-2 leading-tight figures">
              <input type="checkbox" class="h-5 w-5 shrink-0 accent-(--strong)" :checked="well.has(id)" @change="toggle(id)" />
              {{ text }}
            </label>
          </div>
          <button type="button" class="button mt-1" :disabled="well.size === 0" data-well @click="emit('well', [...well])">
            {{ pressWords.wellThese }}
          </button>
        </fieldset>
      </div>
    </div>
  </div>
</template>
