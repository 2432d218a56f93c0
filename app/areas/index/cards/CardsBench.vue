<script setup lang="ts">
import { FileText } from 'lucide-vue-next'
import { computed, shallowRef, watch } from 'vue'
import { PAPERS, type PageSize } from '#core/printing'
import { START_TABS } from '#core/refiling'
import IndexNav from '~/areas/index/IndexNav.vue'
import PagePreview from '~/subjects/press/PagePreview.vue'
import PressPanel from '~/subjects/press/PressPanel.vue'
import { useFetch } from '~/subjects/walk/useFetch'
import { useWalk } from '~/subjects/walk/useWalk'
import { plainly } from '~/kit/plainly'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { partialDay } from '#core/grammar'
import KField from '~/kit/KField.vue'
import { useChosen } from '~/kit/useChosen'
import { useKept } from '~/kit/useKept'
import type { CardOrder } from './cards.worker'
import {
  type CardRoom,
  cardSources,
  contentsLines,
  dividerSources,
  gapLines,
  legendLines,
  outLines,
  plannedDividers,
  pullLines,
  rowsAsked,
  setsPulled,
  slipSources,
} from './sources'
import type { Waiting } from '~/subjects/press/waiting'
import { useCardWork } from './useCardWork'
import { CARD_KINDS, type CardKind, cardWords } from './words'

