<script setup lang="ts">
import { Check } from 'lucide-vue-next'
import { computed, onMounted, onScopeDispose, reactive, shallowRef, watch } from 'vue'
import { newId } from '~/db/newId'
import { blankDraft, type Draft, type Holding, nextRank } from '#core/catalog'
import { pairKey, type PartnerPair, proposePartners, withoutPartner } from '#core/classing'
import { useAdvice } from '~/areas/takeIn/advice/useAdvice'
import { act, draftsNow } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import KPageHead from '~/kit/KPageHead.vue'
import { useKept } from '~/kit/useKept'
import KTyped from '~/kit/KTyped.vue'
import { useTyped } from '~/kit/useTyped'
import { useNotices } from '~/kit/useNotices'
import { partnerWords } from './words'

/** Dies and the stamps they may be for, a line a pair with why; and stamps that should have a die and have none. */
const catalogue = useCatalogue()
const notices = useNotices()
const advice = useAdvice()
const { code, lookUp } = useDescribe()
/** So many of a group are drawn at once. */
const SHOWN = 100

const sets = computed(() =>
  [...(catalogue.tables?.holdings.values() ?? [])].map(({ id, name, brandId, kindId, hasMatchingDie }) => ({
    id,
    name,
    brandId,
    family: lookUp('kinds', kindId)?.family ?? null,
    hasMatchingDie,
  })),
)
const relations = computed(() => [...(catalogue.tables?.relations.values() ?? [])])
/** Dies and stamps whose photos show the same, as far as they were looked at. */
const alike = shallowRef<readonly { readonly dieId: string; readonly stampId: string }[]>([])
const looked = shallowRef<{ readonly done: number; readonly all: number } | null>(null)
let isLeft = false
onScopeDispose(() => (isLeft = true))
onMounted(async () => {
  const paired = new Set(relations.value.flatMap(({ kind, fromId }) => (kind === 'dieForStamp' ? [fromId] : [])))
  const dies = sets.value.filter(({ id, family }) => family === 'die' && !paired.has(id)).flatMap(({ id }) => holding(id) ?? [])
  const shown = dies.filter(({ pictureHash }) => pictureHash !== null)
  for (const [at, { id, pictureHash }] of shown.entries()) {
    if (isLeft) return
    looked.value = { done: at, all: shown.length }
    const found = (await advice.ask(api => api.likePicture(pictureHash ?? '', id))) ?? []
    const owned = found.filter(each => each.where === 'owned')
    if (owned.length > 0) alike.value = [...alike.value, ...owned.map(each => ({ dieId: id, stampId: each.id }))]
  }
  looked.value = null
})
/** Pairs of which somebody has said that they are none; kept in this browser. */
const refusedKeys = useKept<string>('partnersRefused', '')
const refused = computed(() => new Set(refusedKeys.value.split('/').filter(Boolean)))
const pairs = computed(() => proposePartners(sets.value, relations.value, alike.value).filter(pair => !refused.value.has(pairKey(pair))))
const groups = computed(() =>
  (['sameBrandAndName', 'sameName', 'nameWithin', 'samePicture', 'doubtful'] as const).flatMap(group => {
    const own = pairs.value.filter(({ because, doubt }) => (group === 'doubtful' ? doubt !== null : doubt === null && because === group))
    return own.length > 0 ? [{ group, own }] : []
  }),
)
/** What was ticked or not otherwise than is proposed: one brand and one name is ticked, all else is asked. */
const kept = reactive<{ turned: string[] }>({ turned: [] })
const typed = useTyped(kept)
typed.begin('partners', { turned: [] })
const isProposed = ({ because, doubt }: PartnerPair): boolean => because === 'sameBrandAndName' && doubt === null
const isTicked = (pair: PartnerPair): boolean => isProposed(pair) !== kept.turned.includes(pairKey(pair))
function tick(some: readonly PartnerPair[], isOn: boolean): void {
  const keys = new Set(some.map(pairKey))
  kept.turned = [...kept.turned.filter(key => !keys.has(key)), ...some.filter(pair => isProposed(pair) !== isOn).map(pairKey)]
}
const ticked = computed(() => pairs.value.filter(isTicked))
async function keep(): Promise<void> {
  const count = await act.pairDies(ticked.value)
  typed.forget()
  kept.turned = []
  notices.tell(partnerWords.kept(count))
}
function refuse(): void {
  const keys = ticked.value.map(pairKey)
  refusedKeys.value = [...refused.value, ...keys].join('/')
  typed.forget()
  kept.turned = []
  notices.tell(partnerWords.refused(keys.length))
}
const holding = (id: string): Holding | undefined => catalogue.tables?.holdings.get(id)
const label = (id: string): string => {
  const own = holding(id)
  return own ? `${code(own)} ${own.name}` : ''
}

const lacking = computed(() => withoutPartner(sets.value, relations.value, pairs.value).flatMap(({ id }) => holding(id) ?? []))
/** The strips of the pile, as they are now: dies that were put there wait for their number. */
const drafts = shallowRef<readonly Draft[]>([])
const readPile = async (): Promise<void> => void (drafts.value = await draftsNow())
onMounted(readPile)
watch(() => catalogue.steps, readPile)
const onPile = computed(() => new Set(drafts.value.map(({ texts }) => texts.notes)))
const isOnPile = (stamp: Holding): boolean => onPile.value.has(partnerWords.dieNote(label(stamp.id)))
const waiting = computed(() => lacking.value.filter(stamp => !isOnPile(stamp)))
async function toPile(stamps: readonly Holding[]): Promise<void> {
  const die = [...(catalogue.tables?.kinds.values() ?? [])].find(({ family }) => family === 'die')
  const rank = nextRank(drafts.value)
  const createdAt = new Date().toISOString()
  await act.addDrafts(
    stamps.map((stamp, at) => {
      const draft = blankDraft({ id: newId(), rank: rank + at, createdAt })
      const brand = lookUp('brands', stamp.brandId)?.name ?? ''
      const texts = {
        ...draft.texts,
        name: partnerWords.dieName(stamp.name),
        brand,
        kindId: die?.id ?? '',
        notes: partnerWords.dieNote(label(stamp.id)),
      }
      return { ...draft, texts }
    }),
  )
  notices.tell(partnerWords.piled(stamps.length))
}
async function hasNone(stamps: readonly Holding[]): Promise<void> {
  const { changed } = await act.changeMany([{ ids: stamps.map(({ id }) => id), set: { hasMatchingDie: false } }])
  notices.tell(partnerWords.saidNone(changed))
}
</script>

