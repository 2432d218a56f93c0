<script setup lang="ts">
import { Plus } from 'lucide-vue-next'
import { computed, defineAsyncComponent, shallowRef } from 'vue'
import { LABEL_LIMITS, type LabelHabits, type LabelSheet, SET_LABELS, TAPE_WIDTHS_MM, type Zone } from '#core/catalog'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import KField from '~/kit/KField.vue'
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
const MEASURES = [
  ['edgeMm', labelWords.edge, LABEL_LIMITS.edgeMm],
  ['beforeMm', labelWords.before, LABEL_LIMITS.marginMm],
  ['afterMm', labelWords.after, LABEL_LIMITS.marginMm],
  ['singlyAfterMm', labelWords.singlyAfter, LABEL_LIMITS.marginMm],
  ['toCutterMm', labelWords.toCutter, LABEL_LIMITS.marginMm],
  ['longestMm', labelWords.longest, LABEL_LIMITS.longestMm],
] as const
const LEAST_LONGEST_MM = 10

const change = (some: Partial<LabelHabits>): void => void act.changeSettings(({ labels }) => ({ labels: { ...labels, ...some } }))
function measure(which: (typeof MEASURES)[number][0], most: number, event: Event): void {
  const value = Number((event.target as HTMLInputElement).value)
  const least = which === 'longestMm' ? LEAST_LONGEST_MM : 0
  if (Number.isFinite(value)) change({ [which]: Math.min(most, Math.max(least, value)) })
}
const valueOf = (event: Event): string => (event.target as HTMLSelectElement).value
const templateIn = (event: Event): Zone['labelTemplate'] => SET_LABELS.find(each => each === valueOf(event)) ?? null
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
    <KField v-else :label="labelWords.width" for="label-width">
      <select
        id="label-width"
        class="field"
        :value="habits.tapeWidthMm"
        @change="change({ tapeWidthMm: TAPE_WIDTHS_MM.find(mm => mm === Number(valueOf($event))) ?? 12 })"
      >
        <option v-for="mm in TAPE_WIDTHS_MM" :key="mm" :value="mm">{{ labelWords.widths[mm] }}</option>
      </select>
    </KField>
    <KField :label="labelWords.template" for="label-template" :hint="because">
      <select
        id="label-template"
        class="field"
        :value="habits.template"
        @change="change({ template: templateIn($event) ?? 'brandAboveName' })"
      >
        <option v-for="each in SET_LABELS" :key="each" :value="each">{{ labelWords.templates[each] }}</option>
      </select>
    </KField>
    <KField v-for="zone in zones" :key="zone.id" :label="labelWords.corner(zone.name)" :for="`label-${zone.id}`">
      <select
        :id="`label-${zone.id}`"
        class="field"
        :value="zone.labelTemplate ?? ''"
        @change="act.changeZone(zone.id, { labelTemplate: templateIn($event) })"
      >
        <option value="">{{ labelWords.asRoom }}</option>
        <option v-for="each in SET_LABELS" :key="each" :value="each">{{ labelWords.templates[each] }}</option>
      </select>
    </KField>
    <label class="flex min-h-11 items-center gap-3">
      <input
        type="checkbox"
        class="h-5 w-5 accent-(--strong)"
        :checked="habits.hasCode"
        @change="change({ hasCode: ($event.target as HTMLInputElement).checked })"
      />
      {{ labelWords.code }}
    </label>
    <template v-if="!sheet">
      <label class="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          class="h-5 w-5 accent-(--strong)"
          :checked="habits.isChained"
          @change="change({ isChained: ($event.target as HTMLInputElement).checked })"
        />
        <span class="leading-tight">
          {{ labelWords.chained }}
          <span class="hint">{{ labelWords.chainedHint }}</span>
        </span>
      </label>
      <div class="grid grid-cols-2 items-end gap-4">
        <KField v-for="[which, text, most] in MEASURES" :key="which" :label="text" :for="`label-${which}`">
          <input
            :id="`label-${which}`"
            class="field"
            type="number"
            inputmode="decimal"
            step="0.5"
            min="0"
            :max="most"
            :value="habits[which]"
            @change="measure(which, most, $event)"
          />
        </KField>
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
