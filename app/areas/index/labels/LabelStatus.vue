<script setup lang="ts">
import { FileSpreadsheet, FileText, Printer as PrinterIcon } from 'lucide-vue-next'
import { computed } from 'vue'
import type { Container, Labelled, LabelSheet } from '#core/catalog'
import { spotsOn, tapeLengths } from '#core/printing'
import PressPanel from '~/subjects/press/PressPanel.vue'
import { isPlainFiles } from '~/data/host'
import { useCatalogue } from '~/data/useCatalogue'
import { offerFile } from '~/kit/offerFile'
import { useKept } from '~/kit/useKept'
import type { Waiting } from '~/subjects/press/waiting'
import type { LabelLine } from './labels.worker'
import { AS_LIST, ON_TAPE } from './things'
import MachineStrip from './MachineStrip.vue'
import type { LabelWork } from './useLabelWork'
import { labelWords } from './words'

type What = Exclude<Labelled, 'shared'>
type Group = keyof typeof labelWords.groups

/** What there is to make and why, how much it takes, the making of it, and once whether it came out well. */
const { work, lines, toMake, sheet } = defineProps<{
  kind: What
  kinds: readonly What[]
  work: LabelWork
  lines: readonly LabelLine[] | null
  toMake: readonly LabelLine[]
  groups: ReadonlyMap<Group, number>
  chosen: ReadonlySet<Group>
  sheet: LabelSheet | null
  containers: readonly Container[]
  where: string | null
}>()
const emit = defineEmits<{ kind: [What]; where: [string | null]; toggle: [Group] }>()
const catalogue = useCatalogue()
const hasMachine = !isPlainFiles()
const printerId = useKept<string>('label-printer', '')
const GROUPS = ['waiting', 'differs', 'none', 'otherForm', 'fine'] as const satisfies readonly Group[]
const habits = computed(() => catalogue.settings.labels)
const headline = computed(() => {
  if (!lines) return labelWords.laying
  if (toMake.length > 0) return labelWords.toMake(toMake.length)
  return lines.every(({ reason }) => reason === null) ? labelWords.nothing : labelWords.nothingChosen
})
const lengths = computed(() =>
  tapeLengths(
    toMake.map(({ lengthMm }) => lengthMm),
    habits.value,
  ),
)
const tape = computed(() => {
  const { chainedMm, singlyMm, printedMm } = lengths.value
  const fedMm = habits.value.isChained ? chainedMm : singlyMm
  return `${labelWords.lengths(chainedMm, singlyMm)} ${labelWords.blank(fedMm - printedMm, fedMm)}`
})
const onSheets = computed(() => {
  const { value: begun } = work.begunSheet
  if (!begun) return ''
  const last = spotsOn(begun, toMake.length).at(-1)
  return labelWords.onSheets(toMake.length, (last?.sheet ?? -1) + 1, begun.nextFree)
})
const shortened = computed(() => toMake.filter(each => each.shortened.length > 0))
const troubles = computed(() =>
  (['noRoom', 'tiny', 'noCode'] as const).flatMap(code => {
    const count = toMake.filter(each => each.troubles.includes(code)).length
    return count > 0 ? [{ code, text: labelWords.troubles[code](count) }] : []
  }),
)
const printable = computed(() => toMake.filter(each => !each.troubles.includes('noRoom')).map(({ of }) => of))
const printer = computed(() => catalogue.tables?.printers.get(printerId.value) ?? null)
function madeOn(thing: string): string {
  if (thing === ON_TAPE) return labelWords.madeOnTape
  if (thing === AS_LIST) return labelWords.madeAsList
  const sheet = catalogue.tables?.labelSheets.get(thing)
  return sheet ? labelWords.madeOnSheets(sheet.name) : ''
}
const askText = ({ thing, pieces, at }: Waiting): string => labelWords.waiting(pieces.length, at, madeOn(thing))

async function saveList(): Promise<void> {
  const file = await work.makeCsv(printable.value)
  if (file) offerFile(file, labelWords.csvName(catalogue.settings.roomName))
}
</script>

