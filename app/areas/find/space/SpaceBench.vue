<script setup lang="ts">
import SetLine from '~/subjects/set/SetLine.vue'
import KChoice from '~/kit/KChoice.vue'
import { ClipboardList, StickyNote } from 'lucide-vue-next'
import { computed, shallowRef, useTemplateRef, watch } from 'vue'
import { useDebounceFn, useElementSize, useMediaQuery } from '@vueuse/core'
import { NuxtLink } from '#components'
import { fitsSpace, layMat, type SpaceFit } from '#core/finding'
import type { Size } from '#core/units'
import FindWays from '~/areas/find/ask/FindWays.vue'
import { useFind } from '~/subjects/ask/useFind'
import { useFetch } from '~/subjects/walk/useFetch'
import ScaleSlider from '~/areas/find/mat/ScaleSlider.vue'
import SlipBeside from '~/subjects/set/SlipBeside.vue'
import { useSlip } from '~/subjects/set/useSlip'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import KField from '~/kit/KField.vue'
import KPageHead from '~/kit/KPageHead.vue'
import KTicket from '~/kit/KTicket.vue'
import { useKept } from '~/kit/useKept'
import { useParts } from '~/kit/useParts'
import { kitWords } from '~/kit/words'
import CardSpace from './CardSpace.vue'
import PiecePicture from './PiecePicture.vue'
import { useSpace } from './useSpace'
import { spaceWords } from './words'

/** Fits a space: a card, a space on it, and every measured piece that fits, at the scale of the card. */
const [catalogue, find, fetch, slip] = [useCatalogue(), useFind(), useFetch(), useSlip()]
const { codeOf, sizeText, placeOf } = useDescribe()
const { form, card, cardProblem, space, spaceProblem, CARDS } = useSpace()
const isPhone = useMediaQuery('(max-width: 639px)')
const scale = useKept('space-scale', isPhone.value ? 1.2 : 1.8)

/** The sets that answer to what is asked beside; null: nothing is. */
const answering = shallowRef<ReadonlySet<string> | null>(null)
const ask = useDebounceFn(async () => {
  const text = form.ask.trim()
  await find.catchUp()
  const answer = text === '' ? null : await find.answerTo(text)
  if (text === form.ask.trim()) answering.value = text === '' ? null : new Set(answer?.ids ?? [])
}, 200)
watch([() => form.ask, () => catalogue.tables?.holdings], () => void ask(), { immediate: true })

const asked = computed(() => {
  const all = [...(catalogue.tables?.holdings.values() ?? [])].filter(({ state }) => state !== 'gone')
  return answering.value ? all.filter(({ id }) => answering.value?.has(id)) : all
})
const answer = computed(() => fitsSpace(asked.value, space.value))
const sets = computed(() => new Set(answer.value.fits.map(each => each.holdingId)).size)
const { shown: shownFits, next, more, startOver } = useParts(() => answer.value.fits, 80)
watch([() => form.ask, space], startOver)
const keyOf = ({ holdingId, pieceId }: SpaceFit): string => `${holdingId} ${pieceId ?? ''}`
const holdingOf = (fit: SpaceFit) => catalogue.tables?.holdings.get(fit.holdingId)
const chosen = shallowRef('')
const laid = computed(() => {
  const fit = answer.value.fits.find(each => keyOf(each) === chosen.value) ?? answer.value.fits[0]
  const holding = fit && holdingOf(fit)
  return fit && holding ? { fit, holding } : null
})
function whatOf(fit: SpaceFit): string {
  const words =
    holdingOf(fit)
      ?.pieces.find(({ id }) => id === fit.pieceId)
      ?.words.join(', ') ?? ''
  const what = spaceWords.piece(fit.pieceId === null ? spaceWords.whole : words, sizeText(fit.size))
  return fit.isTurned ? `${what}, ${spaceWords.turned}` : what
}

const tiles = useTemplateRef<HTMLElement>('tiles')
const { width } = useElementSize(tiles)
const CAPTION_PX = 26
const seen = (fit: SpaceFit): Size => (fit.isTurned ? { widthMm: fit.size.heightMm, heightMm: fit.size.widthMm } : fit.size)
const layout = computed(() =>
  layMat(
    shownFits.value.map(fit => ({ id: keyOf(fit), size: seen(fit) })),
    { pxPerMm: scale.value, width: Math.max(width.value, 120), gap: 14, caption: CAPTION_PX, leastWidth: 56 },
  ),
)
const shown = computed(() =>
  layout.value.spots.flatMap((spot, at) => {
    const fit = answer.value.fits[at]
    const holding = fit && holdingOf(fit)
    return fit && holding ? [{ spot, fit, holding }] : []
  }),
)
/** Arrows go from piece to piece. */
function walk(event: KeyboardEvent): void {
  const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
  if (!by) return
  event.preventDefault()
  const all = [...(tiles.value?.querySelectorAll<HTMLElement>('[data-fit]') ?? [])]
  all[Math.min(Math.max(0, all.indexOf(event.currentTarget as HTMLElement) + by), all.length - 1)]?.focus()
}
</script>

