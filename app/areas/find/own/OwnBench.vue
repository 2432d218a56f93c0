<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import FindWays from '~/areas/find/ask/FindWays.vue'
import FoundSet from '~/areas/find/picture/FoundSet.vue'
import type { Like } from '~/areas/find/picture/shapes.worker'
import { useShapes } from '~/areas/find/picture/useShapes'
import { pictureWords } from '~/areas/find/picture/words'
import SlipBeside from '~/subjects/set/SlipBeside.vue'
import { useSlip } from '~/subjects/set/useSlip'
import { useCatalogue } from '~/data/useCatalogue'
import KField from '~/kit/KField.vue'
import KFile from '~/kit/KFile.vue'
import KPageHead from '~/kit/KPageHead.vue'
import { type OwnedLike, useOwn } from './useOwn'
import { ownWords } from './words'
import { roomWords } from '~/subjects/room/roomWords'

/** Own it?: what lies before one in a shop, held against what is owned. */
const [catalogue, shapes, slip, router] = [useCatalogue(), useShapes(), useSlip(), useRouter()]
const { form, answer, likes, series, isLacking, kindId, room } = useOwn()
shapes.use()

/** A neighbour in its series is told as that. */
const likeOf = ({ holding, verdict: as }: OwnedLike): string =>
  as !== 'same' && series.value?.owned.some(each => each.id === holding.id) ? ownWords.ofSeries : ownWords.likes[as]
/** What is told first, and the sentence it is told in. */
const verdict = computed((): readonly [as: string, told: string] => {
  if (isLacking.value) return ['lacking', ownWords.lacksThis(series.value?.asked ?? 0)]
  const best = likes.value[0]?.verdict
  if (best) return [best, ownWords.verdicts[best]]
  return onPile.value.length > 0 ? ['pile', ownWords.onPile(onPile.value)] : ['none', ownWords.none]
})
const onPile = computed(() => answer.value?.onPile ?? [])
const MOST_NUMBERS = 12
const lacking = computed(() => series.value?.lacking ?? [])
const kinds = computed(() => [...(catalogue.tables?.kinds.values() ?? [])])

const pictured = shallowRef<readonly Like[]>([])
const problem = shallowRef('')
async function photograph(file: Blob): Promise<void> {
  const opened = await shapes.ask(api => api.open(file))
  problem.value = opened?.ok ? '' : pictureWords.faultOf(opened?.fault)
  pictured.value = opened?.ok ? ((await shapes.ask(api => api.ask(null))) ?? []) : []
}
const byPicture = computed(() => shapes.setsLike(pictured.value))
const showAll = (): void => void router.push({ path: '/', query: { ask: form.text.trim() } })
</script>

<template>
  <div class="px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="ownWords.title" :lead="ownWords.lead"><FindWays class="max-sm:hidden" /></KPageHead>
    <div class="mt-1 flex items-start gap-6">
      <div class="min-w-0 max-w-5xl flex-1">
        <div class="flex flex-wrap items-end gap-3">
          <KField class="min-w-56 flex-1" :label="ownWords.ask" for="own-text">
            <input
              id="own-text"
              v-model="form.text"
              class="field text-[1.1rem]"
              type="search"
              autocomplete="off"
              maxlength="200"
              :placeholder="ownWords.example"
            />
          </KField>
          <KFile :label="ownWords.photo" accept="image/*" @file="photograph" />
        </div>
        <p v-if="problem" class="mt-2 font-semibold text-berry" role="alert">{{ problem }}</p>
        <div v-if="answer" aria-live="polite">
          <h2 class="mt-3 text-[1.3rem] figures" :data-verdict="verdict[0]" :data-own="answer.text">
            {{ verdict[1] }}
          </h2>
          <ul v-if="likes.length" class="mt-2 grid grid-cols-1 gap-2 lg:grid-cols-2">
            <FoundSet v-for="like in likes" :key="like.holding.id" :holding="like.holding" @open="slip.open(like.holding.id)">
              <span :class="{ 'font-semibold text-ochre': like.verdict === 'same' }">{{ likeOf(like) }}</span>
            </FoundSet>
          </ul>
          <p v-if="onPile.length && verdict[0] !== 'pile'" class="mt-2 font-semibold text-ochre">{{ ownWords.onPile(onPile) }}</p>
          <section v-if="answer.hits.length" class="mt-4">
            <div class="flex flex-wrap items-baseline gap-x-4">
              <h3 class="text-[1.05rem] figures" data-own-hits>{{ ownWords.answers(answer.hitCount) }}</h3>
              <button v-if="answer.hitCount > answer.hits.length" type="button" class="min-h-11 underline" @click="showAll">
                {{ ownWords.all }}
              </button>
            </div>
            <ul class="mt-1 grid grid-cols-1 gap-2 lg:grid-cols-2">
              <FoundSet v-for="holding in answer.hits" :key="holding.id" :holding="holding" @open="slip.open(holding.id)" />
            </ul>
          </section>
          <section v-if="series" class="mt-4 border-l-4 border-edge bg-wash px-4 py-2 figures" data-series>
            <p>
              {{
                ownWords.series(
                  series.name,
                  series.owned.map(each => each.number),
                )
              }}
            </p>
            <p>{{ ownWords.lacking(lacking.slice(0, MOST_NUMBERS), lacking.length > MOST_NUMBERS) }}</p>
          </section>
          <section class="mt-4 border-l-4 border-edge bg-wash px-4 py-2" data-own-room>
            <h3 class="text-[1.05rem]">{{ ownWords.room }}</h3>
            <label class="mt-1 flex flex-wrap items-center gap-2">
              {{ ownWords.kind }}
              <select v-model="kindId" class="field w-56">
                <option v-for="kind in kinds" :key="kind.id" :value="kind.id">{{ kind.name }}</option>
              </select>
            </label>
            <template v-if="room">
              <p class="mt-1">{{ ownWords.zone(room.zone.name) }}</p>
              <p class="figures" :class="room.more > 0 ? '' : 'font-semibold text-ochre'">
                {{ ownWords.fits(room.more) }} {{ room.isReserve ? ownWords.reserve : '' }}
              </p>
              <p v-if="room.cap.state !== 'none'" class="figures" :class="room.cap.state === 'under' ? '' : 'font-semibold text-ochre'">
                {{ roomWords.cap(room.cap.count, room.cap.cap) }}
              </p>
            </template>
            <p v-else>{{ ownWords.noZone }}</p>
          </section>
        </div>
        <section v-if="byPicture.length" class="mt-4" data-own-picture>
          <h2 class="text-[1.15rem] figures">{{ ownWords.byPicture(byPicture.length) }}</h2>
          <ul class="mt-1 grid grid-cols-1 gap-2 lg:grid-cols-2">
            <FoundSet v-for="each in byPicture" :key="each.holding.id" v-bind="each" @open="slip.open(each.holding.id)" />
          </ul>
        </section>
        <div v-if="!answer && !byPicture.length" class="mx-auto max-w-xl py-10 text-center">
          <h2 class="text-[1.4rem]">{{ ownWords.emptyTitle }}</h2>
          <p class="mt-2 text-quiet">{{ ownWords.empty }}</p>
        </div>
      </div>
      <SlipBeside />
    </div>
  </div>
</template>
