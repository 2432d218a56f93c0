<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import KCheck from '~/kit/KCheck.vue'
import { Camera, Check, Plus, X } from 'lucide-vue-next'
import { newId } from '~/db/newId'
import { computed, reactive, toRef, watch } from 'vue'
import type { Holding, Piece } from '#core/catalog'
import { readWords, wordsFit } from '#core/exchange'
import { readSize } from '#core/units'
import { isSameName } from '#core/grammar'
import SetPicture from '~/subjects/set/SetPicture.vue'
import KCombo from '~/kit/KCombo.vue'
import { useDescribe } from '~/data/useDescribe'
import { act } from '~/data/act'
import { belongingWords } from './words'
import { takeInWords } from '~/subjects/pile/takeInWords'
import KTyped from '~/kit/KTyped.vue'
import { useTyped } from '~/kit/useTyped'
import { useCatalogue } from '~/data/useCatalogue'
import { usePhotoKeeper } from '~/subjects/set/usePhotoKeeper'
import { useNotices } from '~/kit/useNotices'

/** The pieces of a set, where wanted: what each is, whether it is missing, and the set it lives with. */
const { holding } = defineProps<{ holding: Holding }>()
const catalogue = useCatalogue()
const notices = useNotices()
const { code, sizeText } = useDescribe()
const keepPhoto = usePhotoKeeper()
interface Row {
  readonly id: string
  words: string
  size: string
  pictureHash: string | null
  isMissing: boolean
  livesWith: string
}
const isWrong = (row: Row): boolean =>
  !wordsFit(readWords(row.words)) || (row.size.trim() !== '' && !readSize(row.size, catalogue.settings.unit).ok)
/** The rows as they are typed. */
const form = reactive({ rows: [] as Row[] })
const rows = toRef(form, 'rows')
const typed = useTyped(form)
const label = (each: Holding): string => `${code(each)} ${each.name}`
const others = computed(() => [...(catalogue.tables?.holdings.values() ?? [])].filter(each => each.id !== holding.id))
const options = computed(() => others.value.map(label))
watch(
  () => holding.id,
  () => {
    rows.value = holding.pieces.map(piece => {
      const host = piece.livesWithId ? catalogue.tables?.holdings.get(piece.livesWithId) : undefined
      return {
        id: piece.id,
        words: piece.words.join(', '),
        size: piece.size ? sizeText(piece.size) : '',
        pictureHash: piece.pictureHash,
        isMissing: piece.isMissing,
        livesWith: host ? label(host) : '',
      }
    })
    typed.begin(`pieces ${holding.id}`, { rows: rows.value })
  },
  { immediate: true },
)

/** A size that still reads as it was shown keeps its own precision. */
function keptSize(before: Piece['size'], text: string): Piece['size'] {
  if (before && text === sizeText(before)) return before
  const reading = readSize(text, catalogue.settings.unit)
  return reading.ok ? { ...reading.size } : null
}
async function takePhoto(row: Row, event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  // The same photo may be chosen again.
  input.value = ''
  if (!file) return
  const outcome = await keepPhoto(file)
  if (outcome.ok) row.pictureHash = outcome.hash
  else notices.tell(takeInWords.photoProblem[outcome.code], 'care')
}
async function keep(): Promise<void> {
  if (rows.value.some(isWrong)) return notices.tell(belongingWords.pieceSizeProblem, 'care')
  const before = new Map(holding.pieces.map(piece => [piece.id, piece]))
  await act.keepPieces(
    holding.id,
    rows.value.map(({ id, words, size, pictureHash, isMissing, livesWith }) => ({
      id,
      words: [...readWords(words)],
      size: keptSize(before.get(id)?.size ?? null, size),
      at: before.get(id)?.at ?? null,
      pictureHash,
      isMissing,
      livesWithId: others.value.find(each => isSameName(label(each), livesWith))?.id ?? null,
    })),
  )
  typed.forget()
  typed.begin(`pieces ${holding.id}`, { rows: rows.value })
  notices.tell(belongingWords.piecesKept)
}
</script>

<template>
  <section class="border-t border-line pt-4" :aria-label="belongingWords.pieces">
    <h2 class="text-[1.15rem]">{{ belongingWords.pieces }}</h2>
    <p class="hint">{{ belongingWords.piecesHint }}</p>
    <KTyped :is-back="typed.isBack.value" @afresh="typed.beginAfresh()" />
    <ul>
      <li v-for="row in rows" :key="row.id" class="mt-2 flex flex-wrap items-center gap-3" data-piece>
        <label class="grid h-14 w-11 shrink-0 cursor-pointer place-items-center border border-line focus-within:outline-3">
          <SetPicture v-if="row.pictureHash" :hash="row.pictureHash" />
          <Camera v-else :size="18" class="text-quiet" aria-hidden="true" />
          <input
            type="file"
            accept="image/*"
            class="sr-only"
            :aria-label="belongingWords.piecePhoto(row.words)"
            @change="takePhoto(row, $event)"
          />
        </label>
        <input
          v-model="row.words"
          class="field min-w-40 flex-1"
          maxlength="2000"
          :aria-label="belongingWords.pieceWords"
          :placeholder="belongingWords.pieceWords"
        />
        <input
          v-model="row.size"
          class="field w-32 figures"
          maxlength="60"
          :aria-label="`${belongingWords.pieceSize}: ${row.words}`"
          :placeholder="belongingWords.pieceSize"
          :aria-invalid="isWrong(row)"
        />
        <KCheck v-model="row.isMissing" :label="belongingWords.missing" />
        <div class="min-w-48 flex-1">
          <KCombo
            v-model="row.livesWith"
            :label="`${belongingWords.livesWith}: ${row.words}`"
            :options="options"
            :placeholder="`${belongingWords.livesWith}: ${belongingWords.home}`"
            only-known
          />
        </div>
        <KIcon
          class="text-quiet"
          :icon="X"
          :label="belongingWords.dropPiece(row.words)"
          @click="rows = rows.filter(each => each.id !== row.id)"
        />
      </li>
    </ul>
    <div class="mt-2 flex flex-wrap gap-3">
      <button
        type="button"
        class="button"
        @click="rows = [...rows, { id: newId(), words: '', size: '', pictureHash: null, isMissing: false, livesWith: '' }]"
      >
        <Plus :size="18" aria-hidden="true" />
        {{ belongingWords.addPiece }}
      </button>
      <button v-if="rows.length || holding.pieces.length" type="button" class="button" @click="keep">
        <Check :size="18" aria-hidden="true" />
        {{ belongingWords.keepPieces }}
      </button>
    </div>
  </section>
</template>
