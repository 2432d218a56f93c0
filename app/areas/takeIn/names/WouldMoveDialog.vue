<script setup lang="ts">
import KDialog from '~/kit/KDialog.vue'
import { nameWords } from './words'

/** What a change of a name or an order would put out of order, before it is taken. null: nothing is asked. */
defineProps<{ count: number | null }>()
const emit = defineEmits<{ take: []; leave: [] }>()
</script>

<template>
  <KDialog :open="count !== null" :title="nameWords.orderTitle" @close="emit('leave')">
    <p class="mt-2" data-would-move>{{ nameWords.wouldMove(count ?? 0) }} {{ nameWords.wouldMoveHint }}</p>
    <template #actions>
      <button type="button" class="button" @click="emit('leave')">{{ nameWords.putBack }}</button>
      <button type="button" class="button-main" @click="emit('take')">{{ nameWords.takeOrder }}</button>
    </template>
  </KDialog>
</template>
