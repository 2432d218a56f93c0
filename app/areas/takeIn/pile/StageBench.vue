<script setup lang="ts">
import { useKept } from '~/kit/useKept'
import { until, useResizeObserver, useWindowSize } from '@vueuse/core'
import { Check, SkipForward } from 'lucide-vue-next'
import { computed, nextTick, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { NuxtLink } from '#components'
import type { Holding } from '#core/catalog'
import { type Stage, stageOf } from '#core/pile'
import SetPicture from '~/subjects/set/SetPicture.vue'
import KTicket from '~/kit/KTicket.vue'
import ClassPanel from './ClassPanel.vue'
import FilePanel from './FilePanel.vue'
import FitPanel from './FitPanel.vue'
import LabelPanel from './LabelPanel.vue'
import StageBar from './StageBar.vue'
import { useDescribe } from '~/data/useDescribe'
import { useSettleKey } from '~/areas/takeIn/one/useSettleKey'
import { pileWords } from '~/subjects/pile/words'
import { useAdvice } from '~/areas/takeIn/advice/useAdvice'
import { useCatalogue } from '~/data/useCatalogue'
import { usePile } from '~/subjects/pile/usePile'

type WorkStage = Exclude<Stage, 'capture'>
const PANELS = { class: ClassPanel, fit: FitPanel, label: LabelPanel, file: FilePanel } as const

/** One stage for the whole pile, one set after the other; or one set through all its stages. Enter settles each. */
const route = useRoute()
const router = useRouter()
const catalogue = useCatalogue()
const pile = usePile()
const { codeOf } = useDescribe()
useAdvice().open()
pile.open()
const isAllTheWay = useKept('all-the-way', false)
const panel = useTemplateRef<{ finish: () => Promise<void> }>('panel')
const skipped = shallowRef<ReadonlySet<string>>(new Set())
const doneHere = shallowRef(0)
const isBusy = shallowRef(false)
let isSettled = false
const box = useTemplateRef('box')
/** As high as the highest so far: the button stays under the pointer while what comes next is worked out. */
const leastPx = shallowRef(0)
const keepHeight = (): void => void (leastPx.value = Math.max(leastPx.value, box.value?.offsetHeight ?? 0))
/** A screen that hears nothing for so long will not. */
const HEARD_WITHIN_MS = 2000

const single = computed((): Holding | null =>
  typeof route.query.set === 'string' ? (catalogue.tables?.holdings.get(route.query.set) ?? null) : null,
)
const asked = computed((): WorkStage => {
  const stage = single.value ? stageOf(single.value) : route.query.stage
  return stage === 'fit' || stage === 'label' || stage === 'file' ? stage : 'class'
})
const queue = computed((): readonly Holding[] => {
  if (single.value) return stageOf(single.value) ? [single.value] : []
  const inPack = pile.pack ? new Set(pile.pack.ids) : null
  const all = pile.waiting[asked.value].filter(holding => !inPack || inPack.has(holding.id))
  const later = all.filter(holding => skipped.value.has(holding.id))
  return [...all.filter(holding => !skipped.value.has(holding.id)), ...later]
})
const current = computed(() => queue.value[0] ?? null)
const shown = computed(() => `${current.value?.id} ${asked.value}`)
watch(
  () => route.query.stage,
  () => {
    skipped.value = new Set()
    doneHere.value = 0
    leastPx.value = 0
  },
)

/** Whoever goes on from further down reads which set is next. */
const nameInSight = (): void => document.querySelector('[data-working]')?.scrollIntoView({ block: 'nearest' })
async function skip(): Promise<void> {
  if (!current.value) return
  keepHeight()
  skipped.value = new Set([...skipped.value].filter(id => id !== current.value?.id)).add(current.value.id)
  await nextTick()
  nameInSight()
}
async function finish(): Promise<void> {
  if (isBusy.value || !panel.value) return
  isBusy.value = true
  isSettled = false
  keepHeight()
  try {
    await panel.value.finish()
  } finally {
    if (!isSettled) isBusy.value = false
  }
}
/** By the button of the stage, or by one of the panel's own. */
function done(holding: Holding): void {
  isSettled = true
  doneHere.value += 1
  keepHeight()
  void goOnFrom(`${holding.id} ${asked.value}`)
  const next = stageOf(catalogue.tables?.holdings.get(holding.id) ?? holding)
  if (isAllTheWay.value && !single.value && next) void router.replace({ query: { set: holding.id, from: asked.value } })
}
/** In the database it is settled; until the screen has heard of it, one more press would settle it once more. */
async function goOnFrom(before: string): Promise<void> {
  isBusy.value = true
  await until(shown).not.toBe(before, { timeout: HEARD_WITHIN_MS })
  isBusy.value = false
  await nextTick()
  // It is always in sight; focus alone would roll the sheet to where it lies when nothing holds it up.
  document.querySelector<HTMLElement>('[data-settle]')?.focus({ preventScroll: true })
  nameInSight()
}
/** A set that went all the way is followed by the next one of the stage where it was picked up. */
watch(queue, (now, before) => {
  if (now.length === 0 && before.length > 0 && single.value) void router.replace({ query: { stage: String(route.query.from ?? 'file') } })
})
// Whoever was quicker than the advice sees it come while the set is being settled.
useResizeObserver(box, () => isBusy.value && keepHeight())
watch(useWindowSize().width, () => void (leastPx.value = 0))
useSettleKey(() => void finish(), true)
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <StageBar :current="asked" />
    <h1 class="sr-only">{{ pileWords.workTitle }}</h1>
    <div v-if="!current" class="mx-auto max-w-xl py-6 text-center sm:py-16">
      <h2 class="text-[1.4rem]">{{ pileWords.none(asked) }}</h2>
      <p class="mt-2 text-quiet">{{ pileWords.noneLead }}</p>
      <NuxtLink to="/take-in" class="button-main mt-6">{{ pileWords.toCapture }}</NuxtLink>
    </div>
    <div v-else class="mt-5 grid gap-6 md:grid-cols-[17rem_1fr]" data-work>
      <div>
        <div class="mat small-mat h-40 border border-mat-line p-3 md:h-72"><SetPicture :hash="current.pictureHash" is-full /></div>
        <p class="mt-2 flex items-baseline gap-2">
          <KTicket :code="codeOf(current)" />
          <span class="scroll-mt-2 font-semibold" data-working>{{ current.name }}</span>
        </p>
        <p class="hint figures">{{ pileWords.left(doneHere + 1, doneHere + queue.length) }}</p>
        <label v-if="!single" class="mt-2 flex min-h-11 items-center gap-3">
          <input v-model="isAllTheWay" type="checkbox" class="size-5" />
          <span class="leading-tight">
            {{ pileWords.allTheWay }}
            <span class="hint block">{{ pileWords.allTheWayHint }}</span>
          </span>
        </label>
      </div>
      <div class="grid content-between gap-4">
        <div ref="box" :style="{ minHeight: `${leastPx}px` }">
          <component :is="PANELS[asked]" ref="panel" :key="current.id" :holding="current" @done="done(current)" />
        </div>
        <div class="sticky bottom-0 z-20 flex flex-wrap items-center justify-end gap-3 border-t border-line bg-sheet py-3">
          <button v-if="queue.length > 1" type="button" class="button" @click="skip">
            <SkipForward :size="18" aria-hidden="true" />
            {{ pileWords.skip }}
          </button>
          <button type="button" class="button-main" data-settle :disabled="isBusy" @click="finish">
            <Check :size="18" aria-hidden="true" />
            {{ pileWords.done[asked] }}
          </button>
          <span class="hint hidden sm:inline">{{ pileWords.nextHint }}</span>
        </div>
      </div>
    </div>
  </div>
</template>
