<script setup lang="ts">
import { Aperture, Scan } from 'lucide-vue-next'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { NuxtLink } from '#components'
import FindWays from '~/areas/find/ask/FindWays.vue'
import SlipBeside from '~/subjects/set/SlipBeside.vue'
import { useSlip } from '~/subjects/set/useSlip'
import { isPlainFiles } from '~/data/host'
import { useCatalogue } from '~/data/useCatalogue'
import KFile from '~/kit/KFile.vue'
import KPageHead from '~/kit/KPageHead.vue'
import { useNotices } from '~/kit/useNotices'
import { boxStyle } from './boxStyle'
import InkBox from './InkBox.vue'
import FoundSet from './FoundSet.vue'
import type { Like, OpenedAsk } from './shapes.worker'
import { useShapes } from './useShapes'
import { pictureWords } from './words'

/** By picture: a photo, the ink that was found on it, and the sets whose ink is likest. */
const [catalogue, shapes, slip, notices, route] = [useCatalogue(), useShapes(), useSlip(), useNotices(), useRoute()]
shapes.use()
const photo = shallowRef<{ readonly url: string; readonly opened: Extract<OpenedAsk, { ok: true }> } | null>(null)
const problem = shallowRef('')
const isLooking = shallowRef(false)
/** The one part of the ink that is asked for; null: all of it. */
const part = shallowRef<number | null>(null)
const likes = shallowRef<readonly Like[] | null>(null)
onScopeDispose(() => photo.value && URL.revokeObjectURL(photo.value.url))

async function open(file: Blob): Promise<void> {
  isLooking.value = true
  problem.value = ''
  const opened = await shapes.ask(api => api.open(file))
  isLooking.value = false
  if (photo.value) URL.revokeObjectURL(photo.value.url)
  photo.value = null
  likes.value = null
  part.value = null
  if (!opened?.ok) return void (problem.value = pictureWords.faultOf(opened?.fault))
  photo.value = { url: URL.createObjectURL(file), opened }
  await ask()
}
async function ask(): Promise<void> {
  if (!photo.value) return
  likes.value = await shapes.ask(api => api.ask(part.value))
}
// A page that is left asks nothing more; pictures read meanwhile may be nearer.
watch([part, () => shapes.version], () => void ask())

const hasStandIn = computed(() => catalogue.settings.isDemo && !isPlainFiles())
/** Another made photo each time. */
async function standIn(): Promise<void> {
  const seed = route.query.seed ?? Math.floor(performance.now()) % 100_000
  const answer = await fetch(`/api/camera?stamped=true&seed=${seed}&megapixels=1.5&tilt=15`).catch(() => null)
  if (!answer?.ok) return notices.tell(pictureWords.noCamera, 'care')
  await open(await answer.blob())
}

const sets = computed(() => shapes.setsLike(likes.value ?? []))
const unpictured = computed(
  () =>
    [...(catalogue.tables?.holdings.values() ?? [])].filter(each => !each.pictureHash && each.pieces.every(piece => !piece.pictureHash))
      .length,
)
/** Parts that can be asked for alone, the larger below the smaller. */
const MOST_PARTS = 12
const parts = computed(() => photo.value?.opened.boxes.slice(0, MOST_PARTS) ?? [])
const aspect = computed(() => (photo.value ? photo.value.opened.widthPx / photo.value.opened.heightPx : 1))
const chosen = computed(() => (part.value === null ? parts.value[0] : parts.value[part.value]))
/** Dropped anywhere; what the button took already is not taken twice. */
function drop(event: DragEvent): void {
  if (event.defaultPrevented) return
  event.preventDefault()
  const file = event.dataTransfer?.files[0]
  if (file) void open(file)
}
</script>

<template>
  <div class="px-4 pt-2 pb-6 sm:px-6" @dragover.prevent @drop="drop">
    <KPageHead :title="pictureWords.title" :lead="pictureWords.lead"><FindWays class="max-sm:hidden" /></KPageHead>
    <div class="mt-2 flex items-start gap-6">
      <div class="min-w-0 flex-1">
        <div class="flex flex-wrap items-center gap-x-3 gap-y-2">
          <KFile
            :label="photo ? pictureWords.again : pictureWords.photo"
            :hint="pictureWords.photoHint"
            accept="image/*"
            :is-main="!photo"
            @file="open"
          />
          <button v-if="hasStandIn" type="button" class="button" data-stand-in @click="standIn">
            <Aperture :size="18" aria-hidden="true" />
            {{ pictureWords.standIn }}
          </button>
          <p v-if="isLooking" class="hint" role="status">{{ pictureWords.looking }}</p>
        </div>
        <p v-if="shapes.progress" class="hint mt-2 figures" role="status" data-reading>
          {{ pictureWords.reading(shapes.progress.done, shapes.progress.total) }}
        </p>
        <p v-if="problem" class="mt-2 font-semibold text-berry" role="alert" data-picture-problem>{{ problem }}</p>
        <div v-if="photo" class="mt-3 grid items-start gap-6 lg:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]">
          <figure class="lg:sticky lg:top-2">
            <div class="relative w-full bg-mat" :style="{ aspectRatio: aspect, maxWidth: `calc(60vh * ${aspect})` }">
              <img :src="photo.url" alt="" class="h-full w-full" draggable="false" />
              <button
                v-for="(box, at) in parts"
                :key="at"
                type="button"
                class="absolute border border-ember/60 hover:bg-ember/20"
                :style="boxStyle(box, aspect)"
                :aria-label="pictureWords.part(at + 1)"
                :aria-pressed="part === at"
                :data-part-of-photo="at"
                @click="part = at"
              />
              <InkBox v-if="chosen" :box="chosen" :aspect="aspect" />
            </div>
            <figcaption class="hint mt-1 flex flex-wrap items-center gap-3">
              {{ pictureWords.ink }}
              <button v-if="part !== null" type="button" class="head-button" data-all-ink @click="part = null">
                <Scan :size="18" aria-hidden="true" />
                {{ pictureWords.all }}
              </button>
            </figcaption>
          </figure>
          <section v-if="likes" aria-live="polite">
            <h2 class="text-[1.15rem] figures" data-likes>{{ sets.length ? pictureWords.nearest(sets.length) : pictureWords.none }}</h2>
            <ol class="mt-2 grid grid-cols-1 gap-2 2xl:grid-cols-2">
              <FoundSet v-for="each in sets" :key="each.holding.id" v-bind="each" @open="slip.open(each.holding.id)" />
            </ol>
          </section>
        </div>
        <div v-else-if="!problem" class="mx-auto max-w-xl py-10 text-center">
          <h2 class="text-[1.4rem]">{{ pictureWords.emptyTitle }}</h2>
          <p class="mt-2 text-quiet">{{ pictureWords.empty }}</p>
        </div>
        <p v-if="!shapes.hasPictures" class="mt-4 text-center">
          {{ pictureWords.noPictures }}
          <NuxtLink to="/take-in" class="inline-flex min-h-11 items-center underline">{{ pictureWords.toTakeIn }}</NuxtLink>
        </p>
        <p v-else-if="unpictured > 0" class="hint mt-4 figures">{{ pictureWords.unpictured(unpictured) }}</p>
      </div>
      <SlipBeside />
    </div>
  </div>
</template>
