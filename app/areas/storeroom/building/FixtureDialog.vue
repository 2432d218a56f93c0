<script setup lang="ts">
import KCheck from '~/kit/KCheck.vue'
import KChoice from '~/kit/KChoice.vue'
import KNumber from '~/kit/KNumber.vue'
import { computed, reactive, shallowRef, watch } from 'vue'
import { changedFields, type Fixture, FIXTURE_TYPES, LIMITS, isBlank } from '#core/catalog'
import { CONTAINER_SHAPES } from '#core/room'
import { readLength } from '#core/units'
import BuildingPreview from './BuildingPreview.vue'
import { MOST_AT_ONCE, useBuilding } from '~/subjects/room/useBuilding'
import { buildingWords } from '~/subjects/room/buildingWords'
import KDialog from '~/kit/KDialog.vue'
import KTyped from '~/kit/KTyped.vue'
import { useTyped } from '~/kit/useTyped'
import KField from '~/kit/KField.vue'
import { useDescribe } from '~/data/useDescribe'
import { act } from '~/data/act'
import { kitWords } from '~/kit/words'
import { shelfWord } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import { furnishWords } from './words'
import { roomWords } from '~/subjects/room/roomWords'

/** Furniture: new, changed, or taken out of the room. */
const { fixture, open } = defineProps<{ fixture: Fixture | null; open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const catalogue = useCatalogue()
const notices = useNotices()
const { lengthText } = useDescribe()
const { namesFor } = useBuilding()
const form = reactive({
  name: '',
  type: 'bookcase' as Fixture['type'],
  shelves: 3,
  heights: '',
  width: '',
  isSunlit: false,
  /** Containers on each shelf of new furniture, their shape, and the corner they belong to. */
  countEach: 0,
  shape: CONTAINER_SHAPES[0]?.id ?? '',
  zoneId: '',
})
const problem = shallowRef('')
const typed = useTyped(form)
/** What the form began with: only what differs from it is changed. */
let begun: Fixture | null = null
const shownHeights = shallowRef('')
const shownWidth = shallowRef('')
const zones = computed(() => [...catalogue.facts.zones].sort((a, b) => a.rank - b.rank))
/** Named after what it is, until somebody has written another name. */
const proposedName = (): string => {
  const [stem, taken] = [
    furnishWords.fixtureTypes[form.type],
    new Set([...(catalogue.tables?.fixtures.values() ?? [])].map(each => each.name)),
  ]
  for (let number = 1; ; number += 1)
    if (!taken.has(number === 1 ? stem : `${stem} ${number}`)) return number === 1 ? stem : `${stem} ${number}`
}
let proposed = ''
watch(
  () => form.type,
  () => {
    if (!fixture && form.name === proposed) form.name = proposed = proposedName()
  },
)

watch(
  () => open,
  () => {
    if (!open) return typed.leave()
    begun = fixture
    shownHeights.value = fixture?.shelfHeightsMm?.map(mm => lengthText(mm)).join('; ') ?? ''
    shownWidth.value = fixture?.widthMm ? lengthText(fixture.widthMm) : ''
    Object.assign(form, {
      name: fixture?.name ?? '',
      type: fixture?.type ?? 'bookcase',
      width: shownWidth.value,
      countEach: 0,
      zoneId: zones.value[0]?.id ?? '',
      shelves: fixture?.shelves ?? 3,
      heights: shownHeights.value,
      isSunlit: fixture?.isSunlit ?? false,
    })
    if (!fixture) form.name = proposed = proposedName()
    problem.value = ''
    typed.begin(`furniture ${fixture?.id ?? ''}`, { ...form })
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
  Number.isInteger(form.shelves) && form.shelves >= 1 && form.shelves <= LIMITS.shelves ? '' : furnishWords.countProblem(LIMITS.shelves),
)
const widthMm = computed((): number | null | 'unread' => {
  if (form.width === shownWidth.value) return fixture?.widthMm ?? null
  if (isBlank(form.width)) return null
  const read = readLength(form.width, catalogue.settings.unit)
  return read.ok ? read.mm : 'unread'
})
const countProblem = computed(() =>
  Number.isInteger(form.countEach) && form.countEach >= 0 && form.countEach <= MOST_AT_ONCE ? '' : furnishWords.countProblem(MOST_AT_ONCE),
)
/** The furniture as it is written; null while something cannot be read. */
const written = computed(() =>
  heightsMm.value === 'unread' || widthMm.value === 'unread' || shelvesProblem.value || countProblem.value || isBlank(form.name)
    ? null
    : {
        name: form.name.trim(),
        type: form.type,
        shelves: form.shelves,
        shelfHeightsMm: heightsMm.value,
        widthMm: widthMm.value,
        isSunlit: form.isSunlit,
      },
)
/** What will stand on it from the beginning. */
const building = computed(() => {
  const shape = CONTAINER_SHAPES.find(each => each.id === form.shape)
  return written.value && shape && !fixture && form.countEach > 0
    ? {
        fixture: written.value,
        shelves: Array.from({ length: form.shelves }, (_, at) => at + 1),
        countEach: form.countEach,
        shape,
        first: namesFor(shape.type),
      }
    : null
})
async function keep(): Promise<void> {
  if (isBlank(form.name)) return void (problem.value = furnishWords.needed)
  if (!written.value) return
  if (building.value) {
    const { id: _shape, ...shape } = building.value.shape
    const { first, shelves, countEach } = building.value
    const outcome = await act.addContainers({ ...shape, ...first, shelves, countEach, zoneId: form.zoneId, fixture: written.value })
    if (!outcome.ok) return void (problem.value = furnishWords.addProblem(outcome))
  } else if (begun) await act.changeFixture(begun.id, changedFields({ ...begun }, written.value))
  else await act.addFixture(written.value)
  typed.forget()
  notices.tell(furnishWords.kept(form.name))
  emit('close')
}
function giveUp(): void {
  typed.forget()
  emit('close')
}
async function remove(): Promise<void> {
  if (!fixture) return
  const outcome = await act.removeFixture(fixture.id)
  if (!outcome.ok) return void (problem.value = roomWords.outcome(outcome))
  notices.tell(furnishWords.removedFixture(fixture.name))
  emit('close')
}
</script>

<template>
  <KDialog :open="open" :title="fixture ? furnishWords.changeTitle(fixture.name) : furnishWords.newFurniture" wide @close="emit('close')">
    <KTyped :is-back="typed.isBack.value" @afresh="typed.beginAfresh()" />
    <form id="fixture-form" class="mt-3 grid gap-4 sm:grid-cols-2" novalidate @submit.prevent="keep">
      <KChoice
        id="fixture-type"
        v-model="form.type"
        :label="furnishWords.fixtureType"
        :choices="FIXTURE_TYPES"
        :words="furnishWords.fixtureTypes"
      />
      <KField :label="furnishWords.name" for="fixture-name" :problem="problem">
        <input id="fixture-name" v-model="form.name" class="field" maxlength="80" @input="problem = ''" />
      </KField>
      <KNumber
        id="fixture-shelves"
        v-model="form.shelves"
        :label="furnishWords.shelves"
        :min="1"
        :max="LIMITS.shelves"
        :problem="shelvesProblem"
      />
      <template v-if="!fixture">
        <KNumber
          id="fixture-each"
          v-model="form.countEach"
          :label="buildingWords.howManyEach(shelfWord(form.type))"
          :min="0"
          :max="MOST_AT_ONCE"
          :hint="buildingWords.standsOnHint"
          :problem="countProblem"
        />
        <KField v-if="form.countEach > 0" :label="buildingWords.ofShape" for="fixture-shape">
          <select id="fixture-shape" v-model="form.shape" class="field">
            <option v-for="{ id } in CONTAINER_SHAPES" :key="id" :value="id">{{ roomWords.shapes[id] }}</option>
          </select>
        </KField>
        <KField v-if="form.countEach > 0 && zones.length > 1" :label="furnishWords.zone" for="fixture-zone">
          <select id="fixture-zone" v-model="form.zoneId" class="field">
            <option v-for="zone in zones" :key="zone.id" :value="zone.id">{{ zone.name }}</option>
          </select>
        </KField>
      </template>
      <KField
        :label="buildingWords.width"
        for="fixture-width"
        :hint="buildingWords.widthHint"
        :problem="widthMm === 'unread' ? buildingWords.widthProblem : ''"
      >
        <input id="fixture-width" v-model="form.width" class="field figures" maxlength="30" autocomplete="off" />
      </KField>
      <KCheck v-model="form.isSunlit" class="self-end" :label="furnishWords.sunlit" />
      <KField
        class="sm:col-span-2"
        :label="furnishWords.heights"
        for="fixture-heights"
        :hint="furnishWords.heightsHint"
        :problem="heightsMm === 'unread' ? furnishWords.heightsProblem(form.shelves) : ''"
      >
        <input id="fixture-heights" v-model="form.heights" class="field figures" maxlength="400" autocomplete="off" />
      </KField>
    </form>
    <p class="hint mt-3">{{ furnishWords.fixFall }}</p>
    <template #actions>
      <BuildingPreview v-if="building" :building="building" />
      <button v-if="fixture" type="button" class="button mr-auto text-berry" @click="remove">{{ furnishWords.remove }}</button>
      <button type="button" class="button" @click="giveUp">{{ kitWords.cancel }}</button>
      <button type="submit" form="fixture-form" class="button-main">
        {{ roomWords.keep }}
      </button>
    </template>
  </KDialog>
</template>
