<script setup lang="ts">
import SetLine from '~/subjects/set/SetLine.vue'
import { computed } from 'vue'
import type { ContainerRow } from '#core/room'
import { alongWords } from '~/areas/storeroom/along/words'
import { useCatalogue } from '~/data/useCatalogue'
import { containerWords } from './words'

/** What a list says is in this container, and nobody has looked where. */
const { row } = defineProps<{ row: ContainerRow }>()
const emit = defineEmits<{ open: [holdingId: string]; along: [] }>()
const catalogue = useCatalogue()
const sets = computed(() =>
  row.somewhere.flatMap(({ holder, page }) =>
    holder.holdingIds.flatMap(id => {
      const holding = catalogue.tables?.holdings.get(id)
      return holding ? [{ holding, page }] : []
    }),
  ),
)
</script>

<template>
  <section class="mb-4 border border-edge bg-wash px-3 py-2" data-somewhere>
    <div class="flex flex-wrap items-center gap-x-4">
      <h2 class="text-[1rem] leading-tight">{{ containerWords.somewhere(sets.length) }}</h2>
      <button type="button" class="button my-1 sm:hidden" @click="emit('along')">{{ alongWords.begin }}</button>
    </div>
    <p class="hint">{{ containerWords.somewhereHint }}</p>
    <ul class="mt-1 flex max-h-60 flex-wrap gap-x-2 overflow-y-auto">
      <li v-for="{ holding, page } in sets" :key="holding.id">
        <button type="button" class="min-h-11 px-1 text-left hover:underline" @click="emit('open', holding.id)">
          <SetLine :holding="holding" name="">
            <span v-if="page !== null" class="hint">{{ containerWords.page(page) }}</span>
          </SetLine>
        </button>
      </li>
    </ul>
  </section>
</template>
