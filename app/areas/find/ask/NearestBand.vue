<script setup lang="ts">
import { computed } from 'vue'
import { group } from 'd3-array'
import type { Nearest } from '#core/finding'
import { sizeClass, sizeOfClass } from '#core/finding'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { counted } from '#core/grammar'
import { findWords } from '~/areas/find/words'
import { useFind } from '~/subjects/ask/useFind'

/** Honest absence: which part of an ask no set has, and what there is by giving up one part. */
const find = useFind()
const catalogue = useCatalogue()
const { lookUp, sizeText } = useDescribe()
/** So many sorts of what there is are named. */
const NAMED = 2

/** What the sets are, where a size or a maker was given up: those they have. */
function told({ without, ids }: Nearest): string {
  const sets = ids.flatMap(id => catalogue.tables?.holdings.get(id) ?? [])
  const isSize = find.answer?.reading.parts.some(part => part.text === without && part.as === 'size')
  const isMaker = find.isMaker(without)
  if (!isSize && !isMaker) return ''
  const sorts = [
    ...group(sets, ({ size, brandId }) => {
      if (isSize) return size ? sizeText(sizeOfClass(sizeClass(size.widthMm, size.heightMm))) : ''
      return lookUp('brands', brandId)?.name ?? ''
    }),
  ]
    .filter(([name]) => name !== '')
    .sort((a, b) => b[1].length - a[1].length)
    .slice(0, NAMED)
  return sorts.map(([name, of]) => findWords.sort(counted(of.length, 'set'), name, isMaker)).join(', ')
}
const lines = computed(
  () =>
    find.absence?.nearest.map(nearest => ({ ...nearest, text: findWords.nearest(nearest.ids.length, nearest.without, told(nearest)) })) ??
    [],
)
</script>

<template>
  <div v-if="find.absence" class="mt-1" data-absence>
    <p>{{ findWords.noneIsAll(find.absence.atoms.map(({ text }) => text)) }}</p>
    <p v-if="find.absence.missing.length > 0" class="text-quiet">{{ findWords.absent(find.absence.missing) }}</p>
    <template v-if="lines.length > 0">
      <p class="mt-1 text-quiet">{{ findWords.nearestTitle }}</p>
      <ul class="mt-1 flex flex-wrap gap-2">
        <li v-for="{ without, text } in lines" :key="without">
          <button type="button" class="button" @click="find.giveUp(without)">{{ text }}</button>
        </li>
      </ul>
    </template>
  </div>
</template>