<template>
  <div class="px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="spaceWords.title" :lead="spaceWords.lead"><FindWays class="max-sm:hidden" /></KPageHead>
    <div class="mt-1 flex items-start gap-6">
      <div class="min-w-0 flex-1">
        <div class="flex flex-wrap items-start gap-3">
          <KChoice
            id="space-card"
            v-model="form.card"
            class="w-40 sm:w-44"
            :label="spaceWords.card"
            :choices="CARDS"
            :words="spaceWords.cards"
          />
          <KField v-if="form.card === 'own'" class="w-44" :label="spaceWords.ownSize" for="space-own" :problem="cardProblem">
            <input
              id="space-own"
              v-model="form.own"
              class="field figures"
              autocomplete="off"
              maxlength="60"
              :placeholder="spaceWords.ownExample"
            />
          </KField>
          <KField class="w-40 sm:w-52" :label="spaceWords.space" for="space-size" :problem="spaceProblem">
            <input
              id="space-size"
              v-model="form.space"
              class="field figures"
              autocomplete="off"
              maxlength="60"
              :placeholder="spaceWords.spaceExample"
            />
          </KField>
          <KField class="min-w-44 flex-1" :label="spaceWords.ask" for="space-ask">
            <input
              id="space-ask"
              v-model="form.ask"
              class="field"
              autocomplete="off"
              maxlength="200"
              :placeholder="spaceWords.askExample"
            />
          </KField>
          <ScaleSlider v-model="scale" class="self-end" />
        </div>
        <div class="mt-3 flex flex-wrap items-start gap-6">
          <div class="sticky top-2 max-w-full shrink-0 overflow-auto max-sm:static">
            <CardSpace v-model="space" :card="card" :px-per-mm="scale" :laid="laid" />
            <div v-if="laid" class="mt-2 max-w-72" data-laid>
              <p class="hint">{{ spaceWords.laid }}</p>
              <SetLine :holding="laid.holding" name="truncate font-semibold" />
              <p class="hint figures">{{ whatOf(laid.fit) }}, {{ spaceWords.fill(laid.fit.fill) }}</p>
              <p class="hint truncate figures">{{ placeOf(laid.holding) }}</p>
              <div class="mt-1 flex gap-2">
                <button type="button" class="button px-3" @click="slip.open(laid.holding.id)">
                  <StickyNote :size="18" aria-hidden="true" />
                  {{ spaceWords.open }}
                </button>
                <button type="button" class="button px-3" @click="fetch.pull([laid.holding.id])">
                  <ClipboardList :size="18" aria-hidden="true" />
                  {{ spaceWords.pull }}
                </button>
              </div>
            </div>
          </div>
          <div class="min-w-0 flex-1 basis-72">
            <h2 class="text-[1.15rem] figures" aria-live="polite" data-fits>{{ spaceWords.count(answer.fits.length, sets) }}</h2>
            <p v-if="answer.unmeasuredIds.length || !asked.length" class="hint figures" data-unmeasured>
              {{ asked.length ? spaceWords.unmeasured(answer.unmeasuredIds.length) : spaceWords.noneMeasured }}
              <NuxtLink to="/take-in/measure" class="inline-flex min-h-11 items-center underline">{{ spaceWords.measure }}</NuxtLink>
            </p>
            <ul ref="tiles" class="relative mt-2" :style="{ height: `${layout.height}px` }">
              <li
                v-for="{ spot, fit, holding } in shown"
                :key="spot.id"
                class="absolute"
                :style="{ transform: `translate(${spot.left}px, ${spot.top}px)`, width: `${spot.width}px`, height: `${spot.height}px` }"
              >
                <button
                  type="button"
                  class="block h-full w-full text-left"
                  :class="{ 'outline-2 outline-offset-3 outline-ember': laid && keyOf(laid.fit) === spot.id }"
                  :aria-pressed="laid !== null && keyOf(laid.fit) === spot.id"
                  :aria-label="spaceWords.lay(holding.name, whatOf(fit))"
                  :title="`${holding.name}: ${whatOf(fit)}`"
                  :data-set="holding.id"
                  :data-fit="spot.id"
                  @click="chosen = spot.id"
                  @keydown="walk"
                >
                  <PiecePicture :fit="fit" :holding="holding" :px-per-mm="scale" />
                  <KTicket :code="codeOf(holding)" size="small" class="mt-1" />
                </button>
              </li>
            </ul>
            <button v-if="next > 0" type="button" class="button mt-4" @click="more">
              {{ kitWords.showMore(next) }}
            </button>
          </div>
        </div>
      </div>
      <SlipBeside />
    </div>
  </div>
</template>
