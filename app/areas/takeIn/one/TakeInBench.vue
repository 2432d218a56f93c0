<script setup lang="ts">
import MovingLine from '~/subjects/pile/MovingLine.vue'
import { until } from '@vueuse/core'
import { Check, CornerDownLeft, FileSpreadsheet, Ruler } from 'lucide-vue-next'
import { computed, nextTick, onMounted, onScopeDispose, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { NuxtLink } from '#components'
import { type Draft, type KeptPackaging, isBlank } from '#core/catalog'
import { afterCapture, stageOf, stateOnCapture } from '#core/pile'
import KTyped from '~/kit/KTyped.vue'
import KDialog from '~/kit/KDialog.vue'
import KPageHead from '~/kit/KPageHead.vue'
import KTicket from '~/kit/KTicket.vue'
import CollectionChoice from '~/areas/takeIn/pile/CollectionChoice.vue'
import GoesWith from '~/areas/takeIn/belonging/GoesWith.vue'
import LookAlikes from '~/areas/takeIn/advice/LookAlikes.vue'
import PhotoField from './PhotoField.vue'
import { stripsFor } from '~/areas/takeIn/pile/usePhotosIn'
import PhotosDrop from '~/areas/takeIn/pile/PhotosDrop.vue'
import PiecesEditor from '~/areas/takeIn/belonging/PiecesEditor.vue'
import PileStrips from '~/areas/takeIn/pile/PileStrips.vue'
import PlaceProposal from '~/areas/takeIn/placing/PlaceProposal.vue'
import StageBar from '~/areas/takeIn/pile/StageBar.vue'
import StorageRoom from '~/subjects/copies/StorageRoom.vue'
import StripFields from './StripFields.vue'
import { useDescribe } from '~/data/useDescribe'
import { useDraft } from './useDraft'
import { useSettleKey } from './useSettleKey'
import { act } from '~/data/act'
import { holderWords } from '~/subjects/fit/words'
import { pileWords } from '~/subjects/pile/words'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { placeWords } from '~/data/words'
import { kitWords } from '~/kit/words'
import { useAdvice } from '~/areas/takeIn/advice/useAdvice'
import { troubleOf } from '~/data/storageTrouble'
import { keepForGood } from '~/data/keepForGood'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import { usePile } from '~/subjects/pile/usePile'

/** Take in: the pile. Enter captures a set and starts the next; Ctrl Enter takes it all the way to its place. */
const catalogue = useCatalogue()
const notices = useNotices()
const pile = usePile()
const route = useRoute()
const router = useRouter()
const { code, codeOf, lookUp, nextCode, proposalText } = useDescribe()
useAdvice().open()
pile.open()
const next = computed(() => {
  const brand =
    lookUp('brands', draft.brandId.value) ??
    (texts.brand.trim() ? { name: texts.brand.trim(), abbreviation: null, hasOwnNumbering: false } : null)
  return nextCode({ brand, place: proposal.value?.ok ? proposal.value.point : null, written: texts.written }, texts.kindId || null)
})
const editing = computed(() => (typeof route.query.set === 'string' ? (catalogue.tables?.holdings.get(route.query.set) ?? null) : null))
const draft = useDraft(() => editing.value)
const { texts, facts, proposal, chosenId, openId, notKept } = draft
const fields = useTemplateRef<InstanceType<typeof StripFields>>('fields')
/** Asked before anything else, until it is answered. */
const isBeginning = computed(() => catalogue.settings.collection === null && !catalogue.isEmpty)
const FOLLOWS_WITHIN_MS = 2000
/** Packaging that still has a back to take a photo of. */
const KEPT_WITH_BACK: readonly KeptPackaging[] = ['whole', 'folded', 'part']
const isTried = shallowRef(false)
const isRestored = shallowRef(false)
const isMakingRoom = shallowRef(false)
/** What was not kept may find room now. */
function roomIsMade(): void {
  isMakingRoom.value = false
  void draft.keepNow()
}
const busy = shallowRef(0)
onMounted(() => {
  if (!isBeginning.value) fields.value?.focusName()
})

/** What was left open the last time is open again. */
watch(
  () => pile.isRead && !editing.value,
  async isReady => {
    isRestored.value = isReady && (await draft.restore())
  },
  { immediate: true },
)

async function save(isAllTheWay: boolean): Promise<void> {
  // The next set may be typed and sent off while one is being taken in; what is sent off already is not sent twice.
  const isBusy = busy.value > 0
  if (isBusy && (editing.value || isAllTheWay || isBlank(texts.name))) return
  isTried.value = true
  const problem = fields.value?.firstProblem
  if (problem) return document.getElementById(problem)?.focus()
  busy.value += 1
  // What goes wrong is said, and what is typed stays on the screen.
  await (editing.value ? keepChange(editing.value.id) : capture(isAllTheWay)).finally(() => (busy.value -= 1))
}
async function keepChange(id: string): Promise<void> {
  const fields = draft.changedFacts()
  const after = await act.editHolding(id, fields)
  if (!after) return notices.tell(takeInWords.editedGone, 'care')
  draft.typed.forget()
  const isPhotoGone = (['pictureHash', 'packagingPictureHash'] as const).some(field => fields[field] && after[field] === null)
  const said = isPhotoGone ? takeInWords.savedWithoutPhoto : takeInWords.savedEdit
  notices.tell(said(code(after), after.name), isPhotoGone ? 'care' : 'done')
  void router.push('/')
}
async function capture(isAllTheWay: boolean): Promise<void> {
  const found = proposal.value
  const point = isAllTheWay && found?.ok ? found.point : null
  const place = point ? { containerId: point.container.id, lane: point.lane, order: point.order, cell: point.cell } : null
  const state = isAllTheWay ? 'toFile' : stateOnCapture(facts.value, pile.used)
  // The pile comes first: what carries over goes with the next strip that is still to be named.
  const inPack = new Set(pile.pack?.ids)
  const others = pile.drafts.filter(each => each.id !== openId.value)
  const waiting = others.find(each => inPack.has(each.id)) ?? (pile.pack ? undefined : others.find(each => each.texts.name === ''))
  const handed = draft.handOver(waiting)
  isTried.value = false
  isRestored.value = false
  chosenId.value = ''
  void nextTick(() => fields.value?.focusName())
  try {
    const draftId = await handed.draftId
    const { written, isFarMeant } = handed
    const holding = await act.takeIn(handed.facts, { place, state, draftId, written, isFarMeant })
    if (!holding) return notices.tell(pileWords.stripGone, 'care')
    // It is said once the screen has followed: its series tells how its code is written, and its brand is offered to the next.
    await until(() => catalogue.tables?.holdings.has(holding.id) ?? false).toBe(true, { timeout: FOLLOWS_WITHIN_MS })
    void keepForGood()
    if (pile.pack && draftId) pile.pack = afterCapture(pile.pack, draftId, holding.id)
    const stage = stageOf(holding)
    notices.tell(
      stage && !isAllTheWay
        ? pileWords.captured(code(holding), holding.name, pileWords.stages[stage])
        : takeInWords.saved(code(holding), holding.name, holding.state === 'filed' && found ? proposalText(found) : placeWords.none),
    )
  } catch (reason) {
    const trouble = troubleOf(reason)
    const isBack = await handed.giveBack(trouble)
    if (trouble === 'other') throw reason
    if (!isBack) notices.tell(pileWords.staysOnPile(handed.facts.name), 'care')
  }
}
async function openStrip(strip: Draft): Promise<void> {
  if (!(await draft.openStrip(strip))) notices.tell(pileWords.openElsewhere, 'care')
}
async function beginNew(): Promise<void> {
  await draft.beginNew()
  isRestored.value = false
  isTried.value = false
  fields.value?.focusName()
}
async function startOver(): Promise<void> {
  const id = openId.value
  draft.clear()
  isRestored.value = false
  if (id) pile.leaveOut(id)
  if (id && pile.drafts.some(each => each.id === id)) await act.dropDrafts([id])
}
let isLeft = false
onScopeDispose(() => (isLeft = true))
/**
 * The first photo goes to the strip that is open as it is chosen, if that has none and is open still; every other one becomes a
 * strip of its own.
 */
function photosForOpen(): (hashes: readonly string[]) => Promise<void> {
  const { value: openAtFirst } = draft.shown
  return async hashes => {
    const isOpen = !isLeft && draft.shown.value === openAtFirst
    const [first, ...rest] = isOpen && !texts.pictureHash ? hashes : [null, ...hashes]
    if (first) texts.pictureHash = first
    if (isOpen) await draft.keepNow()
    await stripsFor(rest.flatMap(hash => hash ?? []))
    if (isOpen) fields.value?.focusName()
  }
}
useSettleKey(() => void save(true))
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <StageBar v-if="!editing" current="capture">
      <h1 class="sr-only">{{ takeInWords.title }}</h1>
      <p class="flex items-center gap-2">
        <span class="hint sr-only sm:not-sr-only">{{ takeInWords.nextNumber }}</span>
        <KTicket :code="next" />
      </p>
      <NuxtLink to="/take-in/list" class="button hidden px-3 sm:inline-flex">
        <FileSpreadsheet :size="18" aria-hidden="true" />
        {{ takeInWords.list }}
      </NuxtLink>
    </StageBar>
    <KPageHead v-else :title="takeInWords.editTitle(code(editing))" :lead="takeInWords.lead">
      <KTicket :code="codeOf(editing)" />
      <NuxtLink :to="`/take-in/measure?set=${editing.id}`" class="button">
        <Ruler :size="18" aria-hidden="true" />
        {{ holderWords.measure }}
      </NuxtLink>
    </KPageHead>
    <MovingLine v-if="!editing && !isBeginning" />
    <div v-if="!editing && isBeginning" class="mt-2 border-l-4 border-ridge-4 bg-wash px-4 py-2" data-beginning>
      <CollectionChoice />
      <p class="hint">{{ pileWords.howLead }}</p>
    </div>
    <KTyped v-if="editing" class="mt-3" :is-back="draft.typed.isBack.value" @afresh="draft.typed.beginAfresh()" />
    <p v-if="notKept" class="mt-3 border-l-4 border-berry bg-wash px-3 py-2 font-semibold" role="alert" data-not-kept>
      {{ pileWords.notKept[notKept] }}
      <button v-if="notKept === 'full'" type="button" class="min-h-11 underline" @click="isMakingRoom = true">
        {{ pileWords.makeRoom }}
      </button>
    </p>
    <KDialog :open="isMakingRoom" :title="pileWords.makeRoom" @close="roomIsMade">
      <StorageRoom v-if="isMakingRoom" class="mt-2" />
    </KDialog>
    <form class="mt-2 grid gap-x-6 gap-y-4 md:grid-cols-[minmax(0,1fr)_20rem]" novalidate @submit.prevent="save(editing !== null)">
      <StripFields ref="fields" :draft="draft" :is-tried="isTried" :is-known="editing !== null" />
      <div class="grid content-start gap-4">
        <p v-if="isRestored" class="flex flex-wrap items-center gap-x-4 bg-wash px-3 py-1 leading-tight">
          <span class="sr-only sm:not-sr-only">{{ takeInWords.draftKept }}</span>
          <button type="button" class="min-h-11 underline" @click="beginNew">{{ takeInWords.layBack }}</button>
          <button type="button" class="min-h-11 underline" @click="startOver">{{ takeInWords.discard }}</button>
        </p>
        <PlaceProposal v-if="!editing" v-model:chosen-id="chosenId" :proposal="proposal" :holding="draft.trial.value" />
        <LookAlikes
          :name="texts.name"
          :brand-id="draft.brandId.value"
          :picture-hash="texts.pictureHash"
          :except-id="editing?.id ?? openId"
        />
        <PhotoField v-model="texts.pictureHash" :is-shown="!editing" :of="draft.shown.value">
          <PhotosDrop v-if="!editing" :receive="photosForOpen" />
        </PhotoField>
        <PhotoField
          v-if="KEPT_WITH_BACK.some(each => each === texts.packaging)"
          v-model="texts.packagingPictureHash"
          :label="takeInWords.packagingBack"
          :of="draft.shown.value"
        />
      </div>
      <div class="action-row md:col-span-2">
        <template v-if="editing">
          <button type="submit" class="button-main" :disabled="busy > 0">
            <Check :size="18" aria-hidden="true" />
            {{ takeInWords.saveEdit }}
          </button>
          <NuxtLink to="/" class="button" @click="draft.typed.forget()">{{ kitWords.cancel }}</NuxtLink>
        </template>
        <template v-else>
          <button type="submit" class="button-main">
            <CornerDownLeft :size="18" aria-hidden="true" />
            {{ pileWords.next }}
          </button>
          <span class="hint hidden sm:inline">{{ pileWords.nextHint }}</span>
          <button type="button" class="button" :disabled="busy > 0" @click="save(true)">
            <Check :size="18" aria-hidden="true" />
            {{ takeInWords.save }}
          </button>
          <span class="hint hidden sm:inline">{{ takeInWords.saveHint }}</span>
        </template>
      </div>
    </form>
    <div v-if="editing" class="mt-6 grid gap-6">
      <GoesWith :holding="editing" />
      <PiecesEditor :holding="editing" />
    </div>
    <PileStrips v-if="!editing" class="mt-6" :open-id="openId" @open="openStrip" />
  </div>
</template>