<template>
  <div class="mx-auto max-w-5xl px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="partnerWords.title" :lead="partnerWords.lead" />
    <KTyped :is-back="typed.isBack.value" @afresh="typed.beginAfresh" />
    <div v-if="pairs.length === 0 && lacking.length === 0 && !looked" class="py-12 text-center">
      <p class="text-[1.2rem] font-semibold">{{ partnerWords.none }}</p>
      <p class="hint mt-1">{{ partnerWords.noneHint }}</p>
    </div>
    <section
      v-for="{ group, own } in groups"
      :key="group"
      class="mt-3 border-t border-edge pt-2"
      :data-group="group"
      :aria-label="partnerWords.group[group]"
    >
      <div class="flex flex-wrap items-center gap-x-4">
        <h2 class="text-[1.1rem]">{{ partnerWords.group[group] }}</h2>
        <span class="hint figures">{{ partnerWords.count(own.length) }}</span>
        <button type="button" class="min-h-11 px-2 underline" @click="tick(own, true)">{{ partnerWords.all }}</button>
        <button type="button" class="min-h-11 px-2 underline" @click="tick(own, false)">{{ partnerWords.noneTicked }}</button>
      </div>
      <ul>
        <li v-for="pair in own.slice(0, SHOWN)" :key="pairKey(pair)" class="border-t border-line">
          <label class="flex min-h-11 flex-wrap items-center gap-x-3">
            <input
              type="checkbox"
              class="size-5 accent-(--strong)"
              :checked="isTicked(pair)"
              :aria-label="partnerWords.pair(label(pair.dieId), label(pair.stampId))"
              @change="tick([pair], !isTicked(pair))"
            />
            <span class="font-semibold">{{ label(pair.dieId) }}</span>
            <span class="hint">{{ partnerWords.forStamp }}</span>
            <span>{{ label(pair.stampId) }}</span>
            <span v-if="pair.isPictured && pair.because !== 'samePicture'" class="hint">{{ partnerWords.pictured }}</span>
            <span v-if="pair.doubt" class="hint text-ochre">{{ partnerWords.doubt[pair.doubt] }}</span>
          </label>
        </li>
        <li v-if="own.length > SHOWN" class="hint border-t border-line py-2">{{ partnerWords.more(own.length - SHOWN) }}</li>
      </ul>
    </section>
    <p v-if="looked" class="hint mt-3 figures" role="status">{{ partnerWords.looking(looked.done, looked.all) }}</p>
    <p v-if="refused.size > 0" class="mt-3 flex flex-wrap items-center gap-x-3" data-refused>
      {{ partnerWords.refusedBefore(refused.size) }}
      <button type="button" class="min-h-11 px-2 underline" @click="refusedKeys = ''">{{ partnerWords.askAgain }}</button>
    </p>
    <div v-if="pairs.length > 0" class="sticky bottom-0 mt-2 flex flex-wrap justify-end gap-3 border-t border-edge bg-sheet py-3">
      <button type="button" class="button" :disabled="ticked.length === 0" @click="refuse">{{ partnerWords.refuse(ticked.length) }}</button>
      <button type="button" class="button-main" :disabled="ticked.length === 0" @click="keep">
        <Check :size="18" aria-hidden="true" />
        {{ partnerWords.keep(ticked.length) }}
      </button>
    </div>
    <section v-if="lacking.length > 0" class="mt-4 border-t border-edge pt-2" data-lacking>
      <div class="flex flex-wrap items-center gap-x-4">
        <h2 class="text-[1.1rem]">{{ partnerWords.lacking }}</h2>
        <span class="hint figures">{{ lacking.length }}</span>
      </div>
      <p class="hint">{{ partnerWords.lackingHint }}</p>
      <div v-if="waiting.length > 1" class="mt-1 flex flex-wrap gap-2">
        <button type="button" class="button" @click="toPile(waiting)">{{ partnerWords.toPileAll(waiting.length) }}</button>
        <button type="button" class="button" @click="hasNone(waiting)">{{ partnerWords.hasNoneAll(waiting.length) }}</button>
      </div>
      <ul class="mt-2">
        <li
          v-for="stamp in lacking.slice(0, SHOWN)"
          :key="stamp.id"
          class="flex min-h-11 flex-wrap items-center gap-x-3 border-t border-line py-1"
        >
          <span class="min-w-0 flex-1 basis-60 font-semibold">{{ label(stamp.id) }}</span>
          <span v-if="isOnPile(stamp)" class="hint">{{ partnerWords.onPile }}</span>
          <template v-else>
            <button type="button" class="button" @click="toPile([stamp])">{{ partnerWords.toPile }}</button>
            <button type="button" class="button" @click="hasNone([stamp])">{{ partnerWords.hasNone }}</button>
          </template>
        </li>
        <li v-if="lacking.length > SHOWN" class="hint border-t border-line py-2">{{ partnerWords.more(lacking.length - SHOWN) }}</li>
      </ul>
    </section>
  </div>
</template>
