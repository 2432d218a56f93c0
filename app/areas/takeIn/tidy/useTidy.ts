import { computed, reactive, shallowRef, watch } from 'vue'
import { group } from 'd3-array'
import { zoneFor } from '#core/filing'
import { type Fittings, planTidy, proposeShape, shapesFor, type TidyChoice, type TidyFacts } from '#core/tidy'
import { useBuilding } from '~/areas/storeroom/building/useBuilding'
import { useFixtures } from '~/areas/storeroom/building/useFixtures'
import { useFitWorker } from '~/areas/storeroom/holders/useFitWorker'
import { useCatalogue } from '~/data/useCatalogue'
import { useTyped } from '~/kit/useTyped'

/** The room that what stands nowhere needs; what was chosen stays in this tab until it is built. */
export function useTidy() {
  const catalogue = useCatalogue()
  const worker = useFitWorker()
  const { namesBefore } = useBuilding()
  const { newFixture, furnitureFor } = useFixtures()
  const kept = reactive<{ choices: Record<string, Partial<TidyChoice>>; isNoted: boolean }>({ choices: {}, isNoted: true })
  const typed = useTyped(kept)
  typed.begin('begin tidy', { choices: {}, isNoted: true })

  const waiting = computed(() => catalogue.nowhere)
  /** null while it is worked out. */
  const fittings = shallowRef<Fittings | null>(null)
  watch(
    () => [waiting.value, catalogue.tables?.holderTypes, catalogue.settings.fitOrder, catalogue.settings.fitNever] as const,
    async ([sets]) => {
      const found = await worker.run(api => api.fittings(sets.map(({ id }) => id)))
      if (sets === waiting.value) fittings.value = found
    },
    { immediate: true },
  )

  const facts = computed((): TidyFacts => ({
    ...catalogue.facts,
    learnt: catalogue.learnt,
    holderTypes: catalogue.tables?.holderTypes ?? new Map(),
    patterns: catalogue.settings.addressPatterns,
  }))
  const shapesOf = (zoneId: string) => shapesFor(zoneId, facts.value)
  const choices = computed(() => {
    const byZone = group(waiting.value, holding => zoneFor(holding, catalogue.facts.zones)?.id ?? '')
    return new Map(
      [...byZone].map(([zoneId, own]): [string, TidyChoice] => {
        const { shapeId, lengthMm = null, fixture } = kept.choices[zoneId] ?? {}
        // A sort that is no longer there is no choice.
        const shape =
          shapesOf(zoneId).find(({ id }) => id === shapeId) ?? proposeShape(zoneId, own, fittings.value ?? new Map(), facts.value)
        return [zoneId, { shapeId: shape?.id ?? '', lengthMm, fixture: fixture ?? newFixture(furnitureFor(shape?.type ?? 'bin')) }]
      }),
    )
  })
  const plan = computed(() => fittings.value && planTidy(waiting.value, fittings.value, choices.value, facts.value, namesBefore))
  function choose(zoneId: string, change: Partial<TidyChoice>): void {
    kept.choices = { ...kept.choices, [zoneId]: { ...kept.choices[zoneId], ...change } }
  }
  return { waiting, plan, choices, choose, shapesOf, kept, typed }
}
