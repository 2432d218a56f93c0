<script setup lang="ts">
import { Check, Printer } from 'lucide-vue-next'
import { NuxtLink } from '#components'
import { computed, shallowRef } from 'vue'
import type { Refiling } from '#core/catalog'
import { idsOf, setDowns, type Step } from '#core/refiling'
import { plainly } from '~/kit/plainly'
import KDialog from '~/kit/KDialog.vue'
import type { UnderWay } from './useRefiling'
import { act } from '~/data/act'
import { refileWords } from './words'
import { kitWords } from '~/kit/words'
import { useDescribe } from '~/data/useDescribe'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import MovePicture from './MovePicture.vue'

/** The plan strip of a re-filing: its steps top to bottom, the first to be done now; each with a picture, its sets and a tick. */
const { refiling, plan: underWay } = defineProps<{ refiling: Refiling; plan: UnderWay }>()
const { lengthNeeded } = useDescribe()
const catalogue = useCatalogue()
const notices = useNotices()
const { left, isBusy, freshness, workOut, lengthOf, laneText, lanesBefore, holderText, minutesOf, tick } = underWay
const SHOWN_AT_ONCE = 6
const MORE = 20
const shownCount = shallowRef(SHOWN_AT_ONCE)
const NAMES = 3
const isLeaving = shallowRef(false)
const plan = computed(() => left.value?.moves ?? null)
const steps = computed(() => (plan.value?.ok ? plan.value.steps : []))
const hasTabs = computed(() => refiling.lanes.some(({ tabs }) => tabs.length > 0))
const tableKey = computed(() => `${refiling.tableContainerId}/1`)
const onTable = computed(() => catalogue.room.rows.get(refiling.tableContainerId)?.placements.length ?? 0)
/** The next steps, each with its lanes as they are when its turn comes. */
const shown = computed(() => {
  const next = steps.value.slice(0, shownCount.value)
  const lanes = lanesBefore(next, tableKey.value)
  return next.map((step, at) => ({ step, from: lanes[at]?.get(step.from) ?? [], to: lanes[at]?.get(step.to) ?? [] }))
})
const isOntoTable = (step: Step): boolean => step.to.startsWith(refiling.tableContainerId)
/** Out of a heap each is looked for by itself: all are named when their turn comes. */
const isFromTable = (step: Step): boolean => step.from === tableKey.value
const partsOf = (step: Step): Step['parts'] => (isFromTable(step) ? setDowns(step) : step.parts)
const names = (ids: readonly string[]): string =>
  ids.length <= NAMES
    ? ids.map(holderText).join(', ')
    : `${refileWords.first} ${holderText(ids[0] ?? '')}, ${refileWords.last} ${holderText(ids.at(-1) ?? '')}`

async function finish(): Promise<void> {
  if (left.value && (await act.finishRefiling(refiling.id, plainly(left.value.lanes)))) notices.tell(refileWords.finished)
}
async function leave(keepsRule: boolean): Promise<void> {
  const isLeft = await act.leaveRefiling(refiling.id, keepsRule, onTable.value > 0 ? 'noPlace' : 'bare')
  notices.tell(isLeft ? refileWords.leftOff : refileWords.notLeft, isLeft ? 'done' : 'care')
  isLeaving.value = false
}
</script>

