import { computed, reactive, watch } from 'vue'
import type { Cell, Holding } from '#core/catalog'
import type { ContainerRow } from '#core/room'
import { cellsFrom, offersFor } from '#core/room/places'
import type { Stood } from '~/db'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { useTyped } from '~/kit/useTyped'
import { alongWords } from './words'

/** What was said, in order. `empty`: a cell with nothing in it. */
type Saying =
  | { readonly as: 'set'; readonly holdingId: string }
  | { readonly as: 'tab' | 'strange'; readonly text: string }
  | { readonly as: 'empty' }
/** So many sets from elsewhere are offered. */
const ELSEWHERE = 6

/** Walking along one container: what is left to be seen, what is offered for what is typed, and what was said so far. */
export function useAlong(rowOf: () => ContainerRow) {
  const catalogue = useCatalogue()
  const { address, codeOf, nameOf, wayTo } = useDescribe()
  const begun = () => ({ said: [] as Saying[], text: '', lane: 1, page: firstPage() })
  const kept = reactive(begun())
  const typed = useTyped(kept)
  const cells = computed(() => rowOf().container.cells)

  /** Pages begin where the first of them has something that nobody has looked at, or behind what is known. */
  function firstPage(): number {
    const { somewhere, placements } = rowOf()
    return somewhere[0]?.page ?? placements.at(-1)?.cell?.page ?? 1
  }
  watch(
    () => rowOf().container.id,
    id => {
      Object.assign(kept, begun())
      typed.begin(`along ${id}`, begun())
    },
    { immediate: true },
  )

  const seen = computed(() => new Set(kept.said.flatMap(each => (each.as === 'set' ? [each.holdingId] : []))))
  const offered = (holding: Holding) => {
    const { figure, suffix } = codeOf(holding)
    return { id: holding.id, figure: `${figure}${suffix}`, name: holding.name, holding }
  }
  /** What shares a holder is seen together. */
  const left = computed(() =>
    rowOf()
      .somewhere.filter(({ holder }) => !holder.holdingIds.some(id => seen.value.has(id)))
      .flatMap(({ holder }) => holder.holdingIds.flatMap(id => catalogue.tables?.holdings.get(id) ?? []))
      .map(offered),
  )
  const offers = computed(() => offersFor(kept.text, left.value))
  /** Sets that are said to be elsewhere, or nowhere. */
  const others = computed(() => {
    if (kept.text.trim() === '') return []
    const here = new Set([...rowOf().placements, ...rowOf().somewhere].flatMap(({ holder }) => holder.holdingIds))
    const all = [...(catalogue.tables?.holdings.values() ?? [])].filter(({ id }) => !here.has(id) && !seen.value.has(id)).map(offered)
    return offersFor(kept.text, all).slice(0, ELSEWHERE)
  })

  /** The cells that are still to be looked at, from the page on that was chosen; what was said fills them one by one. */
  const walk = computed((): readonly (Cell | null)[] => {
    const grid = cells.value
    if (!grid) return kept.said.map(() => null)
    const taken = new Set(rowOf().placements.flatMap(({ cell }) => (cell ? [JSON.stringify([cell.page, cell.cell, cell.side])] : [])))
    const along = cellsFrom(grid, kept.page, cell => taken.has(JSON.stringify([cell.page, cell.cell, cell.side])))
    return [...kept.said, null].map(each => (each?.as === 'tab' || each?.as === 'strange' ? null : (along.next().value ?? null)))
  })
  const nextCell = computed(() => (cells.value ? (walk.value.at(-1) ?? null) : null))
  /** Whether there is a place for one more. */
  const hasNext = computed(() => cells.value === null || nextCell.value !== null)
  const addressOf = (cell: Cell): string => address({ container: rowOf().container, lane: 1, position: 1, cell })

  const where = computed(() => {
    if (cells.value)
      return nextCell.value ? alongWords.nextCell(addressOf(nextCell.value), nextCell.value.side === 'back') : alongWords.noCell
    const last = kept.said.findLast(each => each.as === 'set')
    const said = last?.as === 'set' ? catalogue.tables?.holdings.get(last.holdingId) : undefined
    const known = rowOf().placements.findLast(({ lane }) => lane === kept.lane) ?? null
    const name = said ? `${codeOf(said).figure} ${said.name}` : nameOf(known)
    return name ? alongWords.from(name) : alongWords.fromFront
  })

  function say(saying: Saying): void {
    if (!hasNext.value && (saying.as === 'set' || saying.as === 'empty')) return
    kept.said = [...kept.said, saying]
    kept.text = ''
  }
  const takeBack = (): void => void (kept.said = kept.said.slice(0, -1))

  /** Keeps what was said, in one step. How many sets were seen. */
  async function keep(): Promise<number> {
    const { container } = rowOf()
    const stood = kept.said.flatMap((each, at): Stood[] => {
      if (each.as === 'set') return [{ as: 'set', holdingId: each.holdingId, cell: walk.value[at] ?? null }]
      if (each.as === 'tab') return [{ as: 'tab', title: each.text }]
      if (each.as !== 'strange') return []
      return [{ as: 'strange', name: each.text, note: alongWords.note(strangePlace(at) || wayTo(container)) }]
    })
    const count = await act.standAsSeen(container.id, kept.lane, stood)
    typed.forget()
    Object.assign(kept, begun())
    typed.begin(`along ${container.id}`, begun())
    return count
  }
  /** Behind what something strange stands. */
  function strangePlace(at: number): string {
    const before = kept.said.slice(0, at).findLast(each => each.as === 'set')
    const holding = before?.as === 'set' ? catalogue.tables?.holdings.get(before.holdingId) : undefined
    return holding ? `${wayTo(rowOf().container)}, behind ${codeOf(holding).figure} ${holding.name}` : ''
  }
  return { kept, typed, cells, left, offers, others, where, walk, hasNext, addressOf, say, takeBack, keep }
}
