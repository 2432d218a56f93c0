<script setup lang="ts">
import { Trash2 } from 'lucide-vue-next'
import { computed, reactive, shallowRef } from 'vue'
import { LIMITS } from '#core/catalog'
import { compareNames } from '#core/grammar'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import KDialog from '~/kit/KDialog.vue'
import { linksWords } from './words'

/** The owner's own links of words: listed, made, forgotten. Each is one step that can be undone. */
defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const catalogue = useCatalogue()
const texts = reactive({ word: '', goesWith: '' })
const problem = shallowRef('')
const lines = computed(() =>
  [...(catalogue.tables?.links.values() ?? [])]
    .map(link => ({ ...link, text: linksWords.line(link.word, link.goesWith, link.isRuledOut) }))
    .sort((a, b) => compareNames(a.text, b.text) || (a.id < b.id ? -1 : 1)),
)
async function add(): Promise<void> {
  const outcome = await act.linkWords({ ...texts, isRuledOut: false })
  problem.value = outcome.ok ? '' : linksWords.refused[outcome.code]
  if (outcome.ok) Object.assign(texts, { word: '', goesWith: '' })
}
</script>

<template>
  <KDialog :open="open" :title="linksWords.title" @close="emit('close')">
    <p class="text-quiet">{{ linksWords.lead }}</p>
    <form class="mt-3 flex flex-wrap items-end gap-3" @submit.prevent="add">
      <label class="block min-w-40 flex-1">
        <span class="label">{{ linksWords.word }}</span>
        <input v-model="texts.word" class="field" autocomplete="off" :maxlength="LIMITS.name" @input="problem = ''" />
      </label>
      <label class="block min-w-40 flex-1">
        <span class="label">{{ linksWords.goesWith }}</span>
        <input v-model="texts.goesWith" class="field" autocomplete="off" :maxlength="LIMITS.name" @input="problem = ''" />
      </label>
      <button type="submit" class="button-main">{{ linksWords.add }}</button>
    </form>
    <p v-if="problem" class="mt-1 font-semibold text-berry" role="alert">{{ problem }}</p>
    <p v-if="lines.length === 0" class="mt-4 text-quiet">{{ linksWords.none }}</p>
    <ul v-else class="mt-4 border-t border-line" :aria-label="linksWords.count(lines.length)">
      <li v-for="line in lines" :key="line.id" class="flex items-center justify-between gap-3 border-b border-line py-1">
        <span class="wrap-anywhere">{{ line.text }}</span>
        <button type="button" class="head-button" :aria-label="linksWords.forget(line.text)" @click="act.forgetLink(line.id)">
          <Trash2 :size="18" aria-hidden="true" />
          {{ linksWords.forgetShort }}
        </button>
      </li>
    </ul>
  </KDialog>
</template>