<template>
  <section data-label-status>
    <div class="flex gap-2">
      <select
        class="field min-w-0 flex-1"
        :aria-label="labelWords.what"
        :value="kind"
        data-label-kind
        @change="emit('kind', kinds.find(each => each === ($event.target as HTMLSelectElement).value) ?? 'set')"
      >
        <option v-for="each in kinds" :key="each" :value="each">{{ labelWords.kinds[each] }}</option>
      </select>
      <select
        v-if="kind !== 'container'"
        class="field min-w-0 flex-1"
        :aria-label="labelWords.where"
        :value="where ?? ''"
        @change="emit('where', ($event.target as HTMLSelectElement).value || null)"
      >
        <option value="">{{ labelWords.everywhere }}</option>
        <option v-for="each in containers" :key="each.id" :value="each.id">{{ each.name }}</option>
      </select>
    </div>
    <p v-if="lines?.length === 0" class="mt-2">{{ labelWords.none[kind] }}</p>
    <template v-else>
      <p class="mt-2 text-[1.1rem] leading-snug font-semibold figures" role="status" data-to-make>{{ headline }}</p>
      <fieldset v-if="lines" class="mt-1">
        <legend class="sr-only">{{ labelWords.what }}</legend>
        <template v-for="group in GROUPS" :key="group">
          <label v-if="groups.get(group)" class="flex min-h-11 items-center gap-3 figures" :data-group="group">
            <input type="checkbox" class="h-5 w-5 accent-(--strong)" :checked="chosen.has(group)" @change="emit('toggle', group)" />
            {{ labelWords.groups[group](groups.get(group) ?? 0) }}
          </label>
        </template>
      </fieldset>
      <template v-if="toMake.length > 0">
        <p class="mt-1 text-quiet figures" data-lengths>{{ sheet ? onSheets : tape }}</p>
        <p v-for="{ code, text } in troubles" :key="code" class="mt-2 border-l-4 border-ochre bg-wash px-3 py-2" role="status">
          {{ text }}
        </p>
        <details v-if="shortened.length > 0" class="mt-1">
          <summary class="min-h-11 cursor-pointer content-center underline figures">{{ labelWords.shortened(shortened.length) }}</summary>
          <ul class="max-h-56 overflow-y-auto border-l-2 border-line pl-3" tabindex="0">
            <li v-for="each in shortened" :key="each.of" class="py-1 leading-tight">
              <template v-for="(part, at) in each.shortened" :key="at">
                <span class="block font-semibold">{{ part.to }}</span>
                <span class="hint block">{{ part.from }} ({{ labelWords.how[part.how] }})</span>
              </template>
            </li>
          </ul>
        </details>
      </template>
    </template>
    <PressPanel
      :press="work.press"
      :ready="labelWords.ready(work.press.made.value?.count ?? 0)"
      :file-name="labelWords.fileName(catalogue.settings.roomName)"
      :question="labelWords.well"
      :care="labelWords.bladeCaution"
      :ask-text="askText"
      :thing="sheet?.id ?? ON_TAPE"
      @well="work.confirm"
      @none="work.notMade"
    >
      <template v-if="lines && printable.length > 0">
        <button
          v-if="!sheet && hasMachine"
          type="button"
          class="button-main"
          :title="labelWords.machineHint"
          data-to-machine
          @click="work.print(printable)"
        >
          <PrinterIcon :size="18" aria-hidden="true" />
          {{ labelWords.machine }}
        </button>
        <button
          type="button"
          :class="sheet || !hasMachine ? 'button-main' : 'button'"
          data-make-pdf
          @click="work.makePdf(printable, printer)"
        >
          <FileText :size="18" aria-hidden="true" />
          {{ labelWords.pdf }}
        </button>
        <button type="button" class="button" @click="saveList">
          <FileSpreadsheet :size="18" aria-hidden="true" />
          {{ labelWords.csv }}
        </button>
      </template>
      <template #out>
        <MachineStrip v-if="work.strip.value || work.machine.value?.held.length || work.leftover.value.length" :work="work" />
      </template>
    </PressPanel>
  </section>
</template>
