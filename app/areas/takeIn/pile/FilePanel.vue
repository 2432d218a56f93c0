<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import type { Holding } from '#core/catalog'
import { pointAfter, proposeIn, proposePlace, type InsertionPoint } from '#core/filing'
import PlaceProposal from '~/areas/takeIn/placing/PlaceProposal.vue'
import { useDescribe } from '~/data/useDescribe'
import { act } from '~/data/act'
import { pileWords } from '~/subjects/pile/words'
import { holderWords } from '~/subjects/fit/words'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { placeWords } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import { usePile } from '~/subjects/pile/usePile'

/** Where a set goes, between which two neighbours; or where it stands for now. */
const { holding } = defineProps<{ holding: Holding }>()
const emit = defineEmits<{ done: [] }>()
const catalogue = useCatalogue()
const notices = useNotices()
const { addressOf, proposalText } = useDescribe()
const pile = usePile()
const chosenId = shallowRef('')
const proposal = computed(() => {
  const chosen = catalogue.room.rows.get(chosenId.value)
  return chosen ? proposeIn(chosen, holding, catalogue.facts) : proposePlace(holding, catalogue.facts)
})
/** It shares the holder of another set, and so stands somewhere already. */
const standing = computed(() => catalogue.room.placements.get(holding.id) ?? null)
const forNow = computed(() => catalogue.room.rows.get(catalogue.settings.forNowContainerId ?? '') ?? null)

async function put({ container, lane, order, cell }: InsertionPoint, sentence: string): Promise<void> {
  if (!(await act.placeHolding(holding.id, { containerId: container.id, lane, order, cell })))
    return notices.tell(placeWords.placeGone, 'care')
  notices.tell(sentence)
  emit('done')
}
async function finish(): Promise<void> {
  if (standing.value) {
    await act.finishStage(holding.id, { stage: 'file' }, pile.used)
    return emit('done')
  }
  const found = proposal.value
  if (!found.ok) return notices.tell(placeWords.problems[found.code], 'care')
  await put(found.point, takeInWords.placed(holding.name, proposalText(found)))
}
async function standForNow(): Promise<void> {
  const row = forNow.value
  if (row) await put(pointAfter(row, 1, (row.lanes[0]?.length ?? 0) - 1), pileWords.forNowDone(holding.name, row.container.name))
}
defineExpose({ finish })
</script>

<template>
  <div>
    <p v-if="standing" class="font-semibold">{{ holderWords.stays(addressOf(holding) ?? '') }}</p>
    <PlaceProposal v-else v-model:chosen-id="chosenId" :proposal="proposal" :holding="holding" />
    <p v-if="holding.placeText" class="mt-2 text-quiet">{{ placeWords.listSays(holding.placeText) }}</p>
    <p class="mt-3 border-l-4 border-ochre bg-wash px-3 py-2">{{ pileWords.fileCaution }}</p>
    <p class="mt-3">
      <button type="button" class="button" :disabled="!forNow" @click="standForNow">
        {{ forNow ? pileWords.forNow(forNow.container.name) : pileWords.forNow(pileWords.forNowNone) }}
      </button>
    </p>
  </div>
</template>
