import type { Fixture } from '#core/catalog'
import type { ContainerRow } from './arrange'

/** Containers of a zone in walking order: fixture, shelf from the top, then left to right. */
export function containersInOrder(
  facts: { readonly rows: ReadonlyMap<string, ContainerRow>; readonly fixtures: ReadonlyMap<string, Fixture> },
  zoneId: string | null,
): readonly ContainerRow[] {
  const rankOf = (row: ContainerRow): number => facts.fixtures.get(row.container.fixtureId)?.rank ?? Infinity
  return [...facts.rows.values()]
    .filter(row => zoneId === null || (row.container.zoneId === zoneId && !row.container.isTable))
    .sort(
      (a, b) =>
        rankOf(a) - rankOf(b) ||
        a.container.shelf - b.container.shelf ||
        a.container.rank - b.container.rank ||
        (a.container.id < b.container.id ? -1 : 1),
    )
}
