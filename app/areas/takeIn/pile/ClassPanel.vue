<script setup lang="ts">
import { onMounted, shallowRef, useTemplateRef, watch } from 'vue'
import type { Holding } from '#core/catalog'
import StripFields from '~/areas/takeIn/one/StripFields.vue'
import { useDraft } from '~/areas/takeIn/one/useDraft'
import { act } from '~/data/act'
import { usePile } from '~/subjects/pile/usePile'

/** Kind, category and themes of a set, with what its name and words suggest. */
const { holding } = defineProps<{ holding: Holding }>()
const emit = defineEmits<{ done: [] }>()
const pile = usePile()
const draft = useDraft(() => holding)
const fields = useTemplateRef<InstanceType<typeof StripFields>>('fields')
const isTried = shallowRef(false)
/** The themes come first: they file the set. */
const toThemes = (): void => document.getElementById(draft.texts.kindId ? 'take-themes' : 'take-kind')?.focus()
onMounted(toThemes)
watch(() => holding.id, toThemes)

async function finish(): Promise<void> {
  isTried.value = true
  const problem = fields.value?.firstProblem
  if (problem) return document.getElementById(problem)?.focus()
  await act.finishStage(holding.id, { stage: 'class', facts: draft.facts.value }, pile.used)
  emit('done')
}
defineExpose({ finish })
</script>

<template>
  <StripFields ref="fields" :draft="draft" :is-tried="isTried" is-classing />
</template>
