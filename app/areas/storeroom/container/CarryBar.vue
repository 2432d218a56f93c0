<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { useMoving } from '~/subjects/room/useMoving'
import { useDescribe } from '~/data/useDescribe'
import { kitWords } from '~/kit/words'
import { useCarry } from '~/subjects/room/useCarry'
import { useCatalogue } from '~/data/useCatalogue'
import { containerWords } from './words'

/** What is carried or marked, and a way to take it to another container without a mouse. */
const carry = useCarry()
const catalogue = useCatalogue()
const { setDown } = useMoving()
const { numberAndName } = useDescribe()
const ids = computed(() => (carry.isCarrying ? carry.carried : [...carry.marked]))
const name = computed(() => {
  const holding = catalogue.tables?.holdings.get(catalogue.tables.holders.get(ids.value[0] ?? '')?.holdingIds[0] ?? '')
  return holding ? numberAndName(holding) : ''
})
/** Chosen, not yet carried: the arrows walk through the list. */
const to = shallowRef('')
async function carryThere(): Promise<void> {
  const [going, containerId] = [ids.value, to.value]
  to.value = ''
  carry.putDown()
  await setDown(going, { type: 'container', containerId })
}
</script>

<template>
  <div
    v-if="ids.length"
    class="sticky top-0 z-20 mb-2 flex flex-wrap items-center gap-3 border border-edge bg-wash px-3 py-1.5"
    role="status"
  >
    <p class="flex-1 font-semibold">
      {{ carry.isCarrying ? containerWords.carrying(ids.length, name) : containerWords.selected(ids.length) }}
    </p>
    <select v-model="to" class="field w-auto" :aria-label="containerWords.carryTo">
      <option value="">{{ containerWords.carryTo }}</option>
      <option v-for="{ container } in catalogue.containers" :key="container.id" :value="container.id">{{ container.name }}</option>
    </select>
    <button type="button" class="button" :disabled="to === ''" @click="carryThere">{{ containerWords.carryThere }}</button>
    <button type="button" class="button" @click="carry.putDown()">
      {{ carry.isCarrying ? kitWords.cancel : containerWords.unselect }}
    </button>
  </div>
</template>
