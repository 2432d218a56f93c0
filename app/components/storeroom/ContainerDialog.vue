<script setup lang="ts">
import { computed, reactive, shallowRef, watch } from 'vue'
import type { ContainerType } from '#core/catalog'
import { MM_PER_UNIT, readNumber } from '#core/units'
import KDialog from '~/components/kit/KDialog.vue'
import KField from '~/components/kit/KField.vue'
import { commands, database } from '~/db'
import { shellWords, storeroomWords } from '~/messages'
import { useCatalogue } from '~/stores/catalogue'

/** A new container, and its furniture where that is new. */
const { open } = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [], added: [id: string] }>()
const catalogue = useCatalogue()
const NEW = 'new'
const fixtures = computed(() => [...catalogue.tables?.fixtures.values() ?? []].sort((a, b) => a.rank - b.rank))
const zones = computed(() => [...catalogue.tables?.zones.values() ?? []].sort((a, b) => a.rank - b.rank))
const form = reactive({ name: '', code: '', type: 'bin' as ContainerType, lanes: 1, length: '', fixtureId: '', fixtureName: '', shelf: 1, zoneId: '', rows: 4, columns: 3, pages: 10, isTwoSided: false })
const problem = shallowRef('')
const isTried = shallowRef(false)

watch(() => open, () => {
  const count = (catalogue.tables?.containers.size ?? 0) + 1
  Object.assign(form, { name: `Bin ${count}`, code: `B${count}`, type: 'bin', lanes: 1, length: catalogue.settings.unit === 'in' ? '12 in' : '30 cm', fixtureId: fixtures.value[0]?.id ?? NEW, fixtureName: '', shelf: 1, zoneId: zones.value[0]?.id ?? '' })
  problem.value = ''
  isTried.value = false
}, { immediate: true })

const lengthMm = computed(() => {
  const read = readNumber(form.length)
  const mm = read ? read.value * MM_PER_UNIT[read.unit ?? catalogue.settings.unit] : 0
  return mm > 0 && mm <= 5000 ? mm : null
})
const isComplete = computed(() => form.name.trim() !== '' && form.code.trim() !== '' && lengthMm.value !== null && (form.fixtureId !== NEW || form.fixtureName.trim() !== ''))

async function add(): Promise<void> {
  isTried.value = true
  if (!isComplete.value || lengthMm.value === null) return
  const { name, code, type, shelf, zoneId, rows, columns, pages, isTwoSided } = form
  const outcome = await commands.addContainer(database(), {
    name: name.trim(), code: code.trim(), type, lanes: type === 'binder' ? 1 : form.lanes, lengthMm: lengthMm.value, shelf, zoneId,
    cells: type === 'binder' ? { rows, columns, pages, isTwoSided } : null,
    fixture: form.fixtureId === NEW ? { name: form.fixtureName.trim(), shelves: shelf } : { id: form.fixtureId },
  })
  if (!outcome.ok) {
    problem.value = storeroomWords.addProblem(outcome)
    return
  }
  emit('added', outcome.id)
}
</script>

<template>
  <KDialog :open="open" :title="storeroomWords.addTitle" wide @close="emit('close')">
    <form id="container-form" class="mt-3 grid gap-4 sm:grid-cols-2" novalidate @submit.prevent="add">
      <KField :label="storeroomWords.type" for="new-type"><select id="new-type" v-model="form.type" class="field"><option v-for="(text, type) in storeroomWords.types" :key="type" :value="type">{{ text }}</option></select></KField>
      <KField :label="storeroomWords.name" for="new-name" :problem="isTried && !form.name.trim() ? storeroomWords.needed : ''"><input id="new-name" v-model="form.name" class="field" maxlength="80"></KField>
      <KField :label="storeroomWords.code" for="new-code" :hint="storeroomWords.codeHint" :problem="problem || (isTried && !form.code.trim() ? storeroomWords.needed : '')"><input id="new-code" v-model="form.code" class="field" maxlength="12" @input="problem = ''"></KField>
      <KField :label="storeroomWords.zone_" for="new-zone"><select id="new-zone" v-model="form.zoneId" class="field"><option v-for="zone in zones" :key="zone.id" :value="zone.id">{{ zone.name }}</option></select></KField>
      <KField :label="storeroomWords.fixture" for="new-fixture"><select id="new-fixture" v-model="form.fixtureId" class="field"><option v-for="fixture in fixtures" :key="fixture.id" :value="fixture.id">{{ fixture.name }}</option><option :value="NEW">{{ storeroomWords.newFixture }}</option></select></KField>
      <KField v-if="form.fixtureId === NEW" :label="storeroomWords.newFixtureName" for="new-fixture-name" :problem="isTried && !form.fixtureName.trim() ? storeroomWords.needed : ''"><input id="new-fixture-name" v-model="form.fixtureName" class="field" maxlength="80"></KField>
      <KField :label="storeroomWords.shelf" for="new-shelf"><input id="new-shelf" v-model.number="form.shelf" type="number" min="1" max="60" class="field figures"></KField>
      <KField :label="storeroomWords.length" for="new-length" :problem="form.length && lengthMm === null ? storeroomWords.lengthProblem : ''"><input id="new-length" v-model="form.length" class="field figures" maxlength="20"></KField>
      <template v-if="form.type === 'binder'">
        <KField :label="storeroomWords.rows" for="new-rows"><input id="new-rows" v-model.number="form.rows" type="number" min="1" max="12" class="field figures"></KField>
        <KField :label="storeroomWords.columns" for="new-columns"><input id="new-columns" v-model.number="form.columns" type="number" min="1" max="12" class="field figures"></KField>
        <KField :label="storeroomWords.pages" for="new-pages"><input id="new-pages" v-model.number="form.pages" type="number" min="1" max="500" class="field figures"></KField>
        <label class="flex min-h-11 items-center gap-2 self-end"><input v-model="form.isTwoSided" type="checkbox" class="h-5 w-5 accent-(--strong)">{{ storeroomWords.bothSides }}</label>
      </template>
      <KField v-else :label="storeroomWords.lanes" for="new-lanes"><input id="new-lanes" v-model.number="form.lanes" type="number" min="1" max="4" class="field figures"></KField>
    </form>
    <p class="hint mt-4">{{ storeroomWords.liftCaution }}</p>
    <template #actions><button type="button" class="button" @click="emit('close')">{{ shellWords.cancel }}</button><button type="submit" form="container-form" class="button-main">{{ storeroomWords.addContainer }}</button></template>
  </KDialog>
</template>
