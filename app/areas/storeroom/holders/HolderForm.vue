<script setup lang="ts">
import KCheck from '~/kit/KCheck.vue'
import KChoice from '~/kit/KChoice.vue'
import KNumber from '~/kit/KNumber.vue'
import { Check, Trash2 } from 'lucide-vue-next'
import { computed, reactive, shallowRef, watch } from 'vue'
import { changedFields, CLOSURES, CONTAINER_TYPES, HOLDER_TYPES, type HolderType } from '#core/catalog'
import { readPacks, writePacks } from '#core/exchange'
import { readGrams, readLength, readSize } from '#core/units'
import KTyped from '~/kit/KTyped.vue'
import { useTyped } from '~/kit/useTyped'
import KField from '~/kit/KField.vue'
import { useDescribe } from '~/data/useDescribe'
import { act } from '~/data/act'
import { holderWords } from '~/subjects/fit/words'
import { useCatalogue } from '~/data/useCatalogue'
import { placeWords } from '~/data/words'
import { useNotices } from '~/kit/useNotices'
import { furnishWords } from '../building/words'
import { roomWords } from '~/subjects/room/roomWords'

/** What is known of a type of holder. Lengths are typed as anybody writes them. */
const { type, isNew } = defineProps<{ type: HolderType; isNew: boolean }>()
const emit = defineEmits<{ kept: []; removed: [] }>()
const catalogue = useCatalogue()
const notices = useNotices()
const { lengthText, sizeText, thinText, thinUnit } = useDescribe()
const problem = shallowRef('')
const texts = reactive({
  name: '',
  type: 'pocket' as HolderType['type'],
  inner: '',
  closure: 'none' as HolderType['closure'],
  maxThickness: '',
  film: '',
  emptyThickness: '',
  bulk: '',
  weight: '',
  standsIn: [] as HolderType['standsIn'],
  rows: 0,
  columns: 0,
  isTwoSided: true,
  stock: 0,
  packs: '',
  isRetired: false,
  replacedById: '',
  notes: '',
})
const typed = useTyped(texts)
const others = computed(() => [...(catalogue.tables?.holderTypes.values() ?? [])].filter(each => each.id !== type.id && !each.isRetired))
const written = (mm: number | null): string => (mm ? lengthText(mm) : '')
const shown = shallowRef<Readonly<typeof texts>>({ ...texts })
/** What the form began with: only what differs from it is changed. */
let begun = type

watch(
  () => type,
  () => {
    problem.value = ''
    Object.assign(texts, {
      name: type.name,
      type: type.type,
      inner: type.inner ? sizeText(type.inner) : '',
      closure: type.closure,
      maxThickness: written(type.maxThicknessMm),
      film: type.filmMm ? thinText(type.filmMm) : '',
      emptyThickness: written(type.emptyThicknessMm),
      bulk: type.extraBulkMm ? thinText(type.extraBulkMm) : '',
      weight: type.weightG === null ? '' : String(type.weightG),
      standsIn: [...type.standsIn],
      rows: type.cells?.rows ?? 3,
      columns: type.cells?.columns ?? 3,
      isTwoSided: type.cells?.isTwoSided ?? true,
      stock: type.stockOnHand,
      packs: writePacks(type.packs, catalogue.settings.currency),
      isRetired: type.isRetired,
      replacedById: type.replacedById ?? '',
      notes: type.notes,
    })
    begun = type
    shown.value = { ...texts }
    typed.begin(`pocket ${isNew ? '' : type.id}`, { ...texts })
  },
  { immediate: true },
)

/** A text that was not touched keeps the value it stands for, to the last digit; null: it cannot be read. */
function lengthOf(field: 'maxThickness' | 'film' | 'emptyThickness' | 'bulk', before: number | null): number | null | 'unread' {
  if (texts[field] === shown.value[field]) return before
  const reading = readLength(texts[field], thinUnit())
  if (reading.ok) return reading.mm
  return reading.code === 'empty' || reading.code === 'zero' ? null : 'unread'
}
async function keep(): Promise<void> {
  const size = readSize(texts.inner, catalogue.settings.unit)
  const written = size.ok ? { ...size.size } : null
  const inner = texts.inner === shown.value.inner ? type.inner : written
  const lengths = {
    maxThicknessMm: lengthOf('maxThickness', type.maxThicknessMm),
    filmMm: lengthOf('film', type.filmMm),
    emptyThicknessMm: lengthOf('emptyThickness', type.emptyThicknessMm),
    extraBulkMm: lengthOf('bulk', type.extraBulkMm),
  }
  const weightG = readGrams(texts.weight)
  const packs = readPacks(texts.packs, catalogue.settings.currency)
  const isPage = texts.type === 'celledPage'
  const isGrid = [texts.rows, texts.columns].every(count => Number.isInteger(count) && count >= 1 && count <= 12)
  const takesAny = texts.type === 'ring' || texts.type === 'none'
  const problems: readonly (readonly [is: boolean, words: string])[] = [
    [inner === null && (texts.inner.trim() !== '' || !takesAny), holderWords.innerProblem],
    [Object.values(lengths).includes('unread'), holderWords.lengthProblem],
    [packs === null, holderWords.packsProblem],
    [isPage && !isGrid, holderWords.cellsProblem],
    [weightG === 'unread', placeWords.weightProblem],
  ]
  problem.value = problems.find(([is]) => is)?.[1] ?? ''
  if (problem.value || packs === null || weightG === 'unread') return
  const mm = (value: number | null | 'unread'): number | null => (value === 'unread' ? null : value)
  const after: HolderType = {
    ...type,
    name: texts.name,
    type: texts.type,
    inner,
    closure: texts.closure,
    maxThicknessMm: mm(lengths.maxThicknessMm),
    filmMm: mm(lengths.filmMm) ?? 0,
    emptyThicknessMm: mm(lengths.emptyThicknessMm),
    extraBulkMm: mm(lengths.extraBulkMm) ?? 0,
    weightG,
    standsIn: [...texts.standsIn],
    cells: isPage ? { rows: texts.rows, columns: texts.columns, isTwoSided: texts.isTwoSided } : null,
    stockOnHand: Math.max(0, Math.round(texts.stock || 0)),
    packs,
    isRetired: texts.isRetired,
    replacedById: texts.replacedById || null,
    notes: texts.notes,
  }
  const outcome = await (isNew ? act.addHolderType(after) : act.changeHolderType(type.id, changedFields(begun, after)))
  if (!outcome.ok) {
    problem.value = outcome.code === 'inUse' ? holderWords.inUse(outcome.count) : holderWords.problems[outcome.code]
    return
  }
  typed.forget()
  notices.tell(holderWords.kept(texts.name))
  emit('kept')
}
async function remove(): Promise<void> {
  const outcome = await act.removeHolderType(type.id)
  if (!outcome.ok) return void (problem.value = holderWords.inUse(outcome.count))
  notices.tell(holderWords.removed(type.name))
  emit('removed')
}
</script>

