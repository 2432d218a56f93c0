<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { computed, shallowRef, watch } from 'vue'
import { bestMatches } from '#core/classing'
import { isSameName } from '#core/grammar'
import { kitWords } from './words'

/**
 * A name from a list, or a new one. Enter and Tab take the best name there is; a new one comes last, and is said aloud where it
 * is the only one. Leaving the field by hand keeps what was typed.
 */
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

const matching = computed(() => bestMatches(query.value, options, MOST))
const isNew = computed(() => !onlyKnown && query.value.trim() !== '' && !options.some(option => isSameName(option, query.value)))

function choose(name: string | null): void {
  if (name === null) return
  model.value = name
  emit('chosen', name)
}
/** The arrows have walked in the list: what they came to is taken. Until then it is the best name there is. */
const hasWalked = shallowRef(false)
/** Sends a key to the list alone. */
const press = (field: EventTarget | null, key: string): void => void field?.dispatchEvent(new KeyboardEvent('keydown', { key }))
function guard(event: KeyboardEvent): void {
  const isOpen = event.target instanceof HTMLElement && event.target.getAttribute('aria-expanded') === 'true'
  if (!isOpen || hasWalked.value) return
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    press(event.target, 'Home')
    hasWalked.value = true
  } else if (['Home', 'End', 'PageUp', 'PageDown'].includes(event.key)) {
    hasWalked.value = true
  } else if (event.key === 'Enter' || event.key === 'Tab') {
    const typed = query.value.trim()
    const best = typed === '' ? undefined : (matching.value[0] ?? (isNew.value ? typed : undefined))
    const isPlain = !event.ctrlKey && !event.metaKey
    if (isPlain) event.stopPropagation()
    // Nothing typed and nothing walked to: the field stays empty, and Enter does what it does elsewhere in the form.
    if (best !== undefined) choose(best)
    if (best !== undefined && event.key === 'Enter' && isPlain) event.preventDefault()
    press(event.target, 'Escape')
  }
}
/** What Enter would take. */
const said = computed(() => {
  if (query.value.trim() === '' || query.value === matching.value[0]) return ''
  if (matching.value[0]) return kitWords.takes(matching.value[0])
  return isNew.value ? kitWords.make(query.value.trim()) : ''
})
function type(event: Event): void {
  hasWalked.value = false
  query.value = (event.target as HTMLInputElement).value
  model.value = query.value
}
</script>

<template>
  <Combobox :model-value="model" nullable @update:model-value="choose">
    <div class="relative" @keydown.capture="guard" @focusin="hasWalked = false">
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
        <ComboboxOption v-for="(option, at) in matching" :key="option" v-slot="{ active, selected }" :value="option" as="template">
          <li
            class="flex min-h-11 items-center px-3"
            :class="{ 'bg-wash': hasWalked ? active : at === 0 && query !== '', 'font-bold': selected }"
          >
            {{ option }}
          </li>
        </ComboboxOption>
        <ComboboxOption v-if="isNew" v-slot="{ active }" :value="query.trim()" as="template">
          <li
            class="flex min-h-11 items-center border-t border-line px-3"
            :class="{ 'bg-wash': hasWalked ? active : matching.length === 0 }"
          >
            {{ kitWords.make(query.trim()) }}
          </li>
        </ComboboxOption>
      </ComboboxOptions>
      <span class="sr-only" role="status">{{ said }}</span>
    </div>
  </Combobox>
</template>
