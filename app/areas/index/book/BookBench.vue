<script setup lang="ts">
import { BookOpenText, Download, ExternalLink } from 'lucide-vue-next'
import { computed, onMounted } from 'vue'
import { INDEX_PART_NAMES, type IndexPartName } from '#core/printing'
import IndexPreview from './IndexPreview.vue'
import { useChosen } from '~/kit/useChosen'
import KPageHead from '~/kit/KPageHead.vue'
import KProgress from '~/kit/KProgress.vue'
import { offerFile } from '~/kit/offerFile'
import { usePrinting } from './usePrinting'
import { act } from '~/data/act'
import { indexWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'

/** The finding index on paper: by theme, by number, by place. */
const catalogue = useCatalogue()
const { progress, result, stopped, make, cancel } = usePrinting()
/** Which parts, and that a book was made of them: the address keeps both, and a reload makes it again. */
const parts = useChosen('parts')
const made = useChosen('made')
const chosen = computed(() =>
  parts.value === null ? INDEX_PART_NAMES : INDEX_PART_NAMES.filter(part => parts.value?.split(' ').includes(part)),
)
/** Stands in the address where no part is chosen. */
const NONE = 'none'
const papers = ['A4', 'Letter'] as const
const isEmpty = computed(() => (catalogue.tables?.holdings.size ?? 0) === 0)

function toggle(part: IndexPartName): void {
  const now = INDEX_PART_NAMES.filter(each => (each === part) !== chosen.value.includes(each))
  parts.value = now.length === INDEX_PART_NAMES.length ? null : now.join(' ') || NONE
}
async function makeBook(): Promise<void> {
  await make(catalogue.settings.paper, chosen.value)
  if (result.value) made.value = 'yes'
}
onMounted(() => {
  if (made.value && chosen.value.length > 0 && !isEmpty.value) void makeBook()
})
</script>

<template>
  <div class="mx-auto flex max-w-5xl flex-col gap-x-6 px-4 pt-2 pb-6 sm:px-6 md:flex-row md:flex-wrap">
    <KPageHead class="w-full" :title="indexWords.title" :lead="indexWords.lead" />
    <div class="md:w-80 md:shrink-0">
      <p v-if="isEmpty" class="mt-6">{{ indexWords.empty }}</p>
      <form v-else class="mt-1 grid gap-5" @submit.prevent="makeBook">
        <fieldset>
          <legend class="label">{{ indexWords.partsTitle }}</legend>
          <label v-for="part in INDEX_PART_NAMES" :key="part" class="flex min-h-11 items-center gap-3">
            <input type="checkbox" class="h-5 w-5 accent-(--strong)" :checked="chosen.includes(part)" @change="toggle(part)" />
            <span>
              {{ indexWords.parts[part] }}
              <span class="hint">{{ indexWords.partHints[part] }}</span>
            </span>
          </label>
        </fieldset>
        <fieldset>
          <legend class="label">{{ indexWords.paper }}</legend>
          <div class="flex gap-5">
            <label v-for="paper in papers" :key="paper" class="flex min-h-11 items-center gap-2">
              <input
                type="radio"
                name="paper"
                class="h-5 w-5 accent-(--strong)"
                :checked="catalogue.settings.paper === paper"
                @change="act.changeSettings({ paper })"
              />
              {{ indexWords[paper] }}
            </label>
          </div>
        </fieldset>
        <KProgress
          v-if="progress"
          :text="progress.total ? indexWords.making(progress.done, progress.total) : indexWords.laying"
          :done="progress.done"
          :total="progress.total"
          @cancel="cancel"
        />
        <div v-else>
          <button type="submit" class="button-main" :disabled="chosen.length === 0">
            <BookOpenText :size="18" aria-hidden="true" />
            {{ indexWords.make }}
          </button>
          <p v-if="chosen.length === 0" class="hint mt-1">{{ indexWords.onePart }}</p>
        </div>
        <p v-if="stopped" class="border-l-4 border-ochre bg-wash p-3" role="status">{{ indexWords[stopped] }}</p>
        <div v-if="result" role="status">
          <p class="font-semibold figures" data-ready>{{ indexWords.ready(result.pages, result.sets) }}</p>
          <div class="mt-2 flex flex-wrap gap-2">
            <button type="button" class="button" @click="offerFile(result.blob, indexWords.fileName(catalogue.settings.roomName))">
              <Download :size="18" aria-hidden="true" />
              {{ indexWords.save }}
            </button>
            <a class="button" :href="result.url" target="_blank" rel="noopener">
              <ExternalLink :size="18" aria-hidden="true" />
              {{ indexWords.open }}
            </a>
          </div>
        </div>
      </form>
    </div>
    <div v-if="!isEmpty" class="mt-4 min-w-0 flex-1"><IndexPreview :parts="chosen" /></div>
  </div>
</template>
