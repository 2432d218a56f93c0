<script setup lang="ts">
import KCheck from '~/kit/KCheck.vue'
import KChoice from '~/kit/KChoice.vue'
import { Check } from 'lucide-vue-next'
import { computed, reactive, shallowRef, watch } from 'vue'
import { blankBrand, type Brand, changedFields, KIND_FAMILIES } from '#core/catalog'
import type { NameList, NameRecord } from '#core/classing'
import { wordsFit } from '#core/exchange'
import { readGrams, readLength } from '#core/units'
import { isSameName } from '#core/grammar'
import { plainly } from '~/kit/plainly'
import KTyped from '~/kit/KTyped.vue'
import { useTyped } from '~/kit/useTyped'
import KField from '~/kit/KField.vue'
import { useDescribe } from '~/data/useDescribe'
import { useRoomWorker } from '~/data/useRoomWorker'
import { act } from '~/data/act'
import { nameProblem, nameWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'
import { placeWords } from '~/data/words'
import { useNotices } from '~/kit/useNotices'
import WouldMoveDialog from './WouldMoveDialog.vue'

/** What is known of a brand, a category or a theme. */
const { list, record } = defineProps<{ list: NameList; record: NameRecord }>()
const emit = defineEmits<{ kept: [] }>()
const catalogue = useCatalogue()
const notices = useNotices()
const problem = shallowRef('')
const texts = reactive({
  name: '',
  variants: '',
  abbreviation: '',
  hasOwnNumbering: false,
  isRetired: false,
  successorId: '',
  seeAlso: '',
  notes: '',
  sharesPage: false,
  family: 'stamp' as (typeof KIND_FAMILIES)[number],
  suffix: '',
  thickness: '',
  weight: '',
  isLightSensitive: false,
  mayTrim: false,
  mayCut: false,
})
/** Asked before it is kept, where the change would put sets out of the order of their zones. */
const wouldMove = shallowRef<number | null>(null)
const worker = useRoomWorker()
const { thinText, thinUnit } = useDescribe()
/** What was not touched stays to the last digit, whatever rounding the screen shows. */
const thickness = computed(() =>
  'family' in record && texts.thickness === thinText(record.typicalThicknessMm)
    ? { ok: true as const, mm: record.typicalThicknessMm }
    : readLength(texts.thickness, thinUnit()),
)
const weightG = computed(() => {
  const grams = readGrams(texts.weight)
  return grams === 'unread' ? null : grams
})
const others = computed(() =>
  [...(catalogue.tables?.[list].values() ?? [])].filter(each => each.id !== record.id).toSorted((a, b) => a.name.localeCompare(b.name)),
)
const asBrand = (): Brand => ('variants' in record ? record : blankBrand(record.id, record.name))
const listed = (text: string): string[] =>
  text
    .split(',')
    .map(each => each.trim())
    .filter(Boolean)

const typed = useTyped(texts)
const isKnown = (): boolean => catalogue.tables?.[list].has(record.id) ?? false
/** What the form shows but for what was typed: only what differs from it is changed. */
let begun = record
function textsOf(): typeof texts {
  const brand = asBrand()
  return {
    ...texts,
    ...{
      name: record.name,
      variants: brand.variants.join(', '),
      abbreviation: brand.abbreviation ?? '',
      hasOwnNumbering: brand.hasOwnNumbering,
      isRetired: brand.isRetired,
      successorId: brand.successorId ?? '',
      notes: brand.notes,
      sharesPage: 'sharesPage' in record && record.sharesPage,
      ...('family' in record
        ? {
            family: record.family,
            suffix: record.suffix ?? '',
            thickness: thinText(record.typicalThicknessMm),
            weight: String(record.typicalWeightG),
            isLightSensitive: record.isLightSensitive,
            mayTrim: record.mayTrim,
            mayCut: record.mayCut,
          }
        : {}),
      seeAlso:
        'seeAlsoIds' in record ? record.seeAlsoIds.flatMap(id => others.value.find(each => each.id === id)?.name ?? []).join(', ') : '',
    },
  }
}
watch(
  () => record,
  (_now, before) => {
    const fresh = textsOf()
    problem.value = ''
    // It changed meanwhile, by a join or in another tab: what was typed stays.
    // The texts that nobody typed in follow it.
    begun = record
    if (before?.id === record.id) return typed.follow(fresh)
    Object.assign(texts, fresh)
    typed.begin(`name ${isKnown() ? record.id : list}`, fresh)
  },
  { immediate: true },
)

/** The record as the form has it now. */
function changed(): NameRecord {
  const name = texts.name.trim()
  if ('variants' in record) {
    const { hasOwnNumbering, isRetired, notes } = texts
    return {
      ...record,
      name,
      variants: listed(texts.variants),
      abbreviation: texts.abbreviation.trim() || null,
      hasOwnNumbering,
      isRetired,
      successorId: texts.successorId || null,
      notes,
    }
  }
  if ('family' in record)
    return {
      ...record,
      name,
      family: texts.family,
      suffix: texts.suffix.trim() || null,
      typicalThicknessMm: thickness.value.ok ? thickness.value.mm : record.typicalThicknessMm,
      typicalWeightG: weightG.value ?? record.typicalWeightG,
      isLightSensitive: texts.isLightSensitive,
      mayTrim: texts.mayTrim,
      mayCut: texts.mayCut,
    }
  const seeAlsoIds = listed(texts.seeAlso).flatMap(each => others.value.find(other => isSameName(other.name, each))?.id ?? [])
  return 'sharesPage' in record ? { ...record, name, seeAlsoIds, sharesPage: texts.sharesPage } : { ...record, name, seeAlsoIds }
}
async function keep(): Promise<void> {
  if ('family' in record && !thickness.value.ok) return void (problem.value = nameWords.thicknessProblem)
  if ('family' in record && weightG.value === null) return void (problem.value = placeWords.weightProblem)
  const after = changed()
  if ('variants' in after && !wordsFit(after.variants)) return void (problem.value = nameWords.variantTooLong)
  const isFiledBy =
    after.name !== record.name || ('successorId' in after && 'successorId' in record && after.successorId !== record.successorId)
  const count = isFiledBy ? ((await worker.ask(api => api.wouldMove(list, [plainly(after)]))) ?? 0) : 0
  if (count > 0) wouldMove.value = count
  else await put()
}
async function put(): Promise<void> {
  wouldMove.value = null
  const after = changed()
  const outcome = await (isKnown() ? act.changeName(list, record.id, changedFields(begun, after)) : act.addName(list, plainly(after)))
  problem.value = outcome.ok ? '' : nameProblem(outcome, texts.suffix)
  if (!outcome.ok) return
  typed.forget()
  notices.tell(nameWords.kept(after.name))
  emit('kept')
}
</script>

<template>
  <WouldMoveDialog :count="wouldMove" @take="put" @leave="wouldMove = null" />
  <form class="grid gap-3 sm:grid-cols-2" novalidate @submit.prevent="keep">
    <KTyped class="sm:col-span-2" :is-back="typed.isBack.value" @afresh="typed.beginAfresh()" />
    <KField class="sm:col-span-2" :label="nameWords.name" for="name-name" :problem="problem">
      <input id="name-name" v-model="texts.name" class="field" maxlength="300" autocomplete="off" />
    </KField>
    <template v-if="list === 'brands'">
      <KField class="sm:col-span-2" :label="nameWords.variants" for="name-variants" :hint="nameWords.variantsHint">
        <input id="name-variants" v-model="texts.variants" class="field" maxlength="2000" autocomplete="off" />
      </KField>
      <KField :label="nameWords.abbreviation" for="name-short" :hint="nameWords.abbreviationHint">
        <input id="name-short" v-model="texts.abbreviation" class="field" maxlength="12" autocomplete="off" />
      </KField>
      <KField :label="nameWords.successor" for="name-successor" :hint="nameWords.successorHint">
        <select id="name-successor" v-model="texts.successorId" class="field">
          <option value="">{{ nameWords.nobody }}</option>
          <option v-for="each in others" :key="each.id" :value="each.id">{{ each.name }}</option>
        </select>
      </KField>
      <KCheck v-model="texts.isRetired" :label="nameWords.retired" />
      <label class="flex min-h-11 items-center gap-3">
        <input v-model="texts.hasOwnNumbering" type="checkbox" class="size-5" aria-describedby="name-numbering" />
        <span>
          {{ nameWords.numbering }}
          <span id="name-numbering" class="hint block">{{ nameWords.numberingHint }}</span>
        </span>
      </label>
      <KField class="sm:col-span-2" :label="nameWords.notes" for="name-notes">
        <textarea id="name-notes" v-model="texts.notes" class="field" rows="2" maxlength="20000" />
      </KField>
    </template>
    <template v-else-if="list === 'kinds'">
      <KChoice id="name-family" v-model="texts.family" :label="nameWords.family" :choices="KIND_FAMILIES" :words="nameWords.families" />
      <KField :label="nameWords.suffix" for="name-suffix" :hint="nameWords.suffixHint">
        <input id="name-suffix" v-model="texts.suffix" class="field" maxlength="4" autocomplete="off" />
      </KField>
      <KField :label="nameWords.thickness" for="name-thickness" :hint="nameWords.thicknessHint">
        <input id="name-thickness" v-model="texts.thickness" class="field figures" maxlength="20" autocomplete="off" />
      </KField>
      <KField :label="nameWords.weight" for="name-weight">
        <input id="name-weight" v-model="texts.weight" class="field figures" maxlength="8" inputmode="decimal" autocomplete="off" />
      </KField>
      <KCheck v-model="texts.mayTrim" :label="nameWords.mayTrim" />
      <KCheck v-model="texts.mayCut" :label="nameWords.mayCut" />
      <KCheck v-model="texts.isLightSensitive" class="sm:col-span-2" :label="nameWords.light" />
    </template>
    <KCheck v-if="list === 'themes'" v-model="texts.sharesPage" class="sm:col-span-2" :label="nameWords.sharesPage" />
    <KField
      v-if="list === 'themes' || list === 'categories'"
      class="sm:col-span-2"
      :label="nameWords.seeAlso"
      for="name-see"
      :hint="nameWords.seeAlsoHint"
    >
      <input id="name-see" v-model="texts.seeAlso" class="field" maxlength="2000" autocomplete="off" />
    </KField>
    <div class="flex justify-end sm:col-span-2">
      <button type="submit" class="button-main">
        <Check :size="18" aria-hidden="true" />
        {{ nameWords.keep }}
      </button>
    </div>
  </form>
</template>
