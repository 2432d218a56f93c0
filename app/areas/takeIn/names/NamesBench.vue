<script setup lang="ts">
import { until } from '@vueuse/core'
import { Plus } from 'lucide-vue-next'
import { newId } from '~/db/newId'
import { computed, nextTick, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { NuxtLink } from '#components'
import { addTo, type Holding } from '#core/catalog'
import { type NameList, type NameRecord, NAME_LISTS, newName, refersTo } from '#core/classing'
import { plainly } from '~/kit/plainly'
import JoinAndSplit from './JoinAndSplit.vue'
import NameForm from './NameForm.vue'
import MarksForm from './MarksForm.vue'
import NameRow from './NameRow.vue'
import SharedPages from './SharedPages.vue'
import StartThemes from './StartThemes.vue'
import WouldMoveDialog from './WouldMoveDialog.vue'
import { useChosen } from '~/kit/useChosen'
import { useRoomWorker } from '~/data/useRoomWorker'
import { act } from '~/data/act'
import { nameWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'

/** The lists of names: brands by the alphabet, categories and themes in the owner's own order. */
const catalogue = useCatalogue()
const notices = useNotices()
const route = useRoute()
const list = computed((): NameList => NAME_LISTS.find(each => each === route.query.list) ?? 'themes')
const isMarks = computed(() => route.query.list === 'marks')
const TABS = [...NAME_LISTS, 'marks'] as const
const isOrdered = computed(() => list.value !== 'brands')
const openId = useChosen('name')
/** A name that is being made and is in no list yet. */
const fresh = shallowRef<NameRecord | null>(null)
const carriedId = shallowRef<string | null>(null)
/** The order as it is being carried about, before it is taken: what it would move is shown first. */
const tried = shallowRef<readonly string[] | null>(null)
const wouldMove = shallowRef<number | null>(null)
const worker = useRoomWorker()

const records = computed((): readonly NameRecord[] => {
  const all: readonly NameRecord[] = [...(catalogue.tables?.[list.value].values() ?? [])]
  const place = new Map(tried.value?.map((id, at) => [id, at]))
  if (tried.value) return all.toSorted((a, b) => (place.get(a.id) ?? Infinity) - (place.get(b.id) ?? Infinity))
  return all.toSorted((a, b) => ('rank' in a && 'rank' in b ? a.rank - b.rank || (a.id < b.id ? -1 : 1) : a.name.localeCompare(b.name)))
})
const setsOf = computed(() => {
  const sets = new Map<string, Holding[]>()
  for (const holding of catalogue.tables?.holdings.values() ?? []) {
    for (const id of refersTo(list.value, holding)) addTo(sets, id, holding)
  }
  return sets
})
const opened = computed(() => fresh.value ?? records.value.find(record => record.id === openId.value) ?? null)

/** Another list has other names: its address has none. */
function leaveList(): void {
  fresh.value = null
}
function open(id: string): void {
  fresh.value = null
  openId.value = openId.value === id ? null : id
}
function make(): void {
  fresh.value = newName(list.value, newId(), '', records.value)
}
function kept(): void {
  openId.value = fresh.value?.id ?? openId.value
  fresh.value = null
}
function move(id: string, to: number): void {
  const ids = records.value.map(record => record.id).filter(each => each !== id)
  ids.splice(Math.max(0, to), 0, id)
  tried.value = ids
}
/** Set down: where the order would put sets out of theirs, that is asked first; else it is taken at once. */
async function settle(): Promise<void> {
  const { value: ids } = tried
  if (!ids || list.value === 'brands') return
  const [asked, inOrder] = [list.value, records.value.map((record, rank) => ({ ...record, rank }))]
  const count = (await worker.ask(api => api.wouldMove(asked, plainly(inOrder)))) ?? 0
  if (count > 0) wouldMove.value = count
  else await takeOrder()
}
async function takeOrder(): Promise<void> {
  if (tried.value && list.value !== 'brands') await act.orderNames(list.value, tried.value)
  await dropOrder(true)
}
async function dropOrder(isTaken = false): Promise<void> {
  wouldMove.value = null
  // The list follows the database a moment later; until then it stays as it was set down.
  const ids = tried.value
  if (isTaken && ids)
    await until(
      () =>
        [...(catalogue.tables?.[list.value].values() ?? [])]
          .toSorted((a, b) => ('rank' in a && 'rank' in b ? a.rank - b.rank : 0))
          .map(each => each.id)
          .join() === ids.join(),
    ).toBeTruthy({ timeout: 1500 })
  tried.value = null
}
function dropped(id: string, frontOf: string): void {
  const others = records.value.filter(record => record.id !== id)
  move(
    id,
    others.findIndex(record => record.id === frontOf),
  )
  void settle()
}
/** m picks a name up, arrows carry it, Enter or Escape sets it down; without, arrows walk. */
async function keyed(event: KeyboardEvent): Promise<void> {
  const name = event.target instanceof HTMLElement ? event.target.dataset.name : undefined
  const at = records.value.findIndex(record => record.name === name)
  const record = records.value[at]
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (!record) return
  if (event.key === 'm' && isOrdered.value) {
    carriedId.value = record.id
    notices.tell(nameWords.carry(record.name))
  } else if (carriedId.value && (event.key === 'Enter' || event.key === 'Escape')) {
    carriedId.value = null
    if (event.key === 'Enter') void settle()
    else tried.value = null
  } else if (step && carriedId.value) move(record.id, Math.min(records.value.length - 1, at + step))
  else if (!step) return
  event.preventDefault()
  await nextTick()
  const focus = carriedId.value ? record.name : records.value[at + (step ?? 0)]?.name
  document.querySelector<HTMLElement>(`[data-name="${CSS.escape(focus ?? '')}"]`)?.focus()
}
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <header class="flex flex-wrap items-center gap-x-5">
      <h1 class="text-[1.35rem] leading-tight">{{ nameWords.title }}</h1>
      <nav class="flex min-w-0 flex-1 overflow-x-auto overflow-y-hidden border-b-3 border-line" :aria-label="nameWords.listsLabel">
        <NuxtLink
          v-for="each in TABS"
          :key="each"
          :to="{ query: { list: each } }"
          replace
          class="flex min-h-11 items-center border-b-3 px-3 font-semibold sm:px-4"
          :class="each === (isMarks ? 'marks' : list) ? 'border-strong' : 'border-transparent text-quiet'"
          :aria-current="each === (isMarks ? 'marks' : list) ? 'page' : undefined"
          @click="leaveList"
        >
          {{ nameWords.lists[each] }}
        </NuxtLink>
      </nav>
      <button v-if="!isMarks" type="button" class="button-main hidden sm:inline-flex" @click="make">
        <Plus :size="18" aria-hidden="true" />
        {{ nameWords.make[list] }}
      </button>
    </header>
    <WouldMoveDialog :count="wouldMove" @take="takeOrder" @leave="dropOrder()" />
    <MarksForm v-if="isMarks" class="mt-4" />
    <template v-else>
      <p class="hint mt-1 hidden sm:block">{{ isOrdered ? nameWords.orderHint : nameWords.brandHint }}</p>
      <template v-if="list === 'themes'">
        <SharedPages class="mt-2" :sets-of="id => setsOf.get(id)?.length ?? 0" />
        <StartThemes class="mt-2" :is-open="records.length < 4" />
      </template>
      <div class="mt-2 grid gap-6 md:grid-cols-[1fr_1.2fr]">
        <p v-if="records.length === 0" class="py-8 text-quiet">{{ nameWords.empty[list] }}</p>
        <ul v-else class="content-start border-t border-line" @keydown="keyed">
          <NameRow
            v-for="record in records"
            :id="record.id"
            :key="record.id"
            :name="record.name"
            :sets="setsOf.get(record.id)?.length ?? 0"
            :is-open="record.id === openId"
            :is-ordered="isOrdered"
            :is-carried="record.id === carriedId"
            @open="open(record.id)"
            @dropped="dropped($event, record.id)"
          />
          <li class="py-3 sm:hidden">
            <button type="button" class="button" @click="make">
              <Plus :size="18" aria-hidden="true" />
              {{ nameWords.make[list] }}
            </button>
          </li>
        </ul>
        <section
          v-if="opened"
          class="panel content-start md:sticky md:top-4 md:self-start"
          :aria-label="opened.name || nameWords.make[list]"
        >
          <NameForm :list="list" :record="opened" @kept="kept" />
          <JoinAndSplit
            v-if="!fresh"
            class="mt-4"
            :list="list"
            :record="opened"
            :sets="setsOf.get(opened.id) ?? []"
            @joined="openId = $event"
          />
        </section>
      </div>
    </template>
  </div>
</template>
