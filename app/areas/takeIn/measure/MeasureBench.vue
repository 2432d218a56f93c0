<script setup lang="ts">
import KCheck from '~/kit/KCheck.vue'
import { Aperture, Camera, Check, RefreshCw, Ruler } from 'lucide-vue-next'
import { newId } from '~/db/newId'
import { computed, shallowRef, useTemplateRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Holding, Piece } from '#core/catalog'
import type { MeasuredPiece, Reference } from '#core/measuring'
import KPageHead from '~/kit/KPageHead.vue'
import KFile from '~/kit/KFile.vue'
import KTicket from '~/kit/KTicket.vue'
import CornerBench from './CornerBench.vue'
import MeasuredPieces from './MeasuredPieces.vue'
import ReferenceChoice from './ReferenceChoice.vue'
import { useDescribe } from '~/data/useDescribe'
import { useMeasuring } from './useMeasuring'
import { act } from '~/data/act'
import { measureWords } from './words'
import { kitWords } from '~/kit/words'
import { isPlainFiles } from '~/data/host'
import { useCatalogue } from '~/data/useCatalogue'
import { usePhotoKeeper } from '~/subjects/set/usePhotoKeeper'
import { useNotices } from '~/kit/useNotices'

/** The photo bench: from a photo to the true size of a set, its impression and its pieces. */
const route = useRoute()
const router = useRouter()
const catalogue = useCatalogue()
const notices = useNotices()
const { codeOf, lengthText, sizeText, thinText } = useDescribe()
const bench = useMeasuring()
const { photo, corners, proposals, measured, pieces, busy, problem } = bench
const reference = shallowRef<Reference | null>(null)
const choice = useTemplateRef<InstanceType<typeof ReferenceChoice>>('choice')
const hasStandIn = computed(() => catalogue.settings.isDemo && !isPlainFiles())
const camera = useTemplateRef<HTMLInputElement>('camera')
const keepsPieces = shallowRef(true)
const keepsImpression = shallowRef(true)
const holding = computed((): Holding | null =>
  typeof route.query.set === 'string' ? (catalogue.tables?.holdings.get(route.query.set) ?? null) : null,
)
const keepPhoto = usePhotoKeeper()

