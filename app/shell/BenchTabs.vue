<script setup lang="ts">
import { BookOpenText, Inbox, Search, Warehouse } from 'lucide-vue-next'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { NuxtLink } from '#components'
import { AREA_PATHS } from './useKeys'
import { shellWords } from './words'

defineProps<{ isStrip?: boolean }>()
const route = useRoute()
const icons = { find: Search, takeIn: Inbox, storeroom: Warehouse, index: BookOpenText } as const
const areas = (['find', 'takeIn', 'storeroom', 'index'] as const).map((area, at) => ({
  area,
  path: AREA_PATHS[at] ?? '/',
  icon: icons[area],
  label: shellWords.areas[area],
}))
const open = computed(() => areas.find(({ path }) => (path === '/' ? route.path === '/' : route.path.startsWith(path)))?.area)
</script>

<template>
  <nav v-if="isStrip" :aria-label="shellWords.areasLabel" class="border-t border-line bg-sheet">
    <NuxtLink
      v-for="{ area, path, icon, label } in areas"
      :key="area"
      :to="path"
      :aria-current="open === area ? 'page' : undefined"
      class="flex min-h-14 flex-1 flex-col items-center justify-center gap-0.5 text-[0.85rem]"
      :class="open === area ? 'border-t-3 border-strong font-bold' : 'border-t-3 border-transparent text-quiet'"
    >
      <component :is="icon" :size="20" aria-hidden="true" />
      {{ label }}
    </NuxtLink>
  </nav>
  <!-- Divider tabs, each a little lower in the row than the one before would be on a real divider: staggered left to right. -->
  <nav v-else :aria-label="shellWords.areasLabel" class="relative z-10 -mb-px gap-1 pl-3">
    <NuxtLink
      v-for="({ area, path, icon, label }, at) in areas"
      :key="area"
      :to="path"
      :aria-current="open === area ? 'page' : undefined"
      class="divider-tab flex min-h-11 w-40 items-center justify-center gap-2 px-5 font-title"
      :style="{ marginLeft: at ? '1.1rem' : '0' }"
      :class="open === area ? 'bg-sheet font-bold' : 'mt-1.5 bg-ridge-1 text-night hover:bg-ridge-2'"
    >
      <component :is="icon" :size="18" aria-hidden="true" />
      {{ label }}
    </NuxtLink>
  </nav>
</template>
