<script setup lang="ts">
import KCheck from '~/kit/KCheck.vue'
import KChoice from '~/kit/KChoice.vue'
import KNumber from '~/kit/KNumber.vue'
import { computed, reactive, shallowRef, watch } from 'vue'
import { CELL_REUSES, changedFields, type Container, type ContainerType, LIMITS, isBlank, PLAIN_FIXTURE } from '#core/catalog'
import { CONTAINER_SHAPES } from '#core/room'
import { MM_PER_UNIT, readGrams, readNumber, readSize } from '#core/units'
import BuildingPreview from './BuildingPreview.vue'
import { MOST_AT_ONCE, useBuilding } from '~/subjects/room/useBuilding'
import { buildingWords } from '~/subjects/room/buildingWords'
import KDialog from '~/kit/KDialog.vue'
import KTyped from '~/kit/KTyped.vue'
import { useTyped } from '~/kit/useTyped'
import KField from '~/kit/KField.vue'
import { act } from '~/data/act'
import { useDescribe } from '~/data/useDescribe'
import { kitWords } from '~/kit/words'
import { placeWords, shelfWord } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import { furnishWords } from './words'
import { roomWords } from '~/subjects/room/roomWords'

/** A container, new (and its furniture where that is new) or changed. */
const { open, container = null } = defineProps<{ open: boolean; container?: Container | null }>()
const emit = defineEmits<{ close: []; added: [id: string] }>()
const catalogue = useCatalogue()
const notices = useNotices()
const { namesFor, shelvesOf } = useBuilding()
const NEW = 'new'
/** Stands for all shelves, where one is chosen. */
const EVERY = 0
const fixtures = computed(() => [...(catalogue.tables?.fixtures.values() ?? [])].sort((a, b) => a.rank - b.rank))
const zones = computed(() => [...(catalogue.tables?.zones.values() ?? [])].sort((a, b) => a.rank - b.rank))
const form = reactive({
  name: '',
  code: '',
  type: 'bin' as ContainerType,
  lanes: 1,
  length: '',
  fixtureId: '',
  fixtureName: '',
  shelf: 1,
  count: 1,
  zoneId: '',
  rows: 4,
  columns: 3,
  pages: 10,
  isTwoSided: false,
  inner: '',
  cellSize: '',
  reuse: 'last' as (typeof CELL_REUSES)[number],
  emptyWeight: '',
  shape: '',
})
const { lengthText, sizeText } = useDescribe()
/** What was shown at first: what is left as it was stays to the millimetre. */
let shown = { length: '', inner: '', cellSize: '' }
let proposed = { name: '', code: '' }
const typed = useTyped(form)
/** What the form began with: only what differs from it is changed. */
let begun: Container | null = null
const problem = shallowRef('')
const isTried = shallowRef(false)

watch(
  () => open,
  () => {
    if (!open) return typed.leave()
    Object.assign(form, {
      type: 'bin',
      lanes: 1,
      length: catalogue.settings.unit === 'in' ? '12 in' : '30 cm',
      fixtureId: fixtures.value[0]?.id ?? NEW,
      fixtureName: '',
      shelf: 1,
      count: 1,
      zoneId: zones.value[0]?.id ?? '',
      inner: '',
      cellSize: '',
      emptyWeight: '',
      shape: '',
      ...(!container ? (proposed = namesFor('bin')) : {}),
    })
    begun = container
    if (container) fill(container)
    shown = { length: form.length, inner: form.inner, cellSize: form.cellSize }
    problem.value = ''
    isTried.value = false
    typed.begin(`container ${container?.id ?? ''}`, { ...form })
  },
  { immediate: true },
)

