<script setup lang="ts">
import { Check, TriangleAlert } from 'lucide-vue-next'
import KProgress from '~/kit/KProgress.vue'
import { useNotices } from '~/kit/useNotices'

const notices = useNotices()
</script>

<template>
  <div data-bars class="pointer-events-none fixed inset-x-0 bottom-40 z-40 flex justify-center px-4" role="status" aria-live="polite">
    <div v-if="notices.progress" class="pointer-events-auto w-full max-w-lg rounded-[3px] border border-edge bg-sheet px-4 py-2 shadow-md">
      <KProgress
        :text="notices.progress.text"
        :done="notices.progress.done"
        :total="notices.progress.total"
        @cancel="notices.progress.stop()"
      />
    </div>
    <p
      v-else-if="notices.text"
      :key="notices.told"
      class="pointer-events-auto flex max-w-[60ch] items-center gap-2 rounded-[3px] border border-edge bg-sheet px-4 py-2 shadow-md"
    >
      <Check v-if="notices.tone === 'done'" class="shrink-0 text-moss" :size="20" aria-hidden="true" />
      <TriangleAlert v-else class="shrink-0 text-ochre" :size="20" aria-hidden="true" />
      {{ notices.text }}
    </p>
  </div>
</template>
