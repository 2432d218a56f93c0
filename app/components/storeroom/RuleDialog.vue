<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import type { FilingKey, Zone } from '#core/catalog'
import KDialog from '~/components/kit/KDialog.vue'
import { commands, database } from '~/db'
import { placeWords, shellWords, storeroomWords } from '~/messages'

/** A zone's filing rule: up to three keys, each with its own order. */
const { zone, open } = defineProps<{ zone: Zone, open: boolean }>()
const emit = defineEmits<{ close: [] }>()
type By = FilingKey['by']
const CHOICES: readonly By[] = ['theme', 'brand', 'category', 'kind', 'sizeClass', 'number', 'name', 'date']
const ORDERS: Readonly<Record<By, readonly FilingKey['order'][]>> = {
  theme: ['alphabetical', 'own'], category: ['alphabetical', 'own'], kind: ['alphabetical', 'own'], brand: ['alphabetical'], name: ['alphabetical'],
  sizeClass: ['ascending'], number: ['ascending'], date: ['ascending'], series: ['ascending'],
}
const KEYS = [0, 1, 2] as const
const keys = shallowRef<readonly FilingKey[]>([])
watch(() => open, () => { keys.value = zone.filingRule.keys }, { immediate: true })

function setBy(index: number, by: string): void {
  const next = [...keys.value]
  const other = next.findIndex(key => key.by === by)
  const before = next[index]
  if (by === '') next.splice(index)
  else next[index] = next[other] ?? { by: by as By, order: ORDERS[by as By][0] ?? 'alphabetical' }
  // A key stands in a rule once: one that was chosen further down changes places.
  if (other >= 0 && other !== index) next.splice(other, 1, ...before ? [before] : [])
  keys.value = next
}
function setOrder(index: number, order: string): void {
  keys.value = keys.value.map((key, at) => at === index ? { ...key, order: order as FilingKey['order'] } : key)
}
async function keep(): Promise<void> {
  await commands.changeZone(database(), { ...zone, filingRule: { keys: [...keys.value] } })
  emit('close')
}
</script>

<template>
  <KDialog :open="open" :title="storeroomWords.ruleTitle(zone.name)" @close="emit('close')">
    <p class="hint mt-1">{{ storeroomWords.ruleHint }}</p>
    <div v-for="index in KEYS" :key="index" class="mt-3 flex flex-wrap items-center gap-2">
      <template v-if="index <= keys.length">
        <span class="w-28">{{ storeroomWords.ruleKey(index) }}</span>
        <select class="field w-auto flex-1" :aria-label="storeroomWords.ruleKey(index)" :value="keys[index]?.by ?? ''" @change="setBy(index, ($event.target as HTMLSelectElement).value)">
          <option v-if="index > 0" value="">{{ storeroomWords.noKey }}</option><option v-for="by in CHOICES" :key="by" :value="by">{{ placeWords.keys[by] }}</option>
        </select>
        <select v-if="keys[index]" class="field w-auto flex-1" :aria-label="storeroomWords.orders[keys[index]?.order ?? 'own']" :value="keys[index]?.order" @change="setOrder(index, ($event.target as HTMLSelectElement).value)">
          <option v-for="order in ORDERS[keys[index]?.by ?? 'name']" :key="order" :value="order">{{ storeroomWords.orders[order] }}</option>
        </select>
      </template>
    </div>
    <template #actions><button type="button" class="button" @click="emit('close')">{{ shellWords.cancel }}</button><button type="button" class="button-main" :disabled="keys.length === 0" @click="keep">{{ storeroomWords.save }}</button></template>
  </KDialog>
</template>
