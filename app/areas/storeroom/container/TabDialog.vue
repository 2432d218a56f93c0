<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import type { Section } from '#core/catalog'
import { isBlank } from '#core/catalog'
import { isTabKey, TAB_TABLES } from '#core/filing'
import { type ContainerRow, keyBehind } from '#core/room'
import { isSameName } from '#core/grammar'
import KCombo from '~/kit/KCombo.vue'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import { act } from '~/data/act'
import { kitWords } from '~/kit/words'
import { useCarry } from '~/subjects/room/useCarry'
import { useCatalogue } from '~/data/useCatalogue'
import { containerWords } from './words'
import { roomWords } from '~/subjects/room/roomWords'

/** A divider tab: put in, written anew, or taken out. What it stands for follows from its title, by the zone's first key. */
const { row, lane, section, open } = defineProps<{ row: ContainerRow; lane: number; section: Section | null; open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const catalogue = useCatalogue()
const carry = useCarry()
const title = shallowRef('')
watch(
  () => open,
  () => {
    title.value = section?.title ?? ''
  },
  { immediate: true },
)

const by = computed(() => {
  const first = catalogue.tables?.zones.get(row.container.zoneId)?.filingRule.keys[0]?.by
  return isTabKey(first) ? first : null
})
const records = computed((): readonly { id: string; name: string }[] =>
  by.value ? [...(catalogue.tables?.[TAB_TABLES[by.value]].values() ?? [])] : [],
)
/** A new tab goes in front of the marked holder, or at the end of the lane. */
const entries = computed(() => row.lanes[lane - 1] ?? [])
function newOrder(): string {
  const marked = entries.value.findIndex(entry => entry.type === 'holder' && carry.marked.has(entry.placement.holder.id))
  return keyBehind(entries.value, marked >= 0 ? marked - 1 : entries.value.length - 1)
}
async function keep(): Promise<void> {
  const found = records.value.find(record => isSameName(record.name, title.value))
  const standsFor = found && by.value ? { by: by.value, id: found.id } : null
  if (section) await act.editSection(section.id, { title: title.value.trim(), standsFor })
  else
    await act.addSection({
      containerId: row.container.id,
      lane,
      order: newOrder(),
      title: title.value.trim(),
      colour: entries.value.filter(entry => entry.type === 'section').length % 6,
      standsFor,
    })
  emit('close')
}
async function takeOut(): Promise<void> {
  if (section) await act.removeSection(section.id)
  emit('close')
}
</script>

<template>
  <KDialog :open="open" :title="section ? containerWords.tab(section.title) : containerWords.tabTitle" @close="emit('close')">
    <KField
      class="mt-3"
      :label="containerWords.tabText"
      for="tab-text"
      :hint="section ? containerWords.tabStandsHint : containerWords.tabPlace"
    >
      <KCombo id="tab-text" v-model="title" :label="containerWords.tabText" :options="records.map(record => record.name)" />
    </KField>
    <template #actions>
      <button v-if="section" type="button" class="button mr-auto text-berry" @click="takeOut">{{ containerWords.removeTab }}</button>
      <button type="button" class="button" @click="emit('close')">{{ kitWords.cancel }}</button>
      <button type="button" class="button-main" :disabled="isBlank(title)" @click="keep">
        {{ roomWords.save }}
      </button>
    </template>
  </KDialog>
</template>
