<script setup lang="ts">
import KDialog from '~/kit/KDialog.vue'
import { refileWords } from '~/areas/storeroom/refile/words'

/** What a change of a name or an order would put out of order, before it is taken. null: nothing is asked. */
defineProps<{ count: number | null }>()
const emit = defineEmits<{ take: []; leave: [] }>()
</script>

<template>
  <KDialog :open="count !== null" :title="refileWords.orderTitle" @close="emit('leave')">
    <p class="mt-2" data-would-move>{{ refileWords.wouldMove(count ?? 0) }} {{ refileWords.wouldMoveHint }}</p>
    <template #actions>
      <button type="button" class="button" @click="emit('leave')">{{ refileWords.putBack }}</button>
      <button type="button" class="button-main" @click="emit('take')">{{ refileWords.takeOrder }}</button>
    </template>
  </KDialog>
</template>
