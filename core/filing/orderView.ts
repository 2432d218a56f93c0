import type { FilingKey, Holding } from '#core/catalog'
import { allIn, type ContainerRow, type Standing } from '#core/room'
import { type Authority, compareFilingKeys, filingKeyOf, KEYS } from './keys'

/** A set in another order than the one it stands in. */
export interface ViewEntry {
  readonly standing: Standing
  readonly holding: Holding
  /** First of its group: the name of the group's brand, theme, category, kind or series, '' for sets that have none. Else null. */
  readonly opensGroup: string | null
  /** Numbers of the running series between the previous entry and this one that are not in these containers. */
  readonly missing: { readonly from: number; readonly to: number } | null
}

export interface ViewFacts {
  readonly holdings: ReadonlyMap<string, Holding>
  readonly authority: Authority
  readonly series: ReadonlyMap<string, { readonly name: string }>
}

/** A view shows the owner's own order where the key has one. */
const orderOf = (by: FilingKey['by']): FilingKey['order'] => KEYS[by].orders.find(order => order === 'own') ?? KEYS[by].orders[0]

/** null: this order has no groups. */
function groupOf(
  holding: Holding,
  by: FilingKey['by'],
  { authority: { brands, themes, categories, kinds }, series }: ViewFacts,
): string | null {
  const brand = brands.get(holding.brandId ?? '')
  // A brand that was taken over files with its successor, under the successor's name.
  if (by === 'brand') return (brands.get(brand?.successorId ?? '') ?? brand)?.name ?? ''
  if (by === 'theme') return themes.get(holding.themeIds[0] ?? '')?.name ?? ''
  if (by === 'category') return categories.get(holding.categoryId ?? '')?.name ?? ''
  if (by === 'kind') return kinds.get(holding.kindId ?? '')?.name ?? ''
  return by === 'series' ? (series.get(holding.seriesId)?.name ?? '') : null
}

/**
 * All sets of some containers in another order, for viewing: nothing is moved and every address stays. O(n log n).
 * @example viewInOrder(rows, 'number', facts).map(entry => entry.holding.number) //=> [1, 2, 5]
 */
export function viewInOrder(rows: readonly ContainerRow[], by: FilingKey['by'], facts: ViewFacts): readonly ViewEntry[] {
  const keys: readonly FilingKey[] = [
    { by, order: orderOf(by) },
    ...(by === 'series' ? [{ by: 'number', order: 'ascending' } as const] : []),
  ]
  const all = rows
    .flatMap(allIn)
    .flatMap(standing =>
      standing.holder.holdingIds.flatMap(id => {
        const holding = facts.holdings.get(id)
        return holding
          ? [{ standing, holding, key: filingKeyOf(holding, { keys: [...keys] }, facts.authority), group: groupOf(holding, by, facts) }]
          : []
      }),
    )
    .sort((a, b) => compareFilingKeys(a.key, b.key))
  return all.map(({ standing, holding, group }, at) => {
    const before = all[at - 1]
    const isGap =
      (by === 'series' || by === 'number') && before?.holding.seriesId === holding.seriesId && holding.number > before.holding.number + 1
    return {
      standing,
      holding,
      opensGroup: group === before?.group ? null : group,
      missing: isGap && before ? { from: before.holding.number + 1, to: holding.number - 1 } : null,
    }
  })
}
