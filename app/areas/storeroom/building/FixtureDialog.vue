<script setup lang="ts">
import { computed, reactive, shallowRef, watch } from 'vue'
import { type Fixture, FIXTURE_TYPES, LIMITS, isBlank } from '#core/catalog'
import { readLength } from '#core/units'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import { useDescribe } from '~/data/useDescribe'
import { act } from '~/data/act'
import { roomWords } from '~/areas/storeroom/roomWords'
import { storeroomWords } from '~/areas/storeroom/words'
import { shellWords } from '~/shell/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/shell/useNotices'

/** Furniture: new, changed, or taken out of the room. */
const { fixture, open } = defineProps<{ fixture: Fixture | null; open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const catalogue = useCatalogue()
const notices = useNotices()
const { lengthText } = useDescribe()
const form = reactive({ name: '', type: 'bookcase' as Fixture['type'], shelves: 3, heights: '', isSunlit: false })
const problem = shallowRef('')
const shownHeights = shallowRef('')

watch(
  () => open,
  () => {
    shownHeights.value = fixture?.shelfHeightsMm?.map(mm => lengthText(mm)).join('; ') ?? ''
    Object.assign(form, {
      name: fixture?.name ?? '',
      type: fixture?.type ?? 'bookcase',
      shelves: fixture?.shelves ?? 3,
      heights: shownHeights.value,
      isSunlit: fixture?.isSunlit ?? false,
    })
    problem.value = ''
  },
  { immediate: true },
)

/** What was not touched stays to the millimetre, whatever rounding the screen shows. */
const heightsMm = computed((): number[] | null | 'unread' => {
  if (form.heights === shownHeights.value && fixture?.shelves === form.shelves) return fixture.shelfHeightsMm
  const parts = form.heights
    .split(';')
    .map(part => part.trim())
    .filter(Boolean)
  if (parts.length === 0) return null
  const read = parts.map(part => readLength(part, catalogue.settings.unit))
  return parts.length === form.shelves && read.every(each => each.ok) ? read.map(each => (each.ok ? each.mm : 0)) : 'unread'
})
const shelvesProblem = computed(() =>
  Number.isInteger(form.shelves) && form.shelves >= 1 && form.shelves <= LIMITS.shelves ? '' : roomWords.countProblem(LIMITS.shelves),
)
async function keep(): Promise<void> {
  if (isBlank(form.name)) return void (problem.value = storeroomWords.needed)
  if (heightsMm.value === 'unread' || shelvesProblem.value) return
  await act.putFixture({
    ...fixture,
    name: form.name.trim(),
    type: form.type,
    shelves: form.shelves,
    shelfHeightsMm: heightsMm.value,
    isSunlit: form.isSunlit,
  })
  notices.tell(roomWords.kept(form.name))
  emit('close')
}
async function remove(): Promise<void> {
  if (!fixture) return
  const outcome = await act.removeFixture(fixture.id)
  if (!outcome.ok) return void (problem.value = roomWords.outcome(outcome))
  notices.tell(roomWords.removedFixture(fixture.name))
  emit('close')
}
</script>

<template>
  <KDialog :open="open" :title="fixture ? roomWords.changeTitle(fixture.name) : roomWords.newFurniture" @close="emit('close')">
    <form id="fixture-form" class="mt-3 grid gap-4 sm:grid-cols-2" novalidate @submit.prevent="keep">
      <KField :label="storeroomWords.name" for="fixture-name" :problem="problem">
        <input id="fixture-name" v-model="form.name" class="field" maxlength="80" @input="problem = ''" />
      </KField>
      <KField :label="roomWords.fixtureType" for="fixture-type">
        <select id="fixture-type" v-model="form.type" class="field">
          <option v-for="type in FIXTURE_TYPES" :key="type" :value="type">{{ storeroomWords.fixtureTypes[type] }}</option>
        </select>
      </KField>
      <KField :label="roomWords.shelves" for="fixture-shelves" :problem="shelvesProblem">
        <input id="fixture-shelves" v-model.number="form.shelves" type="number" min="1" :max="LIMITS.shelves" class="field figures" />
      </KField>
      <label class="flex min-h-11 items-center gap-3 self-end">
        <input v-model="form.isSunlit" type="checkbox" class="size-5" />
        {{ roomWords.sunlit }}
      </label>
      <KField
        class="sm:col-span-2"
        :label="roomWords.heights"
        for="fixture-heights"
        :hint="roomWords.heightsHint"
        :problem="heightsMm === 'unread' ? roomWords.heightsProblem(form.shelves) : ''"
      >
        <input id="fixture-heights" v-model="form.heights" class="field figures" maxlength="400" autocomplete="off" />
      </KField>
    </form>
    <p class="hint mt-3">{{ roomWords.fixFall }}</p>
    <template #actions>
      <button v-if="fixture" type="button" class="button mr-auto text-berry" @click="remove">{{ roomWords.remove }}</button>
      <button type="button" class="button" @click="emit('close')">{{ shellWords.cancel }}</button>
      <button type="submit" form="fixture-form" class="button-main">
        {{ roomWords.keep }}
      </button>
    </template>
  </KDialog>
</template>
