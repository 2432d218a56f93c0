<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { moment } from '#core/grammar'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { useWorker } from '~/data/worker'
import { type SetHistory, type SetThen, STEP_WORDS } from '~/db'
import type { SetHistoryApi } from './setHistory.worker'
import { type Fact, useFacts } from './useFacts'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { slipWords } from './words'

/** What was done to a set, step by step, as the journal has it: what it says now, and what it said before. */
const { holdingId } = defineProps<{ holdingId: string }>()
const A_TIME = 12
const catalogue = useCatalogue()
const { code } = useDescribe()
const { factsOf } = useFacts()
const worker = useWorker<SetHistoryApi>(() => new Worker(new URL('./setHistory.worker.ts', import.meta.url), { type: 'module' }))
const isOpen = shallowRef(false)
const most = shallowRef(A_TIME)
const history = shallowRef<SetHistory | null>(null)

const isUnread = shallowRef(false)

watch([isOpen, most, () => catalogue.steps], async () => {
  if (!isOpen.value) return
  const found = await worker.ask(api => api.historyOf(holdingId, most.value))
  isUnread.value = !found
  history.value = found ?? history.value
})

function placeText({ holders }: SetThen): string {
  const texts = holders.map(({ containerId, cell }) => {
    const name = catalogue.tables?.containers.get(containerId)?.name ?? slipWords.placeGone
    return cell ? slipWords.pageAndCell(name, cell.page, cell.cell) : name
  })
  return texts.join('; ')
}
function photoText(label: string, was: string | null = null, is: string | null = null): string {
  if (was === is) return ''
  if (was === null) return slipWords.photoAdded(label)
  return is === null ? slipWords.photoRemoved(label) : slipWords.photoReplaced(label)
}
const said = (then: SetThen): readonly Fact[] =>
  then.holding
    ? [
        [slipWords.number, code(then.holding)],
        [slipWords.name, then.holding.name],
        [slipWords.placeChanged, placeText(then)],
        ...factsOf(then.holding),
      ]
    : []
/** Line by line what the set says otherwise; empty: nothing that a person would see. */
function changesOf(before: SetThen, after: SetThen): readonly string[] {
  const was = new Map(said(before))
  const is = new Map(said(after))
  const lines = [...new Set([...was.keys(), ...is.keys()])].map(label => {
    const [old, now] = [was.get(label) ?? '', is.get(label) ?? '']
    if (old === now) return ''
    if (old === '') return slipWords.becameKnown(label, now)
    return now === '' ? slipWords.becameUnknown(label, old) : slipWords.became(label, old, now)
  })
  const photos = [
    photoText(slipWords.photo, before.holding?.pictureHash, after.holding?.pictureHash),
    photoText(takeInWords.packagingBack, before.holding?.packagingPictureHash, after.holding?.packagingPictureHash),
  ]
  return [...lines, ...photos].filter(line => line !== '')
}
const steps = computed(() =>
  (history.value?.steps ?? []).flatMap(({ step, before, after }) => {
    const lines = before.holding ? changesOf(before, after) : []
    return lines.length > 0 || !before.holding ? [{ step, what: STEP_WORDS[step.command](step), lines }] : []
  }),
)
</script>

<template>
  <details class="border-t border-line" data-history @toggle="isOpen = ($event.currentTarget as HTMLDetailsElement).open">
    <summary class="min-h-11 content-center text-quiet">{{ slipWords.history }}</summary>
    <p v-if="!history" class="hint" role="status">{{ isUnread ? slipWords.historyUnread : slipWords.historyReading }}</p>
    <template v-else>
      <ol>
        <li v-for="{ step, what, lines } in steps" :key="step.seq" class="border-t border-line py-2">
          <p class="flex flex-wrap justify-between gap-x-3">
            <span>{{ what }}</span>
            <span class="hint">{{ moment(step.at) }}</span>
          </p>
          <ul v-if="lines.length" class="mt-1 list-disc pl-5">
            <li v-for="line in lines" :key="line" class="whitespace-pre-line wrap-anywhere">{{ line }}</li>
          </ul>
        </li>
      </ol>
      <p v-if="steps.length === 0 && history.steps.length < most" class="hint pb-2">{{ slipWords.historyNone }}</p>
      <button v-if="history.steps.length === most && !history.isWhole" type="button" class="button" @click="most += A_TIME">
        {{ slipWords.historyMore }}
      </button>
      <p v-else-if="!history.isWhole && steps.length > 0" class="hint pb-2">{{ slipWords.historyEarlier }}</p>
    </template>
  </details>
</template>
