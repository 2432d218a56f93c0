<script setup lang="ts">
import { MapPin, TriangleAlert } from 'lucide-vue-next'
import { computed, onScopeDispose, watchEffect } from 'vue'
import { capOf, overBy } from '#core/capacity'
import { type InsertionProposal, TAB_TABLES, tabOf } from '#core/filing'
import type { Holding } from '#core/catalog'
import { useDescribe } from '~/data/useDescribe'
import { useFills } from '~/subjects/room/useFills'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { useRidge } from '~/subjects/ask/useRidge'
import { placeWords } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import { roomWords } from '~/subjects/room/roomWords'

/** Where a set goes by its zone's rule, between which two neighbours, and why. */
const { proposal, holding = null } = defineProps<{ proposal: InsertionProposal | null; holding?: Holding | null }>()
const catalogue = useCatalogue()
const chosenId = defineModel<string>('chosenId', { default: '' })
const ridge = useRidge()
/** The ridge shows where. */
watchEffect(() => {
  ridge.proposed = proposal?.ok ? proposal.point.container.id : null
})
onScopeDispose(() => {
  ridge.proposed = null
})
const { codeAt, lengthNeeded, proposalText, lookUp } = useDescribe()
const fills = useFills()

const reason = computed(() => {
  if (!proposal?.ok) return ''
  if (proposal.insteadOf) return placeWords.insteadOf(proposal.insteadOf.name)
  const keys = placeWords.rule(proposal.zone.filingRule)
  return proposal.point.cell ? placeWords.becauseCell(proposal.zone.name) : placeWords.because(proposal.zone.name, keys)
})
/** Told before it happens: the set would not go into its container any more. */
const overMm = computed(() => {
  if (!proposal?.ok || proposal.point.cell) return 0
  const fill = fills.value.get(proposal.point.container.id)
  return fill ? overBy(fill, holding, id => catalogue.tables?.kinds.get(id), catalogue.learnt) : 0
})
/** The zone holds as many as its owner wants in it already. */
const capWarning = computed(() => {
  if (!proposal?.ok) return ''
  const { zone } = proposal
  const count = [...catalogue.room.placements.values()].filter(({ container }) => container.zoneId === zone.id && !container.isTable).length
  const cap = capOf(zone, count, 1)
  return cap.state === 'over' ? roomWords.capWarns(zone.name, cap.cap) : ''
})
const missingTab = computed(() => {
  if (!proposal?.ok || proposal.point.cell || !holding) return ''
  const tab = tabOf(holding, proposal.zone.filingRule)
  return tab && proposal.point.section?.standsFor?.id !== tab.id ? (lookUp(TAB_TABLES[tab.by], tab.id)?.name ?? '') : ''
})
</script>

<template>
  <section class="border-l-4 border-ember bg-wash px-4 py-3" :aria-label="placeWords.proposed">
    <h2 class="flex items-center gap-2 text-[1.05rem]">
      <MapPin :size="18" class="text-ember" aria-hidden="true" />
      {{ placeWords.proposed }}
    </h2>
    <p v-if="!proposal" class="mt-1 text-quiet">{{ takeInWords.proposeFirst }}</p>
    <template v-else>
      <p v-if="proposal.ok" class="mt-1 flex flex-wrap items-baseline gap-x-3">
        <span class="font-title text-[1.9rem] leading-tight font-bold figures" data-write>{{ codeAt(proposal.point) }}</span>
        <span class="hint">{{ placeWords.writeThis(proposal.point.cell?.side ?? null) }}</span>
      </p>
      <p class="mt-1" data-proposal>{{ proposalText(proposal) }}</p>
      <p v-if="reason" class="hint mt-1">
        {{ reason }}
        <template v-if="missingTab">
          {{ placeWords.noTab(missingTab, proposal.ok ? (proposal.point.section?.title ?? null) : null) }}
        </template>
      </p>
      <p v-if="capWarning" class="mt-2 flex items-center gap-2 font-semibold text-ochre" data-cap>
        <TriangleAlert :size="18" aria-hidden="true" />
        {{ capWarning }}
      </p>
      <p v-if="overMm > 0 && proposal.ok" class="mt-2 flex items-center gap-2 font-semibold text-ochre">
        <TriangleAlert :size="18" aria-hidden="true" />
        {{ placeWords.tooFull(proposal.point.container.name, lengthNeeded(overMm)) }}
      </p>
    </template>
    <label v-if="proposal" class="mt-2 flex flex-wrap items-center gap-x-2">
      <span class="hint">{{ placeWords.another }}</span>
      <select v-model="chosenId" class="field w-auto min-w-0 flex-1">
        <option value="">{{ placeWords.byOrder }}</option>
        <option v-for="{ container } in catalogue.containers" :key="container.id" :value="container.id">{{ container.name }}</option>
      </select>
    </label>
  </section>
</template>
