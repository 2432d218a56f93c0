<script setup lang="ts">
import { eachDetail } from '#core/catalog'
import { LIST_FIELDS, type ListField, type PlannedRow } from '#core/exchange'
import { useDescribe } from '~/data/useDescribe'
import { detailText } from '~/subjects/set/detailWords'
import { importWords } from './words'
import { saidUse } from '#core/fetching'
import { slipWords } from '~/subjects/set/words'
import type { ListView } from './list.worker'

/** What each column is, and the first rows twice: as written, and as read. */
const { view } = defineProps<{ view: ListView }>()
const emit = defineEmits<{ columns: [columns: readonly ListField[]] }>()
const { sizeText } = useDescribe()
const SHOWN_ROWS = 5

function change(column: number, field: string): void {
  const taken = view.choices.columns.indexOf(field as ListField)
  // Two columns cannot be one field: the one that was it before goes to the notes.
  emit(
    'columns',
    view.choices.columns.map((each, at) => {
      if (at === column) return field as ListField
      return at === taken && field !== 'notes' ? 'notes' : each
    }),
  )
}

type Draft = Extract<PlannedRow, { outcome: 'taken' }>['draft']
const READ: Readonly<Record<ListField, (draft: Draft) => string>> = {
  number: draft => (draft.numberWritten === null ? '' : String(draft.numberWritten)),
  name: draft => draft.name,
  brand: draft => draft.brandText,
  kind: draft => (draft.kind && draft.kind.as !== 'keep' ? `${importWords.kindAs[draft.kind.as]}: ${draft.kind.name}` : ''),
  category: draft => draft.categoryText,
  themes: draft => draft.themeNames.join(' | '),
  size: draft => (draft.size ? sizeText(draft.size) : ''),
  words: draft => draft.words.join(' | '),
  searchWords: draft => draft.searchWords.join(' | '),
  ...eachDetail(name => (draft: Draft) => detailText(name, draft[name])),
  used: draft => slipWords.saidUse(saidUse(draft)),
  matchingDie: draft => {
    if (draft.hasMatchingDie === null) return ''
    return draft.hasMatchingDie ? importWords.yes : importWords.no
  },
  place: draft => draft.placeText,
  code: draft => draft.codeText,
}
function readingOf(planned: PlannedRow, column: number): string {
  const field = view.choices.columns[column] ?? 'notes'
  return planned.outcome === 'taken' ? READ[field](planned.draft) : ''
}
</script>

<template>
  <div>
    <p class="hint">{{ importWords.columnsHint }}</p>
    <div class="mt-3 overflow-x-auto border border-line" tabindex="0" :aria-label="importWords.previewTitle">
      <table class="border-collapse text-left text-[0.88rem]">
        <thead>
          <tr class="bg-wash align-top">
            <th v-for="(heading, column) in view.headings" :key="column" scope="col" class="min-w-40 border-r border-line p-2 font-normal">
              <span class="block font-semibold">{{ heading || '·' }}</span>
              <select
                class="field mt-1"
                :aria-label="heading"
                :value="view.choices.columns[column]"
                @change="change(column, ($event.target as HTMLSelectElement).value)"
              >
                <option v-for="field in LIST_FIELDS" :key="field" :value="field">{{ importWords.field[field] }}</option>
              </select>
              <span v-if="view.guesses[column]?.field === view.choices.columns[column]" class="hint mt-1 block">
                {{ importWords.because[view.guesses[column]?.because ?? 'nothing'] }}
              </span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="({ cells, planned }, row) in view.preview.slice(0, SHOWN_ROWS)" :key="row" class="border-t border-line align-top">
            <td v-for="(cell, column) in cells" :key="column" class="max-w-60 border-r border-line p-2">
              <span class="block font-semibold wrap-anywhere" data-reading>{{ readingOf(planned, column) || '–' }}</span>
              <span v-if="cell && cell !== readingOf(planned, column)" class="hint line-clamp-2 block wrap-anywhere">
                {{ importWords.asWritten }}: {{ cell }}
              </span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>
