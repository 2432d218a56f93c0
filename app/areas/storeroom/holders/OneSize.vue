<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { PLAIN_WAYS } from '#core/holders'
import { FIT_WAYS, type HolderType } from '#core/catalog'
import { useDescribe } from '~/data/useDescribe'
import { holderWords } from '~/subjects/fit/words'
import { useCatalogue } from '~/data/useCatalogue'
import type { FitApi } from '~/subjects/fit/fit.worker'
import { plainly } from '~/kit/plainly'
import { useFitWorker } from '~/subjects/fit/useFitWorker'

/** One size for all: how the whole collection would go into one type, and what could take its place. */
const { type } = defineProps<{ type: HolderType }>()
const SHOWN = 4
const NAMES = 3
const catalogue = useCatalogue()
const { code, lengthText } = useDescribe()
const found = shallowRef<Awaited<ReturnType<FitApi['report']>> | null>(null)
const worker = useFitWorker()
watch(
  () => [type, catalogue.tables?.holdings, catalogue.settings.fitOrder, catalogue.settings.fitNever],
  async () => {
    const asked = type.id
    const answer = await worker.ask(api => api.report(plainly(type)))
    if (asked === type.id) found.value = answer
  },
  { immediate: true },
)
const nameOf = (id: string): string => {
  const holding = catalogue.tables?.holdings.get(id)
  return holding ? `${code(holding)} ${holding.name}` : ''
}
const some = (ids: readonly string[]): string => `${ids.slice(0, NAMES).map(nameOf).join(', ')}${ids.length > NAMES ? ' ...' : ''}`
</script>

<template>
  <section :aria-label="holderWords.oneSize" :aria-busy="!found" data-one-size>
    <h2 class="text-[1.15rem]">{{ holderWords.oneSize }}</h2>
    <p class="hint">{{ holderWords.oneSizeLead(type.name) }}</p>
    <p v-if="!found" class="text-quiet" role="status">{{ holderWords.working }}</p>
    <template v-else>
      <p class="mt-2 font-semibold figures">
        {{
          holderWords.plainly(
            PLAIN_WAYS.reduce((sum, way) => sum + (found?.report.byWay.get(way)?.length ?? 0), 0),
            (catalogue.tables?.holdings.size ?? 0) - found.report.unknown.length,
          )
        }}
      </p>
      <ul class="figures">
        <li v-for="way in FIT_WAYS.filter(each => found?.report.byWay.has(each))" :key="way" class="border-t border-line py-1">
          <span class="font-semibold">{{ found.report.byWay.get(way)?.length }}</span>
          {{ holderWords.way[way] }}
          <span v-if="!PLAIN_WAYS.some(each => each === way)" class="hint block">{{ some(found.report.byWay.get(way) ?? []) }}</span>
        </li>
        <li class="border-t border-line py-1">
          {{ holderWords.without(found.report.without.length) }}
          <span class="hint block">{{ some(found.report.without.map(each => each.id)) }}</span>
        </li>
      </ul>
      <p class="figures">{{ holderWords.needed(found.report.holders, type.stockOnHand, found.report.toGet) }}</p>
      <p v-if="found.report.unsure.length" class="text-ochre figures">{{ holderWords.untried(found.report.unsure.length) }}</p>
      <p v-if="found.report.unknown.length" class="hint figures">{{ holderWords.unknown(found.report.unknown.length) }}</p>
      <template v-if="type.inner">
        <h3 class="mt-3 font-semibold">{{ holderWords.replace }}</h3>
        <p class="hint">{{ found.replacements.length ? holderWords.replaceLead : holderWords.none }}</p>
        <ul>
          <li v-for="each in found.replacements.slice(0, SHOWN)" :key="each.type.id" class="border-t border-line py-1">
            <span class="font-semibold">{{ each.type.name }}</span>
            <span class="hint">
              {{ holderWords.larger(holderWords.signed(each.widerMm, lengthText), holderWords.signed(each.tallerMm, lengthText)) }}
            </span>
            <span class="block">
              {{ each.noLonger.length ? holderWords.noLonger(each.noLonger.length, some(each.noLonger)) : holderWords.nobody }}
            </span>
          </li>
        </ul>
      </template>
    </template>
  </section>
</template>
