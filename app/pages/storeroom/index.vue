<script setup lang="ts">
import { MapPinOff, Plus } from 'lucide-vue-next'
import { shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { NuxtLink } from '#components'
import ContainerDialog from '~/components/storeroom/ContainerDialog.vue'
import RoomElevation from '~/components/storeroom/RoomElevation.vue'
import { storeroomWords } from '~/messages'
import { useCatalogue } from '~/stores/catalogue'

const catalogue = useCatalogue()
const router = useRouter()
const isAdding = shallowRef(false)
</script>

<template>
  <div class="p-4 sm:p-6">
    <div class="flex flex-wrap items-center justify-between gap-3">
      <div><h1 class="text-[1.6rem]">{{ storeroomWords.title }}</h1><p class="text-quiet">{{ storeroomWords.lead }}</p></div>
      <div class="flex flex-wrap gap-2">
        <NuxtLink v-if="catalogue.placeless.length" to="/take-in/placeless" class="button text-ochre"><MapPinOff :size="18" aria-hidden="true" />{{ storeroomWords.placeless(catalogue.placeless.length) }}</NuxtLink>
        <button type="button" class="button-main" @click="isAdding = true"><Plus :size="18" aria-hidden="true" />{{ storeroomWords.addContainer }}</button>
      </div>
    </div>
    <RoomElevation class="mt-6" />
    <ContainerDialog :open="isAdding" @close="isAdding = false" @added="isAdding = false; router.push(`/storeroom/${$event}`)" />
  </div>
</template>
