<script setup lang="ts">
import { Plus } from 'lucide-vue-next'
import { START_THEMES, THEME_SCHOOLS, type ThemeSchool } from '#core/catalog'
import { act } from '~/data/act'
import { nameWords } from './words'
import { useNotices } from '~/kit/useNotices'

/** The first headings of the main schools, to begin a list of themes with. */
defineProps<{ isOpen: boolean }>()
const notices = useNotices()
async function add(school: ThemeSchool): Promise<void> {
  notices.tell(nameWords.schoolAdded(await act.addStartThemes(school)))
}
</script>

<template>
  <details :open="isOpen" class="border-b border-line">
    <summary class="min-h-11 py-2 font-semibold">{{ nameWords.startThemes }}</summary>
    <p class="hint">{{ nameWords.startThemesLead }}</p>
    <ul class="grid gap-x-6 pb-3 sm:grid-cols-2">
      <li v-for="school in THEME_SCHOOLS" :key="school" class="mt-3 flex items-start gap-3">
        <div class="min-w-0 flex-1">
          <h3 class="font-semibold">{{ nameWords.schools[school] }}</h3>
          <p class="hint">{{ START_THEMES[school].join(', ') }}</p>
        </div>
        <button type="button" class="button" :aria-label="nameWords.addSchool(nameWords.schools[school])" @click="add(school)">
          <Plus :size="18" aria-hidden="true" />
          {{ nameWords.add }}
        </button>
      </li>
    </ul>
  </details>
</template>