async function open(file: Blob): Promise<void> {
  if (reference.value) await bench.open(file, reference.value)
}
/** Another made photo each time. */
async function standIn(): Promise<void> {
  const seed = Math.floor(performance.now()) % 100_000
  const kind = seed % 2 === 0 ? ('A4' as const) : ('card' as const)
  const answer = await fetch(`/api/camera?seed=${route.query.seed ?? seed}&reference=${route.query.reference ?? kind}&megapixels=3`).catch(
    () => null,
  )
  if (!answer?.ok) return notices.tell(measureWords.cameraMissing, 'care')
  choice.value?.choose(route.query.reference === 'A4' || route.query.reference === 'card' ? route.query.reference : kind)
  const blob = await answer.blob()
  await open(blob)
}
function fromCamera(event: Event): void {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  // The same photo may be chosen again.
  input.value = ''
  if (file) void open(file)
}
async function split(at: number): Promise<void> {
  if (!(await bench.split(at))) notices.tell(measureWords.noSplit, 'care')
}
const tenths = (mm: number): number => Math.round(mm * 10) / 10
async function keep(): Promise<void> {
  const [found, set] = [measured.value, holding.value]
  if (!found || !set) return
  const size = { widthMm: tenths(found.widthMm), heightMm: tenths(found.heightMm) }
  const picture = keepsImpression.value ? await keepPhoto(new File([found.impression], 'impression.png', { type: 'image/png' })) : null
  const named = (piece: MeasuredPiece): Piece => ({
    id: newId(),
    words: [],
    size: { widthMm: tenths(piece.widthMm), heightMm: tenths(piece.heightMm) },
    // On the picture of the set, where that is the impression.
    at: picture?.ok ? { xMm: Math.max(0, tenths(piece.xMm)), yMm: Math.max(0, tenths(piece.yMm)) } : null,
    pictureHash: null,
    isMissing: false,
    livesWithId: null,
  })
  await act.measureSet(set.id, {
    size,
    ...(picture?.ok ? { pictureHash: picture.hash } : {}),
    ...(keepsPieces.value ? { pieces: pieces.value.map(named) } : {}),
  })
  notices.tell(measureWords.kept(set.name, sizeText(size)))
  // Where there is nothing to go back to, on to the set itself.
  if (window.history.state?.back) router.back()
  else void router.push({ path: '/take-in', query: { set: set.id } })
}
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="measureWords.title" :lead="measureWords.lead">
      <p v-if="holding" class="flex items-baseline gap-2">
        <KTicket :code="codeOf(holding)" />
        <span class="font-semibold">{{ holding.name }}</span>
      </p>
      <p v-else class="text-ochre">{{ measureWords.noSet }}</p>
    </KPageHead>
    <ReferenceChoice ref="choice" v-model="reference" class="mt-2" />
    <div class="mt-3 flex flex-wrap items-center gap-3">
      <KFile
        :label="photo ? measureWords.again : measureWords.photo"
        :hint="measureWords.photoHint"
        accept="image/*"
        :is-main="!photo"
        @file="open"
      />
      <button type="button" class="button sm:hidden" @click="camera?.click()">
        <Camera :size="18" aria-hidden="true" />
        {{ measureWords.camera }}
      </button>
      <input
        ref="camera"
        type="file"
        accept="image/*"
        capture="environment"
        class="sr-only"
        tabindex="-1"
        :aria-label="measureWords.camera"
        @change="fromCamera"
      />
      <button v-if="hasStandIn" type="button" class="button" :title="measureWords.standInHint" @click="standIn">
        <Aperture :size="18" aria-hidden="true" />
        {{ measureWords.standIn }}
      </button>
    </div>
    <p v-if="busy" class="mt-3 flex items-center gap-3" role="status">
      {{ busy }}
      <button type="button" class="min-h-11 underline" @click="bench.cancel">{{ kitWords.cancel }}</button>
    </p>
    <p v-else-if="problem" class="mt-3 border-l-4 border-berry bg-wash px-3 py-2 font-semibold" role="alert" data-measure-problem>
      {{ problem }}
    </p>
    <p v-if="photo?.scaledFrom" class="hint mt-2">{{ measureWords.scaled(photo.scaledFrom) }}</p>
    <div v-if="photo && corners" class="mt-4 grid gap-6" :class="measured ? 'md:grid-cols-[1fr_1.4fr]' : ''">
      <section :aria-label="measureWords.corners">
        <h2 class="text-[1.15rem]">{{ measureWords.corners }}</h2>
        <p class="hint">{{ measureWords.cornersLead }}</p>
        <CornerBench v-model:corners="corners" class="mt-2" :class="measured ? '' : 'max-w-xl'" :photo="photo" />
        <div class="mt-3 flex flex-wrap gap-3">
          <button type="button" class="button-main" :disabled="!reference || busy !== ''" @click="reference && bench.measure(reference)">
            <Ruler :size="18" aria-hidden="true" />
            {{ measureWords.measure }}
          </button>
          <button v-if="proposals.length > 1" type="button" class="button" @click="bench.nextProposal">
            <RefreshCw :size="18" aria-hidden="true" />
            {{ measureWords.otherProposal }}
          </button>
        </div>
      </section>
      <section v-if="measured" :aria-label="measureWords.sizeTitle">
        <h2 class="text-[1.15rem]">{{ measureWords.sizeTitle }}</h2>
        <p class="font-title text-[1.4rem] font-semibold figures" data-measured>
          {{ measureWords.size(lengthText(measured.widthMm), lengthText(measured.heightMm), thinText(measured.plusMinusMm)) }}
        </p>
        <p class="hint figures">{{ thinText(measured.widthMm) }} x {{ thinText(measured.heightMm) }}</p>
        <MeasuredPieces class="mt-3" :measured="measured" :pieces="pieces" @join="bench.join" @split="split" @drop="bench.drop" />
        <label class="mt-3 flex min-h-11 items-center gap-3">
          <input v-model="keepsImpression" type="checkbox" class="size-5" />
          {{ measureWords.keepImpression }}
        </label>
        <KCheck v-model="keepsPieces" :label="measureWords.keepPieces" />
        <button type="button" class="button-main mt-2" :disabled="!holding" @click="keep">
          <Check :size="18" aria-hidden="true" />
          {{ measureWords.keep }}
        </button>
      </section>
    </div>
  </div>
</template>
