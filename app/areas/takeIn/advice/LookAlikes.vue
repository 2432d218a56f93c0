<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, shallowRef, watch } from 'vue'
import SetPicture from '~/subjects/set/SetPicture.vue'
import KTicket from '~/kit/KTicket.vue'
import { useDescribe } from '~/data/useDescribe'
import { pileWords } from '~/subjects/pile/words'
import { useAdvice } from './useAdvice'
import { useCatalogue } from '~/data/useCatalogue'
import { usePile } from '~/subjects/pile/usePile'
import type { FoundLookAlike } from './advice.worker'

/** "Own it already?": sets like the one being typed or photographed, with picture and place, before anything is saved. */
const { name, brandId, pictureHash, exceptId } = defineProps<{
  name: string
  brandId: string | null
  pictureHash: string | null
  exceptId: string | null
}>()
const ASK_AFTER_MS = 60
const MOST = 3
const advice = useAdvice()
const catalogue = useCatalogue()
const pile = usePile()
const { codeOf, placeOf } = useDescribe()
const byName = shallowRef<readonly FoundLookAlike[]>([])
const byPicture = shallowRef<readonly FoundLookAlike[]>([])

const askName = useDebounceFn(async () => {
  const asked = name
  const found = name.trim().length < 3 ? [] : ((await advice.ask(api => api.likeName(name, brandId, exceptId))) ?? [])
  if (asked === name) byName.value = found
}, ASK_AFTER_MS)
watch(
  () => [name, brandId, exceptId] as const,
  () => void askName(),
  { immediate: true },
)
watch(
  () => [pictureHash, exceptId] as const,
  async ([hash]) => {
    byPicture.value = []
    const found = hash ? ((await advice.ask(api => api.likePicture(hash, exceptId))) ?? []) : []
    // An answer that comes after the next photo says nothing about it.
    if (hash === pictureHash) byPicture.value = found
  },
  { immediate: true },
)
const ORDER = ['same', 'edition', 'similar'] as const
const shown = computed(() => {
  const all = [...byName.value, ...byPicture.value].sort(
    (a, b) => ORDER.indexOf(a.verdict) - ORDER.indexOf(b.verdict) || b.likeness - a.likeness,
  )
  return all.filter((each, at) => all.findIndex(other => other.id === each.id) === at).slice(0, MOST)
})
const holdingOf = (id: string) => catalogue.tables?.holdings.get(id)
const draftOf = (id: string) => pile.drafts.find(draft => draft.id === id)
</script>

<template>
  <section
    v-if="shown.length"
    class="border-l-4 bg-wash p-3"
    :class="shown[0]?.verdict === 'similar' ? 'border-edge' : 'border-ochre'"
    :aria-label="pileWords.ownIt"
    aria-live="polite"
    data-look-alikes
  >
    <h2 class="text-[1.05rem]">{{ pileWords.ownIt }}</h2>
    <ul>
      <li v-for="each in shown" :key="each.id" class="mt-2 flex items-start gap-3">
        <span class="h-16 w-12 shrink-0">
          <SetPicture :hash="holdingOf(each.id)?.pictureHash ?? draftOf(each.id)?.pictureHash ?? null" />
        </span>
        <p class="min-w-0 leading-snug">
          <strong class="block" :class="each.verdict === 'same' ? 'text-ochre' : ''">
            {{ pileWords.lookAlike(each.verdict, each.by === 'picture', each.where === 'pile') }}
          </strong>
          <template v-if="holdingOf(each.id)">
            <KTicket :code="codeOf(holdingOf(each.id)!)" size="small" />
            {{ holdingOf(each.id)?.name }}
            <span class="hint block">{{ placeOf(holdingOf(each.id)!) }}</span>
          </template>
          <template v-else>{{ draftOf(each.id)?.texts.name }}</template>
        </p>
      </li>
    </ul>
  </section>
</template>