function fill(from: Pick<Container, 'type' | 'lanes' | 'lengthMm' | 'inner' | 'cells' | 'emptyWeightG'> & Partial<Container>): void {
  const { name, code, fixtureId, shelf, zoneId } = from
  Object.assign(form, {
    type: from.type,
    lanes: from.lanes,
    length: lengthText(from.lengthMm),
    inner: from.inner ? sizeText(from.inner) : '',
    emptyWeight: from.emptyWeightG ? String(from.emptyWeightG) : '',
    ...(from.cells
      ? {
          rows: from.cells.rows,
          columns: from.cells.columns,
          pages: from.cells.pages,
          isTwoSided: from.cells.isTwoSided,
          reuse: from.cells.reuse,
          cellSize: from.cells.cellSize ? sizeText(from.cells.cellSize) : '',
        }
      : { cellSize: '' }),
    ...(name === undefined ? {} : { name, code, fixtureId, shelf, zoneId }),
  })
}
function begin(id: string): void {
  const shape = CONTAINER_SHAPES.find(each => each.id === id)
  if (!shape) return
  fill(shape)
  Object.assign(form, (proposed = namesFor(shape.type)))
}
/** The name that is proposed goes with the type, until somebody has written another. */
watch(
  () => form.type,
  type => {
    if (!container && form.name === proposed.name && form.code === proposed.code) Object.assign(form, (proposed = namesFor(type)))
  },
)
const hasCells = computed(
  () =>
    form.type === 'binder' ||
    // What has cells keeps them, as the numbered slots of a rack.
    (container
      ? container.cells !== null
      : form.type === 'tray' && (CONTAINER_SHAPES.find(each => each.id === form.shape)?.cells ?? null) !== null),
)
const lengthMm = computed(() => {
  if (container && form.length === shown.length) return container.lengthMm
  const read = readNumber(form.length)
  const mm = read ? read.value * MM_PER_UNIT[read.unit ?? catalogue.settings.unit] : 0
  return mm > 0 && mm <= 5000 ? mm : null
})
/** A size left empty is not known; one that cannot be read is a problem. */
const sizeOf = (text: string) => {
  const reading = readSize(text, catalogue.settings.unit)
  return reading.ok ? { ...reading.size } : null
}
const isUnread = (text: string): boolean => text.trim() !== '' && sizeOf(text) === null
/** The furniture it will stand on; new furniture has one shelf until it is said otherwise. */
const fixture = computed(
  () =>
    fixtures.value.find(each => each.id === form.fixtureId) ?? {
      ...PLAIN_FIXTURE,
      name: form.fixtureName,
      type: 'bookcase' as const,
      shelves: 1,
    },
)
const shelves = computed(() => shelvesOf(fixture.value))
watch(
  () => form.fixtureId,
  () => {
    if (form.shelf > fixture.value.shelves) form.shelf = 1
  },
)
const most = { count: MOST_AT_ONCE, lanes: LIMITS.lanes, rows: LIMITS.cellsASide, columns: LIMITS.cellsASide, pages: LIMITS.pages }
const countProblem = (field: keyof typeof most): string =>
  Number.isInteger(form[field]) && form[field] >= 1 && form[field] <= most[field] ? '' : furnishWords.countProblem(most[field])
const counted = computed(() => (hasCells.value ? (['count', 'rows', 'columns', 'pages'] as const) : (['count', 'lanes'] as const)))
const isComplete = computed(
  () =>
    counted.value.every(field => countProblem(field) === '') &&
    !isUnread(form.inner) &&
    !isUnread(form.cellSize) &&
    weightRead.value !== 'unread' &&
    form.name.trim() !== '' &&
    form.code.trim() !== '' &&
    lengthMm.value !== null &&
    (form.fixtureId !== NEW || form.fixtureName.trim() !== ''),
)

/**
 * Changed where it stands: its sets stay in it. Fewer lanes or pages than are in use would lose nothing, but the screen says
 * what stands where.
 */
async function change(before: Container, lengthNow: number): Promise<void> {
  const { name, code, type, shelf, zoneId, fixtureId, rows, columns, pages, isTwoSided, reuse } = form
  const kept = <K extends 'inner' | 'cellSize'>(field: K, was: ReturnType<typeof sizeOf>) =>
    form[field] === shown[field] ? was : sizeOf(form[field])
  const after: Container = {
    ...before,
    name: name.trim(),
    code: code.trim(),
    type,
    shelf,
    zoneId,
    fixtureId,
    lanes: hasCells.value ? 1 : form.lanes,
    lengthMm: lengthNow,
    inner: kept('inner', before.inner),
    emptyWeightG: emptyWeightG.value,
    cells: hasCells.value ? { rows, columns, pages, isTwoSided, reuse, cellSize: kept('cellSize', before.cells?.cellSize ?? null) } : null,
  }
  const outcome = await act.changeContainer(before.id, changedFields(before, after))
  if (!outcome.ok) return void (problem.value = roomWords.outcome(outcome))
  typed.forget()
  emit('close')
}
const weightRead = computed(() => readGrams(form.emptyWeight))
const emptyWeightG = computed(() => (weightRead.value === 'unread' ? null : weightRead.value))

