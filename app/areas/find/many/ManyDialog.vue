<script setup lang="ts">
import KCheck from '~/kit/KCheck.vue'
import { computed, reactive, shallowRef, watch } from 'vue'
import { LIMITS, type Holding } from '#core/catalog'
import { whatChanges, type Wish } from '#core/questions'
import { readSize } from '#core/units'
import { isSameName } from '#core/grammar'
import { act } from '~/data/act'
import { plainly } from '~/kit/plainly'
import type { CornerPlan } from '~/data/room.worker'
import { useRoomWorker } from '~/data/useRoomWorker'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import KCombo from '~/kit/KCombo.vue'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import KTyped from '~/kit/KTyped.vue'
import { useTyped } from '~/kit/useTyped'
import ThemesField from '~/subjects/set/ThemesField.vue'
import { kitWords } from '~/kit/words'
import { useNotices } from '~/kit/useNotices'
import { manyWords } from './words'

/** Many sets changed at once: all of an answer, or those that are ticked. What would change is said before it is done. */
const { open, ids } = defineProps<{ open: boolean; ids: readonly string[] }>()
const emit = defineEmits<{ close: [] }>()
const catalogue = useCatalogue()
const notices = useNotices()
const { code } = useDescribe()
/** So many sets are listed one by one; the rest is one tick. */
const LISTED = 200

const BLANK = { brand: '', category: '', kindId: '', holderTypeId: '', zoneId: '', size: '', note: '', themes: [] as string[], theme: '' }
const texts = reactive({ ...BLANK })
const typed = useTyped(texts)
/** Sets that are not to be changed, and whether those beyond the list are. */
const left = shallowRef<ReadonlySet<string>>(new Set())
const hasRest = shallowRef(true)
watch(
  () => open,
  isOpen => {
    if (!isOpen) return typed.leave()
    Object.assign(texts, { ...BLANK, themes: [] })
    typed.begin('many', { ...BLANK })
    left.value = new Set()
    hasRest.value = true
  },
  { immediate: true },
)

const listed = computed(() => ids.slice(0, LISTED).flatMap(id => catalogue.tables?.holdings.get(id) ?? []))
const chosen = computed((): readonly Holding[] => {
  const rest = hasRest.value ? ids.slice(LISTED).flatMap(id => catalogue.tables?.holdings.get(id) ?? []) : []
  return [...listed.value.filter(({ id }) => !left.value.has(id)), ...rest]
})
function toggle(id: string): void {
  const now = new Set(left.value)
  if (!now.delete(id)) now.add(id)
  left.value = now
}
function tickAll(isTicked: boolean): void {
  left.value = new Set(isTicked ? [] : listed.value.map(({ id }) => id))
  hasRest.value = isTicked
}

const named = (list: 'brands' | 'categories' | 'themes', name: string): string =>
  [...(catalogue.tables?.[list].values() ?? [])].find(each => isSameName(each.name, name))?.id ?? 'new'
const size = computed(() => readSize(texts.size, catalogue.settings.unit))
const isSizeWrong = computed(() => texts.size.trim() !== '' && !size.value.ok)
const themes = computed(() => [...texts.themes, ...(texts.theme.trim() ? [texts.theme.trim()] : [])])
const wish = computed((): Wish => ({
  ...(texts.brand.trim() ? { brandId: named('brands', texts.brand) } : {}),
  ...(texts.category.trim() ? { categoryId: named('categories', texts.category) } : {}),
  ...(texts.kindId ? { kindId: texts.kindId } : {}),
  ...(texts.holderTypeId ? { holderTypeId: texts.holderTypeId } : {}),
  ...(size.value.ok ? { size: { ...size.value.size } } : {}),
  ...(themes.value.length > 0 ? { themeIds: themes.value.map(name => named('themes', name)) } : {}),
  ...(texts.note.trim() ? { note: texts.note.trim() } : {}),
}))
const changes = computed(() => whatChanges(chosen.value, wish.value))
const holderTypes = computed(() =>
  [...(catalogue.tables?.holderTypes.values() ?? [])].filter(each => !each.isRetired).sort((a, b) => a.rank - b.rank),
)
const zones = computed(() => [...catalogue.facts.zones].sort((a, b) => a.rank - b.rank))
/** Where they would stand; null: no corner is chosen, or it is worked out. */
const corner = shallowRef<CornerPlan | null>(null)
const worker = useRoomWorker()
watch([() => texts.zoneId, chosen, () => catalogue.room, () => open], async ([zoneId, sets]) => {
  corner.value = null
  if (!zoneId || !open) return
  const plan = await worker.ask(api =>
    api.planCorner(
      sets.map(({ id }) => id),
      zoneId,
    ),
  )
  if (zoneId === texts.zoneId && sets === chosen.value) corner.value = plan
})
const zoneName = computed(() => zones.value.find(({ id }) => id === texts.zoneId)?.name ?? '')
const willChange = computed(() => changes.value.some(each => each.changes > 0) || (corner.value?.places.length ?? 0) > 0)
const namesOf = (list: 'brands' | 'categories' | 'themes'): readonly string[] =>
  [...(catalogue.tables?.[list].values() ?? [])].map(each => each.name).sort()

