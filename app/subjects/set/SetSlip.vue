<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import { MapPin, PencilLine, Printer, Trash2, X } from 'lucide-vue-next'
import { NuxtLink } from '#components'
import { computed, onMounted, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import type { Holding } from '#core/catalog'
import { isLookedAt } from '#core/room'
import SetPicture from './SetPicture.vue'
import KTicket from '~/kit/KTicket.vue'
import { useDescribe } from '~/data/useDescribe'
import { useLabelOf } from '~/data/useLabelOf'
import { useFit } from '~/subjects/fit/useFit'
import { act } from '~/data/act'
import { slipWords } from './words'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { holderWords } from '~/subjects/fit/words'
import { pileWords } from '~/subjects/pile/words'
import { placeWords } from '~/data/words'
import { partialDay } from '#core/grammar'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import SlipFetch from './SlipFetch.vue'
import SetHistory from './SetHistory.vue'
import SlipNeighbour from './SlipNeighbour.vue'
import { useFacts } from './useFacts'
import UseLog from './UseLog.vue'
import { roomWords } from '~/subjects/room/roomWords'

/** What you carry to the shelf: number, impression, the place as a sentence, its neighbours, and what goes with it. */
const { holding } = defineProps<{ holding: Holding }>()
const emit = defineEmits<{ close: []; open: [holding: Holding] }>()
const catalogue = useCatalogue()
const notices = useNotices()
const router = useRouter()
const { addressOf, code, codeOf, neighbours, placeOf } = useDescribe()
const { factsOf, nameOf } = useFacts()
const closeButton = useTemplateRef<InstanceType<typeof KIcon>>('closeButton')
onMounted(() => (closeButton.value?.$el as HTMLElement | undefined)?.focus())

const placement = computed(() => catalogue.room.placements.get(holding.id))
const near = computed(() => (placement.value && isLookedAt(placement.value) ? neighbours(placement.value) : null))
const loan = computed(() => catalogue.loanOf.get(holding.id))
const goesWith = computed(() =>
  [...(catalogue.tables?.relations.values() ?? [])].flatMap(relation => {
    const isFrom = relation.fromId === holding.id
    const other =
      isFrom || relation.toId === holding.id ? catalogue.tables?.holdings.get(isFrom ? relation.toId : relation.fromId) : undefined
    const kind = relation.kind === 'dieForStamp' && isFrom ? ('stampForDie' as const) : relation.kind
    return other ? [{ other, text: slipWords.relation[kind], mark: catalogue.settings.marks[kind] }] : []
  }),
)
/** The pieces of other sets that live here. */
const guests = computed(() =>
  [...(catalogue.tables?.holdings.values() ?? [])].flatMap(other =>
    other.pieces.filter(piece => piece.livesWithId === holding.id).map(piece => slipWords.guest(piece.words.join(', '), nameOf(other.id))),
  ),
)
/** What it sits in by name, who shares it, and what is cut for it. */
const { cutsOf, cutText } = useFit(null)
const holderType = computed(() => catalogue.tables?.holderTypes.get(placement.value?.holder.holderTypeId ?? holding.holderTypeId ?? ''))
const holderName = computed(() => holderType.value?.name ?? (holding.sitsIn ? pileWords.fitHolder[holding.sitsIn] : ''))
const companions = computed(() => (placement.value?.holder.holdingIds ?? []).filter(id => id !== holding.id).map(nameOf))
const cuts = computed(() => cutsOf(holding, holderType.value).map(cut => `${holderWords.cut[cut.of]} ${cutText(cut)}`))
const labelSays = useLabelOf(() => holding)
const facts = computed(() =>
  factsOf(holding, [
    [slipWords.sitsIn, holderName.value],
    [holderWords.sharesWith, companions.value.join(', ')],
    [holderWords.cuts, cuts.value.join('; ')],
    [slipWords.alsoHolds, guests.value.join('; ')],
    [slipWords.labelSays, labelSays.value.join(' \u00b7 ')],
  ]),
)

async function remove(): Promise<void> {
  await act.removeHolding(holding.id)
  notices.tell(slipWords.removed(holding.name))
  emit('close')
}
function showPlace(): void {
  if (placement.value) void router.push({ path: `/storeroom/${placement.value.container.id}`, query: { at: holding.id } })
}
</script>

<template>
  <aside
    class="flex min-h-0 flex-col border border-edge bg-sheet p-3"
    :aria-label="slipWords.title(code(holding), holding.name)"
    data-slip
    @keydown.esc.stop="emit('close')"
  >
    <div class="flex items-start justify-between gap-1">
      <div class="flex flex-1 items-baseline gap-x-3">
        <KTicket :code="codeOf(holding)" />
        <h2 class="min-w-0 flex-1 basis-40 text-[1.15rem] leading-tight">{{ holding.name }}</h2>
      </div>
      <KIcon
        class="-mt-1"
        :icon="Printer"
        :label="slipWords.print"
        @click="router.push({ path: '/index/cards', query: { what: 'slips', set: holding.id } })"
      />
      <KIcon ref="closeButton" class="-mt-1 -mr-2" :icon="X" :label="slipWords.close" @click="emit('close')" />
    </div>
    <div class="mt-2 flex gap-4">
      <div class="h-36 w-28 shrink-0 border border-line bg-paper p-1"><SetPicture :hash="holding.pictureHash" is-full /></div>
      <div class="min-w-0">
        <p v-if="loan" class="mb-2 font-semibold text-ochre">{{ placeWords.out(loan.to, partialDay(loan.outAt)) }}</p>
        <p class="flex items-center gap-1.5 font-semibold">
          <MapPin :size="18" class="shrink-0 text-ember" aria-hidden="true" />
          <span class="figures">{{ addressOf(holding) ?? placeWords.none }}</span>
        </p>
        <p v-if="placement || holding.placeText" class="mt-1" data-place>{{ placeOf(holding) }}</p>
        <p v-if="placement && holding.placeText" class="mt-1 text-quiet">{{ placeWords.listSays(holding.placeText) }}</p>
        <figure v-if="holding.packagingPictureHash" class="mt-2 w-20">
          <span class="block h-24 border border-line bg-paper p-1"><SetPicture :hash="holding.packagingPictureHash" /></span>
          <figcaption class="hint">{{ takeInWords.packagingBack }}</figcaption>
        </figure>
        <p v-if="placement?.holder.apartBecause" class="mt-1 text-ochre">{{ roomWords.isApart(placement.holder.apartBecause) }}</p>
      </div>
    </div>
    <div class="mt-3 min-h-0 flex-1 overflow-y-auto" tabindex="0" :aria-label="slipWords.more" role="region">
      <dl v-if="near" class="grid grid-cols-2 gap-3">
        <SlipNeighbour :label="placeWords.front" :placement="near.front" :none="placeWords.firstInRow" @open="emit('open', $event)" />
        <SlipNeighbour :label="placeWords.behind" :placement="near.behind" :none="placeWords.lastInRow" @open="emit('open', $event)" />
      </dl>
      <dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 border-t border-line pt-3">
        <template v-for="[label, text] in facts" :key="label">
          <dt class="hint">{{ label }}</dt>
          <dd class="whitespace-pre-line wrap-anywhere">{{ text }}</dd>
        </template>
        <template v-for="{ other, text, mark } in goesWith" :key="`${other.id} ${text}`">
          <dt class="hint">
            <span v-if="mark" class="mr-1 border border-line px-1 font-bold text-night">{{ mark }}</span>
            {{ text }}
          </dt>
          <dd>
            <button type="button" class="text-left underline" @click="emit('open', other)">
              {{ code(other) }} {{ other.name }}, {{ addressOf(other) ?? placeWords.none }}
            </button>
          </dd>
        </template>
      </dl>
      <UseLog :key="holding.id" :holding="holding" />
      <SetHistory :key="holding.id" :holding-id="holding.id" />
      <div v-if="holding.questions.length" class="mt-3 border-t border-line pt-3">
        <h3 class="text-[1rem]">
          <NuxtLink to="/take-in/questions" class="underline">{{ slipWords.questions }}</NuxtLink>
        </h3>
        <ul class="mt-1 list-disc pl-5">
          <li v-for="question in holding.questions" :key="question.code">
            {{ slipWords.questionText(slipWords.question[question.code], question.text) }}
          </li>
        </ul>
      </div>
      <div class="mt-3 flex flex-wrap items-center justify-between gap-2 border-t border-line pt-2">
        <label class="flex min-h-11 items-center gap-2">
          <input type="checkbox" class="size-5" :checked="holding.isSticky" @change="act.setSticky(holding.id, !holding.isSticky)" />
          {{ roomWords.isSticky }}
        </label>
        <button type="button" class="button text-berry" @click="remove">
          <Trash2 :size="18" aria-hidden="true" />
          {{ slipWords.remove }}
        </button>
      </div>
    </div>
    <div class="mt-3 flex flex-wrap gap-2 border-t border-line pt-3">
      <SlipFetch :holding="holding" />
      <button v-if="placement" type="button" class="button" @click="showPlace">
        <MapPin :size="18" aria-hidden="true" />
        {{ slipWords.place }}
      </button>
      <button v-else type="button" class="button" @click="router.push('/take-in/placeless')">
        <MapPin :size="18" aria-hidden="true" />
        {{ slipWords.propose }}
      </button>
      <button type="button" class="button" @click="router.push({ path: '/take-in', query: { set: holding.id } })">
        <PencilLine :size="18" aria-hidden="true" />
        {{ slipWords.edit }}
      </button>
    </div>
  </aside>
</template>
