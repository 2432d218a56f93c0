<script setup lang="ts">
import KChoice from '~/kit/KChoice.vue'
import KNumber from '~/kit/KNumber.vue'
import { computed, reactive, shallowRef } from 'vue'
import { BOOK_PAPERS, changedFields, isBlank, LABEL_LIMITS, type LabelSheet } from '#core/catalog'
import { gridFault, START_SHEETS } from '#core/printing'
import { readLength } from '#core/units'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import { useTyped } from '~/kit/useTyped'
import KTyped from '~/kit/KTyped.vue'
import { labelWords } from './words'

/** A kind of label sheet by its measures: begun from one that is like it, checked against its own arithmetic. */
const { sheet } = defineProps<{ sheet: LabelSheet | null }>()
const emit = defineEmits<{ kept: [string]; dropped: []; close: [] }>()
const catalogue = useCatalogue()
const LENGTHS = [
  ['widthMm', labelWords.labelWidth],
  ['heightMm', labelWords.labelHeight],
  ['leftMm', labelWords.leftMargin],
  ['topMm', labelWords.topMargin],
  ['acrossMm', labelWords.across],
  ['downMm', labelWords.down],
] as const
const THOUSAND = 1000
const inText = (mm: number): string => String(Math.round(mm * THOUSAND) / THOUSAND)
type Grid = Omit<LabelSheet, 'id' | 'name' | 'nextFree'>
/** The first that is like what this room prints on. */
const first = (): Grid | undefined => START_SHEETS.find(({ paper }) => paper === catalogue.settings.paper) ?? START_SHEETS[0]
const texts = (grid: Grid | undefined) => ({
  paper: grid?.paper ?? ('A4' as LabelSheet['paper']),
  columns: grid?.columns ?? 1,
  rows: grid?.rows ?? 1,
  widthMm: inText(grid?.widthMm ?? 0),
  heightMm: inText(grid?.heightMm ?? 0),
  leftMm: inText(grid?.leftMm ?? 0),
  topMm: inText(grid?.topMm ?? 0),
  acrossMm: inText(grid?.acrossMm ?? 0),
  downMm: inText(grid?.downMm ?? 0),
})
/** The sheet as it was when the form was opened: only what differs from it is changed. */
const opened = sheet && { ...sheet }
const begun = sheet ?? first()
const form = reactive({
  ...texts(begun),
  name: sheet?.name ?? (begun ? labelWords.sheetName(begun) : ''),
  nextFree: (sheet?.nextFree ?? 0) + 1,
})
const typed = useTyped(form)
typed.begin(`label sheet ${sheet?.id ?? ''}`, { ...form })
const started = shallowRef(
  sheet
    ? -1
    : Math.max(
        0,
        START_SHEETS.findIndex(each => each === begun),
      ),
)
function start(at: number): void {
  const grid = START_SHEETS[at]
  started.value = at
  if (grid) Object.assign(form, texts(grid), { name: labelWords.sheetName(grid), nextFree: 1 })
}

const whole = (value: number, most: number): boolean => Number.isInteger(value) && value >= 1 && value <= most
/** The sheet as it is written; null while something cannot be read. */
const written = computed((): Omit<LabelSheet, 'id'> | null => {
  const read = Object.fromEntries(LENGTHS.map(([field]) => [field, readLength(form[field], 'mm')]))
  const mm = (field: (typeof LENGTHS)[number][0]): number => {
    const found = read[field]
    return found?.ok ? found.mm : NaN
  }
  const { columns, rows, paper } = form
  const lengths = { widthMm: mm('widthMm'), heightMm: mm('heightMm'), leftMm: mm('leftMm'), topMm: mm('topMm') }
  const pitches = { acrossMm: mm('acrossMm'), downMm: mm('downMm') }
  const isRead = Object.values({ ...lengths, ...pitches }).every(value => Number.isFinite(value) && value >= 0)
  const isSized = [lengths.widthMm, lengths.heightMm, pitches.acrossMm, pitches.downMm].every(
    value => value > 0 && value <= LABEL_LIMITS.pitchMm,
  )
  const isInside = lengths.leftMm <= LABEL_LIMITS.marginMm && lengths.topMm <= LABEL_LIMITS.marginMm
  if (!isRead || !isSized || !isInside || isBlank(form.name)) return null
  if (!whole(columns, LABEL_LIMITS.columns) || !whole(rows, LABEL_LIMITS.rows) || !whole(form.nextFree, columns * rows)) return null
  return { name: form.name.trim(), paper, columns, rows, ...lengths, ...pitches, nextFree: form.nextFree - 1 }
})
const fault = computed(() => {
  const found = written.value && gridFault(written.value)
  if (found) return labelWords.fault(found)
  return written.value ? '' : labelWords.unread
})
async function keep(): Promise<void> {
  if (!written.value) return
  const outcome = await (sheet && opened
    ? act.changeLabelSheet(sheet.id, changedFields(opened, written.value))
    : act.addLabelSheet(written.value))
  if (!outcome.ok) return
  typed.forget()
  emit('kept', outcome.id)
  emit('close')
}
async function drop(): Promise<void> {
  if (!sheet) return
  await act.dropLabelSheet(sheet.id)
  typed.forget()
  emit('dropped')
  emit('close')
}
function giveUp(): void {
  typed.forget()
  emit('close')
}
</script>

<template>
  <KDialog open wide :title="labelWords.sheetTitle" @close="emit('close')">
    <KTyped :is-back="typed.isBack.value" @afresh="typed.beginAfresh" />
    <KField v-if="!sheet" :label="labelWords.start" for="sheet-start">
      <select id="sheet-start" class="field" :value="started" @change="start(Number(($event.target as HTMLSelectElement).value))">
        <option v-for="(each, at) in START_SHEETS" :key="at" :value="at">{{ labelWords.sheetName(each) }}</option>
      </select>
    </KField>
    <div class="mt-3 grid gap-4 sm:grid-cols-2">
      <KField :label="labelWords.name" for="sheet-name">
        <input id="sheet-name" v-model="form.name" class="field" maxlength="300" />
      </KField>
      <KChoice id="sheet-paper" v-model="form.paper" :label="labelWords.paper" :choices="BOOK_PAPERS" :words="labelWords.papers" />
      <KNumber id="sheet-columns" v-model="form.columns" :label="labelWords.columns" :min="1" :max="LABEL_LIMITS.columns" />
      <KNumber id="sheet-rows" v-model="form.rows" :label="labelWords.rows" :min="1" :max="LABEL_LIMITS.rows" />
      <KField v-for="[field, text] in LENGTHS" :key="field" :label="`${text}, ${labelWords.mm}`" :for="`sheet-${field}`">
        <input :id="`sheet-${field}`" v-model="form[field]" class="field figures" inputmode="decimal" maxlength="30" />
      </KField>
      <KNumber
        id="sheet-next"
        v-model="form.nextFree"
        :label="labelWords.nextFree"
        :min="1"
        :max="form.columns * form.rows"
        :hint="labelWords.nextFreeHint"
      />
    </div>
    <template #actions>
      <p v-if="fault" class="w-full font-semibold text-berry" role="alert" data-grid-fault>{{ fault }}</p>
      <button v-if="sheet" type="button" class="button text-berry" @click="drop">{{ labelWords.drop }}</button>
      <button type="button" class="button" @click="giveUp">{{ labelWords.cancel }}</button>
      <button type="button" class="button-main" :disabled="fault !== ''" data-keep-sheet @click="keep">{{ labelWords.keep }}</button>
    </template>
  </KDialog>
</template>