function giveUp(): void {
  typed.forget()
  emit('close')
}
const cellsOf = (): Container['cells'] => {
  const { rows, columns, pages, isTwoSided, reuse } = form
  return { rows, columns, pages, isTwoSided, reuse, cellSize: sizeOf(form.cellSize) }
}
/** What is about to be made, told before it is; null while something is missing. */
const building = computed(() =>
  container || !isComplete.value || lengthMm.value === null
    ? null
    : {
        fixture: fixture.value,
        shelves: form.shelf === EVERY ? shelves.value.map(({ shelf }) => shelf) : [form.shelf],
        countEach: form.count,
        shape: {
          type: form.type,
          lanes: hasCells.value ? 1 : form.lanes,
          inner: hasCells.value ? null : sizeOf(form.inner),
          lengthMm: lengthMm.value,
          cells: hasCells.value ? cellsOf() : null,
        },
        first: { name: form.name.trim(), code: form.code.trim() },
      },
)

/** Adds what is written. With `isMore` the dialog stays for the next, under the next name. */
async function add(isMore = false): Promise<void> {
  isTried.value = true
  if (!isComplete.value || lengthMm.value === null) return
  if (begun) return change(begun, lengthMm.value)
  if (!building.value) return
  const outcome = await act.addContainers({
    ...building.value.first,
    ...building.value.shape,
    emptyWeightG: emptyWeightG.value,
    zoneId: form.zoneId,
    shelves: building.value.shelves,
    countEach: building.value.countEach,
    fixture:
      form.fixtureId === NEW ? { ...PLAIN_FIXTURE, name: form.fixtureName.trim(), type: 'bookcase', shelves: 1 } : { id: form.fixtureId },
  })
  if (!outcome.ok) return void (problem.value = furnishWords.addProblem(outcome))
  typed.forget()
  const [first = ''] = outcome.ids
  if (isMore || outcome.ids.length > 1) notices.tell(buildingWords.added(form.name.trim(), outcome.ids.length))
  if (!isMore) return outcome.ids.length === 1 ? emit('added', first) : emit('close')
  form.fixtureId = catalogue.tables?.containers.get(first)?.fixtureId ?? form.fixtureId
  Object.assign(form, (proposed = namesFor(form.type)))
  isTried.value = false
  typed.begin('container ', { ...form })
}
</script>

