<script setup lang="ts">
import { computed, nextTick } from 'vue'
import { NuxtLink } from '#components'
import { type DateOrder, type Holding, QUESTION_CODES } from '#core/catalog'
import { type Answered, type AnswerGround, groupQuestions, type QuestionGroup, readAnswer } from '#core/questions'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import MovingLine from '~/subjects/pile/MovingLine.vue'
import KPageHead from '~/kit/KPageHead.vue'
import { useNotices } from '~/kit/useNotices'
import AnswerField from './AnswerField.vue'
import { questionWords } from './words'

/** Questions: what a list said and could not be read, each text once, answered for all sets that carry it. */
const catalogue = useCatalogue()
const notices = useNotices()
const { code } = useDescribe()
/** So many sets of a question are named, and so many questions of a sort are shown at once. */
const NAMED = 5
const SHOWN = 40

const groups = computed(() => groupQuestions(catalogue.asked))
const sorts = computed(() =>
  QUESTION_CODES.flatMap(sort => {
    const all = groups.value.filter(group => group.code === sort)
    return all.length > 0 ? [{ sort, all }] : []
  }),
)
const setsOf = ({ holdingIds }: QuestionGroup): readonly Holding[] =>
  holdingIds.slice(0, NAMED).flatMap(id => catalogue.tables?.holdings.get(id) ?? [])
const ground = computed((): AnswerGround => ({
  unit: catalogue.settings.unit,
  dateOrder: catalogue.settings.dateOrder,
  currency: catalogue.settings.currency,
  thisYear: new Date().getFullYear(),
}))

type Change = Parameters<typeof act.changeMany>[0][number]
const changeOf = (group: QuestionGroup, said: Omit<Change, 'ids' | 'answers'>): Change => ({
  ids: group.holdingIds,
  answers: { code: group.code, text: group.text },
  ...said,
})
async function keep(changes: readonly Change[], from: string): Promise<void> {
  const { changed, left } = await act.changeMany(changes)
  notices.tell([questionWords.answered(changed), ...(left > 0 ? [questionWords.left(left)] : [])].join(' '), left > 0 ? 'care' : 'done')
  // The next question has the keyboard: one answers down the page.
  await nextTick()
  const rows = [...document.querySelectorAll<HTMLElement>('[data-question]')]
  const at = rows.findIndex(row => row.dataset.question === from)
  rows[Math.max(0, at)]?.querySelector<HTMLElement>('[data-answer] :is(input, select, button, a)')?.focus()
}
const answer = (group: QuestionGroup, set: Answered): Promise<void> => keep([changeOf(group, { set })], nextKey(group))
const asNote = (group: QuestionGroup): Promise<void> =>
  keep([changeOf(group, { addNote: questionWords.note(group.code, group.text) })], nextKey(group))
const drop = (group: QuestionGroup): Promise<void> => keep([changeOf(group, {})], nextKey(group))
/** The question below, where the keyboard goes on. */
function nextKey({ key }: QuestionGroup): string {
  const all = sorts.value.flatMap(each => each.all)
  return all[all.findIndex(each => each.key === key) + 1]?.key ?? ''
}

/** One answer for all of a sort: the unit of bare sizes, the order of dates. Texts that it does not read stay. */
function answerAll(all: readonly QuestionGroup[], how: Partial<AnswerGround>): void {
  const changes = all.flatMap(group => {
    const set = readAnswer(group.code, group.text, { ...ground.value, ...how })
    return set ? [changeOf(group, { set })] : []
  })
  if (changes.length > 0) void keep(changes, '')
}
const dropAll = (all: readonly QuestionGroup[]): void =>
  void keep(
    all.map(group => changeOf(group, {})),
    '',
  )
const UNITS = ['in', 'cm', 'mm'] as const
const ORDERS: readonly DateOrder[] = ['dayFirst', 'monthFirst']
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="questionWords.title" :lead="questionWords.lead">
      <p v-if="groups.length > 0" class="figures" aria-live="polite" data-questions-sum>
        {{ questionWords.sum(catalogue.asked.length, groups.length) }}
      </p>
    </KPageHead>
    <MovingLine />
    <div v-if="groups.length === 0" class="py-12 text-center">
      <p class="text-[1.2rem] font-semibold">{{ questionWords.none }}</p>
      <p class="hint mt-1">{{ questionWords.noneHint }}</p>
    </div>
    <template v-else>
      <section v-for="{ sort, all } in sorts" :key="sort" class="mt-3" :aria-label="questionWords.sort[sort]">
        <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
          <h2 class="text-[1.15rem]">{{ questionWords.sort[sort] }}</h2>
          <span v-if="all.length > 1" class="hint figures">{{ questionWords.sortCount(all.length) }}</span>
          <button v-if="sort.startsWith('number') && all.length > 1" type="button" class="button" @click="dropAll(all)">
            {{ questionWords.allSoBeIt }}
          </button>
          <div v-if="sort === 'sizeUnitUnknown' && all.length > 1" class="flex flex-wrap items-center gap-2">
            <span>{{ questionWords.unitAll }}</span>
            <button v-for="unit in UNITS" :key="unit" type="button" class="button" @click="answerAll(all, { unit })">
              {{ questionWords.unit[unit] }}
            </button>
          </div>
          <div v-if="sort === 'dateOrderUnknown' && all.length > 1" class="flex flex-wrap items-center gap-2">
            <span>{{ questionWords.orderAll }}</span>
            <button v-for="order in ORDERS" :key="order" type="button" class="button" @click="answerAll(all, { dateOrder: order })">
              {{ questionWords.order[order] }}
            </button>
          </div>
        </div>
        <p v-if="sort.startsWith('number')" class="hint">{{ questionWords.soBeItHint }}</p>
        <ul class="mt-2">
          <li
            v-for="group in all.slice(0, SHOWN)"
            :key="group.key"
            class="grid gap-x-6 gap-y-1 border-t border-line py-2 lg:grid-cols-[minmax(0,1fr)_auto]"
            :data-question="group.key"
          >
            <div class="min-w-0">
              <p>
                <span class="font-semibold wrap-anywhere">{{ questionWords.text(group.text) }}</span>
                <span class="ml-2 figures">{{ questionWords.sets(group.holdingIds.length) }}</span>
              </p>
              <p class="hint flex flex-wrap items-center gap-x-3">
                <NuxtLink
                  v-for="set in setsOf(group)"
                  :key="set.id"
                  :to="{ path: '/', query: { set: set.id } }"
                  class="inline-flex min-h-11 items-center underline"
                >
                  {{ code(set) }} {{ set.name }}
                </NuxtLink>
                <span v-if="group.holdingIds.length > NAMED">{{ questionWords.more(group.holdingIds.length - NAMED) }}</span>
              </p>
            </div>
            <AnswerField
              :group="group"
              :ground="ground"
              @answer="answer(group, $event)"
              @name="keep([changeOf(group, $event)], nextKey(group))"
              @note="asNote(group)"
              @drop="drop(group)"
            />
          </li>
        </ul>
        <p v-if="all.length > SHOWN" class="hint border-t border-line pt-2">{{ questionWords.more(all.length - SHOWN) }}</p>
      </section>
    </template>
  </div>
</template>
