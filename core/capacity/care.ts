import type { Fixture, Holding, Kind } from '#core/catalog'
import { allIn, type ContainerRow } from '#core/room'

export interface InTheSun {
  readonly row: ContainerRow
  readonly kindIds: readonly string[]
  readonly count: number
}
export interface StickyBeside {
  readonly holding: Holding
  readonly besideIds: readonly string[]
}

/** By container, the kinds that daylight harms, in furniture that daylight falls on. O(n). */
export function lightHarmed(
  rows: Iterable<ContainerRow>,
  fixtures: ReadonlyMap<string, Fixture>,
  holdings: ReadonlyMap<string, Holding>,
  kinds: ReadonlyMap<string, Kind>,
): readonly InTheSun[] {
  return [...rows].flatMap((row): InTheSun[] => {
    // A drawer is dark.
    if (!fixtures.get(row.container.fixtureId)?.isSunlit || row.container.type === 'drawer') return []
    const harmed = allIn(row)
      .flatMap(({ holder }) => holder.holdingIds)
      .flatMap(id => {
        const kind = kinds.get(holdings.get(id)?.kindId ?? '')
        return kind?.isLightSensitive ? [kind.id] : []
      })
    return harmed.length > 0 ? [{ row, kindIds: [...new Set(harmed)], count: harmed.length }] : []
  })
}

/** Sticky sets that share a holder with others, or stand without a holder beside others. O(n). */
export function stickyBeside(rows: Iterable<ContainerRow>, holdings: ReadonlyMap<string, Holding>): readonly StickyBeside[] {
  return [...rows].flatMap(row =>
    allIn(row).flatMap(({ holder, position }, at) =>
      holder.holdingIds.flatMap((id): StickyBeside[] => {
        const holding = holdings.get(id)
        if (!holding?.isSticky) return []
        const isBare = holder.type === 'none' || holder.type === 'trayCell'
        const near = isBare && position !== null ? [row.placements[at - 1], row.placements[at + 1]] : []
        const besideIds = [
          ...holder.holdingIds.filter(other => other !== id),
          ...near.flatMap(placement => placement?.holder.holdingIds ?? []),
        ]
        return besideIds.length > 0 ? [{ holding, besideIds }] : []
      }),
    ),
  )
}
