<script setup lang="ts">
import SetLine from '~/subjects/set/SetLine.vue'
import { Check, CircleHelp, Tag, Undo2 } from 'lucide-vue-next'
import { computed, onMounted, useTemplateRef } from 'vue'
import { LIMITS } from '#core/catalog'
import type { ContainerRow } from '#core/room'
import KTyped from '~/kit/KTyped.vue'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { laneName, placeWords } from '~/data/words'
import { useNotices } from '~/kit/useNotices'
import { pileWords } from '~/subjects/pile/words'
import { alongWords } from './words'
import { useAlong } from './useAlong'

/** Along one container, front to back: what is seen next is typed or tapped, and all of it kept in one step. */
const { row } = defineProps<{ row: ContainerRow }>()
const emit = defineEmits<{ done: [] }>()
const catalogue = useCatalogue()
const notices = useNotices()
const { addressOf: standsAt } = useDescribe()
const { kept, typed, cells, left, offers, others, where, walk, hasNext, addressOf, say, takeBack, keep } = useAlong(() => row)
const field = useTemplateRef<HTMLInputElement>('field')
onMounted(() => field.value?.focus())

const text = computed(() => kept.text.trim())
const seenSets = computed(() => kept.said.filter(each => each.as === 'set').length)
function take(id: string): void {
  say({ as: 'set', holdingId: id })
}
/** Who types goes on typing; who taps one after the other wants no keyboard to rise, and nothing to move under the thumb. */
function tapped(event: MouseEvent, id: string): void {
  const goesOnTyping = event.detail === 0 || text.value !== ''
  take(id)
  if (goesOnTyping) field.value?.focus({ preventScroll: true })
}
function entered(): void {
  const first = text.value === '' ? undefined : (offers.value[0] ?? others.value[0])
  if (first) take(first.id)
}
function sayText(as: 'tab' | 'strange'): void {
  if (text.value !== '') say({ as, text: text.value })
  field.value?.focus()
}
function sayEmpty(): void {
  say({ as: 'empty' })
  field.value?.focus()
}
function saidText(said: (typeof kept.said)[number]): string {
  if (said.as === 'tab') return alongWords.saidTab(said.text)
  return said.as === 'strange' ? alongWords.saidStrange(said.text) : alongWords.saidEmpty
}
const lines = computed(() =>
  kept.said.map((each, at) => {
    const holding = each.as === 'set' ? catalogue.tables?.holdings.get(each.holdingId) : undefined
    const cell = walk.value[at]
    return {
      holding,
      address: cell ? addressOf(cell) : '',
      text: saidText(each),
    }
  }),
)
async function finish(): Promise<void> {
  const count = await keep()
  notices.tell(alongWords.kept(count, row.container.name))
  emit('done')
}
</script>

