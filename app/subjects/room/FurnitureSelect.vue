<script setup lang="ts">
import { computed } from 'vue'
import { type Fixture, FIXTURE_TYPES } from '#core/catalog'
import { useFixtures } from './useFixtures'
import { buildingWords } from './buildingWords'

/** Where containers go that are about to be made: furniture of the room, or new furniture of some type. */
type Choice = { readonly id: string } | Pick<Fixture, 'name' | 'type'>
const { chosen } = defineProps<{ chosen: Choice }>()
const emit = defineEmits<{ choose: [fixture: Choice] }>()
const { fixtures, newFixture } = useFixtures()
const NEW = 'new '
const value = computed(() => ('id' in chosen ? chosen.id : NEW + chosen.type))
function choose(event: Event): void {
  const { value: text } = event.target as HTMLSelectElement
  const type = FIXTURE_TYPES.find(each => NEW + each === text)
  emit('choose', type ? newFixture(type) : { id: text })
}
</script>

<template>
  <label class="block max-w-full">
    <span class="hint block">{{ buildingWords.standsOn }}</span>
    <select class="field w-auto max-w-full" :value="value" @change="choose">
      <option v-for="each in fixtures" :key="each.id" :value="each.id">{{ each.name }}</option>
      <option v-for="type in FIXTURE_TYPES" :key="type" :value="NEW + type">{{ buildingWords.newFurniture(newFixture(type).name) }}</option>
    </select>
  </label>
</template>
