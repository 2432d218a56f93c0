<script setup lang="ts">
import SetLine from '~/subjects/set/SetLine.vue'
import KIcon from '~/kit/KIcon.vue'
import { X } from 'lucide-vue-next'
import { computed } from 'vue'
import type { LineState } from '#core/fetching'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import PullChoice from './PullChoice.vue'
import { useFetch } from '~/subjects/walk/useFetch'
import { fetchWords } from '~/subjects/walk/words'

/** What is on the list at hand, each with how far it is and what it goes along with. */
const emit = defineEmits<{ open: [holdingId: string] }>()
const [catalogue, fetch] = [useCatalogue(), useFetch()]
const { addressOf, numberAndName } = useDescribe()
const nameOf = (id: string | null): string => {
  const holding = catalogue.tables?.holdings.get(id ?? '')
  return holding ? numberAndName(holding) : ''
}
const stateText = (state: LineState): string =>
  state.as === 'out' ? fetchWords.out(state.loan.to, state.loan.outAt) : fetchWords.state[state.as]
const lines = computed(() => fetch.lines)
</script>

<template>
  <section :aria-label="fetchWords.onIt(lines.length)" data-pull-lines>
    <PullChoice />
    <h2 v-if="lines.length" class="mt-2 text-[1rem] figures">{{ fetchWords.onIt(lines.length) }}</h2>
    <ul v-if="lines.length" class="border-t border-line">
      <li
        v-for="{ line, holding, state } in lines"
        :key="holding.id"
        class="flex items-start gap-2 border-b border-line py-1"
        :data-line="holding.id"
      >
        <button type="button" class="min-w-0 flex-1 text-left leading-snug" @click="emit('open', holding.id)">
          <SetLine :holding="holding" :name="`truncate ${state.as === 'toFetch' ? 'font-semibold' : 'text-quiet'}`" />
          <span v-if="line.alongWithId" class="hint block">{{ fetchWords.along(nameOf(line.alongWithId)) }}</span>
          <span class="hint block figures" :class="{ 'text-ochre': state.as === 'out' }">
            {{ [state.as === 'toFetch' ? (addressOf(holding) ?? '') : '', stateText(state)].filter(Boolean).join(', ') }}
          </span>
        </button>
        <KIcon
          class="text-quiet"
          :icon="X"
          :label="fetchWords.leaveOut(numberAndName(holding))"
          @click="fetch.list && act.leaveOut(fetch.list.id, [holding.id])"
        />
      </li>
    </ul>
  </section>
</template>
