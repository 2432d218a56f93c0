<script setup lang="ts">
import { computed } from 'vue'
import type { Holder } from '#core/catalog'
import type { RefilingProposal } from '#core/refiling'
import KTicket from '~/kit/KTicket.vue'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { refileWords } from './words'
import { useFills } from '~/subjects/room/useFills'

/** The aim, before and after; where the run is cut and why; the dividers; and what it takes. */
const { proposal, heap, laneText, minutes } = defineProps<{
  proposal: Extract<RefilingProposal, { ok: true }>
  /** What stands nowhere yet and is filed with the rest. */
  heap: readonly Holder[]
  laneText: (key: string) => string
  minutes: { readonly minutes: number; readonly isOwnPace: boolean }
}>()
const catalogue = useCatalogue()
const { codeOf, lengthText, sizeText } = useDescribe()
const fills = useFills()
const viaTable = computed(() => proposal.moves.lifts - proposal.moves.move)
const lanes = computed(() =>
  proposal.lanes.map(lane => ({
    ...lane,
    key: `${lane.target.containerId}/${lane.target.lane}`,
    before: fills.value.get(lane.target.containerId)?.share ?? 0,
    after: lane.capacityMm > 0 ? lane.usedMm / lane.capacityMm : 0,
  })),
)
const changes = computed(() =>
  proposal.lanes.reduce(
    (sum, { changes: each }) => ({
      add: sum.add + each.add.length,
      rewrite: sum.rewrite + each.rewrite.length,
      takeOut: sum.takeOut + each.takeOut.length,
      stay: sum.stay + each.stay,
    }),
    { add: 0, rewrite: 0, takeOut: 0, stay: 0 },
  ),
)
/** What comes out of the heap, in the order in which it will stand, with where that is. */
const labels = computed(() => {
  const holders = new Map(heap.map(holder => [holder.id, holder]))
  return lanes.value.flatMap(({ key, target }) =>
    target.holderIds.flatMap(id => {
      const holding = catalogue.tables?.holdings.get(holders.get(id)?.holdingIds[0] ?? '')
      return holding ? [{ id, code: codeOf(holding), name: holding.name, lane: laneText(key) }] : []
    }),
  )
})
const newTabs = computed(() =>
  lanes.value.flatMap(lane => [...lane.changes.add, ...lane.changes.rewrite.map(each => each.tab)].map(tab => ({ lane: lane.key, tab }))),
)
</script>

<template>
  <div data-refiling-preview>
    <p v-if="proposal.moves.move === 0" class="font-semibold text-moss">{{ refileWords.nothing }}</p>
    <template v-else>
      <p class="text-[1.1rem] font-semibold figures" data-moves>
        {{ refileWords.sum(proposal.moves.move, proposal.moves.stay, proposal.moves.steps.length) }}
      </p>
      <p class="figures">
        {{ refileWords.minutes(minutes.minutes, minutes.isOwnPace) }}
        <template v-if="viaTable > 0">{{ refileWords.viaTable(viaTable) }}</template>
        {{ refileWords.lanes(proposal.usedLanes, proposal.lanes.length) }}
      </p>
    </template>
    <table class="mt-3 w-full max-w-3xl figures">
      <thead>
        <tr class="text-left text-[0.88rem] text-quiet">
          <th class="py-1 font-semibold" scope="col" />
          <th class="w-2/5 font-semibold" scope="col">{{ refileWords.before }}</th>
          <th class="w-2/5 font-semibold" scope="col">{{ refileWords.after }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="lane in lanes" :key="lane.key" class="border-t border-line">
          <th class="py-1 pr-3 text-left font-semibold" scope="row">{{ laneText(lane.key) }}</th>
          <td v-for="(share, at) in [lane.before, lane.after]" :key="at" class="pr-3">
            <span class="flex items-center gap-2">
              <span class="relative h-3.5 flex-1 border border-edge bg-sheet" aria-hidden="true">
                <span
                  class="absolute inset-y-0 left-0"
                  :class="share > 1 ? 'bg-berry' : at === 0 ? 'bg-ridge-2' : 'bg-ridge-4'"
                  :style="{ width: `${Math.min(100, share * 100)}%` }"
                />
              </span>
              <span class="w-14 text-right">{{ Math.round(share * 100) }} %</span>
            </span>
          </td>
        </tr>
      </tbody>
    </table>
    <details class="mt-3" :open="proposal.breaks.length < 8">
      <summary class="min-h-11 content-center font-semibold">{{ refileWords.cuts }}</summary>
      <p v-if="proposal.breaks.length === 0" class="hint">{{ refileWords.noCuts }}</p>
      <ul>
        <li v-for="cut in proposal.breaks" :key="cut.bin" class="border-t border-line py-1 figures">
          {{ refileWords.why(cut, laneText(lanes[cut.bin]?.key ?? ''), lengthText) }}
        </li>
      </ul>
    </details>
    <details v-if="labels.length > 0" class="mt-1" data-labels>
      <summary class="min-h-11 content-center font-semibold figures">{{ refileWords.labels(labels.length) }}</summary>
      <p class="hint">{{ refileWords.labelsHint }}</p>
      <ol class="max-h-96 overflow-y-auto" tabindex="0" :aria-label="refileWords.labels(labels.length)">
        <li v-for="each in labels" :key="each.id" class="flex items-baseline gap-3 border-t border-line py-1">
          <KTicket :code="each.code" size="small" />
          <span class="min-w-0 flex-1">{{ each.name }}</span>
          <span class="hint">{{ each.lane }}</span>
        </li>
      </ol>
    </details>
    <details class="mt-1">
      <summary class="min-h-11 content-center font-semibold">
        {{ refileWords.tabs }}:
        <span class="font-normal figures">{{ refileWords.tabsChange(changes.add, changes.rewrite, changes.takeOut, changes.stay) }}</span>
      </summary>
      <p v-if="newTabs.length" class="hint">{{ refileWords.blade }}</p>
      <ul>
        <li v-for="{ lane, tab } in newTabs" :key="`${lane}/${tab.standsFor.id}`" class="flex items-center gap-3 border-t border-line py-1">
          <span class="h-4 w-8 shrink-0" :style="{ background: `var(--tab-${tab.colour})` }" aria-hidden="true" />
          <span class="figures">
            <span class="font-semibold">{{ laneText(lane) }},</span>
            {{ refileWords.tab(tab.title, refileWords.position[tab.position] ?? '', lengthText(tab.heightMm)) }},
            {{ tab.blank ? refileWords.blank(sizeText(tab.blank), lengthText(tab.cutDownMm)) : refileWords.noBlank
            }}{{ tab.fault ? ';' : '' }}
            <span v-if="tab.fault" class="font-semibold text-ochre">{{ refileWords.tabFault[tab.fault] }}</span>
          </span>
        </li>
      </ul>
    </details>
  </div>
</template>
