<script setup lang="ts">
import { reactive, watch } from 'vue'
import { type Way, WAYS } from '#core/catalog'
import { NuxtLink } from '#components'
import { act } from '~/data/act'
import { meaningOf, nameWords } from './words'
import { slipWords } from '~/subjects/set/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'

/** The legend: what the owner prints or sticks on a set, and the one thing each mark means. */
const catalogue = useCatalogue()
const notices = useNotices()
const texts = reactive<Record<Way, string>>({ ...catalogue.settings.marks })
const problems = reactive<Partial<Record<Way, string>>>({})
watch(
  () => catalogue.settings.marks,
  marks => Object.assign(texts, marks),
)

async function keep(way: Way): Promise<void> {
  const meaning = await act.setMark(way, texts[way])
  problems[way] = meaning ? nameWords.markTaken(texts[way].trim(), meaningOf(meaning)) : ''
  if (!meaning) notices.tell(nameWords.markKept(slipWords.relation[way]))
}
</script>

<template>
  <section class="max-w-2xl" :aria-label="nameWords.marks">
    <p class="text-quiet">{{ nameWords.marksLead }}</p>
    <ul class="mt-3 border-t border-line">
      <li v-for="way in WAYS" :key="way" class="flex flex-wrap items-center gap-x-4 border-b border-line py-2">
        <label class="flex-1 basis-64 font-semibold" :for="`mark-${way}`">{{ slipWords.relation[way] }}</label>
        <input
          :id="`mark-${way}`"
          v-model="texts[way]"
          class="field w-24 text-center font-bold"
          maxlength="4"
          autocomplete="off"
          :aria-describedby="problems[way] ? `problem-${way}` : undefined"
          @change="keep(way)"
        />
        <p v-if="problems[way]" :id="`problem-${way}`" class="w-full font-semibold text-berry" role="alert">{{ problems[way] }}</p>
      </li>
      <li
        v-for="kind in [...(catalogue.tables?.kinds.values() ?? [])].filter(each => each.suffix)"
        :key="kind.id"
        class="flex items-center gap-4 border-b border-line py-2"
      >
        <NuxtLink class="flex-1 underline" :to="{ query: { list: 'kinds' } }">{{ nameWords.kindMark(kind.name) }}</NuxtLink>
        <span class="w-24 text-center font-bold">{{ kind.suffix }}</span>
      </li>
    </ul>
  </section>
</template>
