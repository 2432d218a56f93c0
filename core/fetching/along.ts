import type { Container, Fixture } from '#core/catalog'
import { layElevation } from '#core/drawing'

/** Distance between neighbouring pieces of furniture: one side step. Common practice. */
const BESIDE_MM = 600

/**
 * Position of the middle of each container along the room, in mm from the left end: furniture side by side in its order, each as it is
 * drawn from the front. O(containers).
 */
export function placesAlong(fixtures: Iterable<Fixture>, containers: readonly Container[]): ReadonlyMap<string, number> {
  const along = new Map<string, number>()
  let fromMm = 0
  for (const fixture of [...fixtures].sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1))) {
    const own = containers.filter(each => each.fixtureId === fixture.id)
    const shelves = Array.from({ length: fixture.shelves }, (_, at) =>
      own.filter(each => each.shelf === at + 1).sort((a, b) => a.rank - b.rank),
    )
    const { fronts, widthMm } = layElevation(fixture, shelves)
    for (const { id, xMm, widthMm: ownMm } of fronts) along.set(id, fromMm + xMm + ownMm / 2)
    fromMm += widthMm + BESIDE_MM
  }
  return along
}
