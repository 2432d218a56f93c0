import { computed, reactive } from 'vue'
import { familiesOf, type FamilyChoice, planFromList, proposeChoice } from '#core/room/places'
import { useFixtures } from '~/subjects/room/useFixtures'
import { useCatalogue } from '~/data/useCatalogue'
import { useTyped } from '~/kit/useTyped'
import { listedWords } from './words'

/** The room that the list tells of, as far as it is settled; what was chosen stays in this tab until it is built. */
export function useFromList() {
  const catalogue = useCatalogue()
  const { fixtures, newFixture, furnitureFor } = useFixtures()
  const kept = reactive<{ choices: Record<string, Partial<FamilyChoice>> }>({ choices: {} })
  const typed = useTyped(kept)
  typed.begin('places of the list', { choices: {} })

  /** Numbers were given in the order of the list. */
  const families = computed(() =>
    familiesOf(catalogue.listed.toSorted((a, b) => a.number - b.number).map(({ id, placeText }) => ({ id, text: placeText }))),
  )
  const zones = computed(() => [...catalogue.facts.zones].sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1)))
  const choices = computed(
    () =>
      new Map(
        families.value.map(family => {
          const proposed = proposeChoice(family, zones.value[0]?.id ?? '', type => newFixture(furnitureFor(type)))
          return [family.key, { ...proposed, ...kept.choices[family.key] }]
        }),
      ),
  )
  const plan = computed(() =>
    planFromList(
      families.value,
      choices.value,
      { rows: [...catalogue.room.rows.values()], fixtures: new Map(fixtures.value.map(each => [each.id, each])) },
      { pages: listedWords.pageNames },
    ),
  )
  const lines = computed(() =>
    families.value.flatMap((family, at) => {
      const [choice, own] = [choices.value.get(family.key), plan.value.families[at]]
      return choice && own ? [{ family, choice, plan: own }] : []
    }),
  )
  function choose(key: string, change: Partial<FamilyChoice>): void {
    kept.choices = { ...kept.choices, [key]: { ...kept.choices[key], ...change } }
  }
  return { lines, zones, plan, choose, typed }
}
