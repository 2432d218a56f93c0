<script setup lang="ts">
import { Hand, Undo2 } from 'lucide-vue-next'
import { computed, shallowRef } from 'vue'
import { allIn, type ContainerRow } from '#core/room'
import { useFetch } from '~/subjects/walk/useFetch'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import KCombo from '~/kit/KCombo.vue'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import { kitWords } from '~/kit/words'
import { useNotices } from '~/kit/useNotices'
import { containerWords } from './words'

/** All of a container out for a season, and back: it is no use of any of its sets. */
const { row } = defineProps<{ row: ContainerRow }>()
const [catalogue, fetch, notices] = [useCatalogue(), useFetch(), useNotices()]
fetch.readPlaces()
const ids = computed(() => [...new Set(allIn(row).flatMap(({ holder }) => holder.holdingIds))])
const out = computed(() => ids.value.filter(id => catalogue.loanOf.has(id)))
const isAllOut = computed(() => out.value.length === ids.value.length)
const isOpen = shallowRef(false)
const to = shallowRef('')
async function takeOut(): Promise<void> {
  const place = to.value.trim()
  if (place === '') return
  isOpen.value = false
  const count = await act.takeOut(ids.value, place, false)
  notices.tell(count > 0 ? containerWords.seasonOut(count, place) : containerWords.seasonNothing, count > 0 ? 'done' : 'care')
}
async function bringBack(): Promise<void> {
  const outcome = await act.bringBack(out.value.map(holdingId => ({ holdingId, wasUsed: false })))
  if (outcome.ok) notices.tell(containerWords.seasonBack(outcome.back))
}
</script>

<template>
  <button v-if="isAllOut" type="button" class="button px-3" data-season @click="bringBack">
    <Undo2 :size="18" aria-hidden="true" />
    {{ containerWords.allBack }}
  </button>
  <button v-else type="button" class="button px-3" data-season @click="isOpen = true">
    <Hand :size="18" aria-hidden="true" />
    {{ containerWords.allOut }}
  </button>
  <KDialog :open="isOpen" :title="containerWords.allOutTitle(row.container.name)" @close="isOpen = false">
    <KField class="mt-2" :label="containerWords.allOutWhere" for="season-to" :hint="containerWords.allOutHint">
      <KCombo id="season-to" v-model="to" :label="containerWords.allOutWhere" :options="fetch.places" />
    </KField>
    <template #actions>
      <button type="button" class="button" @click="isOpen = false">{{ kitWords.cancel }}</button>
      <button type="button" class="button-main" :disabled="to.trim() === ''" @click="takeOut">{{ containerWords.allOut }}</button>
    </template>
  </KDialog>
</template>
