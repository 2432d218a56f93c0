import type { Holding, Loan, PullLine, Relation } from '#core/catalog'
import type { Room, Standing } from '#core/room'

/** Known relations between sets, for what goes along with each. */
export interface BelongFacts {
  readonly holdings: ReadonlyMap<string, Holding>
  readonly relations: Iterable<Relation>
}

/**
 * The sets to fetch along with each set, at addresses of their own: its dies, the stamp of a die, and the sets that its pieces live with.
 * O(relations + pieces).
 */
export function goesAlong(ids: readonly string[], { holdings, relations }: BelongFacts): ReadonlyMap<string, readonly string[]> {
  const along = new Map<string, Set<string>>(ids.map(id => [id, new Set()]))
  for (const { kind, fromId, toId } of relations) {
    if (kind !== 'dieForStamp') continue
    along.get(fromId)?.add(toId)
    along.get(toId)?.add(fromId)
  }
  for (const [id, others] of along)
    for (const { livesWithId } of holdings.get(id)?.pieces ?? []) if (livesWithId !== null && livesWithId !== id) others.add(livesWithId)
  return new Map([...along].map(([id, others]) => [id, [...others].filter(other => holdings.has(other)).sort()]))
}

/**
 * The pull list with these sets added, each with what goes along with it. Lines that are on it stay as they are; a set that came along and
 * is now asked for itself gets a line of its own.
 */
export function withSets(lines: readonly PullLine[], ids: readonly string[], facts: BelongFacts): readonly PullLine[] {
  const asked = ids.filter(id => facts.holdings.has(id))
  const [wanted, along, known] = [new Set(asked), goesAlong(asked, facts), new Set(lines.map(line => line.holdingId))]
  const fresh: PullLine[] = []
  const add = (holdingId: string, alongWithId: string | null): void => {
    if (known.has(holdingId)) return
    known.add(holdingId)
    fresh.push({ holdingId, alongWithId, takenFromIds: [] })
  }
  for (const id of wanted) add(id, null)
  for (const id of wanted) for (const other of along.get(id) ?? []) add(other, id)
  return [...lines.map(line => (wanted.has(line.holdingId) && line.alongWithId !== null ? { ...line, alongWithId: null } : line)), ...fresh]
}

/** The pull list without these sets, and without the sets that only came along with them. */
export function withoutSets(lines: readonly PullLine[], ids: readonly string[]): readonly PullLine[] {
  const gone = new Set(ids)
  return lines.filter(({ holdingId, alongWithId }) => !gone.has(holdingId) && !gone.has(alongWithId ?? ''))
}

/** The places of a set: two if it is cut in two, none if it has no place. */
export function standingsOf(holdingId: string, { placements, halves }: Pick<Room, 'placements' | 'halves'>): readonly Standing[] {
  const only = placements.get(holdingId)
  return halves.get(holdingId) ?? (only ? [only] : [])
}
/** Ids that tick off a line: the holders of its set, or the set itself if it is in no holder. */
export function placeIdsOf(holdingId: string, room: Pick<Room, 'placements' | 'halves'>): readonly string[] {
  const ids = standingsOf(holdingId, room).map(({ holder }) => holder.id)
  return ids.length > 0 ? ids : [holdingId]
}

/** State of a line: still to be fetched, out of its place (by this list or not), or fetched and back again. */
export type LineState =
  | { readonly as: 'toFetch'; readonly placeIds: readonly string[] }
  | { readonly as: 'out'; readonly loan: Loan }
  | { readonly as: 'back' }

export function lineState(
  { holdingId, takenFromIds }: PullLine,
  room: Pick<Room, 'placements' | 'halves'>,
  loanOf: (holdingId: string) => Loan | undefined,
): LineState {
  const loan = loanOf(holdingId)
  if (loan) return { as: 'out', loan }
  const left = placeIdsOf(holdingId, room).filter(id => !takenFromIds.includes(id))
  // A set that was put down elsewhere meanwhile counts as taken.
  return left.length === 0 || takenFromIds.length >= placeIdsOf(holdingId, room).length ? { as: 'back' } : { as: 'toFetch', placeIds: left }
}
