<script setup lang="ts">
import { computed } from 'vue'
import type { HolderType, Holding } from '#core/catalog'
import { shareHolder } from '#core/holders'
import { zoneFor } from '#core/filing'
import { useDescribe } from '~/data/useDescribe'
import { useFit } from './useFit'
import { commands, database } from '~/db'
import { holderWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/shell/useNotices'
import { usePile } from '~/areas/takeIn/pile/usePile'

/** Holders with sets of the same first theme that have room for this one as well: each keeps its number. */
const { holding, types } = defineProps<{ holding: Holding; types: readonly HolderType[] }>()
const emit = defineEmits<{ shared: [] }>()
const SHOWN = 2
const TRIED = 60
const catalogue = useCatalogue()
const notices = useNotices()
const pile = usePile()
const { addressOf, code } = useDescribe()
const { contentsFor } = useFit(null)
const zone = computed(() => zoneFor(holding, catalogue.facts.zones))

const found = computed(() => {
  const own = contentsFor(holding)
  if (!own || holding.themeIds.length === 0) return []
  const near = [...catalogue.room.placements.values()]
    .filter(({ holder, container }) => {
      const first = catalogue.tables?.holdings.get(holder.holdingIds[0] ?? '')
      return (
        holder.holderTypeId !== null &&
        !holder.holdingIds.includes(holding.id) &&
        container.zoneId === zone.value?.id &&
        first?.themeIds[0] === holding.themeIds[0]
      )
    })
    .slice(0, TRIED)
  return near
    .flatMap(({ holder }) => {
      const type = types.find(each => each.id === holder.holderTypeId)
      const others = holder.holdingIds.flatMap(id => catalogue.tables?.holdings.get(id) ?? [])
      const inside = others.flatMap(other => contentsFor(other) ?? [])
      const sharing = type && inside.length === others.length ? shareHolder([...inside, own], type) : null
      return sharing?.members.length === inside.length + 1 ? [{ holder, others }] : []
    })
    .slice(0, SHOWN)
})
async function share(holderId: string): Promise<void> {
  await commands.shareHolder(database(), holding.id, holderId)
  const other = catalogue.tables?.holders.get(holderId)
  await commands.finishStage(
    database(),
    holding.id,
    { stage: 'fit', sitsIn: other?.type ?? 'pocket', holderTypeId: other?.holderTypeId ?? null },
    pile.used,
  )
  notices.tell(holderWords.shared(holding.name))
  emit('shared')
}
</script>

<template>
  <section v-if="found.length" class="border-l-4 border-edge bg-wash px-3 py-2" data-share>
    <h3 class="font-semibold">{{ holderWords.share }}</h3>
    <ul>
      <li v-for="{ holder, others } in found" :key="holder.id" class="flex flex-wrap items-center gap-3 py-1">
        <span class="min-w-0 flex-1 basis-56">
          {{
            holderWords.shareWith(
              others.map(other => `${code(other)} ${other.name}`).join(', '),
              others[0] ? (addressOf(others[0]) ?? '') : '',
            )
          }}
        </span>
        <button type="button" class="button" @click="share(holder.id)">{{ holderWords.shareNow }}</button>
      </li>
    </ul>
  </section>
</template>
