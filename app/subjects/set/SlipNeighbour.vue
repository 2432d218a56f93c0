<script setup lang="ts">
import { computed } from 'vue'
import type { Holding } from '#core/catalog'
import type { Placement } from '#core/room'
import SetPicture from './SetPicture.vue'
import { useDescribe } from '~/data/useDescribe'
import { useCatalogue } from '~/data/useCatalogue'

/** The set in front or behind: what the hand meets at the shelf. */
const { placement } = defineProps<{ label: string; placement: Placement | null; none: string }>()
const emit = defineEmits<{ open: [holding: Holding] }>()
const catalogue = useCatalogue()
const { numberAndName } = useDescribe()
const holding = computed(() => (placement ? catalogue.tables?.holdings.get(placement.holder.holdingIds[0] ?? '') : undefined))
</script>

<template>
  <div class="min-w-0 bg-wash p-2">
    <dt class="hint">{{ label }}</dt>
    <dd>
      <button
        v-if="holding"
        type="button"
        class="flex min-h-11 w-full items-center gap-2 text-left hover:underline"
        @click="emit('open', holding)"
      >
        <span class="h-10 w-8 shrink-0"><SetPicture :hash="holding.pictureHash" /></span>
        <span class="min-w-0 leading-tight">{{ numberAndName(holding) }}</span>
      </button>
      <span v-else>{{ none }}</span>
    </dd>
  </div>
</template>
