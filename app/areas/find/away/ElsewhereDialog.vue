<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import type { Holding } from '#core/catalog'
import { proposeIn } from '#core/filing'
import { isSameName } from '#core/grammar'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import KCombo from '~/kit/KCombo.vue'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import { useNotices } from '~/kit/useNotices'
import { awayWords } from './words'

/** A set comes back to another place than its own: for good, or only for now. */
const { holding, wasUsed } = defineProps<{ holding: Holding | null; wasUsed: boolean }>()
const emit = defineEmits<{ close: [] }>()
const [catalogue, notices] = [useCatalogue(), useNotices()]
const { codeAt, numberAndName } = useDescribe()
const name = shallowRef('')
watch(
  () => holding?.id,
  () => (name.value = ''),
)
const names = computed(() => catalogue.containers.filter(({ container }) => !container.isTable).map(({ container }) => container.name))
const row = computed(() => catalogue.containers.find(({ container }) => isSameName(container.name, name.value)))
const proposal = computed(() => (holding && row.value ? proposeIn(row.value, holding, catalogue.facts) : null))
const problem = computed(() => (name.value.trim() !== '' && !proposal.value?.ok ? awayWords.elsewhereNone : ''))

async function forGood(): Promise<void> {
  if (!holding || !proposal.value?.ok) return
  const [set, { point }] = [holding, proposal.value]
  const place = { containerId: point.container.id, lane: point.lane, order: point.order, cell: point.cell }
  const address = codeAt(point)
  emit('close')
  const outcome = await act.bringBack([{ holdingId: set.id, wasUsed, place }])
  notices.tell(
    outcome.ok ? awayWords.movedForGood(numberAndName(set), address) : awayWords.problem[outcome.code],
    outcome.ok ? 'done' : 'care',
  )
}
async function forNow(): Promise<void> {
  if (!holding || !row.value) return
  const [set, to] = [holding, row.value.container.name]
  emit('close')
  await act.takeOut([set.id], to, wasUsed)
  notices.tell(awayWords.movedForNow(numberAndName(set), to))
}
</script>

<template>
  <KDialog :open="holding !== null" :title="awayWords.elsewhereTitle(holding ? numberAndName(holding) : '')" @close="emit('close')">
    <KField class="mt-2" :label="awayWords.elsewhereWhere" for="elsewhere" :problem="problem">
      <KCombo id="elsewhere" v-model="name" :label="awayWords.elsewhereWhere" :options="names" only-known />
    </KField>
    <p v-if="proposal?.ok" class="mt-3 font-semibold">{{ awayWords.elsewhereAsk }}</p>
    <template #actions>
      <button type="button" class="button" :disabled="!row" @click="forNow">{{ awayWords.elsewhereNow }}</button>
      <button type="button" class="button-main" :disabled="!proposal?.ok" @click="forGood">{{ awayWords.elsewhereGood }}</button>
    </template>
  </KDialog>
</template>
