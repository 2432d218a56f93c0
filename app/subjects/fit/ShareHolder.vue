<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import type { HolderType, Holding } from '#core/catalog'
import type { FilledHolder } from '#core/holders'
import { zoneFor } from '#core/filing'
import { useDescribe } from '~/data/useDescribe'
import { useFit } from './useFit'
import { plainly } from '~/kit/plainly'
import { useFitWorker } from './useFitWorker'
import { act } from '~/data/act'
import { holderWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import { usePile } from '~/subjects/pile/usePile'

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

const worker = useFitWorker()
/** Holders of its zone and theme whose sets all have a size, as many as are tried. */
const near = computed((): readonly FilledHolder[] =>
  holding.themeIds.length === 0
    ? []
    : [...catalogue.room.placements.values()]
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
        .flatMap(({ holder }): FilledHolder[] => {
          const type = types.find(each => each.id === holder.holderTypeId)
          const others = holder.holdingIds.flatMap(id => catalogue.tables?.holdings.get(id) ?? [])
          const inside = others.flatMap(other => contentsFor(other) ?? [])
          return type && inside.length === others.length ? [{ id: holder.id, type, inside }] : []
        }),
)
const withRoom = shallowRef<readonly string[]>([])
watch(
  near,
  async holders => {
    const own = contentsFor(holding)
    const found = own && holders.length > 0 ? await worker.ask(api => api.withRoom(plainly(own), plainly(holders), SHOWN)) : []
    if (holders === near.value) withRoom.value = found ?? []
  },
  { immediate: true },
)
const found = computed(() =>
  withRoom.value.flatMap(id => {
    const holder = catalogue.tables?.holders.get(id)
    return holder ? [{ holder, others: holder.holdingIds.flatMap(each => catalogue.tables?.holdings.get(each) ?? []) }] : []
  }),
)
async function share(holderId: string): Promise<void> {
  if (!(await act.shareHolder(holding.id, holderId, [...pile.used]))) return notices.tell(holderWords.notShared, 'care')
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
