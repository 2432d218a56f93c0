<script setup lang="ts">
import type { Holding } from '#core/catalog'
import { act } from '~/data/act'
import { plainly } from '~/kit/plainly'
import { useNotices } from '~/kit/useNotices'
import { awayWords } from './words'

/** Everything back? The pieces of a set, each to be ticked; what is not there is noted on the set. */
const { holding } = defineProps<{ holding: Holding }>()
const notices = useNotices()
const missing = (of: Holding): number => of.pieces.filter(piece => piece.isMissing).length
async function swing(pieceId: string): Promise<void> {
  const pieces = holding.pieces.map(piece => (piece.id === pieceId ? { ...piece, isMissing: !piece.isMissing } : piece))
  await act.keepPieces(holding.id, plainly(pieces))
  const gone = pieces.filter(piece => piece.isMissing).length
  notices.tell(gone === 0 ? awayWords.piecesAll : awayWords.piecesMissing(gone), gone === 0 ? 'done' : 'care')
}
</script>

<template>
  <details data-pieces>
    <summary class="min-h-11 content-center hint">{{ awayWords.piecesAsk(holding.pieces.length, missing(holding)) }}</summary>
    <ul class="flex flex-wrap gap-x-4">
      <li v-for="(piece, at) in holding.pieces" :key="piece.id">
        <label class="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            class="size-5"
            :checked="!piece.isMissing"
            :aria-label="awayWords.pieceHere(awayWords.piece(piece.words.join(', '), at + 1))"
            @change="swing(piece.id)"
          />
          {{ awayWords.piece(piece.words.join(', '), at + 1) }}
        </label>
      </li>
    </ul>
  </details>
</template>