/** Cards beneath the stamps, dividers, and short lists: what is chosen, as it will be, and the making of it. */
const [catalogue, fetch] = [useCatalogue(), useFetch()]
const { facts: walkFacts } = useWalk()
const { numberAndName, placeOf, sizeText } = useDescribe()
const [what, where, pull, one] = [useChosen('what'), useChosen('where'), useChosen('list'), useChosen('set')]
const onlyChanged = useKept('cards-only-changed', true)
const form = useKept<string>('divider-form', 'tab')
const blankAt = useKept<number>('divider-blank', 0)
const kind = computed((): CardKind => CARD_KINDS.find(each => each === what.value) ?? 'cards')
const isCut = computed(() => kind.value === 'cards' || kind.value === 'dividers')
const isSomewhere = computed(() => isCut.value || kind.value === 'contents')
const room = computed((): CardRoom | null =>
  catalogue.tables ? { tables: catalogue.tables, settings: catalogue.settings, room: catalogue.room } : null,
)
const containers = computed(() => (room.value ? rowsAsked(room.value, null).map(({ container }) => container) : []))
/** One container at a time: a whole room of cards is asked for on purpose. */
const ALL = 'all'
const containerId = computed(() => {
  if (where.value === ALL) return null
  return containers.value.find(({ id }) => id === where.value)?.id ?? containers.value[0]?.id ?? null
})
/** The dividers of a re-filing are wanted before they stand in the room. */
const PLAN = 'plan'
const refiling = computed(() => [...(catalogue.tables?.refilings.values() ?? [])].find(({ state }) => state === 'open') ?? null)
const planned = computed(() => (kind.value === 'dividers' && where.value === PLAN ? refiling.value : null))
const list = computed(() => fetch.lists.find(({ id }) => id === pull.value) ?? fetch.list)
/** A slip of one set, where its own slip led here; else of all on a list. */
const oneSet = computed(() => (kind.value === 'slips' ? (catalogue.tables?.holdings.get(one.value ?? '') ?? null) : null))
const slipSets = computed(() => {
  if (kind.value !== 'slips' || !room.value) return []
  return oneSet.value ? [oneSet.value] : setsPulled(room.value, list.value, walkFacts.value)
})
const ONE = 'one'
function choose(value: string): void {
  if (value === ONE) return
  one.value = null
  pull.value = value
}
const paper = computed((): PageSize => PAPERS[catalogue.settings.paper])
const shape = computed(() => {
  const blank = START_TABS.blanks[blankAt.value] ?? START_TABS.blanks[0]
  return { widthMm: blank?.widthMm ?? 0, heightMm: blank?.heightMm ?? 0, tabMm: START_TABS.tabMm, positions: START_TABS.positions }
})
function linesOf(at: CardRoom) {
  if (kind.value === 'contents') return contentsLines(at, containerId.value)
  if (kind.value === 'out') return outLines(at)
  if (kind.value === 'pull') return pullLines(at, list.value, walkFacts.value)
  return kind.value === 'gaps' ? gapLines(at) : legendLines(at)
}
function orderOf(ratioOf: (hash: string) => number | null): CardOrder | null {
  const at = room.value
  if (!at) return null
  const { roomName } = catalogue.settings
  const plain = {
    title: kind.value === 'pull' && list.value?.name ? list.value.name : cardWords.kinds[kind.value],
    foot: cardWords.foot(roomName, partialDay(new Date().toISOString())),
    paper: { ...paper.value },
    onlyChanged: onlyChanged.value,
  }
  if (kind.value === 'cards') return { ...plain, of: 'cards', sources: cardSources(at, containerId.value, ratioOf) }
  if (kind.value === 'dividers')
    return {
      ...plain,
      of: 'dividers',
      sources: planned.value ? plannedDividers(at, planned.value) : dividerSources(at, containerId.value),
      form: form.value === 'full' ? 'full' : 'tab',
      shape: shape.value,
    }
  if (kind.value === 'slips') return { ...plain, of: 'slips', sources: slipSources(at, slipSets.value, placeOf, ratioOf) }
  const hasTicks = kind.value === 'out' || kind.value === 'pull' || kind.value === 'gaps'
  return { ...plain, of: 'list', lead: roomName, lines: plainly(linesOf(at)), hasTicks }
}
const hashes = (): readonly string[] => {
  const at = room.value
  if (kind.value === 'slips') return slipSets.value.flatMap(({ pictureHash }) => pictureHash ?? [])
  if (!at || kind.value !== 'cards') return []
  return rowsAsked(at, containerId.value).flatMap(row =>
    row.placements.flatMap(({ holder }) => holder.holdingIds.flatMap(id => at.tables.holdings.get(id)?.pictureHash ?? [])),
  )
}
const work = useCardWork(orderOf, hashes)
watch([kind, containerId, planned, list, oneSet, onlyChanged, form, blankAt, () => catalogue.settings], work.change)
const laid = computed(() => work.laid.value)
const headline = computed(() => {
  const now = laid.value
  if (!now) return cardWords.laying
  if (now.all === 0) return cardWords.nothing[kind.value]
  if (now.count === 0 && now.tooLarge === 0) return cardWords.allTrue(kind.value, now.all)
  if (kind.value === 'cards' || kind.value === 'dividers' || kind.value === 'slips')
    return cardWords.count[kind.value](now.count, now.pages)
  return cardWords.count.lines(now.count, now.pages)
})
/** The page in view, and what each is called. */
const page = shallowRef(0)
const names = computed(() => Array.from({ length: laid.value?.pages ?? 0 }, (_, nth) => cardWords.page(nth + 1, laid.value?.pages ?? 0)))
watch(laid, now => (page.value = Math.min(page.value, Math.max(0, (now?.pages ?? 0) - 1))))
const askText = ({ thing, pieces, at }: Waiting): string => cardWords.waiting(thing === 'dividers' ? thing : 'cards', pieces.length, at)
const valueOf = (event: Event): string => (event.target as HTMLSelectElement).value
const fileName = computed(() => cardWords.fileName(cardWords.kinds[kind.value], catalogue.settings.roomName))
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <IndexNav :title="cardWords.title" :lead="cardWords.lead" />
    <div class="mt-2 grid items-start gap-x-8 gap-y-5 md:grid-cols-[23rem_minmax(0,1fr)]">
      <section data-card-status>
        <div class="flex gap-2">
          <select class="field min-w-0 flex-1" :aria-label="cardWords.what" :value="kind" data-card-kind @change="what = valueOf($event)">
            <option v-for="each in CARD_KINDS" :key="each" :value="each">{{ cardWords.kinds[each] }}</option>
          </select>
          <select
            v-if="isSomewhere"
            class="field w-32 min-w-0 shrink-0"
            :aria-label="cardWords.where"
            :value="planned ? PLAN : (containerId ?? ALL)"
            data-card-where
            @change="where = valueOf($event)"
          >
            <option v-if="kind === 'dividers' && refiling" :value="PLAN">{{ cardWords.plan }}</option>
            <option v-for="each in containers" :key="each.id" :value="each.id">{{ each.name }}</option>
            <option :value="ALL">{{ cardWords.everywhere }}</option>
          </select>
        </div>
        <select
          v-if="oneSet || ((kind === 'pull' || kind === 'slips') && fetch.lists.length > 1)"
          class="field mt-2"
          :aria-label="cardWords.which"
          :value="oneSet ? ONE : list?.id"
          @change="choose(valueOf($event))"
        >
          <option v-if="oneSet" :value="ONE">{{ cardWords.thisSet(numberAndName(oneSet)) }}</option>
          <option v-for="each in fetch.lists" :key="each.id" :value="each.id">{{ each.name }}</option>
        </select>
        <p class="mt-2 text-[1.1rem] leading-snug font-semibold figures" role="status" data-cards-laid>{{ headline }}</p>
        <p class="hint mt-1">{{ cardWords.hints[kind] }}</p>
        <template v-if="laid">
          <p v-if="isCut && laid.count < laid.all && laid.count > 0" class="mt-1 figures">{{ cardWords.changed(laid.count, laid.all) }}</p>
          <p v-if="laid.tooLarge > 0" class="mt-2 border-l-4 border-ochre bg-wash px-3 py-2 figures" role="status">
            {{ cardWords.tooLarge(laid.tooLarge) }}
          </p>
          <p v-if="laid.withoutPicture > 0" class="mt-2 border-l-4 border-ochre bg-wash px-3 py-2 figures" role="status">
            {{ cardWords.noPicture(laid.withoutPicture) }}
          </p>
        </template>
        <template v-if="isCut">
          <label class="mt-1 flex min-h-11 items-center gap-3">
            <input v-model="onlyChanged" type="checkbox" class="h-5 w-5 accent-(--strong)" data-only-changed />
            {{ cardWords.onlyChanged }}
          </label>
          <div v-if="kind === 'dividers'" class="mt-2 grid grid-cols-2 gap-4">
            <KField :label="cardWords.form" for="divider-form">
              <select id="divider-form" v-model="form" class="field">
                <option value="tab">{{ cardWords.forms.tab }}</option>
                <option value="full">{{ cardWords.forms.full }}</option>
              </select>
            </KField>
            <KField :label="cardWords.blank" for="divider-blank">
              <select id="divider-blank" v-model.number="blankAt" class="field">
                <option v-for="(blank, at) in START_TABS.blanks" :key="at" :value="at">{{ sizeText(blank) }}</option>
              </select>
            </KField>
          </div>
        </template>
        <PressPanel
          :press="work.press"
          :ready="cardWords.ready(work.press.made.value?.count ?? 0)"
          :file-name="fileName"
          :care="isCut || kind === 'slips' ? cardWords.care : undefined"
          :gone="work.gone.value"
          :ask-text="askText"
          :thing="kind"
          :is-asked="isCut"
          @well="work.confirm"
          @none="work.notMade"
        >
          <button v-if="laid && laid.pages > 0" type="button" class="button-main" data-make @click="work.make">
            <FileText :size="18" aria-hidden="true" />
            {{ cardWords.pdf }}
          </button>
        </PressPanel>
      </section>
      <PagePreview
        v-if="laid && laid.pages > 0"
        v-model:at="page"
        class="min-w-0"
        :names="names"
        :laid="laid"
        :pages-of="work.pagesOf"
        :paper="laid.paper"
      />
    </div>
  </div>
</template>
