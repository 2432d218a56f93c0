<script setup lang="ts">
import { MapPin } from 'lucide-vue-next'
import { computed, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { addressBook, containersCalled } from '#core/room'
import { useCatalogue } from '~/data/useCatalogue'
import { elevationWords } from './words'

/** Reads an address back, in whatever way it is written, and goes there. */
const catalogue = useCatalogue()
const router = useRouter()
const text = shallowRef('')
const problem = shallowRef('')
const book = computed(() => addressBook(new Set(catalogue.room.placements.values()), catalogue.settings.addressPatterns))

function go(): void {
  const asked = text.value.trim()
  if (asked === '') return
  const found = book.value.read(asked)
  const [first] = found
  const isOnePlace = new Set(found.map(place => place.container.id)).size === 1
  // No place, and the name of a container: it is shown from its front.
  const [called] = first ? [] : containersCalled(catalogue.tables?.containers.values() ?? [], asked)
  if (called) {
    problem.value = ''
    return void router.push(`/storeroom/${called.id}`)
  }
  const several = isOnePlace ? '' : elevationWords.severalAddress(asked, found.length)
  problem.value = first ? several : elevationWords.noAddress(asked)
  if (first && isOnePlace) void router.push({ path: `/storeroom/${first.container.id}`, query: { at: first.holder.holdingIds[0] } })
}
</script>

<template>
  <form class="flex w-full items-start gap-2 sm:w-auto" @submit.prevent="go">
    <div class="min-w-0 flex-1">
      <label class="sr-only" for="ask-address">{{ elevationWords.askAddress }}</label>
      <input
        id="ask-address"
        v-model="text"
        class="field figures w-full sm:w-60"
        maxlength="60"
        autocomplete="off"
        :placeholder="`${elevationWords.askAddress} ...`"
        :title="elevationWords.askAddressHint"
        @input="problem = ''"
      />
      <p v-if="problem" class="mt-1 text-[0.88rem] font-semibold text-berry" role="alert">{{ problem }}</p>
    </div>
    <button type="submit" class="button shrink-0 px-3">
      <MapPin :size="18" aria-hidden="true" />
      {{ elevationWords.goAddress }}
    </button>
  </form>
</template>
