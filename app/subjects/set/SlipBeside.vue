<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { defineAsyncComponent, watch } from 'vue'
import { useFind } from '~/subjects/ask/useFind'
import { useSlip } from './useSlip'

/** The open slip beside what one works with; on a phone over it. */
const emit = defineEmits<{ closed: [holdingId: string] }>()
const { opened, open, close } = useSlip()
/** Loaded once the screen is up, before anybody opens one. */
const load = () => import('./SetSlip.vue')
const SetSlip = defineAsyncComponent(load)
const find = useFind()
watch(
  () => find.isReady,
  isReady => isReady && void load().catch(() => undefined),
  { immediate: true },
)
const isPhone = useMediaQuery('(max-width: 639px)')
function leave(): void {
  const id = opened.value?.id ?? ''
  close()
  emit('closed', id)
}
</script>

<template>
  <SetSlip
    v-if="opened && !isPhone"
    :key="opened.id"
    class="sticky top-1 max-h-[calc(100cqh-1rem)] w-[25rem] shrink-0"
    :holding="opened"
    @close="leave"
    @open="open($event.id)"
  />
  <Teleport v-else-if="opened" to="body">
    <div class="fixed inset-0 z-30 flex flex-col bg-mist p-2">
      <SetSlip :key="opened.id" class="max-h-full" :holding="opened" @close="leave" @open="open($event.id)" />
    </div>
  </Teleport>
</template>
