<script setup lang="ts">
import { Play } from 'lucide-vue-next'
import { computed, nextTick, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import type { Holder } from '#core/catalog'
import { readRule } from '#core/filing'
import { MAX_LENGTH_MM } from '#core/units'
import type { RefilingProposal, RefilingQuestion } from '#core/refiling'
import RefilingForm from './RefilingForm.vue'
import RefilingPreview from './RefilingPreview.vue'
import RefilingSteps from './RefilingSteps.vue'
import StoreroomNav from '~/areas/storeroom/StoreroomNav.vue'
import { useDescribe } from '~/data/useDescribe'
import { useRefiling } from './useRefiling'
import { act } from '~/data/act'
import { plainly } from '~/kit/plainly'
import { refileWords } from './words'
import { placeWords } from '~/data/words'
import { kitWords } from '~/kit/words'
import { useNotices } from '~/kit/useNotices'

/** Re-filing: asked for, shown before it is begun, and worked through step by step. */
const route = useRoute()
const notices = useNotices()
const underWay = useRefiling()
const { open, worker, laneText, minutesOf } = underWay
const { lengthNeeded } = useDescribe()
const asked = shallowRef<Omit<RefilingQuestion, 'heap'> | null>(null)
const proposal = shallowRef<RefilingProposal | null>(null)
const heap = shallowRef<readonly Holder[]>([])
const isBusy = shallowRef(false)
/** A rule that another page proposes: its keys in the address, such as `brand,name`. */
const initialRule = computed(() => (typeof route.query.by === 'string' ? (readRule(route.query.by)?.keys ?? null) : null))
async function ask(question: Omit<RefilingQuestion, 'heap'>, heapIds: readonly string[]): Promise<void> {
  isBusy.value = true
  const answer = await worker.ask(api => api.propose(question, heapIds)).finally(() => (isBusy.value = false))
  asked.value = question
  proposal.value = answer?.proposal ?? null
  heap.value = answer?.heap ?? []
  await nextTick()
  document.querySelector('[data-refiling-answer]')?.scrollIntoView({ block: 'start', behavior: 'smooth' })
}
async function begin(): Promise<void> {
  const [question, answer] = [asked.value, proposal.value]
  if (!question || !answer?.ok) return
  const begun = await act.beginRefiling({
    zone: question.zone,
    rule: question.rule,
    lanes: answer.lanes.map(lane => lane.target),
    // A heap lies where there is room for it.
    tableMm: Math.min(MAX_LENGTH_MM, Math.max(question.tableMm, answer.heapMm)),
    armfulMm: question.armfulMm,
    tableName: heap.value.length > 0 ? refileWords.heapName : refileWords.tableName,
    name: refileWords.name(question.zone.name, placeWords.rule(question.rule)),
    heap: plainly(heap.value),
  })
  if (!begun.ok) notices.tell(refileWords.notBegun[begun.code], 'care')
  proposal.value = null
}
const problemText = computed(() => {
  const { value: found } = proposal
  return !found || found.ok
    ? ''
    : refileWords.problem(found.problem, lengthNeeded, found.problem.code === 'laneTooShort' ? laneText(found.problem.lane) : '')
})
const minutes = computed(() =>
  proposal.value?.ok ? minutesOf(proposal.value.moves.lifts, proposal.value.moves.steps.length) : { minutes: 0, isOwnPace: false },
)
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <StoreroomNav :title="refileWords.title" :lead="refileWords.lead" />
    <RefilingSteps v-if="open" :key="open.id" class="mt-5" :refiling="open" :plan="underWay" />
    <template v-else>
      <RefilingForm
        class="mt-5"
        :is-busy="isBusy"
        :initial-rule="initialRule"
        :initial-zone="typeof route.query.zone === 'string' ? route.query.zone : null"
        :is-from-heap="route.query.heap !== undefined"
        @ask="ask"
        @changed="proposal = null"
      />
      <p v-if="isBusy" class="mt-4 flex items-center gap-3" role="status">
        {{ refileWords.working }}
        <button type="button" class="min-h-11 underline" @click="worker.cancel()">{{ kitWords.cancel }}</button>
      </p>
      <p v-else-if="problemText" class="mt-4 border-l-4 border-berry bg-wash px-3 py-2 font-semibold" role="alert">{{ problemText }}</p>
      <div v-else-if="proposal?.ok" data-refiling-answer class="mt-6 border-t-2 border-ridge-5 pt-4">
        <RefilingPreview :proposal="proposal" :heap="heap" :lane-text="laneText" :minutes="minutes" />
        <div class="mt-4 flex flex-wrap items-center gap-3">
          <button type="button" class="button-main" @click="begin">
            <Play :size="18" aria-hidden="true" />
            {{ refileWords.begin }}
          </button>
          <span class="hint">{{ refileWords.beginHint }}</span>
        </div>
      </div>
    </template>
  </div>
</template>
