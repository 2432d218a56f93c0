<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import type { ContainerType } from '#core/catalog'
import { ADDRESS_TOKENS, patternFault, patternFor, readyPatterns, shortAddress } from '#core/room'
import KField from '~/kit/KField.vue'
import { useDescribe } from '~/data/useDescribe'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import { roomWords } from '~/subjects/room/roomWords'
import { zoneWords } from './words'

/** How the addresses of one sort of container are written: seen rendered before it is taken, refused where it would name two places. */
const { type } = defineProps<{ type: ContainerType }>()
const tokens = ADDRESS_TOKENS.map(token => `{${token}}`).join(', ')
const catalogue = useCatalogue()
const notices = useNotices()
const { wayTo } = useDescribe()
const patterns = computed(() => catalogue.settings.addressPatterns)
const text = shallowRef('')
watch(
  () => patterns.value[type],
  own => {
    text.value = own ?? ''
  },
  { immediate: true },
)
const places = computed(() => [...new Set(catalogue.room.placements.values())])
const example = computed(() => places.value.find(place => place.container.type === type) ?? null)
const fault = computed(() => (text.value.trim() === '' ? null : patternFault(type, text.value.trim(), places.value, patterns.value)))
const problem = computed(() => {
  const { value: found } = fault
  return found ? zoneWords.patternFault(found, at => (found.code === 'sameForTwo' ? wayTo(found.places[at].container) : '')) : ''
})
const sample = computed(() =>
  !example.value
    ? zoneWords.noSample
    : zoneWords.sample(
        shortAddress(example.value, fault.value ? patterns.value : { ...patterns.value, [type]: text.value.trim() || undefined }),
      ),
)
const usual = computed(() => (example.value ? patternFor(example.value.container, {}) : zoneWords.usualPattern))

/** The ready ways, each as the address it writes; and the owner's own, where it is none of them. */
const ways = computed(() => {
  const { value: place } = example
  if (!place) return []
  const ready = readyPatterns(place.container)
  const own = patterns.value[type]
  return [...ready, ...(own && !ready.includes(own) ? [own] : [])].map(pattern => ({
    pattern: pattern === usual.value ? '' : pattern,
    text: shortAddress(place, { ...patterns.value, [type]: pattern }),
  }))
})
function choose(event: Event): void {
  text.value = (event.target as HTMLSelectElement).value
  void keep()
}
async function keep(): Promise<void> {
  const own = text.value.trim()
  if (fault.value || own === (patterns.value[type] ?? '')) return
  const others = Object.fromEntries(Object.entries(patterns.value).filter(([other]) => other !== type))
  await act.changeSettings({ addressPatterns: own === '' ? others : { ...others, [type]: own } })
  notices.tell(zoneWords.patternKept)
}
</script>

<template>
  <div>
    <KField :label="roomWords.types[type]" :for="`address-${type}`" :problem="problem" :hint="example ? '' : zoneWords.noSample">
      <select v-if="example" :id="`address-${type}`" class="field figures" :value="text" @change="choose">
        <option v-for="way in ways" :key="way.pattern" :value="way.pattern">{{ way.text }}</option>
      </select>
    </KField>
    <details>
      <summary class="hint min-h-11 content-center">{{ zoneWords.patternMore }}</summary>
      <KField :label="`${roomWords.types[type]}: ${zoneWords.pattern.toLowerCase()}`" :for="`pattern-${type}`" :hint="sample">
        <input
          :id="`pattern-${type}`"
          v-model="text"
          class="field figures"
          maxlength="60"
          autocomplete="off"
          spellcheck="false"
          :placeholder="usual"
          @change="keep"
        />
      </KField>
      <p class="hint">{{ zoneWords.tokens(tokens) }}</p>
    </details>
  </div>
</template>
