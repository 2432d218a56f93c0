<script setup lang="ts">
import { Plus } from 'lucide-vue-next'
import { computed, defineAsyncComponent, shallowRef } from 'vue'
import { LABEL_LIMITS, type LabelHabits, type LabelSheet, SET_LABELS, TAPE_WIDTHS_MM, type Zone } from '#core/catalog'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { fieldsOf } from '~/kit/fieldsOf'
import KCheck from '~/kit/KCheck.vue'
import KChoice from '~/kit/KChoice.vue'
import KField from '~/kit/KField.vue'
import KNumber from '~/kit/KNumber.vue'
import type { LabelWork } from './useLabelWork'
import { labelWords } from './words'

const SheetDialog = defineAsyncComponent(() => import('./SheetDialog.vue'))
const PrinterChoice = defineAsyncComponent(() => import('./PrinterChoice.vue'))

/** How labels are made. Every choice holds at once. */
const { sheet, work } = defineProps<{ sheet: LabelSheet | null; work: LabelWork }>()
const emit = defineEmits<{ sheet: [string | null] }>()
const catalogue = useCatalogue()
const habits = computed(() => catalogue.settings.labels)
const sheets = computed(() => [...(catalogue.tables?.labelSheets.values() ?? [])].sort((a, b) => (a.id < b.id ? -1 : 1)))
const zones = computed(() => [...catalogue.facts.zones].sort((a, b) => a.rank - b.rank))
const isEditing = shallowRef<LabelSheet | 'new' | null>(null)
const because = computed(() => labelWords.templateHint(work.found.value?.because ?? new Map()))
const LEAST_LONGEST_MM = 10
const MEASURES = [
  ['edgeMm', labelWords.edge, 0, LABEL_LIMITS.edgeMm],
  ['beforeMm', labelWords.before, 0, LABEL_LIMITS.marginMm],
  ['afterMm', labelWords.after, 0, LABEL_LIMITS.marginMm],
  ['singlyAfterMm', labelWords.singlyAfter, 0, LABEL_LIMITS.marginMm],
  ['toCutterMm', labelWords.toCutter, 0, LABEL_LIMITS.marginMm],
  ['longestMm', labelWords.longest, LEAST_LONGEST_MM, LABEL_LIMITS.longestMm],
] as const

const change = (some: Partial<LabelHabits>): void => void act.changeSettings(({ labels }) => ({ labels: { ...labels, ...some } }))
const own = fieldsOf(() => habits.value, change)
const valueOf = (event: Event): string => (event.target as HTMLSelectElement).value
const templateWord = (template: Zone['labelTemplate']): string => (template ? labelWords.templates[template] : labelWords.asRoom)
function choose(event: Event): void {
  if (valueOf(event) === 'new') {
    isEditing.value = 'new'
    ;(event.target as HTMLSelectElement).value = sheet?.id ?? ''
  } else emit('sheet', valueOf(event) || null)
}
</script>

<template>
  <div class="space-y-4" data-label-choices>
    <KField :label="labelWords.medium" for="label-medium">
      <select id="label-medium" class="field" :value="sheet?.id ?? ''" @change="choose">
        <option value="">{{ labelWords.onTape }}</option>
        <option v-for="each in sheets" :key="each.id" :value="each.id">{{ each.name }}</option>
        <option value="new">{{ labelWords.newSheet }} ...</option>
      </select>
    </KField>
    <template v-if="sheet">
      <div class="flex flex-wrap gap-2">
        <button type="button" class="button" @click="isEditing = sheet">{{ labelWords.change }}</button>
      </div>
      <PrinterChoice :sheet="sheet" :work="work" />
    </template>
    <KChoice
      v-else
      id="label-width"
      v-model="own.tapeWidthMm"
      :label="labelWords.width"
      :choices="TAPE_WIDTHS_MM"
      :words="labelWords.widths"
    />
    <KChoice
      id="label-template"
      v-model="own.template"
      :label="labelWords.template"
      :hint="because"
      :choices="SET_LABELS"
      :words="labelWords.templates"
    />
    <KChoice
      v-for="zone in zones"
      :id="`label-${zone.id}`"
      :key="zone.id"
      :model-value="zone.labelTemplate"
      :label="labelWords.corner(zone.name)"
      :choices="[null, ...SET_LABELS]"
      :words="templateWord"
      @update:model-value="act.changeZone(zone.id, { labelTemplate: $event })"
    />
    <KCheck v-model="own.hasCode" :label="labelWords.code" />
    <template v-if="!sheet">
      <KCheck v-model="own.isChained" :label="labelWords.chained" :hint="labelWords.chainedHint" />
      <div class="grid grid-cols-2 items-end gap-4">
        <KNumber
          v-for="[which, text, least, most] in MEASURES"
          :id="`label-${which}`"
          :key="which"
          v-model="own[which]"
          settled
          :label="text"
          :min="least"
          :max="most"
          :step="0.5"
        />
      </div>
      <p class="hint">{{ labelWords.toCutterHint }}</p>
    </template>
    <button v-if="sheets.length === 0" type="button" class="button" @click="isEditing = 'new'">
      <Plus :size="18" aria-hidden="true" />
      {{ labelWords.newSheet }}
    </button>
    <SheetDialog
      v-if="isEditing"
      :sheet="isEditing === 'new' ? null : isEditing"
      @kept="emit('sheet', $event)"
      @dropped="emit('sheet', null)"
      @close="isEditing = null"
    />
  </div>
</template>
