import { addTo } from '#core/catalog'
import type { SpellingGroup } from '#core/classing'
import type { ImportChoices } from './plan'

/**
 * The groups of spellings as the person decided on them: those that were said to be one brand made one, and called as was
 * chosen. O(groups * joins).
 */
export function chosenBrands(
  groups: readonly SpellingGroup[],
  { joinedBrands, brandNames }: Pick<ImportChoices, 'joinedBrands' | 'brandNames'>,
): readonly SpellingGroup[] {
  const byName = new Map(groups.map(group => [group.preferred, group]))
  const rootOf = (name: string, from: readonly string[] = []): string => {
    const mayBe = joinedBrands.includes(name) && !from.includes(name) ? byName.get(name)?.mayBe : null
    return mayBe ? rootOf(mayBe.name, [...from, name]) : name
  }
  const members = new Map<string, SpellingGroup[]>()
  for (const group of groups) {
    const root = rootOf(group.preferred)
    addTo(members, root, group)
  }
  return [...members].map(([root, joined]) => ({
    preferred: Object.hasOwn(brandNames, root) ? (brandNames[root] ?? root) : root,
    spellings: joined.flatMap(group => group.spellings),
    mayBe: null,
  }))
}
