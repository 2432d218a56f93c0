<script setup lang="ts">
import SetLine from '~/subjects/set/SetLine.vue'
import { Check } from 'lucide-vue-next'
import { computed, shallowRef } from 'vue'
import type { Holding } from '#core/catalog'
import { proposePlace } from '#core/filing'
import KDialog from '~/kit/KDialog.vue'
import MovingLine from '~/subjects/pile/MovingLine.vue'
import KPageHead from '~/kit/KPageHead.vue'
import SetPicture from '~/subjects/set/SetPicture.vue'
import KProgress from '~/kit/KProgress.vue'
import { useDescribe } from '~/data/useDescribe'
import { act } from '~/data/act'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { placeWords } from '~/data/words'
import type { PlacesOutlook } from '~/data/room.worker'
import { usePlaceMany } from './usePlaceMany'
import { kitWords } from '~/kit/words'
import { keepingWords } from '~/data/words'
import { tidyWords } from '~/areas/takeIn/tidy/words'
import { listedWords } from '~/areas/takeIn/places/words'
import { NuxtLink } from '#components'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'

/** Sets without a place, each with its proposed one. A list of any length shows its first part. */
const SHOWN = 60
const catalogue = useCatalogue()
const notices = useNotices()
const { proposalText } = useDescribe()
const { worker, busy, placeMany, stop } = usePlaceMany()

const waiting = computed(() => catalogue.placeless.toSorted((a, b) => a.number - b.number))
const shown = computed(() => waiting.value.slice(0, SHOWN).map(holding => ({ holding, proposal: proposePlace(holding, catalogue.facts) })))

async function place(holding: Holding): Promise<boolean> {
  const proposal = proposePlace(holding, catalogue.facts)
  if (!proposal.ok) {
    notices.tell(placeWords.problems[proposal.code], 'care')
    return false
  }
  const { container, lane, order, cell } = proposal.point
  const text = proposalText(proposal)
  const isPlaced = await act.placeHolding(holding.id, { containerId: container.id, lane, order, cell })
  notices.tell(isPlaced ? takeInWords.placed(holding.name, text) : placeWords.placeGone, isPlaced ? 'done' : 'care')
  return isPlaced
}
/** What putting all away would make of the room, before it is done. */
const outlook = shallowRef<PlacesOutlook | null>(null)
const isLooking = shallowRef(false)
async function lookAhead(): Promise<void> {
  isLooking.value = true
  outlook.value = await worker.ask(api => api.planMany(waiting.value.map(holding => holding.id))).finally(() => (isLooking.value = false))
}
async function placeAll(): Promise<void> {
  outlook.value = null
  const done = await placeMany(waiting.value.map(holding => holding.id))
  if (done === null) notices.tell(keepingWords.notKept, 'care')
  else notices.tell(takeInWords.placedMany(done))
}
</script>

<template>
  <div class="mx-auto max-w-4xl px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="takeInWords.placelessTitle" :lead="takeInWords.placelessLead(waiting.length)">
      <button v-if="waiting.length > 1 && !busy" type="button" class="button-main" :disabled="isLooking" @click="lookAhead">
        <Check :size="18" aria-hidden="true" />
        {{ takeInWords.placeAll }}
      </button>
    </KPageHead>
    <MovingLine />
    <p v-if="catalogue.listed.length > 0" class="mt-3 flex flex-wrap items-center gap-x-4 border-l-4 border-ochre bg-wash px-3 py-1">
      {{ listedWords.told(catalogue.listed.length) }}
      <NuxtLink to="/take-in/places" class="button">{{ listedWords.toRoom }}</NuxtLink>
    </p>
    <p v-if="catalogue.nowhere.length > 1" class="mt-3 flex flex-wrap items-center gap-x-4">
      {{ tidyWords.offer(catalogue.nowhere.length) }}
      <NuxtLink to="/take-in/tidy" class="button">{{ tidyWords.title }}</NuxtLink>
    </p>
    <KProgress v-if="busy" class="mt-4" :text="takeInWords.placedMany(busy.done)" :done="busy.done" :total="busy.total" @cancel="stop" />
    <KDialog :open="outlook !== null" :title="takeInWords.placeAllTitle" @close="outlook = null">
      <template v-if="outlook">
        <p class="mt-2">
          {{ takeInWords.placeAllSum(outlook.placed) }}
          <span v-if="outlook.unclaimed > 0" class="font-semibold text-ochre">{{ takeInWords.placeAllUnclaimed(outlook.unclaimed) }}</span>
          <span v-if="outlook.left > 0" class="font-semibold text-ochre" data-left>{{ takeInWords.placeAllLeft(outlook.left) }}</span>
        </p>
        <ul class="mt-3 max-h-80 overflow-y-auto" tabindex="0" :aria-label="takeInWords.placeAllTitle">
          <li
            v-for="each in outlook.containers"
            :key="each.id"
            class="grid grid-cols-[1fr_7rem_auto] items-center gap-3 border-t border-line py-1.5 figures"
            :data-after="each.after"
          >
            <span class="font-semibold">{{ catalogue.tables?.containers.get(each.id)?.name }}</span>
            <span class="relative h-4 border border-edge bg-sheet" aria-hidden="true">
              <span class="absolute inset-y-0 left-0 bg-ridge-2" :style="{ width: `${Math.min(100, each.after * 100)}%` }" />
              <span class="absolute inset-y-0 left-0 bg-ridge-4" :style="{ width: `${Math.min(100, each.before * 100)}%` }" />
            </span>
            <span>{{ takeInWords.placeAllRow(each.sets, kitWords.percent(each.before), kitWords.percent(each.after)) }}</span>
          </li>
        </ul>
      </template>
      <template #actions>
        <button type="button" class="button" @click="outlook = null">{{ kitWords.cancel }}</button>
        <button type="button" class="button-main" :disabled="outlook?.placed === 0" @click="placeAll">{{ takeInWords.placeAllNow }}</button>
      </template>
    </KDialog>
    <ul class="mt-2">
      <li
        v-for="{ holding, proposal } in shown"
        :key="holding.id"
        class="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-line py-2"
      >
        <span class="h-14 w-11 shrink-0"><SetPicture :hash="holding.pictureHash" /></span>
        <div class="min-w-0 flex-1 basis-60">
          <SetLine class="flex-wrap" :holding="holding" />
          <p v-if="holding.placeText" class="hint">{{ placeWords.listSays(holding.placeText) }}</p>
          <p>{{ proposalText(proposal) }}</p>
        </div>
        <button v-if="proposal.ok" type="button" class="button" @click="place(holding)">{{ takeInWords.placeIt }}</button>
      </li>
    </ul>
  </div>
</template>
