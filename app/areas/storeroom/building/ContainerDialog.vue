<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { changedFields, type Container, PLAIN_FIXTURE } from '#core/catalog'
import { CONTAINER_SHAPES } from '#core/room'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { shelfWord } from '~/data/words'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import KNumber from '~/kit/KNumber.vue'
import KTyped from '~/kit/KTyped.vue'
import { useNotices } from '~/kit/useNotices'
import { kitWords } from '~/kit/words'
import { buildingWords } from '~/subjects/room/buildingWords'
import { roomWords } from '~/subjects/room/roomWords'
import BuildingPreview from './BuildingPreview.vue'
import ContainerSpace from './ContainerSpace.vue'
import { EVERY_SHELF, NEW_FIXTURE, useContainerForm } from './useContainerForm'
import { furnishWords } from './words'

/** A container, new (with its furniture, if that is new) or changed. */
const { open, container = null } = defineProps<{ open: boolean; container?: Container | null }>()
const emit = defineEmits<{ close: []; added: [id: string] }>()
const catalogue = useCatalogue()
const notices = useNotices()
const fields = useContainerForm(() => container)
const { beginFrom, countProblem, fixture, fixtures, form, isTried, most, needed, read, shelves, typed, zones } = fields
const problem = shallowRef('')

watch(
  () => open,
  () => {
    if (!open) return typed.leave()
    problem.value = ''
    fields.begin()
  },
  { immediate: true },
)
function done(): void {
  typed.forget()
  emit('close')
}

/** Its sets stay in it. Fewer lanes or pages than are in use are refused, with what stands there. */
async function change(before: Container, now: NonNullable<typeof read.value>): Promise<void> {
  const { shelf, fixtureId } = form
  const outcome = await act.changeContainer(before.id, changedFields(before, { ...before, ...now, shelf, fixtureId }))
  if (!outcome.ok) return void (problem.value = roomWords.outcome(outcome))
  done()
}
/** What is about to be made; null while something is missing. */
const building = computed(() => {
  if (container || !read.value) return null
  const { name, code, type, lanes, inner, lengthMm, cells } = read.value
  return {
    fixture: fixture.value,
    shelves: form.shelf === EVERY_SHELF ? shelves.value.map(({ shelf }) => shelf) : [form.shelf],
    countEach: form.count,
    shape: { type, lanes, inner: cells ? null : inner, lengthMm, cells },
    first: { name, code },
  }
})

/** Keeps what is typed. With `isMore` the dialog stays for the next container, under the next name. */
async function keep(isMore = false): Promise<void> {
  isTried.value = true
  const [begun, now] = [fields.begun.value, read.value]
  if (!now) return
  if (begun) return change(begun, now)
  if (!building.value) return
  const { shape, shelves: on, countEach } = building.value
  const outcome = await act.addContainers({
    ...now,
    ...shape,
    shelves: on,
    countEach,
    fixture:
      form.fixtureId === NEW_FIXTURE
        ? { ...PLAIN_FIXTURE, name: form.fixtureName.trim(), type: 'bookcase', shelves: 1 }
        : { id: form.fixtureId },
  })
  if (!outcome.ok) return void (problem.value = furnishWords.addProblem(outcome))
  typed.forget()
  const [first = ''] = outcome.ids
  if (isMore || outcome.ids.length > 1) notices.tell(buildingWords.added(now.name, outcome.ids.length))
  if (!isMore) return outcome.ids.length === 1 ? emit('added', first) : emit('close')
  fields.beginNext(catalogue.tables?.containers.get(first)?.fixtureId ?? form.fixtureId)
}
</script>

<template>
  <KDialog :open="open" :title="container ? furnishWords.changeTitle(container.name) : furnishWords.addTitle" wide @close="emit('close')">
    <KTyped :is-back="typed.isBack.value" @afresh="typed.beginAfresh()" />
    <form id="container-form" class="mt-3 grid gap-4 sm:grid-cols-2" novalidate @submit.prevent="keep()">
      <KField v-if="!container" class="sm:col-span-2" :label="furnishWords.beginFrom" for="new-shape">
        <select id="new-shape" v-model="form.shape" class="field" @change="beginFrom(form.shape)">
          <option value="">{{ furnishWords.ownShape }}</option>
          <option v-for="{ id } in CONTAINER_SHAPES" :key="id" :value="id">{{ roomWords.shapes[id] }}</option>
        </select>
      </KField>
      <KField :label="furnishWords.type" for="new-type">
        <select id="new-type" v-model="form.type" class="field">
          <option v-for="(text, type) in roomWords.types" :key="type" :value="type">{{ text }}</option>
        </select>
      </KField>
      <KField :label="furnishWords.name" for="new-name" :problem="needed(form.name)">
        <input id="new-name" v-model="form.name" class="field" maxlength="80" />
      </KField>
      <KField :label="furnishWords.code" for="new-code" :hint="furnishWords.codeHint" :problem="problem || needed(form.code)">
        <input id="new-code" v-model="form.code" class="field" maxlength="12" @input="problem = ''" />
      </KField>
      <KField :label="furnishWords.zone" for="new-zone">
        <select id="new-zone" v-model="form.zoneId" class="field">
          <option v-for="zone in zones" :key="zone.id" :value="zone.id">{{ zone.name }}</option>
        </select>
      </KField>
      <KField :label="furnishWords.fixture" for="new-fixture">
        <select id="new-fixture" v-model="form.fixtureId" class="field">
          <option v-for="each in fixtures" :key="each.id" :value="each.id">{{ each.name }}</option>
          <option v-if="!container" :value="NEW_FIXTURE">{{ furnishWords.newFixture }}</option>
        </select>
      </KField>
      <KField
        v-if="form.fixtureId === NEW_FIXTURE"
        :label="furnishWords.newFixtureName"
        for="new-fixture-name"
        :problem="needed(form.fixtureName)"
      >
        <input id="new-fixture-name" v-model="form.fixtureName" class="field" maxlength="80" />
      </KField>
      <KField v-if="shelves.length > 1" :label="buildingWords.where" for="new-shelf">
        <select id="new-shelf" v-model.number="form.shelf" class="field">
          <option v-for="each in shelves" :key="each.shelf" :value="each.shelf">{{ each.text }}</option>
          <option v-if="!container" :value="EVERY_SHELF">{{ buildingWords.every(shelfWord(fixture.type)) }}</option>
        </select>
      </KField>
      <KNumber
        v-if="!container"
        id="new-count"
        v-model="form.count"
        :label="form.shelf === EVERY_SHELF ? buildingWords.howManyEach(shelfWord(fixture.type)) : buildingWords.howMany"
        :min="1"
        :max="most.count"
        :problem="countProblem('count')"
      />
      <ContainerSpace :fields="fields" />
    </form>
    <p class="hint mt-4">{{ furnishWords.liftCaution }}</p>
    <template #actions>
      <BuildingPreview v-if="building" :building="building" />
      <button type="button" class="button" @click="done">{{ kitWords.cancel }}</button>
      <button v-if="!container" type="button" class="button" @click="keep(true)">{{ buildingWords.addMore }}</button>
      <button type="submit" form="container-form" class="button-main">
        {{ container ? roomWords.keep : furnishWords.addContainer }}
      </button>
    </template>
  </KDialog>
</template>
