<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { type Labelled, LABELLED } from '#core/catalog'
import { containersInOrder } from '#core/room'
import IndexNav from '~/areas/index/IndexNav.vue'
import { useCatalogue } from '~/data/useCatalogue'
import { useChosen } from '~/kit/useChosen'
import LabelChoices from './LabelChoices.vue'
import LabelPreview from './LabelPreview.vue'
import LabelStatus from './LabelStatus.vue'
import type { LabelLine } from './labels.worker'
import { useLabelWork } from './useLabelWork'
import { labelWords } from './words'

type What = Exclude<Labelled, 'shared'>
type Group = keyof typeof labelWords.groups

/** Labels: what there is to make and why, how they are made, and as they will be. */
const catalogue = useCatalogue()
const [what, sheetId, where] = [useChosen('for'), useChosen('sheet'), useChosen('where')]
const KINDS = LABELLED.filter((each): each is What => each !== 'shared')
const kind = computed((): What => KINDS.find(each => each === what.value) ?? 'set')
const sheet = computed(() => catalogue.tables?.labelSheets.get(sheetId.value ?? '') ?? null)
const work = useLabelWork(
  () => kind.value,
  () => sheet.value,
)
const containers = computed(() =>
  containersInOrder({ rows: catalogue.room.rows, fixtures: catalogue.tables?.fixtures ?? new Map() }, null).map(
    ({ container }) => container,
  ),
)

/** Why a label is in the list, or that it is true already. */
function groupOf({ of, reason }: LabelLine): Group {
  if (reason && work.found.value?.waiting.has(of)) return 'waiting'
  return reason ?? 'fine'
}
/** In which container each thing stands: only one of them may be asked for. */
const rankAsked = computed(() => containers.value.findIndex(({ id }) => id === where.value))
const lines = computed(() => {
  const all = work.lines.value
  if (!all || rankAsked.value < 0) return all
  const here = new Set((work.found.value?.things ?? []).flatMap(({ of, rank }) => (rank === rankAsked.value ? [of] : [])))
  return all.filter(({ of }) => here.has(of))
})
const groups = computed(() => {
  const counts = new Map<Group, number>()
  for (const line of lines.value ?? []) counts.set(groupOf(line), (counts.get(groupOf(line)) ?? 0) + 1)
  return counts
})
/** First what is urgent: what waits on the pile and what is no longer true; where there is none of it, what never had a label. */
const chosen = shallowRef<ReadonlySet<Group> | null>(null)
watch([kind, where], () => (chosen.value = null))
const groupsChosen = computed((): ReadonlySet<Group> => {
  if (chosen.value) return chosen.value
  const urgent = (['waiting', 'differs'] as const).filter(group => groups.value.has(group))
  return new Set(urgent.length > 0 ? urgent : ['none'])
})
function toggle(group: Group): void {
  const next = new Set(groupsChosen.value)
  if (!next.delete(group)) next.add(group)
  chosen.value = next
}
const toMake = computed(() => (lines.value ?? []).filter(line => groupsChosen.value.has(groupOf(line))))
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <IndexNav :title="labelWords.title" :lead="labelWords.lead" />
    <div class="mt-2 grid items-start gap-x-8 gap-y-5 md:grid-cols-[23rem_minmax(0,1fr)] md:grid-rows-[auto_1fr]">
      <LabelStatus
        :kind="kind"
        :kinds="KINDS"
        :work="work"
        :lines="lines"
        :to-make="toMake"
        :groups="groups"
        :chosen="groupsChosen"
        :sheet="sheet"
        :containers="containers"
        :where="where"
        @kind="what = $event"
        @where="where = $event"
        @toggle="toggle"
      />
      <LabelPreview
        class="min-w-0 md:col-start-2 md:row-span-2"
        :work="work"
        :sheet="sheet"
        :to-make="toMake"
        :containers="containers"
        :kind="kind"
      />
      <details class="border-t border-line pt-2 md:row-start-2" open>
        <summary class="min-h-11 cursor-pointer content-center font-semibold">{{ labelWords.howMade }}</summary>
        <LabelChoices class="mt-1" :sheet="sheet" :work="work" @sheet="sheetId = $event" />
      </details>
    </div>
  </div>
</template>