async function change(): Promise<void> {
  const { kindId, size } = wish.value
  // With nothing else to be said, those that stay are left alone.
  const places = plainly(corner.value?.places ?? [])
  const { changed, left } = await act.changeMany([
    {
      ids: changes.value.length > 0 ? chosen.value.map(({ id }) => id) : places.map(({ holdingId }) => holdingId),
      set: { ...(kindId ? { kindId } : {}), ...(size ? { size } : {}) },
      ...(texts.brand.trim() ? { brandName: texts.brand.trim() } : {}),
      ...(texts.category.trim() ? { categoryName: texts.category.trim() } : {}),
      addThemes: themes.value,
      addNote: texts.note.trim(),
      holderTypeId: texts.holderTypeId,
      places,
    },
  ])
  typed.forget()
  notices.tell([manyWords.done(changed), ...(left > 0 ? [manyWords.left(left)] : [])].join(' '), left > 0 ? 'care' : 'done')
  emit('close')
}
</script>

<template>
  <KDialog :open="open" :title="manyWords.title(chosen.length)" wide @close="emit('close')">
    <p class="hint">{{ manyWords.hint }}</p>
    <KTyped :is-back="typed.isBack.value" @afresh="typed.beginAfresh()" />
    <div class="mt-3 grid gap-x-6 gap-y-3 sm:grid-cols-2">
      <KField :label="manyWords.brand" for="many-brand">
        <KCombo id="many-brand" v-model="texts.brand" :label="manyWords.brand" :options="namesOf('brands')" />
      </KField>
      <KField :label="manyWords.category" for="many-category">
        <KCombo id="many-category" v-model="texts.category" :label="manyWords.category" :options="namesOf('categories')" />
      </KField>
      <KField :label="manyWords.themes" for="take-themes">
        <ThemesField v-model:themes="texts.themes" v-model:typed="texts.theme" :options="namesOf('themes')" />
      </KField>
      <KField :label="manyWords.kind" for="many-kind">
        <select id="many-kind" v-model="texts.kindId" class="field">
          <option value="">{{ manyWords.stays }}</option>
          <option v-for="{ id, name } in catalogue.tables?.kinds.values() ?? []" :key="id" :value="id">{{ name }}</option>
        </select>
      </KField>
      <KField :label="manyWords.sitsIn" for="many-holder">
        <select id="many-holder" v-model="texts.holderTypeId" class="field">
          <option value="">{{ manyWords.stays }}</option>
          <option v-for="{ id, name } in holderTypes" :key="id" :value="id">{{ name }}</option>
        </select>
      </KField>
      <KField :label="manyWords.corner" for="many-corner">
        <select id="many-corner" v-model="texts.zoneId" class="field">
          <option value="">{{ manyWords.stays }}</option>
          <option v-for="{ id, name } in zones" :key="id" :value="id">{{ name }}</option>
        </select>
      </KField>
      <KField :label="manyWords.size" for="many-size" :problem="isSizeWrong ? manyWords.sizeUnread : ''">
        <input id="many-size" v-model="texts.size" class="field" :placeholder="manyWords.sizeExample" maxlength="120" />
      </KField>
      <KField :label="manyWords.note" for="many-note">
        <input id="many-note" v-model="texts.note" class="field" :maxlength="LIMITS.name" />
      </KField>
    </div>
    <ul class="mt-3 border-l-4 border-strong bg-wash p-3" aria-live="polite" data-changes>
      <li v-if="changes.length === 0 && !texts.zoneId" class="hint">{{ manyWords.nothing }}</li>
      <li v-for="each in changes" :key="each.field">{{ manyWords.change(each.field, each.changes, chosen.length) }}</li>
      <li v-if="corner" data-corner>
        {{ manyWords.toCorner(zoneName, corner.moved, corner.there, corner.left) }}
        <span v-if="corner.places.length > 0" class="hint block">{{ manyWords.carry }}</span>
      </li>
    </ul>
    <fieldset class="mt-4">
      <legend class="flex w-full flex-wrap items-center gap-3">
        <span class="font-semibold">{{ manyWords.which }}</span>
        <span class="figures" aria-live="polite" data-ticked>{{ manyWords.ticked(chosen.length, ids.length) }}</span>
        <button type="button" class="button" @click="tickAll(true)">{{ manyWords.all }}</button>
        <button type="button" class="button" @click="tickAll(false)">{{ manyWords.none }}</button>
      </legend>
      <ul class="mt-2 max-h-56 overflow-y-auto border border-line px-3" tabindex="-1">
        <li v-for="holding in listed" :key="holding.id">
          <label class="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              class="h-5 w-5 shrink-0 accent-(--strong)"
              :checked="!left.has(holding.id)"
              @change="toggle(holding.id)"
            />
            <span class="wrap-anywhere">{{ code(holding) }} {{ holding.name }}</span>
          </label>
        </li>
        <li v-if="ids.length > LISTED">
          <KCheck v-model="hasRest" :label="manyWords.rest(ids.length - LISTED)" />
        </li>
      </ul>
    </fieldset>
    <template #actions>
      <button type="button" class="button" @click="emit('close')">{{ kitWords.cancel }}</button>
      <button
        type="button"
        class="button-main"
        :disabled="isSizeWrong || chosen.length === 0 || !willChange || (texts.zoneId !== '' && corner === null)"
        @click="change"
      >
        {{ manyWords.go(chosen.length) }}
      </button>
    </template>
  </KDialog>
</template>
