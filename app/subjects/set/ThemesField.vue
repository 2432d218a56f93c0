<script setup lang="ts">
import { X } from 'lucide-vue-next'
import { LIMITS } from '#core/catalog'
import { isSameName } from '#core/grammar'
import KCombo from '~/kit/KCombo.vue'
import { pileWords } from '~/subjects/pile/words'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { useNotices } from '~/kit/useNotices'

/** Themes in order: the first one files the set. Enter or a comma sets the next. */
defineProps<{ options: readonly string[] }>()
const notices = useNotices()
const themes = defineModel<string[]>('themes', { required: true })
const typed = defineModel<string>('typed', { required: true })

function add(name: string): void {
  if (themes.value.length >= LIMITS.themes) return notices.tell(pileWords.themesFull, 'care')
  const tidy = name.trim().replace(/,$/, '').trim()
  if (tidy && !themes.value.some(each => isSameName(each, tidy))) themes.value = [...themes.value, tidy]
  typed.value = ''
}
function keyed(event: KeyboardEvent): void {
  if (event.key === ',' && typed.value.trim()) {
    event.preventDefault()
    add(typed.value)
  } else if (event.key === 'Backspace' && typed.value === '') {
    themes.value = themes.value.slice(0, -1)
  }
}
</script>

<template>
  <div>
    <ol v-if="themes.length" class="mb-1 flex flex-wrap gap-1">
      <li
        v-for="(theme, index) in themes"
        :key="theme"
        class="flex items-center border border-edge pl-3"
        :class="index === 0 ? 'bg-wash font-semibold' : ''"
      >
        {{ theme }}
        <button
          type="button"
          class="grid h-10 w-9 place-items-center"
          :aria-label="takeInWords.removeTheme(theme)"
          @click="themes = themes.filter(each => each !== theme)"
        >
          <X :size="16" aria-hidden="true" />
        </button>
      </li>
    </ol>
    <div @keydown.capture="keyed">
      <KCombo
        id="take-themes"
        v-model="typed"
        :label="takeInWords.themes"
        :options="options.filter(option => !themes.includes(option))"
        @chosen="add"
      />
    </div>
  </div>
</template>