<template>
  <KDialog :open="open" :title="container ? furnishWords.changeTitle(container.name) : furnishWords.addTitle" wide @close="emit('close')">
    <KTyped :is-back="typed.isBack.value" @afresh="typed.beginAfresh()" />
    <form id="container-form" class="mt-3 grid gap-4 sm:grid-cols-2" novalidate @submit.prevent="add()">
      <KField v-if="!container" class="sm:col-span-2" :label="furnishWords.beginFrom" for="new-shape">
        <select id="new-shape" v-model="form.shape" class="field" @change="begin(form.shape)">
          <option value="">{{ furnishWords.ownShape }}</option>
          <option v-for="{ id } in CONTAINER_SHAPES" :key="id" :value="id">{{ roomWords.shapes[id] }}</option>
        </select>
      </KField>
      <KField :label="furnishWords.type" for="new-type">
        <select id="new-type" v-model="form.type" class="field">
          <option v-for="(text, type) in roomWords.types" :key="type" :value="type">{{ text }}</option>
        </select>
      </KField>
      <KField :label="furnishWords.name" for="new-name" :problem="isTried && isBlank(form.name) ? furnishWords.needed : ''">
        <input id="new-name" v-model="form.name" class="field" maxlength="80" />
      </KField>
      <KField
        :label="furnishWords.code"
        for="new-code"
        :hint="furnishWords.codeHint"
        :problem="problem || (isTried && isBlank(form.code) ? furnishWords.needed : '')"
      >
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
          <option v-if="!container" :value="NEW">{{ furnishWords.newFixture }}</option>
        </select>
      </KField>
      <KField
        v-if="form.fixtureId === NEW"
        :label="furnishWords.newFixtureName"
        for="new-fixture-name"
        :problem="isTried && isBlank(form.fixtureName) ? furnishWords.needed : ''"
      >
        <input id="new-fixture-name" v-model="form.fixtureName" class="field" maxlength="80" />
      </KField>
      <KField v-if="shelves.length > 1" :label="buildingWords.where" for="new-shelf">
        <select id="new-shelf" v-model.number="form.shelf" class="field">
          <option v-for="each in shelves" :key="each.shelf" :value="each.shelf">{{ each.text }}</option>
          <option v-if="!container" :value="EVERY">{{ buildingWords.every(shelfWord(fixture.type)) }}</option>
        </select>
      </KField>
      <KNumber
        v-if="!container"
        id="new-count"
        v-model="form.count"
        :label="form.shelf === EVERY ? buildingWords.howManyEach(shelfWord(fixture.type)) : buildingWords.howMany"
        :min="1"
        :max="most.count"
        :problem="countProblem('count')"
      />
      <KField :label="furnishWords.length" for="new-length" :problem="form.length && lengthMm === null ? furnishWords.lengthProblem : ''">
        <input id="new-length" v-model="form.length" class="field figures" maxlength="20" />
      </KField>
      <KField
        v-if="!hasCells"
        :label="furnishWords.inner"
        for="new-inner"
        :hint="furnishWords.innerHint"
        :problem="isUnread(form.inner) ? furnishWords.sizeProblem : ''"
      >
        <input id="new-inner" v-model="form.inner" class="field figures" maxlength="40" />
      </KField>
      <template v-if="hasCells">
        <KField
          :label="furnishWords.cellSize"
          for="new-cell"
          :hint="furnishWords.cellSizeHint"
          :problem="isUnread(form.cellSize) ? furnishWords.sizeProblem : ''"
        >
          <input id="new-cell" v-model="form.cellSize" class="field figures" maxlength="40" />
        </KField>
        <KChoice id="new-reuse" v-model="form.reuse" :label="furnishWords.reuse" :choices="CELL_REUSES" :words="furnishWords.reuses" />
        <KNumber id="new-rows" v-model="form.rows" :label="furnishWords.rows" :min="1" :max="most.rows" :problem="countProblem('rows')" />
        <KNumber
          id="new-columns"
          v-model="form.columns"
          :label="furnishWords.columns"
          :min="1"
          :max="most.columns"
          :problem="countProblem('columns')"
        />
        <KNumber
          id="new-pages"
          v-model="form.pages"
          :label="furnishWords.pages"
          :min="1"
          :max="most.pages"
          :problem="countProblem('pages')"
        />
        <KCheck v-model="form.isTwoSided" class="self-end" :label="furnishWords.bothSides" />
      </template>
      <KNumber
        v-else
        id="new-lanes"
        v-model="form.lanes"
        :label="furnishWords.lanes"
        :min="1"
        :max="most.lanes"
        :problem="countProblem('lanes')"
      />
      <KField
        :label="furnishWords.emptyWeight"
        for="new-weight"
        :hint="furnishWords.emptyWeightHint"
        :problem="weightRead === 'unread' ? placeWords.weightProblem : ''"
      >
        <input id="new-weight" v-model="form.emptyWeight" class="field figures" maxlength="8" inputmode="decimal" autocomplete="off" />
      </KField>
    </form>
    <p class="hint mt-4">{{ furnishWords.liftCaution }}</p>
    <template #actions>
      <BuildingPreview v-if="building" :building="building" />
      <button type="button" class="button" @click="giveUp">{{ kitWords.cancel }}</button>
      <button v-if="!container" type="button" class="button" @click="add(true)">{{ buildingWords.addMore }}</button>
      <button type="submit" form="container-form" class="button-main">
        {{ container ? roomWords.keep : furnishWords.addContainer }}
      </button>
    </template>
  </KDialog>
</template>
