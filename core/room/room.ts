import type { Container, Holder, Section } from '#core/catalog'
import { allIn, arrangeContainer, type ContainerRow, type Standing } from './arrange'

/** The whole room in order: each container's row, and the place of every set. */
export interface Room {
  readonly rows: ReadonlyMap<string, ContainerRow>
  readonly placements: ReadonlyMap<string, Standing>
  /** For sets cut in two, which are in two holders: both places. */
  readonly halves: ReadonlyMap<string, readonly [Standing, Standing]>
}

interface RoomRecords {
  readonly containers: Iterable<Container>
  readonly sections: Iterable<Section>
  readonly holders: Iterable<Holder>
}

function byContainer<R extends { readonly containerId: string }>(
  records: Iterable<R>,
  wanted: ReadonlySet<string> | null,
): Map<string, R[]> {
  const groups = new Map<string, R[]>()
  for (const record of records) {
    if (wanted && !wanted.has(record.containerId)) continue
    const group = groups.get(record.containerId)
    if (group) group.push(record)
    else groups.set(record.containerId, [record])
  }
  return groups
}

/**
 * Arranges the room. With `before` and `touched`, only the touched containers are arranged and the rest is reused. O(n log n) once, then
 * O(n) with a small constant.
 */
export function arrangeRoom(records: RoomRecords, before: Room | null = null, touched: ReadonlySet<string> | null = null): Room {
  const isTouched = (id: string): boolean => !touched || touched.has(id)
  const rows = new Map<string, ContainerRow>()
  const placements = new Map<string, Standing>()
  const halves = new Map<string, readonly [Standing, Standing]>()
  const stands = (id: string, placement: Standing): void => {
    const known = placements.get(id)
    if (!known || known.holder.id === placement.holder.id) return void placements.set(id, placement)
    // The first half is the one with the older holder, in whatever order they were arranged.
    const both = known.holder.id < placement.holder.id ? ([known, placement] as const) : ([placement, known] as const)
    placements.set(id, both[0])
    halves.set(id, both)
  }
  if (before) {
    for (const [id, placement] of before.placements) if (!isTouched(placement.container.id)) stands(id, placement)
    for (const [id, both] of before.halves) for (const placement of both) if (!isTouched(placement.container.id)) stands(id, placement)
  }
  const holders = byContainer(records.holders, touched)
  const sections = byContainer(records.sections, touched)
  for (const container of records.containers) {
    const kept = isTouched(container.id) ? undefined : before?.rows.get(container.id)
    const row = kept ?? arrangeContainer(container, holders.get(container.id) ?? [], sections.get(container.id) ?? [])
    rows.set(container.id, row)
    if (kept) continue
    for (const placement of allIn(row)) for (const id of placement.holder.holdingIds) stands(id, placement)
  }
  return { rows, placements, halves }
}
