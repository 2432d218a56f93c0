import { group } from 'd3-array'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { Loan, PullLine, PullList } from '#core/catalog'
import { lineState } from '#core/fetching'
import { act, loanPlacesNow } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { useKept } from '~/kit/useKept'
import { useNotices } from '~/kit/useNotices'
import { fetchWords } from './words'

/** More at once are no walk: whoever wants them narrows the answer first. */
const MOST_AT_ONCE = 60

function withAlong(lines: readonly PullLine[]): readonly PullLine[] {
  const own = group(lines, line => line.alongWithId)
  return (own.get(null) ?? []).flatMap(line => [line, ...(own.get(line.holdingId) ?? [])])
}

/** The pull lists, the one at hand, and what is out: all of it follows from the records, so that a reload loses nothing. */
export const useFetch = defineStore('fetch', () => {
  const [catalogue, notices] = [useCatalogue(), useNotices()]
  const keptId = useKept<string>('pull-list', '')
  /** The set that is being carried onto a list, by mouse or finger. */
  const carriedId = shallowRef<string | null>(null)
  /** Where what is fetched goes. */
  const to = useKept<string>('out-to', fetchWords.table)

  const lists = computed((): readonly PullList[] =>
    [...(catalogue.tables?.pullLists.values() ?? [])].sort((a, b) => (a.id < b.id ? 1 : -1)),
  )
  /** The list at hand: the one that was opened last, else the newest. */
  const list = computed((): PullList | null => lists.value.find(({ id }) => id === keptId.value) ?? lists.value[0] ?? null)
  /** What is on it, each with what goes along behind it. */
  const lines = computed(() =>
    withAlong(list.value?.lines ?? []).flatMap(line => {
      const holding = catalogue.tables?.holdings.get(line.holdingId)
      return holding ? [{ line, holding, state: lineState(line, catalogue.room, id => catalogue.loanOf.get(id)) }] : []
    }),
  )
  const toFetch = computed(() => lines.value.filter(({ state }) => state.as === 'toFetch').length)
  /** What is out, the longest first. */
  const out = computed((): readonly Loan[] => [...catalogue.loanOf.values()].sort((a, b) => (a.outAt < b.outAt ? -1 : 1)))
  /** Where sets were taken to before, once a page has asked for it. */
  const past = shallowRef<readonly string[]>([])
  const readPlaces = (): void => void loanPlacesNow().then(found => (past.value = found))
  const places = computed(() => [...new Set([fetchWords.table, ...past.value, ...out.value.map(loan => loan.to)])].sort())

  const nameOf = ({ name, createdAt }: PullList): string => name || fetchWords.unnamed(createdAt)
  const open = (listId: string): void => void (keptId.value = listId)
  /** Puts sets on the list at hand, or on a new one; says what came of it. */
  async function pull(holdingIds: readonly string[], listId: string | null = list.value?.id ?? null): Promise<boolean> {
    if (holdingIds.length > MOST_AT_ONCE) {
      notices.tell(fetchWords.tooMany(holdingIds.length), 'care')
      return false
    }
    const outcome = await act.pullSets(listId, [...holdingIds])
    if (outcome.ok) open(outcome.listId)
    notices.tell(
      outcome.ok ? fetchWords.pulled(outcome.added, holdingIds.length) : fetchWords.notPulled[outcome.code],
      outcome.ok ? 'done' : 'care',
    )
    return outcome.ok
  }
  /** Begins a list with nothing on it yet. */
  async function begin(): Promise<void> {
    const outcome = await act.pullSets(null, [])
    if (outcome.ok) open(outcome.listId)
  }
  return { lists, list, lines, toFetch, out, places, readPlaces, to, carriedId, nameOf, open, pull, begin }
})
