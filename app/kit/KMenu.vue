<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { type Component, h } from 'vue'
import { NuxtLink } from '#components'

interface MenuEntry {
  readonly word: string
  readonly icon: Component
  /** Where it leads, or what it does. */
  readonly to?: string
  readonly run?: () => void
}
/** Things that are needed now and then, behind one button. */
defineProps<{ label: string; entries: readonly MenuEntry[] }>()
const elementOf = ({ to }: MenuEntry) => (to ? NuxtLink : h('button', { type: 'button' }))
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton class="head-button" :aria-label="label" :title="label"><slot /></MenuButton>
    <MenuItems class="absolute right-0 z-40 mt-1 w-64 border border-edge bg-sheet p-1 shadow-md">
      <MenuItem v-for="entry in entries" :key="entry.word" v-slot="{ active }">
        <component
          :is="elementOf(entry)"
          :to="entry.to"
          class="head-button w-full justify-start! px-3 text-left"
          :class="{ 'bg-wash': active }"
          @click="entry.run?.()"
        >
          <component :is="entry.icon" :size="18" aria-hidden="true" />
          {{ entry.word }}
        </component>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>