<template>
  <form class="grid gap-3 sm:grid-cols-2" novalidate @submit.prevent="keep">
    <KTyped class="sm:col-span-2" :is-back="typed.isBack.value" @afresh="typed.beginAfresh()" />
    <KField class="sm:col-span-2" :label="holderWords.name" for="holder-name" :problem="problem">
      <input id="holder-name" v-model="texts.name" class="field" maxlength="300" autocomplete="off" />
    </KField>
    <KChoice id="holder-type" v-model="texts.type" :label="holderWords.type" :choices="HOLDER_TYPES" :words="holderWords.types" />
    <KField :label="holderWords.inner" for="holder-inner" :hint="holderWords.innerHint">
      <input id="holder-inner" v-model="texts.inner" class="field figures" maxlength="60" autocomplete="off" />
    </KField>
    <template v-if="texts.type === 'celledPage'">
      <KField :label="holderWords.cells" for="holder-rows">
        <span class="flex gap-2">
          <input id="holder-rows" v-model.number="texts.rows" type="number" min="1" max="12" class="field figures" />
          <input v-model.number="texts.columns" type="number" min="1" max="12" class="field figures" :aria-label="furnishWords.columns" />
        </span>
      </KField>
      <KCheck v-model="texts.isTwoSided" class="self-end" :label="holderWords.bothSides" />
    </template>
    <KChoice id="holder-closure" v-model="texts.closure" :label="holderWords.closure" :choices="CLOSURES" :words="holderWords.closures" />
    <KField :label="holderWords.maxThickness" for="holder-max">
      <input id="holder-max" v-model="texts.maxThickness" class="field figures" maxlength="30" autocomplete="off" />
    </KField>
    <KField :label="holderWords.film" for="holder-film">
      <input id="holder-film" v-model="texts.film" class="field figures" maxlength="30" autocomplete="off" />
    </KField>
    <KField :label="holderWords.bulk" for="holder-bulk">
      <input id="holder-bulk" v-model="texts.bulk" class="field figures" maxlength="30" autocomplete="off" />
    </KField>
    <KField :label="holderWords.emptyThickness" for="holder-empty">
      <input id="holder-empty" v-model="texts.emptyThickness" class="field figures" maxlength="30" autocomplete="off" />
    </KField>
    <KField :label="holderWords.weight" for="holder-weight">
      <input id="holder-weight" v-model="texts.weight" class="field figures" maxlength="12" inputmode="decimal" autocomplete="off" />
    </KField>
    <KNumber id="holder-stock" v-model="texts.stock" :label="holderWords.stock" :min="0" />
    <KField :label="holderWords.packs" for="holder-packs" :hint="holderWords.packsHint">
      <input id="holder-packs" v-model="texts.packs" class="field figures" maxlength="300" autocomplete="off" />
    </KField>
    <fieldset class="sm:col-span-2">
      <legend class="label">
        {{ holderWords.standsIn }}:
        <span class="font-normal">{{ texts.standsIn.length ? '' : holderWords.anywhere }}</span>
      </legend>
      <div class="flex flex-wrap gap-x-4">
        <label v-for="each in CONTAINER_TYPES" :key="each" class="flex min-h-11 items-center gap-2">
          <input v-model="texts.standsIn" type="checkbox" class="size-5" :value="each" />
          {{ roomWords.types[each] }}
        </label>
      </div>
    </fieldset>
    <KCheck v-model="texts.isRetired" class="self-end" :label="holderWords.retired" />
    <KField :label="holderWords.replacedBy" for="holder-replaced">
      <select id="holder-replaced" v-model="texts.replacedById" class="field">
        <option value="">{{ holderWords.nothing }}</option>
        <option v-for="each in others" :key="each.id" :value="each.id">{{ each.name }}</option>
      </select>
    </KField>
    <div class="flex flex-wrap justify-end gap-2 sm:col-span-2">
      <button v-if="!isNew" type="button" class="button text-berry" @click="remove">
        <Trash2 :size="18" aria-hidden="true" />
        {{ holderWords.remove }}
      </button>
      <button type="submit" class="button-main">
        <Check :size="18" aria-hidden="true" />
        {{ holderWords.keep }}
      </button>
    </div>
  </form>
</template>