<template>
  <section :aria-label="refileWords.open" :aria-busy="freshness === 'working'" data-refiling>
    <h2 class="text-[1.2rem]">{{ refileWords.open }}: {{ refiling.name }}</h2>
    <p class="figures" data-refiling-progress>
      {{ refileWords.progress(refiling.stepsDone, refiling.liftsDone) }}
      <template v-if="plan?.ok">
        {{ refileWords.left(plan.steps.length, plan.move) }}
        <template v-if="plan.lifts > 0">
          {{ refileWords.minutes(minutesOf(plan.lifts, plan.steps.length).minutes, minutesOf(plan.lifts, plan.steps.length).isOwnPace) }}
        </template>
      </template>
    </p>
    <p class="mt-2 border-l-4 border-ochre bg-wash px-3 py-2">{{ refileWords.caution }}</p>
    <p v-if="plan && !plan.ok" class="mt-3 border-l-4 border-berry bg-wash px-3 py-2 font-semibold" role="alert">
      {{ refileWords.problem(plan, lengthNeeded, plan.code === 'laneTooShort' ? laneText(plan.lane) : '') }}
    </p>
    <p v-if="freshness === 'failed'" class="mt-3 border-l-4 border-berry bg-wash px-3 py-2 font-semibold" role="alert">
      {{ refileWords.notWorkedOut }}
      <button type="button" class="min-h-11 underline" @click="workOut">{{ refileWords.again }}</button>
    </p>
    <ol class="mt-4">
      <li
        v-for="({ step, from, to }, at) in shown"
        :key="`${step.from}/${step.parts[0]?.ids[0]}`"
        class="plan-step border-t border-line py-3"
        :class="at === 0 ? '' : 'text-quiet'"
        data-step
      >
        <span class="font-title text-[1.3rem] font-bold text-night figures">{{ refiling.stepsDone + at + 1 }}</span>
        <MovePicture
          :step="step"
          :from="from"
          :to="to"
          :length-of="lengthOf"
          :from-name="laneText(step.from)"
          :to-name="laneText(step.to)"
          :is-onto-table="isOntoTable(step)"
          :class="at === 0 ? '' : 'opacity-70'"
        />
        <div class="leading-snug max-sm:col-start-2">
          <p class="font-semibold figures">
            {{ refileWords.step(laneText(step.from), laneText(step.to), idsOf(step).length, isOntoTable(step)) }}
          </p>
          <template v-if="at === 0 && isFromTable(step)">
            <p>{{ refileWords.fromHeap }}</p>
            <ol class="mt-1 max-h-96 overflow-y-auto text-[0.95rem]" tabindex="0" data-from-heap>
              <li v-for="part in partsOf(step)" :key="part.ids[0]" class="mt-1">
                <span class="text-quiet">
                  {{ part.behindId === null ? refileWords.front : refileWords.behind(holderText(part.behindId)) }}
                </span>
                <ol class="gap-x-6 sm:columns-2">
                  <li v-for="id in part.ids" :key="id" class="break-inside-avoid border-b border-line py-0.5 text-night figures">
                    {{ holderText(id) }}
                  </li>
                </ol>
              </li>
            </ol>
          </template>
          <ul v-else class="text-[0.92rem]">
            <li v-for="part in partsOf(step).slice(0, at === 0 ? step.parts.length : 2)" :key="part.ids[0]">
              <span class="text-night">{{ isOntoTable(step) ? names(part.ids) : `${names(part.ids)}, ` }}</span>
              <span v-if="!isOntoTable(step)" class="text-quiet">
                {{ part.behindId === null ? refileWords.front : refileWords.behind(holderText(part.behindId)) }}
              </span>
            </li>
          </ul>
          <p v-if="at > 0 && partsOf(step).length > 2" class="hint">{{ refileWords.moreParts(partsOf(step).length - 2) }}</p>
        </div>
        <button
          v-if="at === 0"
          type="button"
          class="button-main self-start max-sm:col-start-2"
          :disabled="isBusy || freshness !== 'fresh'"
          data-tick
          @click="tick(step)"
        >
          <Check :size="18" aria-hidden="true" />
          {{ refileWords.done }}
        </button>
      </li>
    </ol>
    <p v-if="steps.length > shown.length">
      <button type="button" class="min-h-11 underline figures" @click="shownCount += MORE">
        {{ refileWords.more(steps.length - shown.length) }}
      </button>
    </p>
    <p v-if="plan?.ok && steps.length === 0" class="mt-3 font-semibold text-moss">{{ refileWords.allDone }}</p>
    <div class="mt-4 flex flex-wrap gap-3">
      <button v-if="plan?.ok && steps.length === 0 && onTable === 0" type="button" class="button-main" @click="finish">
        <Check :size="18" aria-hidden="true" />
        {{ refileWords.finish }}
      </button>
      <NuxtLink v-if="hasTabs" to="/index/cards?what=dividers&where=plan" class="button">
        <Printer :size="18" aria-hidden="true" />
        {{ refileWords.printTabs }}
      </NuxtLink>
      <button type="button" class="button" @click="isLeaving = true">{{ refileWords.leave }}</button>
    </div>
    <KDialog :open="isLeaving" :title="refileWords.leave" @close="isLeaving = false">
      <p class="mt-2">{{ onTable === 0 ? refileWords.leaveLead : refileWords.onTable(onTable, laneText(tableKey)) }}</p>
      <template #actions>
        <button type="button" class="button" @click="isLeaving = false">{{ kitWords.cancel }}</button>
        <button type="button" class="button" @click="leave(false)">{{ refileWords.oldRule }}</button>
        <button type="button" class="button-main" @click="leave(true)">{{ refileWords.keepRule }}</button>
      </template>
    </KDialog>
  </section>
</template>
