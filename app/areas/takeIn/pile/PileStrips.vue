<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import { X } from 'lucide-vue-next'
import { computed, shallowRef, watch } from 'vue'
import type { Draft } from '#core/catalog'
import SetPicture from '~/subjects/set/SetPicture.vue'
import { act } from '~/data/act'
import { pileWords } from '~/subjects/pile/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import { usePile } from '~/subjects/pile/usePile'

/** The strips that wait to be named, the open one left out. */
const { openId } = defineProps<{ openId: string | null }>()
const emit = defineEmits<{ open: [draft: Draft] }>()
const SHOWN = 36
/** Put up some at a time, frame by frame: two hundred photos end in no long task. */
const A_FRAME = 9
const pile = usePile()
const catalogue = useCatalogue()
const notices = useNotices()
const others = computed(() => pile.drafts.filter(draft => draft.id !== openId))
const shown = shallowRef(A_FRAME)
function showMore(): void {
  if (shown.value < Math.min(SHOWN, others.value.length))
    requestAnimationFrame(() => {
      shown.value += A_FRAME
      showMore()
    })
}
watch(() => others.value.length, showMore, { immediate: true })
const facts = ({ texts }: Draft): string =>
  [texts.brand, catalogue.tables?.kinds.get(texts.kindId)?.name, texts.size].filter(Boolean).join(', ')

async function drop(draft: Draft): Promise<void> {
  pile.leaveOut(draft.id)
  await act.dropDrafts([draft.id])
  notices.tell(pileWords.dropped)
}
</script>

<template>
  <section v-if="others.length" :aria-label="pileWords.pileTitle(others.length)">
    <h2 class="text-[1.15rem] figures" data-pile>{{ pileWords.pileTitle(others.length) }}</h2>
    <p class="hint">{{ pileWords.pileLead }}</p>
    <ul class="mt-2 grid grid-cols-1 gap-2 sm:grid-cols-2 lg:grid-cols-3">
      <li v-for="draft in others.slice(0, shown)" :key="draft.id" class="flex items-stretch border border-line">
        <button
          type="button"
          class="flex min-w-0 flex-1 items-center gap-3 p-2 text-left hover:bg-wash"
          data-strip
          @click="emit('open', draft)"
        >
          <span class="h-14 w-11 shrink-0"><SetPicture :hash="draft.pictureHash" /></span>
          <span class="min-w-0">
            <span class="block truncate font-semibold" :class="draft.texts.name ? '' : 'text-quiet'">
              {{ draft.texts.name || pileWords.unnamed }}
            </span>
            <span class="hint block truncate">{{ facts(draft) }}</span>
          </span>
        </button>
        <KIcon class="text-quiet" :icon="X" :label="pileWords.drop(draft.texts.name)" @click="drop(draft)" />
      </li>
    </ul>
    <p v-if="others.length > SHOWN" class="hint mt-2 figures">{{ pileWords.moreStrips(others.length - SHOWN) }}</p>
  </section>
</template>
