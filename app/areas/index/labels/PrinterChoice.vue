<script setup lang="ts">
import KNumber from '~/kit/KNumber.vue'
import { computed, reactive, watch } from 'vue'
import { changedFields, isBlank, LABEL_LIMITS, type LabelSheet } from '#core/catalog'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import KField from '~/kit/KField.vue'
import { offerFile } from '~/kit/offerFile'
import { useKept } from '~/kit/useKept'
import type { LabelWork } from './useLabelWork'
import { labelWords } from './words'

/** Which printer, how far it prints beside where it should, and a page of outlines to find that out. */
const { sheet, work } = defineProps<{ sheet: LabelSheet; work: LabelWork }>()
const catalogue = useCatalogue()
const chosen = useKept<string>('label-printer', '')
const printers = computed(() => [...(catalogue.tables?.printers.values() ?? [])].sort((a, b) => (a.id < b.id ? -1 : 1)))
const printer = computed(() => printers.value.find(({ id }) => id === chosen.value) ?? null)
const isNew = computed(() => chosen.value === 'new')
const form = reactive({ name: '', rightMm: 0, downMm: 0 })
/** What the form began with: only what differs from it is changed. */
let begun: typeof form | null = null
watch(
  printer,
  now => {
    begun = { name: now?.name ?? '', rightMm: now?.rightMm ?? 0, downMm: now?.downMm ?? 0 }
    Object.assign(form, begun)
  },
  { immediate: true },
)
const isWritten = computed(
  () => !isBlank(form.name) && [form.rightMm, form.downMm].every(mm => Number.isFinite(mm) && Math.abs(mm) <= LABEL_LIMITS.offsetMm),
)
async function keep(): Promise<void> {
  const written = { ...form, name: form.name.trim() }
  if (printer.value && begun) await act.changePrinter(printer.value.id, changedFields(begun, written))
  else chosen.value = await act.addPrinter(written)
}
async function drop(): Promise<void> {
  if (printer.value) await act.dropPrinter(printer.value.id)
  chosen.value = ''
}
async function test(): Promise<void> {
  const file = await work.outlines(sheet, printer.value)
  if (file) offerFile(file, `${sheet.name}.pdf`)
}
</script>

<template>
  <fieldset class="space-y-3 border-l-2 border-line pl-3">
    <legend class="sr-only">{{ labelWords.printer }}</legend>
    <button type="button" class="button" data-test-page @click="test">{{ labelWords.testButton }}</button>
    <p class="hint">{{ labelWords.testHint }}</p>
    <KField :label="labelWords.printer" for="label-printer">
      <select id="label-printer" v-model="chosen" class="field">
        <option value="">{{ labelWords.noPrinter }}</option>
        <option v-for="each in printers" :key="each.id" :value="each.id">{{ each.name }}</option>
        <option value="new">{{ labelWords.newPrinter }} ...</option>
      </select>
    </KField>
    <template v-if="printer || isNew">
      <KField :label="labelWords.printerName" for="printer-name">
        <input id="printer-name" v-model="form.name" class="field" maxlength="300" />
      </KField>
      <div class="grid grid-cols-2 items-end gap-4">
        <KNumber id="printer-right" v-model="form.rightMm" :label="labelWords.right" :step="0.1" />
        <KNumber id="printer-down" v-model="form.downMm" :label="labelWords.downwards" :step="0.1" />
      </div>
      <div class="flex flex-wrap gap-2">
        <button type="button" class="button" :disabled="!isWritten" @click="keep">{{ labelWords.keepPrinter }}</button>
        <button v-if="printer" type="button" class="button text-berry" @click="drop">{{ labelWords.dropPrinter }}</button>
      </div>
    </template>
  </fieldset>
</template>
