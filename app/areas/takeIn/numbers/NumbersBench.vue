<script setup lang="ts">
import { Plus } from 'lucide-vue-next'
import { newId } from '~/db/newId'
import { computed, shallowRef } from 'vue'
import { CODE_READINGS, type Series } from '#core/catalog'
import { doublesIn, gapsIn, hasTwoReadings, type LabelLine, labelsThatDisagree, writeCode } from '#core/numbering'
import KPageHead from '~/kit/KPageHead.vue'
import KTicket from '~/kit/KTicket.vue'
import { useChosen } from '~/kit/useChosen'
import SeriesForm from './SeriesForm.vue'
import { useDescribe } from '~/data/useDescribe'
import { act } from '~/data/act'
import { numberWords } from './words'
import { useCatalogue } from '~/data/useCatalogue'

/** The series of numbers and how they are written; gaps, doubles, and codes that can be read two ways. */
const catalogue = useCatalogue()
const { lookUp, code } = useDescribe()
const SHOWN = 60
const openId = useChosen('series')
const fresh = shallowRef<Series | null>(null)
const series = computed(() =>
  [...(catalogue.tables?.series.values() ?? [])].toSorted((a, b) => Number(b.isRunning) - Number(a.isRunning) || (a.id < b.id ? -1 : 1)),
)
const opened = computed(() => fresh.value ?? series.value.find(each => each.id === openId.value) ?? series.value[0] ?? null)
const holdings = computed(() => [...(catalogue.tables?.holdings.values() ?? [])])
const gaps = computed(() =>
  series.value
    .map(each => ({
      series: each,
      gaps: gapsIn(
        holdings.value.filter(holding => holding.seriesId === each.id).map(holding => holding.number),
        (catalogue.nextNumbers.get(each.id) ?? 1) - 1,
      ),
      // A cell's address or a maker's number is no count: what is not there is no gap.
    }))
    .filter(({ series: { partOf }, gaps: found }) => found.length > 0 && !/^(cell|maker):/.test(partOf?.key ?? '')),
)
const doubles = computed(() =>
  doublesIn(
    holdings.value,
    id => catalogue.tables?.series.get(id),
    id => lookUp('kinds', id),
  ),
)
const readings = computed(() =>
  holdings.value.flatMap(holding => holding.aliases.filter(alias => hasTwoReadings(alias.text)).map(alias => ({ holding, ...alias }))),
)
const labels = computed(() =>
  labelsThatDisagree(
    holdings.value,
    id => catalogue.tables?.series.get(id),
    id => lookUp('kinds', id),
  ),
)
const isTidy = computed(() => gaps.value.length + doubles.value.length + readings.value.length + labels.value.length === 0)
function renew(lines: readonly LabelLine[]): void {
  void act.renewLabels(new Map(lines.map(({ id, becomes }) => [id, becomes])))
}
const nameOf = (id: string): string => {
  const holding = catalogue.tables?.holdings.get(id)
  return holding ? `${code(holding)} ${holding.name}` : ''
}

function make(): void {
  fresh.value = { id: newId(), name: '', prefix: 'D-', padding: 0, suffixBy: 'none', isRunning: false, countsBy: 'all', partOf: null }
}
function open(id: string): void {
  fresh.value = null
  openId.value = id
}
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="numberWords.title" :lead="numberWords.lead">
      <button type="button" class="button" @click="make">
        <Plus :size="18" aria-hidden="true" />
        {{ numberWords.newSeries }}
      </button>
    </KPageHead>
    <div class="mt-3 grid gap-6 md:grid-cols-2">
      <div>
        <ul class="border-t border-line" :aria-label="numberWords.series">
          <li v-for="each in series" :key="each.id" class="border-b border-line">
            <button
              type="button"
              class="flex min-h-11 w-full items-center gap-3 px-2 text-left hover:bg-wash"
              :class="opened?.id === each.id ? 'bg-wash font-semibold' : ''"
              @click="open(each.id)"
            >
              <KTicket :code="writeCode(each, 42, null)" size="small" />
              <span class="flex-1">{{ each.name }}</span>
              <span v-if="each.isRunning" class="hint">{{ numberWords.runsNow }}</span>
            </button>
          </li>
        </ul>
        <section class="mt-6" data-reports>
          <h2 class="text-[1.2rem]">{{ numberWords.reports }}</h2>
          <p v-if="isTidy" class="text-quiet">{{ numberWords.nothing }}</p>
          <template v-for="each in gaps" :key="each.series.id">
            <h3 class="mt-3 font-semibold figures">{{ numberWords.gaps(each.gaps.length, each.series.name) }}</h3>
            <p class="hint">{{ numberWords.gapsLead }}</p>
            <p class="figures">
              {{
                each.gaps
                  .slice(0, SHOWN)
                  .map(({ from, to }) => numberWords.gap(from, to))
                  .join(', ')
              }}
            </p>
          </template>
          <template v-if="doubles.length">
            <h3 class="mt-3 font-semibold text-ochre figures">{{ numberWords.doubles(doubles.length) }}</h3>
            <p class="hint">{{ numberWords.doublesLead }}</p>
            <ul>
              <li v-for="each in doubles.slice(0, SHOWN)" :key="each.text">
                <strong class="figures">{{ each.text }}:</strong>
                {{ each.holdingIds.map(nameOf).join('; ') }}
              </li>
            </ul>
          </template>
          <template v-if="labels.length">
            <h3 class="mt-3 font-semibold text-ochre figures">{{ numberWords.labels(labels.length) }}</h3>
            <p class="hint">{{ numberWords.labelsLead }}</p>
            <ul data-labels>
              <li v-for="each in labels.slice(0, SHOWN)" :key="each.id" class="flex flex-wrap items-center gap-x-3">
                <span class="min-w-0 flex-1 basis-48">{{ numberWords.labelRow(each.was, each.becomes) }}: {{ nameOf(each.id) }}</span>
                <button type="button" class="min-h-11 underline" @click="renew([each])">{{ numberWords.labelRenewed }}</button>
              </li>
            </ul>
            <button v-if="labels.length > 1" type="button" class="button mt-1" @click="renew(labels)">
              {{ numberWords.labelsRenewed(labels.length) }}
            </button>
          </template>
          <template v-if="readings.length">
            <h3 class="mt-3 font-semibold figures">{{ numberWords.readings(readings.length) }}</h3>
            <p class="hint">{{ numberWords.readingsLead }}</p>
            <ul>
              <li
                v-for="each in readings.slice(0, SHOWN)"
                :key="`${each.holding.id} ${each.text}`"
                class="mt-1 flex flex-wrap items-center gap-x-3"
              >
                <span class="min-w-0 flex-1 basis-48">
                  <strong class="figures">{{ each.text }}:</strong>
                  {{ nameOf(each.holding.id) }}
                </span>
                <select
                  class="field w-auto"
                  :aria-label="numberWords.readingOf(each.text)"
                  :value="each.reading ?? ''"
                  @change="
                    act.readCode(
                      each.holding.id,
                      each.text,
                      CODE_READINGS.find(reading => reading === ($event.target as HTMLSelectElement).value) ?? null,
                    )
                  "
                >
                  <option value="">{{ numberWords.unread }}</option>
                  <option v-for="reading in CODE_READINGS" :key="reading" :value="reading">{{ numberWords.reading[reading] }}</option>
                </select>
              </li>
            </ul>
          </template>
        </section>
      </div>
      <section v-if="opened" class="panel self-start" :aria-label="opened.name || numberWords.newSeries">
        <SeriesForm :key="opened.id" :series="opened" @kept="fresh = null" />
      </section>
    </div>
  </div>
</template>
