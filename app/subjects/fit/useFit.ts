import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import { type HolderType, type Holding, START_HABITS, type Zone } from '#core/catalog'
import { type Contents, contentsOf, type CutSize, cutsFor, type FitHabits } from '#core/holders'
import { proposePlace, zoneFor } from '#core/filing'
import { writeSize } from '#core/units'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'

/** How one set fits: what goes in by the habits of its zone, what it could sit in, and what to cut. */
export function useFit(holding: MaybeRefOrGetter<Holding | null>) {
  const catalogue = useCatalogue()
  const { lookUp } = useDescribe()
  const types = computed((): readonly HolderType[] =>
    [...(catalogue.tables?.holderTypes.values() ?? [])].sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1)),
  )
  const fitHabits = computed((): FitHabits => catalogue.settings)
  const habitsOf = (set: Holding): Zone['habits'] => zoneFor(set, catalogue.facts.zones)?.habits ?? START_HABITS
  const contentsFor = (set: Holding): Contents | null => contentsOf(set, lookUp('kinds', set.kindId) ?? null, habitsOf(set))

  const contents = computed(() => {
    const set = toValue(holding)
    return set && contentsFor(set)
  })
  /** Where it stands, or would stand. */
  const container = computed(() => {
    const set = toValue(holding)
    if (!set) return null
    const proposal = proposePlace(set, catalogue.facts)
    return catalogue.room.placements.get(set.id)?.container ?? (proposal.ok ? proposal.point.container : null)
  })
  function cutsOf(set: Holding, type: HolderType | null | undefined): readonly CutSize[] {
    const inside = contentsFor(set)
    return type && inside ? cutsFor(type, inside.thicknessMm, habitsOf(set)) : []
  }
  /** Written to the trimmer's ticks, down: they must go in. */
  const cutText = (cut: CutSize): string =>
    writeSize(
      cut,
      { unit: catalogue.settings.unit, ticks: catalogue.settings.trimmerTicks, reduced: catalogue.settings.reducedFractions },
      'down',
    )
  return { types, fitHabits, contentsFor, contents, container, cutsOf, cutText }
}
