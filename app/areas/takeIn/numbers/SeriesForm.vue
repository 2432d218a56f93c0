<script setup lang="ts">
import KCheck from '~/kit/KCheck.vue'
import KChoice from '~/kit/KChoice.vue'
import KNumber from '~/kit/KNumber.vue'
import { Check } from 'lucide-vue-next'
import { computed, reactive, shallowRef, watch } from 'vue'
import { changedFields, NUMBER_SCHOOLS, type Series, isBlank } from '#core/catalog'
import { codeText, mayClash, numberSource, staleLabels, writeCode } from '#core/numbering'
import KField from '~/kit/KField.vue'
import KTyped from '~/kit/KTyped.vue'
import { useTyped } from '~/kit/useTyped'
import KTicket from '~/kit/KTicket.vue'
import { useDescribe } from '~/data/useDescribe'
import { act } from '~/data/act'
import { plainly } from '~/kit/plainly'
import { numberWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'

/** How the numbers of a series are written, seen as they will be, and the labels that become stale by it. */
const { series } = defineProps<{ series: Series }>()
const emit = defineEmits<{ kept: [] }>()
const SAMPLE = 42
const SHOWN = 30
const catalogue = useCatalogue()
const notices = useNotices()
const { lookUp } = useDescribe()
const form = reactive<Series>({ ...series })
const typed = useTyped(form)
/** What the form began with: only what differs from it is changed. */
let begun: Series = { ...series }
const isTried = shallowRef(false)
watch(
  () => series.id,
  () => {
    Object.assign(form, series)
    begun = { ...series }
    isTried.value = false
    const isKnown = catalogue.tables?.series.has(series.id)
    // A new one has a new id each time.
    typed.begin(`series ${isKnown ? series.id : ''}`, isKnown ? { ...series } : { ...series, id: form.id })
  },
  { immediate: true },
)
const kinds = computed(() => [...(catalogue.tables?.kinds.values() ?? [])])
/** A set of the first brand, in a cell where the room has cells: enough for every school to show how it writes. */
const sampleSource = computed(() => {
  const [brand = null] = catalogue.tables?.brands.values() ?? []
  const containers = catalogue.containers.map(row => row.container)
  const container = (form.countsBy === 'cell' ? containers.find(each => each.cells) : undefined) ?? containers[0]
  return numberSource(
    form,
    [form],
    {
      brand,
      place: container ? { container, cell: container.cells && { page: 2, cell: 3, side: 'front' } } : null,
      written: form.countsBy === 'maker' ? `CL${SAMPLE}` : '',
    },
    () => '',
  )
})
const samples = computed(() =>
  [null, kinds.value.find(kind => kind.suffix) ?? null].map(kind => ({
    kind,
    code: writeCode(sampleSource.value.series, sampleSource.value.wanted ?? SAMPLE, kind),
  })),
)
const clash = computed(() => [...(catalogue.tables?.series.values() ?? [])].find(other => other.id !== series.id && mayClash(other, form)))
const problem = computed(() => {
  if (clash.value) return numberWords.clash(clash.value.name)
  return isTried.value && isBlank(form.name) ? numberWords.nameMissing : ''
})
const stale = computed(() => staleLabels([...(catalogue.tables?.holdings.values() ?? [])], series, form, id => lookUp('kinds', id)))

async function keep(): Promise<void> {
  isTried.value = true
  const after: Series = { ...form, padding: Math.round(Math.min(8, Math.max(0, form.padding || 0))) }
  const isKnown = catalogue.tables?.series.has(series.id)
  const outcome = await (isKnown ? act.changeSeries(series.id, changedFields(begun, plainly(after))) : act.addSeries(plainly(after)))
  if (!outcome.ok) return
  typed.forget()
  notices.tell(numberWords.kept(form.name))
  emit('kept')
}
</script>

<template>
  <form class="grid gap-3 sm:grid-cols-2" novalidate @submit.prevent="keep">
    <KTyped class="sm:col-span-2" :is-back="typed.isBack.value" @afresh="typed.beginAfresh()" />
    <KField class="sm:col-span-2" :label="numberWords.name" for="series-name" :problem="problem">
      <input id="series-name" v-model="form.name" class="field" maxlength="300" autocomplete="off" />
    </KField>
    <KField :label="numberWords.prefix" for="series-prefix" :hint="numberWords.prefixHint">
      <input id="series-prefix" v-model="form.prefix" class="field" maxlength="24" autocomplete="off" />
    </KField>
    <KNumber id="series-padding" v-model="form.padding" :label="numberWords.padding" :min="0" :max="8" :hint="numberWords.paddingHint" />
    <label class="flex min-h-11 items-center gap-3 sm:col-span-2">
      <input
        type="checkbox"
        class="size-5"
        :checked="form.suffixBy === 'kind'"
        @change="form.suffixBy = form.suffixBy === 'kind' ? 'none' : 'kind'"
      />
      <span>
        {{ numberWords.suffix }}
        <span class="hint block">{{ numberWords.suffixHint }}</span>
      </span>
    </label>
    <KChoice
      v-if="!series.partOf"
      id="series-counts"
      v-model="form.countsBy"
      class="sm:col-span-2"
      :label="numberWords.countsBy"
      :choices="NUMBER_SCHOOLS"
      :words="numberWords.schools"
      :hint="numberWords.countsByHint[form.countsBy]"
    />
    <KCheck v-if="!series.partOf" v-model="form.isRunning" class="sm:col-span-2" :label="numberWords.runs" :disabled="series.isRunning" />
    <div class="sm:col-span-2">
      <p class="label">{{ numberWords.sample }}</p>
      <p class="flex flex-wrap gap-3" data-sample>
        <KTicket v-for="{ kind, code } in samples" :key="`${kind?.id} ${codeText(code)}`" :code="code" />
      </p>
    </div>
    <div v-if="stale.length" class="border-l-4 border-ochre bg-wash p-3 sm:col-span-2" data-stale>
      <p class="font-semibold figures">{{ numberWords.stale(stale.length) }}</p>
      <p class="hint">{{ numberWords.staleLead }}</p>
      <ul class="mt-1 max-h-40 overflow-y-auto figures">
        <li v-for="each in stale.slice(0, SHOWN)" :key="each.id">{{ numberWords.staleRow(each.was, each.becomes) }}</li>
      </ul>
    </div>
    <div class="flex justify-end sm:col-span-2">
      <button type="submit" class="button-main" :disabled="Boolean(clash)">
        <Check :size="18" aria-hidden="true" />
        {{ numberWords.keep }}
      </button>
    </div>
  </form>
</template>
