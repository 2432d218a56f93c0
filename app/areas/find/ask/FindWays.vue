<script setup lang="ts">
import { useRoute } from 'vue-router'
import { NuxtLink } from '#components'
import { FIND_WAYS } from './findWays'

/** Other ways to find something than by words. */
const route = useRoute()
</script>

<template>
  <nav class="flex max-w-full items-center gap-x-4 overflow-x-auto sm:flex-wrap" :aria-label="FIND_WAYS.label">
    <NuxtLink
      v-for="way in FIND_WAYS.ways"
      :key="way.path"
      :to="way.path"
      class="head-button shrink-0 border-b-3"
      :class="route.path === way.path ? 'border-strong' : 'border-transparent text-quiet'"
      :aria-current="route.path === way.path ? 'page' : undefined"
      :data-way="way.path"
    >
      <component :is="way.icon" :size="18" aria-hidden="true" />
      {{ way.word }}
    </NuxtLink>
  </nav>
</template>
