<script setup lang="ts">
import SetLine from '~/subjects/set/SetLine.vue'
import { Merge, Split } from 'lucide-vue-next'
import { computed, shallowRef, watch } from 'vue'
import type { Holding } from '#core/catalog'
import { isBlank } from '#core/catalog'
import type { NameList, NameRecord } from '#core/classing'
import KField from '~/kit/KField.vue'
import { act } from '~/data/act'
import type { NameOutcome } from '~/db/commands'
import { nameProblem, nameWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'

/** Joining a name into another, and splitting sets off into a new one: how many sets it touches stands before it. */
const { list, record, sets } = defineProps<{ list: NameList; record: NameRecord; sets: readonly Holding[] }>()
const emit = defineEmits<{ joined: [intoId: string] }>()
const catalogue = useCatalogue()
const notices = useNotices()
const intoId = shallowRef('')
const newName = shallowRef('')
const marked = shallowRef<ReadonlySet<string>>(new Set())
const problem = shallowRef('')
const others = computed(() =>
  [...(catalogue.tables?.[list].values() ?? [])].filter(each => each.id !== record.id).toSorted((a, b) => a.name.localeCompare(b.name)),
)
watch(
  () => record.id,
  () => {
    intoId.value = ''
    newName.value = ''
    marked.value = new Set()
    problem.value = ''
  },
)

function tell(outcome: NameOutcome, sentence: (sets: number) => string): boolean {
  problem.value = outcome.ok ? '' : nameProblem(outcome, '')
  if (outcome.ok) notices.tell(sentence(outcome.sets))
  return outcome.ok
}
async function join(): Promise<void> {
  const into = intoId.value
  if (tell(await act.joinNames(list, record.id, into), nameWords.joined)) emit('joined', into)
}
async function split(): Promise<void> {
  const name = newName.value
  if (!tell(await act.splitName(list, record.id, name, [...marked.value]), count => nameWords.splitDone(name, count))) return
  newName.value = ''
  marked.value = new Set()
}
function toggle(id: string): void {
  const next = new Set(marked.value)
  if (!next.delete(id)) next.add(id)
  marked.value = next
}
</script>

<template>
  <div>
    <details class="border-t border-line py-2">
      <summary class="min-h-11 py-2 font-semibold">{{ nameWords.join }}</summary>
      <p class="text-quiet figures">{{ nameWords.joinLead(record.name, sets.length) }}</p>
      <div class="mt-2 flex flex-wrap items-end gap-3">
        <KField class="flex-1 basis-48" :label="nameWords.joinInto" for="join-into">
          <select id="join-into" v-model="intoId" class="field">
            <option value="" />
            <option v-for="each in others" :key="each.id" :value="each.id">{{ each.name }}</option>
          </select>
        </KField>
        <button type="button" class="button" :disabled="!intoId" @click="join">
          <Merge :size="18" aria-hidden="true" />
          {{ nameWords.joinNow }}
        </button>
      </div>
    </details>
    <details class="border-t border-line py-2">
      <summary class="min-h-11 py-2 font-semibold">{{ nameWords.split }}</summary>
      <p class="text-quiet">{{ nameWords.splitLead }}</p>
      <div class="mt-2 flex flex-wrap items-end gap-3">
        <KField class="flex-1 basis-48" :label="nameWords.splitName" for="split-name">
          <input id="split-name" v-model="newName" class="field" maxlength="300" autocomplete="off" />
        </KField>
        <button type="button" class="button" :disabled="marked.size === 0 || isBlank(newName)" @click="split">
          <Split :size="18" aria-hidden="true" />
          {{ nameWords.splitNow(marked.size) }}
        </button>
      </div>
      <ul class="mt-2 max-h-72 overflow-y-auto">
        <li v-for="holding in sets" :key="holding.id">
          <label class="flex min-h-11 items-center gap-3 hover:bg-wash">
            <input type="checkbox" class="size-5" :checked="marked.has(holding.id)" @change="toggle(holding.id)" />
            <SetLine :holding="holding" name="" />
          </label>
        </li>
      </ul>
    </details>
    <p v-if="problem" class="mt-1 font-semibold text-berry" role="alert">{{ problem }}</p>
  </div>
</template>
