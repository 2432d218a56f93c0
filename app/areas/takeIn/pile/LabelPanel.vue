<script setup lang="ts">
import { NuxtLink } from '#components'
import type { Holding } from '#core/catalog'
import KTicket from '~/kit/KTicket.vue'
import { useDescribe } from '~/data/useDescribe'
import { placeWords } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import { act } from '~/data/act'
import { pileWords } from '~/subjects/pile/words'
import { usePile } from '~/subjects/pile/usePile'

/** What is to stand on the thing: its number as the series writes it. */
const { holding } = defineProps<{ holding: Holding }>()
const emit = defineEmits<{ done: [] }>()
const pile = usePile()
const catalogue = useCatalogue()
const { addressOf, code, codeOf } = useDescribe()

async function finish(): Promise<void> {
  await act.finishStage(holding.id, { stage: 'label', labelText: code(holding) }, pile.used)
  emit('done')
}
defineExpose({ finish })
</script>

<template>
  <div>
    <h2 class="text-[1.15rem]">{{ pileWords.labelAsk }}</h2>
    <p class="my-4 text-[2.4rem]"><KTicket :code="codeOf(holding)" size="large" /></p>
    <p v-if="addressOf(holding)" class="mb-4 flex flex-wrap items-baseline gap-x-3">
      <span class="font-title text-[1.9rem] leading-tight font-bold figures">{{ addressOf(holding) }}</span>
      <span class="hint">{{ placeWords.writeThis(catalogue.room.placements.get(holding.id)?.cell?.side ?? null) }}</span>
    </p>
    <p class="text-quiet">{{ pileWords.labelHint }}</p>
    <NuxtLink to="/index/labels" class="inline-flex min-h-11 items-center underline">{{ pileWords.printLabels }}</NuxtLink>
    <p class="mt-3 border-l-4 border-ochre bg-wash px-3 py-2">{{ pileWords.adhesiveCaution }}</p>
  </div>
</template>
