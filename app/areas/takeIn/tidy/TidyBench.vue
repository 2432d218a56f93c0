<script setup lang="ts">
import KCheck from '~/kit/KCheck.vue'
import { Check, Layers } from 'lucide-vue-next'
import { computed, shallowRef } from 'vue'
import type { ZoneTidy } from '#core/tidy'
import { act } from '~/data/act'
import { plainly } from '~/kit/plainly'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import MovingLine from '~/subjects/pile/MovingLine.vue'
import { usePlaceMany } from '~/areas/takeIn/placing/usePlaceMany'
import { takeInWords } from '~/subjects/pile/takeInWords'
import KProgress from '~/kit/KProgress.vue'
import { listedWords } from '~/areas/takeIn/places/words'
import KPageHead from '~/kit/KPageHead.vue'
import KTyped from '~/kit/KTyped.vue'
import { useNotices } from '~/kit/useNotices'
import { keepingWords } from '~/data/words'
import { NuxtLink } from '#components'
import TidyZone from './TidyZone.vue'
import { useTidy } from './useTidy'
import { tidyWords } from './words'

/** Begin tidy: what stands nowhere, the holders and containers that it needs, built in one step; then filed from the heap. */
const catalogue = useCatalogue()
const notices = useNotices()
const { busy, placeMany, stop } = usePlaceMany()
const { numberAndName } = useDescribe()
const { waiting, plan, lines, choose, kept, typed, settle } = useTidy()

const sits = computed(() => plan.value?.zones.flatMap(each => each.sits) ?? [])
const isUnderWay = computed(() => [...(catalogue.tables?.refilings.values() ?? [])].some(({ state }) => state === 'open'))
/** Told beside the button, and stays: nothing was built. */
const problem = shallowRef('')
const isBusy = shallowRef(false)
async function build(): Promise<void> {
  const { value: planned } = plan
  if (!planned) return
  isBusy.value = true
  const { fixtures, containers } = planned
  const outcome = await act
    .buildTidy(plainly({ fixtures, containers, sits: kept.isNoted ? sits.value : [] }))
    .finally(() => (isBusy.value = false))
  problem.value = outcome.ok ? '' : listedWords.problem(outcome)
  if (!outcome.ok) return
  settle()
  notices.tell(tidyWords.built(outcome.containers))
}
/** Into cells they go one after the other; and where most stand filed already, a heap would move those that stay better. */
const goesOneByOne = ({ runMm, filed, waiting: own }: ZoneTidy): boolean => runMm === null || filed > own.length
async function putAway({ waiting: own, runMm }: ZoneTidy): Promise<void> {
  const done = await placeMany(own.map(({ id }) => id))
  if (done === null) notices.tell(keepingWords.notKept, 'care')
  else notices.tell(runMm === null ? tidyWords.toPagesDone(done) : takeInWords.placedMany(done))
}
</script>

<template>
  <div class="mx-auto max-w-5xl px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="tidyWords.title" :lead="waiting.length > 0 ? tidyWords.lead(waiting.length) : ''" />
    <MovingLine />
    <KTyped :is-back="typed.isBack.value" @afresh="typed.beginAfresh" />
    <div v-if="waiting.length === 0" class="py-12 text-center">
      <p class="text-[1.2rem] font-semibold">{{ tidyWords.none }}</p>
      <p class="hint mt-1">{{ tidyWords.noneHint }}</p>
      <NuxtLink to="/take-in" class="button mt-4 inline-flex">{{ tidyWords.toCapture }}</NuxtLink>
    </div>
    <p v-else-if="!plan" class="mt-4 text-quiet" role="status">{{ tidyWords.working }}</p>
    <template v-else>
      <TidyZone
        v-for="{ tidy, ...line } in lines"
        :key="tidy.zone.id"
        v-bind="line"
        class="mt-4"
        :tidy="tidy"
        @choose="choose(tidy.zone.id, $event)"
      >
        <div v-if="tidy.made.length === 0 && tidy.tooMany === null" class="mt-3 flex flex-wrap items-center gap-3">
          <KProgress
            v-if="busy"
            class="flex-1"
            :text="takeInWords.placedMany(busy.done)"
            :done="busy.done"
            :total="busy.total"
            @cancel="stop"
          />
          <template v-else>
            <button v-if="goesOneByOne(tidy)" type="button" class="button-main" @click="putAway(tidy)">
              <Layers :size="18" aria-hidden="true" />
              {{ tidy.runMm === null ? tidyWords.toPages(tidy.waiting.length) : tidyWords.putAway(tidy.waiting.length) }}
            </button>
            <template v-if="tidy.runMm !== null && isUnderWay">
              <span>{{ tidyWords.underWay }}</span>
              <NuxtLink to="/storeroom/refile" class="button">{{ tidyWords.toUnderWay }}</NuxtLink>
            </template>
            <NuxtLink
              v-else-if="tidy.runMm !== null"
              :to="`/storeroom/refile?zone=${tidy.zone.id}&heap=`"
              :class="goesOneByOne(tidy) ? 'button' : 'button-main'"
            >
              <Layers v-if="!goesOneByOne(tidy)" :size="18" aria-hidden="true" />
              {{ goesOneByOne(tidy) ? tidyWords.refileAll : tidyWords.file(tidy.waiting.length) }}
            </NuxtLink>
            <span v-if="tidy.runMm !== null && goesOneByOne(tidy)" class="hint w-full">{{ tidyWords.putAwayHint(tidy.filed) }}</span>
          </template>
        </div>
      </TidyZone>
      <p v-if="plan.unclaimed.length > 0" class="mt-4 border-l-4 border-ochre bg-wash px-3 py-1">
        {{ tidyWords.unclaimed(plan.unclaimed.map(numberAndName)) }}
        <NuxtLink to="/storeroom/zones" class="button">{{ tidyWords.toZones }}</NuxtLink>
      </p>
      <div
        v-if="plan.containers.length > 0 || sits.length > 0"
        class="sticky bottom-0 mt-4 flex flex-wrap items-center gap-3 border-t border-edge bg-sheet py-3"
      >
        <KCheck v-if="sits.length > 0" v-model="kept.isNoted" class="flex-1 basis-72" :label="tidyWords.note(sits.length)" />
        <button
          type="button"
          :class="plan.containers.length > 0 ? 'button-main' : 'button'"
          :disabled="isBusy || (plan.containers.length === 0 && !kept.isNoted)"
          @click="build"
        >
          <Check :size="18" aria-hidden="true" />
          {{ tidyWords.build(plan.containers.length) }}
        </button>
        <p v-if="problem" class="w-full font-semibold text-berry" role="alert">{{ problem }}</p>
      </div>
    </template>
    <p v-if="catalogue.namedPlace.length > 0" class="mt-3 flex flex-wrap items-center gap-x-4 border-l-4 border-ochre bg-wash px-3 py-1">
      {{ tidyWords.listed(catalogue.namedPlace.length) }}
      <NuxtLink to="/take-in/places" class="button">{{ listedWords.toRoom }}</NuxtLink>
    </p>
  </div>
</template>