<template>
  <section class="mb-4 border border-edge bg-wash px-3 py-2" data-along @keydown.esc.stop="emit('done')">
    <h2 class="text-[1.1rem] leading-tight">{{ alongWords.title(row.container.name) }}</h2>
    <p class="hint">{{ cells ? alongWords.leadPages : alongWords.lead }}</p>
    <p class="hint">{{ pileWords.fileCaution }}</p>
    <KTyped :is-back="typed.isBack.value" @afresh="typed.beginAfresh" />
    <div class="mt-2 flex flex-wrap items-end gap-3">
      <label v-if="row.container.lanes > 1" class="block">
        <span class="label">{{ alongWords.lane }}</span>
        <select v-model.number="kept.lane" class="field w-auto" :disabled="kept.said.length > 0">
          <option v-for="lane in row.container.lanes" :key="lane" :value="lane">{{ laneName(lane, row.container.lanes) }}</option>
        </select>
      </label>
      <label v-if="cells" class="block">
        <span class="label">{{ alongWords.page }}</span>
        <select v-model.number="kept.page" class="field w-auto" :disabled="kept.said.length > 0">
          <option v-for="page in cells.pages" :key="page" :value="page">{{ page }}</option>
        </select>
      </label>
      <div class="min-w-56 flex-1">
        <label class="label" for="along-next">{{ cells ? alongWords.fieldCell : alongWords.field }}</label>
        <input
          id="along-next"
          ref="field"
          v-model="kept.text"
          class="field"
          autocomplete="off"
          spellcheck="false"
          :maxlength="LIMITS.name"
          :disabled="!hasNext"
          aria-describedby="along-where"
          @keydown.enter.prevent="entered"
        />
      </div>
      <div class="flex flex-wrap gap-2">
        <button v-if="cells" type="button" class="button" :disabled="!hasNext" @click="sayEmpty">{{ alongWords.empty }}</button>
        <button v-else type="button" class="button" :disabled="text === ''" @click="sayText('tab')">
          <Tag :size="18" aria-hidden="true" />
          <span class="max-w-48 truncate">{{ alongWords.tab(text) }}</span>
        </button>
        <button type="button" class="button" :disabled="text === ''" @click="sayText('strange')">
          <CircleHelp :size="18" aria-hidden="true" />
          <span class="max-w-48 truncate">{{ alongWords.strange(text) }}</span>
        </button>
      </div>
    </div>
    <p id="along-where" class="mt-1 font-semibold" aria-live="polite" data-along-where>{{ where }}</p>
    <p v-if="text !== '' && offers.length + others.length === 0" class="mt-1 text-ochre">{{ alongWords.nothing }}</p>
    <ul v-if="hasNext" class="mt-1 flex max-h-64 flex-wrap gap-2 overflow-y-auto" :aria-label="alongWords.left(left.length)">
      <li v-for="(each, at) in offers" :key="each.id">
        <button
          type="button"
          class="inline-flex min-h-11 items-center gap-2 border bg-sheet px-2 text-left"
          :class="at === 0 && text !== '' ? 'border-strong' : 'border-line'"
          :aria-label="alongWords.put(`${each.figure} ${each.name}`)"
          data-offer
          @click="tapped($event, each.id)"
        >
          <SetLine :holding="each.holding" name="" />
        </button>
      </li>
      <li v-for="each in others" :key="each.id">
        <button
          type="button"
          class="inline-flex min-h-11 items-center gap-2 border border-dashed border-line bg-sheet px-2 text-left"
          :aria-label="alongWords.put(`${each.figure} ${each.name}`)"
          data-offer-elsewhere
          @click="tapped($event, each.id)"
        >
          <SetLine :holding="each.holding" name="">
            <span class="hint">{{ alongWords.elsewhere(standsAt(each.holding) ?? placeWords.none) }}</span>
          </SetLine>
        </button>
      </li>
    </ul>
    <p class="mt-2 hint figures" data-along-left>{{ left.length > 0 ? alongWords.left(left.length) : alongWords.noneLeft }}</p>
    <ol
      v-if="lines.length > 0"
      class="mt-2 max-h-60 overflow-y-auto border-t border-line pt-1"
      tabindex="0"
      :aria-label="alongWords.said(lines.length)"
    >
      <li v-for="(line, at) in lines" :key="at" class="flex min-h-8 items-center gap-2">
        <span class="hint w-20 shrink-0 text-right figures">{{ line.address || `${at + 1}.` }}</span>
        <SetLine v-if="line.holding" :holding="line.holding" name="" />
        <span v-else class="text-quiet">{{ line.text }}</span>
      </li>
    </ol>
    <div class="mt-2 flex flex-wrap justify-end gap-2 border-t border-line pt-2">
      <button v-if="lines.length > 0" type="button" class="button" @click="takeBack">
        <Undo2 :size="18" aria-hidden="true" />
        {{ alongWords.takeBack }}
      </button>
      <button type="button" class="button" @click="emit('done')">{{ alongWords.leave }}</button>
      <button type="button" class="button-main" :disabled="lines.length === 0" @click="finish">
        <Check :size="18" aria-hidden="true" />
        {{ seenSets > 0 ? alongWords.keep(seenSets) : alongWords.keepNone }}
      </button>
    </div>
  </section>
</template>
