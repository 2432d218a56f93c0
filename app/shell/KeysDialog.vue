<script setup lang="ts">
import KDialog from '~/kit/KDialog.vue'
import { shellWords, shortcutWords } from './words'

const open = defineModel<boolean>('open', { required: true })
const areOn = defineModel<boolean>('areOn', { required: true })
</script>

<template>
  <KDialog :open="open" :title="shellWords.shortcuts" @close="open = false">
    <label class="mt-3 flex min-h-11 items-center gap-3">
      <input v-model="areOn" type="checkbox" class="size-5" />
      <span>
        {{ shellWords.keysOn }}
        <span class="hint block">{{ shellWords.keysOnHint }}</span>
      </span>
    </label>
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
