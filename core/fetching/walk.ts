import { addTo, type Fixture, type Loan, type PullLine, type Section } from '#core/catalog'
import { allIn, compareOrder, type ContainerRow, containersInOrder, isLookedAt, type Placement, type Room, type Standing } from '#core/room'
import { lineState, standingsOf } from './pull'

export interface WalkFacts extends Pick<Room, 'rows' | 'placements' | 'halves'> {
  readonly fixtures: ReadonlyMap<string, Fixture>
  /** The loan of a set that is out; undefined: it is in its place. */
  readonly loanOf: (holdingId: string) => Loan | undefined
}

/** One thing to do at a stop: a set to take from its place, or to put back. */
export interface StopSet {
  readonly holdingId: string
  readonly standing: Standing
  /** Its count among the sets that are there now; null: exact spot unknown, or in a cell. */
  readonly count: Count | null
  /** Other sets in the same pocket or case. */
  readonly sharesWithIds: readonly string[]
  /** It was cut in two, and this is one half of it. */
  readonly isHalf: boolean
}
/** `nth` of `of` that stand there now: behind a tab, or in the row where there is none in front of it. */
export interface Count {
  readonly nth: number
  readonly of: number
  readonly section: Section | null
}
/** A container that is opened once, and all there is to do in it. */
export interface Stop {
  readonly row: ContainerRow
  readonly sets: readonly StopSet[]
}
export interface Walk {
  readonly stops: readonly Stop[]
  /** Sets to fetch whose place is unknown. */
  readonly nowhereIds: readonly string[]
}

/** Nothing of what a holder holds is there: all its sets are out. */
export const isAway = ({ holder }: Standing, loanOf: WalkFacts['loanOf']): boolean =>
  holder.holdingIds.every(id => loanOf(id) !== undefined)

/**
 * The position of a place, counting only sets that are there: a set that is out leaves no gap. A place whose own set is out counts
 * as if the set were back. O(row).
 */
export function countAt(row: ContainerRow, at: Placement, loanOf: WalkFacts['loanOf']): Count {
  const beside = row.placements.filter(each => each.lane === at.lane && each.section?.id === at.section?.id)
  const there = beside.filter(each => each.holder.id === at.holder.id || !isAway(each, loanOf))
  return { nth: there.findIndex(each => each.holder.id === at.holder.id) + 1, of: there.length, section: at.section }
}

/** Compares places in picking order: row by row or page by page; places with an unknown spot come last. */
function compareStandings(a: Standing, b: Standing): number {
  const [left, right] = [a.position ?? Infinity, b.position ?? Infinity]
  return left === right ? compareOrder(a.holder, b.holder) : left - right
}

/**
 * One walk past some sets: the containers in the order of the room (furniture, shelf from the top, left to right), each opened
 * once, and in each the places from front to back. O(stops log stops + what stands in them).
 */
function walkPast(
  wanted: readonly { readonly holdingId: string; readonly standings: readonly Standing[] }[],
  facts: WalkFacts,
): readonly Stop[] {
  const here = new Map<string, { readonly holdingId: string; readonly standing: Standing }[]>()
  for (const { holdingId, standings } of wanted)
    for (const standing of standings) {
      const { id } = standing.container
      addTo(here, id, { holdingId, standing })
    }
  const rows = new Map(
    [...here.keys()]
      .flatMap(id => [[id, facts.rows.get(id)] as const])
      .filter((each): each is [string, ContainerRow] => each[1] !== undefined),
  )
  return containersInOrder({ rows, fixtures: facts.fixtures }, null).flatMap((row): Stop[] => {
    const found = here.get(row.container.id)
    if (!found) return []
    const sets = found
      .toSorted((a, b) => compareStandings(a.standing, b.standing) || (a.holdingId < b.holdingId ? -1 : 1))
      .map(({ holdingId, standing }): StopSet => ({
        holdingId,
        standing,
        count: isLookedAt(standing) && !standing.cell ? countAt(row, standing, facts.loanOf) : null,
        sharesWithIds: standing.holder.holdingIds.filter(id => id !== holdingId),
        isHalf: facts.halves.has(holdingId),
      }))
    return [{ row, sets }]
  })
}

/** The stops left on a pull list. Sets that were taken, or are out for any reason, need no stop. */
export function walkFor(lines: readonly PullLine[], facts: WalkFacts): Walk {
  const left = lines.flatMap(line => {
    const state = lineState(line, facts, facts.loanOf)
    return state.as === 'toFetch' ? [{ holdingId: line.holdingId, placeIds: new Set(state.placeIds) }] : []
  })
  const wanted = left.map(({ holdingId, placeIds }) => ({
    holdingId,
    standings: standingsOf(holdingId, facts).filter(({ holder }) => placeIds.has(holder.id)),
  }))
  return {
    stops: walkPast(wanted, facts),
    nowhereIds: wanted.filter(({ standings }) => standings.length === 0).map(({ holdingId }) => holdingId),
  }
}

/** The walk that takes sets back, and the sets that have no place to return to. */
export function walkBack(holdingIds: readonly string[], facts: WalkFacts): Walk {
  const wanted = holdingIds.map(holdingId => ({ holdingId, standings: standingsOf(holdingId, facts) }))
  return {
    stops: walkPast(wanted, facts),
    nowhereIds: wanted.filter(({ standings }) => standings.length === 0).map(({ holdingId }) => holdingId),
  }
}

/** The neighbours of a place now; sets that are out are skipped. */
export function neighboursNow(
  row: ContainerRow,
  at: Standing,
  loanOf: WalkFacts['loanOf'],
): { readonly front: Placement | null; readonly behind: Placement | null } {
  const there = row.placements.filter(each => each.lane === at.lane && (each.holder.id === at.holder.id || !isAway(each, loanOf)))
  const index = there.findIndex(each => each.holder.id === at.holder.id)
  return index < 0 ? { front: null, behind: null } : { front: there[index - 1] ?? null, behind: there[index + 1] ?? null }
}

/** Whether a hand is at the right slot, by the set that is now directly in front of it. */
export type SlotCheck =
  | { readonly as: 'right' }
  /** Places too far back; negative: too far in front. */
  | { readonly as: 'off'; readonly places: number }
  | { readonly as: 'otherRow'; readonly standing: Standing }
  /** The set that was seen has no known place, or the records say that it is out. */
  | { readonly as: 'unknown' }
  | { readonly as: 'itself' }

/**
 * Where the hand is, by the set in front of the gap, against the place that something returns to. Counts only sets that are there. O(row).
 */
export function checkSlot(row: ContainerRow, goal: Placement, seen: Standing | undefined, loanOf: WalkFacts['loanOf']): SlotCheck {
  if (!seen || !isLookedAt(seen)) return { as: 'unknown' }
  if (seen.holder.id === goal.holder.id) return { as: 'itself' }
  if (seen.container.id !== row.container.id || seen.lane !== goal.lane) return { as: 'otherRow', standing: seen }
  if (isAway(seen, loanOf)) return { as: 'unknown' }
  const there = allIn(row).filter(isLookedAt)
  const ahead = (at: Placement): number =>
    there.filter(
      each => each.lane === goal.lane && each.position < at.position && each.holder.id !== goal.holder.id && !isAway(each, loanOf),
    ).length
  const places = ahead(seen) + 1 - ahead(goal)
  return places === 0 ? { as: 'right' } : { as: 'off', places }
}
