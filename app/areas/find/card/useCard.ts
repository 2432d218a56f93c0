import { useDebounceFn } from '@vueuse/core'
import { computed, reactive, shallowRef, watch } from 'vue'
import { type Candidate, type CardChoice, goesAlong, placesAlong, standingsOf } from '#core/fetching'
import { useFind } from '~/subjects/ask/useFind'
import { useFetch } from '~/subjects/walk/useFetch'
import { plainly } from '~/kit/plainly'
import { useCatalogue } from '~/data/useCatalogue'
import { useRoomWorker } from '~/data/useRoomWorker'
import { useTyped } from '~/kit/useTyped'

export interface Need {
  text: string
  /** The set that somebody has chosen for it; empty: let it be chosen. */
  pinnedId: string
}
export interface Served {
  /** What was asked when this was found. */
  readonly text: string
  readonly ids: readonly string[]
  readonly all: number
  readonly mode: 'all' | 'some' | 'near' | 'none'
}

export const MOST_NEEDS = 12
/** So many candidates of a need are weighed. */
const MOST_CANDIDATES = 40
const RESTS_MS = 250

/** What a card needs, what would serve each need, and the choice that opens the fewest containers. */
export function useCard() {
  const [catalogue, find, fetch, worker] = [useCatalogue(), useFind(), useFetch(), useRoomWorker()]
  const form = reactive<{ needs: Need[] }>({ needs: [] })
  const typed = useTyped(form)
  const start = { needs: Array.from({ length: 3 }, (): Need => ({ text: '', pinnedId: '' })) }
  form.needs = plainly(start.needs)
  typed.begin('card', start)

  /** By what is typed, so that a need that only moved is not asked again. */
  const served = shallowRef<ReadonlyMap<string, Served>>(new Map())
  const ask = useDebounceFn(async () => {
    await find.catchUp()
    const texts = [...new Set(form.needs.map(({ text }) => text.trim()))].filter(Boolean)
    const found = await Promise.all(
      texts.map(async (text): Promise<readonly [string, Served]> => {
        const answer = await find.answerTo(text)
        const mode = answer?.words?.mode ?? 'all'
        const ids = answer?.ids ?? []
        return [
          text,
          { text, ids: ids.slice(0, MOST_CANDIDATES), all: ids.length, mode: ids.length === 0 || mode === 'tooShort' ? 'none' : mode },
        ]
      }),
    )
    served.value = new Map(found)
  }, RESTS_MS)
  watch([() => form.needs.map(({ text }) => text).join('\n'), () => catalogue.tables?.holdings], () => void ask(), { immediate: true })
  const servedFor = ({ text }: Need): Served | undefined => served.value.get(text.trim())

  /** The containers that a set and what goes along with it open. */
  function candidateOf(id: string, along: ReadonlyMap<string, readonly string[]>): Candidate {
    const ids = [id, ...(along.get(id) ?? [])]
    const places = ids.map(each => {
      const loan = catalogue.loanOf.get(each)
      if (loan) return loan.to === fetch.to ? [] : null
      const standings = standingsOf(each, catalogue.room)
      return standings.length > 0 ? standings.map(({ container }) => container.id) : null
    })
    return { id, containerIds: places[0] === null ? null : places.flatMap(each => each ?? []) }
  }
  const needs = computed((): readonly (readonly Candidate[])[] => {
    const lists = form.needs.map(need => (need.pinnedId !== '' ? [need.pinnedId] : (servedFor(need)?.ids ?? [])))
    const along = goesAlong([...new Set(lists.flat())], {
      holdings: catalogue.tables?.holdings ?? new Map(),
      relations: catalogue.tables?.relations.values() ?? [],
    })
    return lists.map(ids => ids.filter(id => catalogue.tables?.holdings.has(id)).map(id => candidateOf(id, along)))
  })
  const along = computed(() => {
    const mm = placesAlong(
      catalogue.tables?.fixtures.values() ?? [],
      catalogue.containers.map(({ container }) => container),
    )
    return catalogue.containers.map(({ container }) => [container.id, mm.get(container.id) ?? 0] as const)
  })
  const choice = shallowRef<CardChoice | null>(null)
  const isWorking = shallowRef(false)
  watch(
    [needs, along],
    async ([now]) => {
      // What is being chosen for what was asked before is of no use any more.
      if (isWorking.value) worker.cancel()
      isWorking.value = true
      const found = await worker.ask(api => api.chooseForCard(plainly(now), plainly(along.value)))
      if (now !== needs.value) return
      choice.value = found
      isWorking.value = false
    },
    { immediate: true },
  )
  const chosenIds = computed(() => [...new Set((choice.value?.chosen ?? []).flatMap(id => id ?? []))])
  return { form, typed, servedFor, choice, chosenIds, isWorking }
}
