import { computed } from 'vue'
import type { ContainerType, Fixture } from '#core/catalog'
import { useCatalogue } from '~/data/useCatalogue'
import { buildingWords } from './buildingWords'

/** What usually holds it. */
const FURNITURE: Readonly<Partial<Record<ContainerType, Fixture['type']>>> = { drawer: 'cabinet', board: 'wall', ring: 'wall' }

/** The furniture of the room, and what more of it would be called. */
export function useFixtures() {
  const catalogue = useCatalogue()
  const fixtures = computed(() => [...(catalogue.tables?.fixtures.values() ?? [])].sort((a, b) => a.rank - b.rank))
  /** New furniture of this type, under a name that no other has. */
  function newFixture(type: Fixture['type']): Pick<Fixture, 'name' | 'type'> {
    const taken = new Set(fixtures.value.map(each => each.name.toLowerCase()))
    const plain = buildingWords.furnitureNames[type]
    let name = plain
    for (let count = 2; taken.has(name.toLowerCase()); count += 1) name = `${plain} ${count}`
    return { name, type }
  }
  const furnitureFor = (type: ContainerType): Fixture['type'] => FURNITURE[type] ?? 'bookcase'
  return { fixtures, newFixture, furnitureFor }
}
