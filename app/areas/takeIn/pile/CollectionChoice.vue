<script setup lang="ts">
import { computed } from 'vue'
import { COLLECTIONS, OPTIONAL_STAGES } from '#core/catalog'
import { act } from '~/data/act'
import { pileWords } from '~/subjects/pile/words'
import { useCatalogue } from '~/data/useCatalogue'

/** Few, some or many sets: the beginning of a method. What each means is read before it is chosen. */
const catalogue = useCatalogue()
const chosen = computed(() => catalogue.settings.collection)
function choose(collection: (typeof COLLECTIONS)[number]): void {
  void act.changeSettings({ collection, stages: collection === 'few' ? ['class'] : [...OPTIONAL_STAGES] })
}
</script>

<template>
  <fieldset>
    <legend class="label">{{ pileWords.collection }}</legend>
    <div class="grid gap-x-6 sm:grid-cols-3">
      <label v-for="each in COLLECTIONS" :key="each" class="flex min-h-11 items-start gap-3 py-2">
        <input type="radio" name="collection" class="mt-0.5 size-5 shrink-0" :checked="chosen === each" @change="choose(each)" />
        <span class="leading-tight">
          <span class="font-semibold">{{ pileWords.collections[each] }}</span>
          <span class="hint block">{{ pileWords.collectionSays[each] }}</span>
        </span>
      </label>
    </div>
  </fieldset>
</template>
