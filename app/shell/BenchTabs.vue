<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { NuxtLink } from '#components'
import { areaOf, AREAS } from '~/areas'
import { shellWords } from './words'

defineProps<{ isStrip?: boolean }>()
const route = useRoute()
const open = computed(() => areaOf(route.path)?.id)
</script>

<template>
  <nav v-if="isStrip" :aria-label="shellWords.areasLabel" class="border-t border-line bg-sheet">
    <NuxtLink
      v-for="{ id, path, icon, word } in AREAS"
      :key="id"
      :to="path"
      :aria-current="open === id ? 'page' : undefined"
      class="flex min-h-14 flex-1 flex-col items-center justify-center gap-0.5 text-[0.85rem]"
      :class="open === id ? 'border-t-3 border-strong font-bold' : 'border-t-3 border-transparent text-quiet'"
    >
      <component :is="icon" :size="20" aria-hidden="true" />
      {{ word }}
    </NuxtLink>
  </nav>
  <!-- Divider tabs, each a little lower in the row than the one before would be on a real divider: staggered left to right. -->
  <nav v-else :aria-label="shellWords.areasLabel" class="relative z-10 -mb-px items-end gap-0.5">
    <NuxtLink
      v-for="({ id, path, icon, word }, at) in AREAS"
      :key="id"
      :to="path"
      :aria-current="open === id ? 'page' : undefined"
      class="divider-tab flex min-h-11 whitespace-nowrap items-center justify-center gap-1.5 px-4 font-title 2xl:px-5"
      :class="open === id ? 'h-13 bg-sheet font-bold' : 'bg-ridge-1 text-night hover:bg-ridge-2'"
      :style="open === id ? {} : { height: `${3.05 - at * 0.1}rem` }"
    >
      <component :is="icon" :size="18" aria-hidden="true" />
      {{ word }}
    </NuxtLink>
  </nav>
</template>
