<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import type { FilingKey, Zone } from '#core/catalog'
import KDialog from '~/kit/KDialog.vue'
import { act } from '~/data/act'
import { kitWords } from '~/kit/words'
import RuleKeys from './RuleKeys.vue'
import { roomWords } from '~/subjects/room/roomWords'
import { zoneWords } from './words'

/** A zone's filing rule. */
const { zone, open } = defineProps<{ zone: Zone; open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const keys = shallowRef<readonly FilingKey[]>([])
watch(
  () => open,
  () => {
    keys.value = zone.filingRule.keys
  },
  { immediate: true },
)
async function keep(): Promise<void> {
  await act.changeZone(zone.id, { filingRule: { keys: [...keys.value] } })
  emit('close')
}
</script>

<template>
  <KDialog :open="open" :title="zoneWords.ruleTitle(zone.name)" @close="emit('close')">
    <p class="hint mt-1">{{ zoneWords.ruleHint }}</p>
    <RuleKeys v-model="keys" class="mt-3" />
    <template #actions>
      <button type="button" class="button" @click="emit('close')">{{ kitWords.cancel }}</button>
      <button type="button" class="button-main" :disabled="keys.length === 0" @click="keep">{{ roomWords.save }}</button>
    </template>
  </KDialog>
</template>
