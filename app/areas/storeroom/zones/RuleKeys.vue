<script setup lang="ts">
import type { FilingKey } from '#core/catalog'
import { KEYS as FILING } from '#core/filing'
import { placeWords } from '~/data/words'
import { zoneWords } from './words'

/** Up to three keys, the first one first, each with its own order. */
const keys = defineModel<readonly FilingKey[]>({ required: true })
type By = FilingKey['by']
const CHOICES: readonly By[] = ['theme', 'brand', 'category', 'kind', 'sizeClass', 'series', 'number', 'name', 'date']
const KEYS = [0, 1, 2] as const

function setBy(index: number, by: string): void {
  const next = [...keys.value]
  const other = next.findIndex(key => key.by === by)
  const before = next[index]
  if (by === '') next.splice(index)
  else next[index] = next[other] ?? { by: by as By, order: FILING[by as By].orders[0] }
  // A key stands in a rule once: one that was chosen further down changes places.
  if (other >= 0 && other !== index) next.splice(other, 1, ...(before ? [before] : []))
  keys.value = next
}
function setOrder(index: number, order: string): void {
  keys.value = keys.value.map((key, at) => (at === index ? { ...key, order: order as FilingKey['order'] } : key))
}
</script>

<template>
  <div>
    <div v-for="index in KEYS" :key="index" class="mt-2 flex flex-wrap items-center gap-2 first:mt-0">
      <template v-if="index <= keys.length">
        <span class="w-20">{{ zoneWords.ruleKey(index) }}</span>
        <select
          class="field w-auto flex-1"
          :aria-label="zoneWords.ruleKey(index)"
          :value="keys[index]?.by ?? ''"
          @change="setBy(index, ($event.target as HTMLSelectElement).value)"
        >
          <option v-if="index > 0" value="">{{ zoneWords.noKey }}</option>
          <option v-for="by in CHOICES" :key="by" :value="by">{{ placeWords.keys[by] }}</option>
        </select>
        <select
          v-if="keys[index]"
          class="field w-auto flex-1"
          :aria-label="zoneWords.orders[keys[index]?.order ?? 'own']"
          :value="keys[index]?.order"
          @change="setOrder(index, ($event.target as HTMLSelectElement).value)"
        >
          <option v-for="order in FILING[keys[index]?.by ?? 'name'].orders" :key="order" :value="order">
            {{ zoneWords.orders[order] }}
          </option>
        </select>
      </template>
    </div>
  </div>
</template>
