import { computed, onScopeDispose, watch } from 'vue'
import { HEAVY_G, SHOULDER_MM, shelfHeightMm, weightOf } from '#core/capacity'
import { isAway, type Stop, type WalkFacts } from '#core/fetching'
import type { ContainerRow } from '#core/room'
import { useCatalogue } from '~/data/useCatalogue'
import { useRidge } from '~/subjects/ask/useRidge'

/** What a walk is planned by, and what is told of each of its stops. */
export function useWalk() {
  const catalogue = useCatalogue()
  const facts = computed((): WalkFacts => ({
    ...catalogue.room,
    fixtures: catalogue.tables?.fixtures ?? new Map(),
    loanOf: id => catalogue.loanOf.get(id),
  }))
  /** Holders of a container whose sets are all out. */
  const awayIn = (row: ContainerRow): ReadonlySet<string> =>
    new Set(row.placements.filter(each => isAway(each, facts.value.loanOf)).map(({ holder }) => holder.id))

  /** What to mind at a stop: it is above the shoulders, heavy to lift, or what is taken has sharp edges. */
  function cautions({ row, sets }: Stop): readonly ('high' | 'heavy' | 'blades')[] {
    const { container } = row
    const fixture = catalogue.tables?.fixtures.get(container.fixtureId)
    const isHigh = fixture !== undefined && shelfHeightMm(fixture, container.shelf).mm > SHOULDER_MM
    const weightG = weightOf(
      row,
      id => catalogue.tables?.holdings.get(id),
      id => catalogue.tables?.kinds.get(id),
      id => catalogue.tables?.holderTypes.get(id),
    )
    const isLifted = container.type !== 'drawer' && container.type !== 'board'
    const kindOf = (id: string): string => catalogue.tables?.holdings.get(id)?.kindId ?? ''
    const hasBlades = sets.some(({ holdingId }) => catalogue.authority.kinds.get(kindOf(holdingId))?.family === 'die')
    return [
      ...(isHigh ? (['high'] as const) : []),
      ...(isLifted && weightG > HEAVY_G ? (['heavy'] as const) : []),
      ...(hasBlades ? (['blades'] as const) : []),
    ]
  }
  return { facts, awayIn, cautions }
}

/** While a walk is shown the ridge carries a pin at each of its stops, with the figure of the stop. */
export function usePinnedStops(containerIds: () => readonly string[]): void {
  const ridge = useRidge()
  let own: ReadonlyMap<string, number> | null = null
  watch(
    containerIds,
    ids => {
      own = new Map(ids.map((id, at) => [id, at + 1]))
      ridge.stops = own
    },
    { immediate: true },
  )
  onScopeDispose(() => {
    // The next page may have pinned its own walk by now.
    if (ridge.stops === own) ridge.stops = null
  })
}
