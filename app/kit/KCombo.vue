<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { computed, shallowRef, watch } from 'vue'
import { takeInWords } from '~/areas/takeIn/words'

/** A name from a list, or a new one: what is typed counts, the list only helps. Leaving the field keeps the text. */
const { options, onlyKnown = false } = defineProps<{
  label: string
  options: readonly string[]
  id?: string
  placeholder?: string
  /** Nothing new can be made here. */ onlyKnown?: boolean
}>()
const model = defineModel<string>({ required: true })
const emit = defineEmits<{ chosen: [name: string] }>()
const MOST = 8
const query = shallowRef(model.value)
watch(model, value => {
  query.value = value
})

const matching = computed(() => {
  const wanted = query.value.trim().toLowerCase()
  const found = options.filter(option => option.toLowerCase().includes(wanted))
  return found.toSorted((a, b) => Number(b.toLowerCase().startsWith(wanted)) - Number(a.toLowerCase().startsWith(wanted))).slice(0, MOST)
})
const isNew = computed(
  () => !onlyKnown && query.value.trim() !== '' && !options.some(option => option.toLowerCase() === query.value.trim().toLowerCase()),
)

function choose(name: string | null): void {
  if (name === null) return
  model.value = name
  emit('chosen', name)
}
function type(event: Event): void {
  query.value = (event.target as HTMLInputElement).value
  model.value = query.value
}
</script>

<template>
  <Combobox :model-value="model" nullable @update:model-value="choose">
    <div class="relative">
      <ComboboxInput
        :id="id"
        class="field"
        :aria-label="label"
        :display-value="() => model"
        :placeholder="placeholder"
        autocomplete="off"
        maxlength="300"
        @input="type"
      />
      <ComboboxOptions
        v-if="matching.length > 0 || isNew"
        class="absolute z-30 mt-1 max-h-72 w-full overflow-y-auto border border-edge bg-sheet shadow-md"
      >
        <ComboboxOption v-if="isNew" v-slot="{ active }" :value="query.trim()" as="template">
          <li class="flex min-h-11 items-center px-3" :class="{ 'bg-wash': active }">{{ takeInWords.make(query.trim()) }}</li>
        </ComboboxOption>
        <ComboboxOption v-for="option in matching" :key="option" v-slot="{ active, selected }" :value="option" as="template">
          <li class="flex min-h-11 items-center px-3" :class="{ 'bg-wash': active, 'font-bold': selected }">{{ option }}</li>
        </ComboboxOption>
      </ComboboxOptions>
    </div>
  </Combobox>
</template>
