<script setup lang="ts">
import KDialog from '~/kit/KDialog.vue'
import { shellWords, shortcutWords } from './words'

const open = defineModel<boolean>('open', { required: true })
</script>

<template>
  <KDialog :open="open" :title="shellWords.shortcuts" @close="open = false">
    <dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
      <template v-for="[keys, what] in shortcutWords" :key="keys">
        <dt>
          <kbd class="rounded-[3px] border border-edge bg-wash px-2 py-0.5 font-sans font-semibold">{{ keys }}</kbd>
        </dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
  </KDialog>
</template>
