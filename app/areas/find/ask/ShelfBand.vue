<script setup lang="ts">
import { ArrowRight, MapPin } from 'lucide-vue-next'
import { computed } from 'vue'
import { NuxtLink } from '#components'
import { useCatalogue } from '~/data/useCatalogue'
import SetMat from '~/areas/find/mat/SetMat.vue'
import { findWords } from '~/areas/find/words'
import { useFind } from '~/subjects/ask/useFind'

/** What is written on the shelf or on a set: the place itself, with what stands there. */
defineProps<{ pxPerMm: number }>()
const emit = defineEmits<{ open: [holdingId: string] }>()
const catalogue = useCatalogue()
const find = useFind()
const NO_REASONS: ReadonlyMap<string, string> = new Map()

const answers = computed(() =>
  find.shelf.map(answer => {
    const container = 'container' in answer ? answer.container : null
    const ids = 'ids' in answer ? answer.ids : []
    return {
      key: `${answer.as} ${container?.id ?? ''}`,
      container,
      text: findWords.shelf(answer, container?.name ?? ''),
      holdings: ids.flatMap(id => catalogue.tables?.holdings.get(id) ?? []),
      at: answer.as === 'place' ? ids[0] : undefined,
    }
  }),
)
</script>

<template>
  <section v-for="({ key, container, text, holdings, at }, index) in answers" :key="key" class="mb-3" data-shelf>
    <div class="mb-1 flex flex-wrap items-center gap-x-4">
      <h2 class="flex min-h-11 items-center gap-2 text-[1.25rem] figures">
        <MapPin :size="20" class="shrink-0 text-ember" aria-hidden="true" />
        {{ text }}
      </h2>
      <NuxtLink v-if="container" :to="{ path: `/storeroom/${container.id}`, query: { at } }" class="button">
        {{ findWords.open(container.name) }}
        <ArrowRight :size="18" aria-hidden="true" />
      </NuxtLink>
      <slot v-if="index === 0" />
    </div>
    <SetMat v-if="holdings.length" :holdings="holdings" :px-per-mm="pxPerMm" :reasons="NO_REASONS" @open="emit('open', $event.id)" />
  </section>
</template>
