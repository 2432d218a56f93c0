import { computed, reactive, shallowRef, watch } from 'vue'
import { group } from 'd3-array'
import { zoneFor } from '#core/filing'
import { type Fittings, planTidy, proposeShape, shapesFor, type TidyChoice, type TidyFacts } from '#core/tidy'
import { readLength } from '#core/units'
import { useBuilding } from '~/subjects/room/useBuilding'
import { useFixtures } from '~/subjects/room/useFixtures'
import { useFitWorker } from '~/subjects/fit/useFitWorker'
import { useCatalogue } from '~/data/useCatalogue'
import { useTyped } from '~/kit/useTyped'

/** What somebody has said of a corner; the length as it is typed. */
export type TidyTyped = Partial<Pick<TidyChoice, 'shapeId' | 'fixture'> & { readonly length: string }>

/** The room that what stands nowhere needs; what was chosen stays in this tab until it is built. */
export function useTidy() {
  const catalogue = useCatalogue()
  const worker = useFitWorker()
  const { namesBefore } = useBuilding()
  const { newFixture, furnitureFor } = useFixtures()
  /** What is chosen for each corner, lengths as they are typed; and whether it is noted what each set sits in. */
  const fresh = (): { choices: Record<string, TidyTyped>; isNoted: boolean } => ({ choices: {}, isNoted: true })
  const kept = reactive(fresh())
  const typed = useTyped(kept)
  typed.begin('begin tidy', fresh())
  /** It is built: what is chosen next is chosen afresh. */
  function settle(): void {
    typed.forget()
    Object.assign(kept, fresh())
    typed.begin('begin tidy', fresh())
  }

  const waiting = computed(() => catalogue.nowhere)
  /** null while it is worked out. */
  const fittings = shallowRef<Fittings | null>(null)
  watch(
    () => [waiting.value, catalogue.tables?.holderTypes, catalogue.settings.fitOrder, catalogue.settings.fitNever] as const,
    async ([sets]) => {
      const found = await worker.ask(api => api.fittings(sets.map(({ id }) => id)))
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
        const { shapeId, length = '', fixture } = kept.choices[zoneId] ?? {}
        const read = readLength(length, catalogue.settings.unit)
        // A sort that is no longer there is no choice.
        const shape =
          shapesOf(zoneId).find(({ id }) => id === shapeId) ?? proposeShape(zoneId, own, fittings.value ?? new Map(), facts.value)
        return [
          zoneId,
          {
            shapeId: shape?.id ?? '',
            lengthMm: read.ok ? read.mm : null,
            fixture: fixture ?? newFixture(furnitureFor(shape?.type ?? 'bin')),
          },
        ]
      }),
    )
  })
  const plan = computed(() => fittings.value && planTidy(waiting.value, fittings.value, choices.value, facts.value, namesBefore))
  /** A line a corner, with what is chosen for it and what could be. */
  const lines = computed(() =>
    (plan.value?.zones ?? []).flatMap(tidy => {
      const choice = choices.value.get(tidy.zone.id)
      const { length = '' } = kept.choices[tidy.zone.id] ?? {}
      return choice ? [{ tidy, choice, length, shapes: shapesOf(tidy.zone.id) }] : []
    }),
  )
  function choose(zoneId: string, change: TidyTyped): void {
    kept.choices = { ...kept.choices, [zoneId]: { ...kept.choices[zoneId], ...change } }
  }
  return { waiting, plan, lines, choose, kept, typed, settle }
}
