<script setup lang="ts">
import { onMounted, shallowRef } from 'vue'
import type { IndexBook } from '#core/catalog'
import type { HandChange } from '#core/printing'
import KDialog from '~/kit/KDialog.vue'
import { kitWords } from '~/kit/words'
import type { BookWork } from './useBookWork'
import { indexWords } from './words'

/** Page by page, what to strike out and what to write in, for who prints nothing. */
const { book, work } = defineProps<{ book: IndexBook; work: BookWork }>()
const emit = defineEmits<{ close: [] }>()
const changes = shallowRef<readonly HandChange[] | null>(null)
onMounted(async () => (changes.value = await work.handChanges()))
/** A picture is not written by hand: figure, suffix, name, detail, address, and what a phrase says. */
const PICTURE = 5
const NAME = 2
function text(says: readonly string[]): string {
  const phrase = says.slice(PICTURE + 1).join('')
  return says
    .flatMap((each, at) => {
      if (at >= PICTURE || each === '') return []
      return at === NAME && phrase ? [`${phrase} (${each})`] : [each]
    })
    .join('  ')
}
async function done(): Promise<void> {
  await work.confirmHand(book)
  emit('close')
}
</script>

<template>
  <KDialog open wide :title="indexWords.handTitle" @close="emit('close')">
    <p class="mt-1 text-quiet">{{ indexWords.handLead }}</p>
    <p v-if="changes?.length === 0" class="mt-3">{{ indexWords.handNothing }}</p>
    <ol class="mt-2">
      <li v-for="change in changes" :key="change.label" class="border-t border-line py-2" :data-hand="change.label">
        <h3 class="text-[1.05rem] figures">
          {{ change.isNew ? indexWords.handNew(book, change.label) : indexWords.handPage(book, change.label) }}
        </h3>
        <dl class="mt-1 grid grid-cols-[5.5rem_1fr] gap-x-3">
          <template v-for="(says, index) in change.strike" :key="`strike ${index}`">
            <dt class="hint">{{ indexWords.strike }}</dt>
            <dd class="line-through figures">{{ text(says) }}</dd>
          </template>
          <template v-for="({ says, heading }, index) in change.write" :key="`write ${index}`">
            <dt class="hint">{{ indexWords.write }}</dt>
            <dd class="figures">
              {{ text(says) }}
              <span class="hint">{{ indexWords.handUnder(heading) }}</span>
            </dd>
          </template>
        </dl>
      </li>
    </ol>
    <template #actions>
      <button type="button" class="button" @click="emit('close')">{{ kitWords.close }}</button>
      <button type="button" class="button-main" :disabled="!changes?.length" data-hand-done @click="done">{{ indexWords.handDone }}</button>
    </template>
  </KDialog>
</template>
