<script setup lang="ts">
import MovingLine from '~/subjects/pile/MovingLine.vue'
import { Armchair, MapPinOff, Plus, Shuffle } from 'lucide-vue-next'
import { computed, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { NuxtLink } from '#components'
import type { Fixture } from '#core/catalog'
import AddressAsk from './AddressAsk.vue'
import ContainerDialog from '~/areas/storeroom/building/ContainerDialog.vue'
import FixtureDialog from '~/areas/storeroom/building/FixtureDialog.vue'
import RoomElevation from './RoomElevation.vue'
import StoreroomNav from '~/areas/storeroom/StoreroomNav.vue'
import { refileWords } from '~/areas/storeroom/refile/words'
import { useCatalogue } from '~/data/useCatalogue'
import { elevationWords } from './words'
import { furnishWords } from '../building/words'
import { roomWords } from '~/subjects/room/roomWords'

const catalogue = useCatalogue()
const router = useRouter()
const isAdding = shallowRef(false)
const isFurnishing = shallowRef(false)
const fixture = shallowRef<Fixture | null>(null)
const refiling = computed(() => [...(catalogue.tables?.refilings.values() ?? [])].find(each => each.state === 'open') ?? null)

function furnish(changed: Fixture | null): void {
  fixture.value = changed
  isFurnishing.value = true
}
function open(containerId: string): void {
  isAdding.value = false
  void router.push(`/storeroom/${containerId}`)
}
</script>

<template>
  <div class="px-4 pt-2 pb-6 sm:px-6">
    <StoreroomNav :title="roomWords.title" />
    <MovingLine />
    <div class="mt-2 flex flex-wrap items-center justify-between gap-3">
      <AddressAsk />
      <div class="flex flex-wrap gap-2">
        <NuxtLink v-if="catalogue.placeless.length" to="/take-in/placeless" class="button text-ochre">
          <MapPinOff :size="18" aria-hidden="true" />
          {{ elevationWords.placeless(catalogue.placeless.length) }}
        </NuxtLink>
        <button type="button" class="button" @click="furnish(null)">
          <Armchair :size="18" aria-hidden="true" />
          {{ furnishWords.newFurniture }}
        </button>
        <button type="button" class="button-main" @click="isAdding = true">
          <Plus :size="18" aria-hidden="true" />
          {{ furnishWords.addContainer }}
        </button>
      </div>
    </div>
    <NuxtLink
      v-if="refiling"
      to="/storeroom/refile"
      class="mt-3 flex min-h-11 items-center gap-2 border-l-4 border-ember bg-wash px-3 font-semibold"
    >
      <Shuffle :size="18" aria-hidden="true" />
      {{ refileWords.open }}: {{ refiling.name }}. {{ refileWords.progress(refiling.stepsDone, refiling.liftsDone) }}
    </NuxtLink>
    <RoomElevation class="mt-4" @furniture="furnish" />
    <FixtureDialog :fixture="fixture" :open="isFurnishing" @close="isFurnishing = false" />
    <ContainerDialog :open="isAdding" @close="isAdding = false" @added="open" />
  </div>
</template>
