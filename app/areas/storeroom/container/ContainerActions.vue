<script setup lang="ts">
import { Copy, PackageOpen, Pencil, Ruler } from 'lucide-vue-next'
import { computed, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { countsOf } from '#core/capacity'
import { type ContainerRow, setsIn } from '#core/room'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import SeasonButton from './SeasonButton.vue'
import { useLength } from './useLength'
import { act } from '~/data/act'
import { laneName } from '~/data/words'
import { kitWords } from '~/kit/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import BuildingPreview from '~/areas/storeroom/building/BuildingPreview.vue'
import ContainerDialog from '~/areas/storeroom/building/ContainerDialog.vue'
import { type Building, MOST_AT_ONCE, useBuilding } from '~/subjects/room/useBuilding'
import { containerWords } from './words'
import { furnishWords } from '../building/words'
import { roomWords } from '~/subjects/room/roomWords'

/** What can be done with a container as a whole: changed, copied, emptied, taken out, measured. */
const { row } = defineProps<{ row: ContainerRow }>()
const catalogue = useCatalogue()
const notices = useNotices()
const router = useRouter()
const { shelvesOf } = useBuilding()
const dialog = shallowRef<'change' | 'copy' | 'empty' | 'measure' | null>(null)
const count = shallowRef(1)
/** The furniture and the shelf that copies go to. */
const where = shallowRef('')
const into = shallowRef('')
const removes = shallowRef(false)
const lane = shallowRef(1)
const filled = shallowRef('')
const problem = shallowRef('')
const filledMm = useLength(filled)
watch(dialog, () => {
  into.value = ''
  removes.value = sets.value === 0
  filled.value = ''
  problem.value = ''
  count.value = 1
  where.value = `${row.container.fixtureId} ${row.container.shelf}`
  lane.value = 1
})
const sets = computed(() => setsIn(row))
const others = computed(() =>
  catalogue.containers.map(each => each.container).filter(each => each.id !== row.container.id && !each.isTable),
)

const copies = computed(() => Math.min(MOST_AT_ONCE, Math.max(1, Math.round(count.value || 1))))
const fixtures = computed(() => [...(catalogue.tables?.fixtures.values() ?? [])].sort((a, b) => a.rank - b.rank))
const shelves = computed(() =>
  fixtures.value.flatMap(fixture =>
    shelvesOf(fixture).map(({ shelf, text }) => ({
      value: `${fixture.id} ${shelf}`,
      text: fixture.shelves > 1 ? `${fixture.name}, ${text}` : fixture.name,
    })),
  ),
)
const building = computed((): Building | null => {
  const [fixtureId, shelf] = where.value.split(' ')
  const fixture = fixtures.value.find(each => each.id === fixtureId)
  return fixture
    ? { fixture, shelves: [Number(shelf)], countEach: copies.value, shape: row.container, first: row.container, isCopied: true }
    : null
})

async function copy(): Promise<void> {
  const [fixtureId = '', shelf = '1'] = where.value.split(' ')
  const made = await act.copyContainer(row.container.id, copies.value, { fixtureId, shelf: Number(shelf) })
  notices.tell(containerWords.copied(row.container.name, made))
  dialog.value = null
}
async function empty(): Promise<void> {
  const { id, name } = row.container
  const outcome = sets.value === 0 ? await act.removeContainer(id) : await act.emptyContainer(id, into.value || null, removes.value)
  if (!outcome.ok) return void (problem.value = roomWords.outcome(outcome))
  const isGone = sets.value === 0 || removes.value
  notices.tell(isGone ? containerWords.removed(name) : containerWords.emptied(name))
  dialog.value = null
  if (isGone) void router.push('/storeroom')
}
async function measure(): Promise<void> {
  const stood = countsOf(row, lane.value, id => catalogue.tables?.holdings.get(id))
  if (stood.length === 0) return void (problem.value = containerWords.nothingThere)
  if (filledMm.value === null) return void (problem.value = containerWords.lengthProblem)
  await act.measureLength({ containerId: row.container.id, lane: lane.value, filledMm: filledMm.value, stood })
  notices.tell(containerWords.lengthKept(row.container.name))
  dialog.value = null
}
</script>

<template>
  <div class="contents">
    <button type="button" class="button px-3" @click="dialog = 'change'">
      <Pencil :size="18" aria-hidden="true" />
      {{ roomWords.change }}
    </button>
    <button type="button" class="button px-3" @click="dialog = 'copy'">
      <Copy :size="18" aria-hidden="true" />
      {{ containerWords.copy }}
    </button>
    <button v-if="!row.container.cells" type="button" class="button px-3" @click="dialog = 'measure'">
      <Ruler :size="18" aria-hidden="true" />
      {{ containerWords.measure }}
    </button>
    <button type="button" class="button px-3" @click="dialog = 'empty'">
      <PackageOpen :size="18" aria-hidden="true" />
      {{ containerWords.emptyOut }}
    </button>
    <SeasonButton v-if="sets > 0" :row="row" />
    <ContainerDialog :container="row.container" :open="dialog === 'change'" @close="dialog = null" />
    <KDialog :open="dialog === 'copy'" :title="containerWords.copyTitle(row.container.name)" @close="dialog = null">
      <KField class="mt-3" :label="containerWords.copies" for="copy-count">
        <input
          id="copy-count"
          v-model.number="count"
          type="number"
          min="1"
          :max="MOST_AT_ONCE"
          class="field figures"
          @keydown.enter="copy"
        />
      </KField>
      <KField class="mt-3" :label="furnishWords.fixture" for="copy-where">
        <select id="copy-where" v-model="where" class="field">
          <option v-for="each in shelves" :key="each.value" :value="each.value">{{ each.text }}</option>
        </select>
      </KField>
      <template #actions>
        <BuildingPreview v-if="building" :building="building" />
        <button type="button" class="button" @click="dialog = null">{{ kitWords.cancel }}</button>
        <button type="button" class="button-main" @click="copy">{{ containerWords.copy }}</button>
      </template>
    </KDialog>
    <KDialog :open="dialog === 'empty'" :title="containerWords.emptyTitle(row.container.name)" @close="dialog = null">
      <p class="mt-2">{{ containerWords.emptyLead(sets) }}</p>
      <template v-if="sets > 0">
        <select v-model="into" class="field mt-3" :aria-label="containerWords.emptyLead(sets)">
          <option value="">{{ containerWords.placeless }}</option>
          <option v-for="each in others" :key="each.id" :value="each.id">{{ containerWords.into(each.name) }}</option>
        </select>
        <label class="mt-2 flex min-h-11 items-center gap-3">
          <input v-model="removes" type="checkbox" class="size-5" />
          {{ containerWords.alsoRemove }}
        </label>
      </template>
      <p v-if="problem" class="mt-2 font-semibold text-berry" role="alert">{{ problem }}</p>
      <template #actions>
        <button type="button" class="button" @click="dialog = null">{{ kitWords.cancel }}</button>
        <button type="button" class="button-main" @click="empty">
          {{ sets === 0 ? containerWords.doRemove : containerWords.doEmpty }}
        </button>
      </template>
    </KDialog>
    <KDialog :open="dialog === 'measure'" :title="containerWords.measure" @close="dialog = null">
      <p class="hint mt-1">{{ roomWords.measureLead }}</p>
      <div class="mt-3 grid gap-4 sm:grid-cols-2">
        <KField v-if="row.container.lanes > 1" :label="containerWords.lane" for="measure-lane">
          <select id="measure-lane" v-model.number="lane" class="field">
            <option v-for="each in row.container.lanes" :key="each" :value="each">{{ laneName(each, row.container.lanes) }}</option>
          </select>
        </KField>
        <KField :label="containerWords.filled" for="measure-filled" :problem="problem">
          <input
            id="measure-filled"
            v-model="filled"
            class="field figures"
            maxlength="30"
            autocomplete="off"
            @input="problem = ''"
            @keydown.enter="measure"
          />
        </KField>
      </div>
      <template #actions>
        <button type="button" class="button" @click="dialog = null">{{ kitWords.cancel }}</button>
        <button type="button" class="button-main" @click="measure">{{ containerWords.keepLength }}</button>
      </template>
    </KDialog>
  </div>
</template>
