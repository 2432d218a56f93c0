<script setup lang="ts">
import { Plus } from 'lucide-vue-next'
import { newId } from '~/db/newId'
import { computed, shallowRef } from 'vue'
import { type HolderType, nextRank, START_HOLDER_TYPES } from '#core/catalog'
import { useChosen } from '~/kit/useChosen'
import FitHabitsForm from './FitHabitsForm.vue'
import HolderForm from './HolderForm.vue'
import OneSize from './OneSize.vue'
import { useDescribe } from '~/data/useDescribe'
import { act } from '~/data/act'
import { holderWords } from '~/subjects/fit/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'

/** The holders of this room: their sizes and stock, how the whole collection would go in, and the owner's habits. */
const catalogue = useCatalogue()
const notices = useNotices()
const { sizeText } = useDescribe()
const types = computed(() => [...(catalogue.tables?.holderTypes.values() ?? [])].sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1)))
const openId = useChosen('pocket')
const fresh = shallowRef<HolderType | null>(null)
const opened = computed(() => fresh.value ?? types.value.find(type => type.id === openId.value) ?? types.value[0] ?? null)
const usedBy = computed(() => {
  const counts = new Map<string, number>()
  for (const { holder } of catalogue.room.placements.values())
    if (holder.holderTypeId) counts.set(holder.holderTypeId, (counts.get(holder.holderTypeId) ?? 0) + 1)
  return counts
})

function make(): void {
  const [model] = START_HOLDER_TYPES
  if (model) fresh.value = { ...model, id: newId(), rank: nextRank(types.value), name: '', inner: null }
}
function open(id: string): void {
  fresh.value = null
  openId.value = id
}
function kept(): void {
  openId.value = fresh.value?.id ?? openId.value
  fresh.value = null
}
async function begin(): Promise<void> {
  notices.tell(holderWords.begun(await act.addStartHolders()))
}
import StoreroomNav from '~/areas/storeroom/StoreroomNav.vue'
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <StoreroomNav :title="holderWords.title" />
    <div class="mt-1 flex flex-wrap gap-2">
      <button type="button" class="button-main" @click="make">
        <Plus :size="18" aria-hidden="true" />
        {{ holderWords.make }}
      </button>
      <button type="button" class="button" :class="{ 'hidden sm:inline-flex': types.length > 0 }" @click="begin">
        {{ holderWords.begin }}
      </button>
    </div>
    <p v-if="!opened" class="py-8 text-quiet">{{ holderWords.empty }}</p>
    <div class="mt-2 grid grid-cols-1 gap-6 md:grid-cols-[20rem_minmax(0,1fr)]">
      <ul class="content-start border-t border-line md:max-h-[60rem] md:overflow-y-auto" :aria-label="holderWords.list">
        <li v-for="type in types" :key="type.id" class="border-b border-line">
          <button
            type="button"
            class="min-h-11 w-full px-2 py-1 text-left leading-snug hover:bg-wash"
            :class="opened?.id === type.id ? 'bg-wash font-semibold' : ''"
            :aria-expanded="opened?.id === type.id"
            @click="open(type.id)"
          >
            <span :class="type.isRetired ? 'line-through' : ''">{{ type.name }}</span>
            <span class="hint block font-normal figures">
              {{ type.inner ? `${sizeText(type.inner)}, ` : '' }}{{ holderWords.inUseBy(usedBy.get(type.id) ?? 0, type.stockOnHand) }}
            </span>
          </button>
        </li>
      </ul>
      <div v-if="opened" class="grid content-start gap-6">
        <section class="panel" :aria-label="opened.name || holderWords.make">
          <HolderForm :type="opened" :is-new="fresh !== null" @kept="kept" @removed="openId = null" />
        </section>
        <OneSize v-if="!fresh" :type="opened" />
      </div>
    </div>
    <FitHabitsForm class="mt-8 border-t border-line pt-6" />
  </div>
</template>
