<script setup lang="ts">
import KChoice from '~/kit/KChoice.vue'
import KNumber from '~/kit/KNumber.vue'
import { computed, reactive, watch } from 'vue'
import type { Reference } from '#core/measuring'
import { NAMED_SIZES, readLength, readSize } from '#core/units'
import KField from '~/kit/KField.vue'
import { measureWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'

/** What of known size lies in the photo. null while its size cannot be read. */
const reference = defineModel<Reference | null>({ required: true })
const catalogue = useCatalogue()
const KINDS = ['card', 'A4', 'Letter', 'twelve', 'squares', 'own'] as const
const form = reactive({
  kind: 'card' as (typeof KINDS)[number],
  across: 10,
  down: 10,
  square: catalogue.settings.unit === 'in' ? '1 in' : '1 cm',
  own: '',
  isSheet: true,
})
// ISO/IEC 7810 ID-1.
const CARD = { widthMm: 85.6, heightMm: 53.98 }
const TWELVE = { widthMm: 304.8, heightMm: 304.8 }
const square = computed(() => readLength(form.square, catalogue.settings.unit))
const own = computed(() => readSize(form.own, catalogue.settings.unit))

const made = computed((): Reference | null => {
  if (form.kind === 'card') return { ...CARD, isSheet: false }
  if (form.kind === 'twelve') return { ...TWELVE, isSheet: true }
  if (form.kind === 'squares')
    return square.value.ok && form.across >= 1 && form.down >= 1
      ? { widthMm: square.value.mm * form.across, heightMm: square.value.mm * form.down, isSheet: true }
      : null
  if (form.kind === 'own') return own.value.ok ? { ...own.value.size, isSheet: form.isSheet } : null
  const size = NAMED_SIZES.get(form.kind.toLowerCase())?.size
  return size ? { ...size, isSheet: true } : null
})
watch(
  made,
  now => {
    reference.value = now
  },
  { immediate: true },
)
defineExpose({
  choose: (kind: 'card' | 'A4') => {
    form.kind = kind
  },
})
</script>

<template>
  <div class="flex flex-wrap items-start gap-3">
    <KChoice
      id="reference"
      v-model="form.kind"
      class="flex-1 basis-56"
      :label="measureWords.reference"
      :choices="KINDS"
      :words="measureWords.references"
    />
    <template v-if="form.kind === 'squares'">
      <KNumber id="squares-across" v-model="form.across" class="w-28" :label="measureWords.squaresAcross" :min="1" :max="60" />
      <KNumber id="squares-down" v-model="form.down" class="w-28" :label="measureWords.squaresDown" :min="1" :max="60" />
      <KField class="w-32" :label="measureWords.squareSide" for="square-side" :problem="square.ok ? '' : measureWords.lengthProblem">
        <input id="square-side" v-model="form.square" class="field figures" maxlength="20" />
      </KField>
    </template>
    <template v-if="form.kind === 'own'">
      <KField class="w-44" :label="measureWords.ownSize" for="own-size">
        <input id="own-size" v-model="form.own" class="field figures" maxlength="40" />
      </KField>
      <label class="mt-7 flex min-h-11 items-center gap-2">
        <input v-model="form.isSheet" type="checkbox" class="size-5" />
        {{ measureWords.isSheet }}
      </label>
    </template>
  </div>
</template>
