<script setup lang="ts">
import { computed } from 'vue'
import { adviseOnPages } from '#core/classing'
import { act } from '~/data/act'
import { nameWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'

/** Themes with one set may share a page of the index under their letter; those that have grown get one of their own. */
const { setsOf } = defineProps<{ setsOf: (id: string) => number }>()
const catalogue = useCatalogue()
const advice = computed(() => adviseOnPages([...(catalogue.tables?.themes.values() ?? [])], setsOf))
const nameOf = (id: string): string => catalogue.tables?.themes.get(id)?.name ?? ''
const proposals = computed(() =>
  [
    { key: 'share', ids: advice.value.toShare, says: nameWords.toShare, act: nameWords.shareNow, sharesPage: true },
    { key: 'own', ids: advice.value.toOwn, says: nameWords.toOwn, act: nameWords.ownNow, sharesPage: false },
  ].filter(each => each.ids.length > 0),
)
</script>

<template>
  <ul v-if="proposals.length" data-pages>
    <li v-for="each in proposals" :key="each.key" class="mb-2 flex flex-wrap items-center gap-3 border-l-4 border-edge bg-wash px-3 py-1">
      <span class="min-w-0 flex-1 basis-64">{{ each.says(each.ids.map(nameOf)) }}</span>
      <button type="button" class="button" @click="act.sharePages(each.ids, each.sharesPage)">{{ each.act }}</button>
    </li>
  </ul>
</template>
