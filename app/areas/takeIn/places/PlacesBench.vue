<script setup lang="ts">
import { Check } from 'lucide-vue-next'
import { computed, shallowRef } from 'vue'
import { NuxtLink } from '#components'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import MovingLine from '~/subjects/pile/MovingLine.vue'
import KPageHead from '~/kit/KPageHead.vue'
import KTyped from '~/kit/KTyped.vue'
import { useNotices } from '~/kit/useNotices'
import FamilyLine from './FamilyLine.vue'
import { useFromList } from './useFromList'
import { listedWords } from './words'

/** The places that a list names: what each word means, and the room that comes of it, built in one step. */
const catalogue = useCatalogue()
const notices = useNotices()
const { lines, zones, plan, choose, typed } = useFromList()

const sets = computed(() => lines.value.reduce((sum, { family }) => sum + family.sets, 0))
const given = computed(() => plan.value.families.reduce((sum, { placed, somewhere, out }) => sum + placed + somewhere + out, 0))
const rest = computed(() => catalogue.placeless.filter(({ placeText, state }) => placeText === '' && state !== 'out').length)
/** Told beside the button, and stays: nothing was built. */
const problem = shallowRef('')
const isBuilding = shallowRef(false)
async function build(): Promise<void> {
  isBuilding.value = true
  const outcome = await act.buildFromList(plan.value).finally(() => (isBuilding.value = false))
  problem.value = outcome.ok ? '' : listedWords.problem(outcome)
  if (!outcome.ok) return
  typed.forget()
  notices.tell(listedWords.built(outcome))
}
</script>

<template>
  <div class="mx-auto max-w-5xl px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="listedWords.title" :lead="listedWords.lead" />
    <MovingLine />
    <KTyped :is-back="typed.isBack.value" @afresh="typed.beginAfresh" />
    <div v-if="lines.length === 0" class="py-12 text-center">
      <p class="text-[1.2rem] font-semibold">{{ listedWords.none }}</p>
      <p class="hint mt-1">{{ listedWords.noneHint }}</p>
      <NuxtLink to="/storeroom" class="button mt-4 inline-flex">{{ listedWords.toStoreroom }}</NuxtLink>
    </div>
    <template v-else>
      <ul class="mt-2">
        <FamilyLine v-for="line in lines" :key="line.family.key" v-bind="line" :zones="zones" @choose="choose(line.family.key, $event)" />
      </ul>
      <div class="sticky bottom-0 mt-4 flex flex-wrap items-center gap-3 border-t border-edge bg-sheet py-3">
        <p class="min-w-0 flex-1 basis-80 leading-tight font-semibold figures" aria-live="polite" data-places-sum>
          {{ given > 0 ? listedWords.sum(sets, plan.families) : listedWords.allUsed }}
        </p>
        <NuxtLink v-if="given === 0" to="/storeroom" class="button">{{ listedWords.toStoreroom }}</NuxtLink>
        <button v-else type="button" class="button-main" :disabled="isBuilding" @click="build">
          <Check :size="18" aria-hidden="true" />
          {{ listedWords.build(plan.containers.length, given) }}
        </button>
        <p v-if="problem" class="w-full font-semibold text-berry" role="alert">{{ problem }}</p>
      </div>
    </template>
    <p v-if="rest > 0" class="mt-3 flex flex-wrap items-center gap-x-4">
      {{ listedWords.rest(rest) }}
      <NuxtLink to="/take-in/placeless" class="button">{{ listedWords.toRest }}</NuxtLink>
    </p>
  </div>
</template>
