import type { Cell, Container, Holder, Section } from '#core/catalog'

/** The place of one holder, counted as a person at the shelf counts. All positions are 1-based. */
export interface Placement {
  readonly holder: Holder
  readonly container: Container
  readonly lane: number
  /** Among the holders of the container, lane after lane (or page after page). */
  readonly position: number
  readonly section: Section | null
  readonly positionInSection: number
  readonly sectionCount: number
  readonly cell: Cell | null
}

/**
 * A holder whose exact spot in its container is not known. Lane known, position unknown: listed behind all known placements.
 */
interface Somewhere {
  readonly holder: Holder
  readonly container: Container
  readonly lane: number
  readonly position: null
  /** The page, if it is known. */
  readonly page: number | null
  readonly section: null
  readonly cell: null
}
export type Standing = Placement | Somewhere
export const isLookedAt = (standing: Standing): standing is Placement => standing.position !== null

/** An entry of a lane, front to back: a divider or a holder. */
export type RowEntry =
  | { readonly type: 'section'; readonly order: string; readonly section: Section }
  | { readonly type: 'holder'; readonly order: string; readonly placement: Placement }

export interface ContainerRow {
  readonly container: Container
  /** One row a lane; for pages of cells a single row in page order. */
  readonly lanes: readonly (readonly RowEntry[])[]
  readonly placements: readonly Placement[]
  /** Holders without a known position, by page, in the order in which they were named. */
  readonly somewhere: readonly Somewhere[]
}
/** All holders of a container, with and without a known position. */
export const allIn = (row: ContainerRow): readonly Standing[] =>
  row.somewhere.length > 0 ? [...row.placements, ...row.somewhere] : row.placements
/** Number of sets in a container. */
export const setsIn = (row: ContainerRow): number => allIn(row).reduce((sum, { holder }) => sum + holder.holdingIds.length, 0)

/** Order keys are plain strings in code-unit order: never compare them with a collator. */
export function compareOrder(
  a: { readonly order: string; readonly id: string },
  b: { readonly order: string; readonly id: string },
): number {
  if (a.order !== b.order) return a.order < b.order ? -1 : 1
  if (a.id < b.id) return -1
  return a.id > b.id ? 1 : 0
}

function compareCells(a: Holder, b: Holder): number {
  const left = a.cell
  const right = b.cell
  if (!left || !right) {
    if (left) return -1
    return right ? 1 : compareOrder(a, b)
  }
  const isBack = ({ side }: Cell): number => Number(side === 'back')
  return left.page - right.page || left.cell - right.cell || isBack(left) - isBack(right) || compareOrder(a, b)
}

type Loose = { readonly holder: Holder; readonly lane: number; readonly section: Section | null }

function numberThem(container: Container, loose: readonly Loose[], somewhere: readonly Somewhere[]): Placement[] {
  // Holders without a known position count behind the known ones of their lane.
  const unseen = (lane: number): number => (somewhere.length > 0 ? somewhere.filter(each => each.lane < lane).length : 0)
  const counts = new Map<string, number>()
  const keyOf = (each: Loose): string => `${each.lane}/${each.section?.id ?? ''}`
  const inSection = loose.map(each => {
    const count = (counts.get(keyOf(each)) ?? 0) + 1
    counts.set(keyOf(each), count)
    return count
  })
  return loose.map((each, index) => ({
    ...each,
    container,
    cell: each.holder.cell,
    position: index + 1 + unseen(each.lane),
    positionInSection: inSection[index] ?? 1,
    sectionCount: counts.get(keyOf(each)) ?? 1,
  }))
}

/**
 * Puts the holders and dividers of one container in order. A divider names the holders behind it in its lane; holders before the first
 * divider have no section. O(n log n).
 */
export function arrangeContainer(container: Container, all: readonly Holder[], sections: readonly Section[]): ContainerRow {
  const somewhere = somewhereIn(container, all)
  const holders = somewhere.length > 0 ? all.filter(holder => holder.somewhere === null) : all
  if (container.cells) {
    const placements = numberThem(
      container,
      [...holders].sort(compareCells).map(holder => ({ holder, lane: 1, section: null })),
      [],
    )
    return {
      container,
      placements,
      somewhere,
      lanes: [placements.map(placement => ({ type: 'holder', order: placement.holder.order, placement }))],
    }
  }
  const loose: Loose[] = []
  const laneItems: (readonly (Holder | Section)[])[] = []
  for (let lane = 1; lane <= container.lanes; lane += 1) {
    const isLast = lane === container.lanes
    const here = (each: Holder | Section): boolean => each.lane === lane || (isLast && each.lane > lane)
    const items = [...sections.filter(here), ...holders.filter(here)].sort(compareOrder)
    let section: Section | null = null
    for (const item of items) {
      if ('title' in item) section = item
      else loose.push({ holder: item, lane, section })
    }
    laneItems.push(items)
  }
  const placements = numberThem(container, loose, somewhere)
  const byHolder = new Map(placements.map(placement => [placement.holder.id, placement]))
  const lanes = laneItems.map(items =>
    items.map((item): RowEntry => {
      const placement = byHolder.get(item.id)
      return 'title' in item || !placement
        ? { type: 'section', order: item.order, section: item as Section }
        : { type: 'holder', order: item.order, placement }
    }),
  )
  return { container, placements, somewhere, lanes }
}

/** Holders of an unknown page come last. */
const BEHIND = Number.MAX_SAFE_INTEGER

function somewhereIn(container: Container, holders: readonly Holder[]): readonly Somewhere[] {
  return holders
    .flatMap(holder => (holder.somewhere ? [{ holder, page: holder.somewhere.page }] : []))
    .sort((a, b) => (a.page ?? BEHIND) - (b.page ?? BEHIND) || compareOrder(a.holder, b.holder))
    .map(({ holder, page }) => ({
      holder,
      container,
      lane: Math.min(holder.lane, container.lanes),
      position: null,
      page,
      section: null,
      cell: null,
    }))
}
