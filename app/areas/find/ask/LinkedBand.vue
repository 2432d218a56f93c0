<script setup lang="ts">
import { Ban, Link } from 'lucide-vue-next'
import { group } from 'd3-array'
import { computed, useTemplateRef } from 'vue'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import SetMat from '~/areas/find/mat/SetMat.vue'
import { findWords } from '~/areas/find/words'
import { useNotices } from '~/kit/useNotices'
import LinksButton from '~/areas/find/links/LinksButton.vue'
import { useFind } from '~/subjects/ask/useFind'

/** Sets that say the same in other words, in bands by what led to them: a link is kept for good, or ruled out, with one click. */
defineProps<{ pxPerMm: number }>()
const emit = defineEmits<{ open: [holdingId: string]; links: [] }>()
const catalogue = useCatalogue()
const find = useFind()
const notices = useNotices()
const NO_REASONS: ReadonlyMap<string, string> = new Map()

const bands = computed(() =>
  [...group(find.linked, ({ word, through, by }) => `${by} ${word} ${through}`)].flatMap(([key, hits]) => {
    const [first] = hits
    const holdings = hits.flatMap(({ id }) => catalogue.tables?.holdings.get(id) ?? [])
    return first && holdings.length > 0 ? [{ key, ...first, holdings }] : []
  }),
)
const title = useTemplateRef<HTMLElement>('title')
/** The button that was pressed goes with what it decided: the keys go on from the title. */
async function decide(word: string, through: string, isRuledOut: boolean): Promise<void> {
  title.value?.focus()
  const outcome = await act.linkWords({ word, goesWith: through, isRuledOut })
  if (outcome.ok) notices.tell((isRuledOut ? findWords.droppedLink : findWords.keptLink)(word, through))
}
</script>

<template>
  <section v-if="bands.length > 0" class="mt-5" data-linked>
    <div class="flex flex-wrap items-center justify-between gap-x-4">
      <h2 ref="title" tabindex="-1" class="text-[1.15rem] figures">{{ findWords.linkedTitle(find.linked.length) }}</h2>
      <LinksButton @open="emit('links')" />
    </div>
    <div v-for="{ key, word, through, by, holdings } in bands" :key="key" class="mt-2" data-linked-by>
      <div class="mb-1 flex flex-wrap items-center gap-x-3">
        <h3 class="min-h-11 content-center text-[1rem]">
          <b>{{ findWords.linked(word, through) }}</b>
          <span class="hint">{{ ` ${findWords.linkedBy(by)}` }}</span>
        </h3>
        <template v-if="by !== 'searchWord'">
          <button v-if="by !== 'yours'" type="button" class="head-button underline" @click="decide(word, through, false)">
            <Link :size="16" aria-hidden="true" />
            {{ findWords.keepLink }}
          </button>
          <button type="button" class="head-button underline" @click="decide(word, through, true)">
            <Ban :size="16" aria-hidden="true" />
            {{ findWords.dropLink }}
          </button>
        </template>
      </div>
      <SetMat :holdings="holdings" :px-per-mm="pxPerMm" :reasons="NO_REASONS" @open="emit('open', $event.id)" />
    </div>
  </section>
</template>
