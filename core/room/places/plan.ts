import { addTo, type Container, type Fixture, type Holder, LIMITS } from '#core/catalog'
import { figureBehind } from '#core/grammar'
import type { ContainerRow } from '../arrange'
import { type FamilyChoice, MOST_OF_A_FAMILY, namesPages, shapeFor } from './choose'
import type { PlaceFamily, PlaceSpot } from './families'
import { type PlaceDoubt, settle } from './settle'
import { groupsOf, type NewContainer, newContainer, type NewFixture, type PlaceNames, recogniser, shelvesFor, ShortForms } from './targets'

export interface NewHolder extends Pick<Holder, 'lane' | 'cell' | 'somewhere' | 'type' | 'holdingIds'> {
  /** The id of an existing container, or the key of a new one. */
  readonly container: { readonly id: string } | { readonly key: string }
}
/** What happens to one family: its counts add up to its sets. */
export interface FamilyPlan {
  readonly key: string
  /** Sets whose exact place is known. */
  readonly placed: number
  /** Sets whose container or page is known, but no more. */
  readonly somewhere: number
  readonly out: number
  readonly left: number
  readonly made: readonly NewContainer[]
  /** Containers of the room that were recognised. */
  readonly found: readonly Container[]
  readonly doubts: readonly { readonly code: PlaceDoubt; readonly sets: number; readonly texts: readonly string[] }[]
}
/** All that a list states about the room, to be made in one step. */
export interface RoomPlan {
  readonly families: readonly FamilyPlan[]
  readonly fixtures: readonly NewFixture[]
  readonly containers: readonly NewContainer[]
  /** In the order in which they go into their containers. */
  readonly holders: readonly NewHolder[]
  readonly out: readonly { readonly holdingId: string; readonly to: string }[]
}
export interface RoomNow {
  readonly rows: readonly ContainerRow[]
  readonly fixtures: ReadonlyMap<string, Fixture>
}

/**
 * The room that a list describes, by the choice for each family: furniture, containers, and the place of each set, in list order. Existing
 * containers are recognised by name. O(sets + containers).
 */
export function planFromList(
  families: readonly PlaceFamily[],
  choices: ReadonlyMap<string, FamilyChoice>,
  room: RoomNow,
  names: PlaceNames,
): RoomPlan {
  const find = recogniser(room.rows)
  const codes = new ShortForms(room.rows)
  const fixtures = new Map<string, NewFixture>()
  const holders: NewHolder[] = []
  const plans = families.map(family => planFamily(family, choices.get(family.key)))
  return {
    families: plans,
    fixtures: [...fixtures.values()],
    containers: plans.flatMap(({ made }) => made),
    holders,
    out: families.flatMap(family =>
      choices.get(family.key)?.as === 'out'
        ? family.spots.flatMap(({ ids, texts }) => ids.map(holdingId => ({ holdingId, to: texts[0] ?? '' })))
        : [],
    ),
  }

  function planFamily(family: PlaceFamily, choice: FamilyChoice | undefined): FamilyPlan {
    const nothing: FamilyPlan = { key: family.key, placed: 0, somewhere: 0, out: 0, left: 0, made: [], found: [], doubts: [] }
    if (choice?.as === 'out') return { ...nothing, out: family.sets }
    if (!choice || choice.as === 'none') return { ...nothing, left: family.sets }
    const groups = groupsOf(family, choice).map(group => ({ ...group, there: find(family, choice, group.mark) }))
    const isTooMany = groups.length > MOST_OF_A_FAMILY
    const fresh = groups.filter(group => group.there.length === 0 && !isTooMany && group.pages <= LIMITS.pages)
    const made = makeNew(family, choice, fresh)
    const doubts = new Map<PlaceDoubt, PlaceSpot[]>()
    const doubt = (code: PlaceDoubt, spots: readonly PlaceSpot[]): void => void addTo(doubts, code, ...spots)
    const counts = { placed: 0, somewhere: 0, left: 0 }
    for (const group of groups) {
      const [row] = group.there
      const own = made.get(group)
      const toBuild = own ? { ...own, row: null } : null
      const target = group.there.length === 1 && row ? { ...row.container, row } : toBuild
      if (!target) {
        doubt(group.there.length > 1 ? 'twoAreCalledSo' : 'tooMany', group.spots)
        counts.left += countOf(group.spots)
        continue
      }
      for (const { spot, ...place } of settle(group.spots, target, choice.reading, doubt)) {
        const container = 'id' in target ? { id: target.id } : { key: target.key }
        const together = sharesHolder(spot, choice) ? [[...spot.ids]] : spot.ids.map(id => [id])
        holders.push(...together.map(holdingIds => ({ ...place, container, type: holderTypeIn(target), holdingIds })))
        counts[place.somewhere ? 'somewhere' : 'placed'] += spot.ids.length
      }
    }
    return {
      ...nothing,
      ...counts,
      made: [...made.values()],
      found: groups.flatMap(({ there }) => (there.length === 1 ? there.map(({ container }) => container) : [])),
      doubts: [...doubts].map(([code, spots]) => ({ code, sets: countOf(spots), texts: spots.flatMap(spot => spot.texts) })),
    }
  }

  function makeNew<G extends ReturnType<typeof groupsOf>[number]>(
    family: PlaceFamily,
    choice: FamilyChoice,
    groups: readonly G[],
  ): ReadonlyMap<G, NewContainer> {
    if (groups.length === 0) return new Map()
    const { ref, shelfOf } = shelvesFor(choice.fixture, shapeFor(choice.type, choice.shapeId), groups.length, room.fixtures, fixtures)
    const marks = groups.map(({ mark }) => mark)
    const pages = choice.as === 'pages' ? names.pages(choice.grid.rows * choice.grid.columns) : null
    const short = codes.take(pages?.code ?? family.word, pages ? [figureBehind(pages.code)] : marks, pages ? 'pages' : family.key)
    return new Map(
      groups.map((group, at): [G, NewContainer] => {
        const called = { name: pages?.name ?? `${family.word} ${group.mark}`.trim(), code: (short[at] ?? '').slice(0, MOST_LETTERS) }
        const shape = newContainer(choice, group, called, namesPages(family) || choice.type === 'binder')
        return [group, { ...shape, key: `${family.key} ${group.mark}`, fixture: ref, shelf: shelfOf(at) }]
      }),
    )
  }
}

/** Sets of one slot, cell or position share a holder; sets of one bin or page do not. */
function sharesHolder({ reading }: PlaceSpot, { as }: FamilyChoice): boolean {
  if (as === 'slots' || reading?.as === 'cell') return true
  return reading?.as === 'in' && (reading.behind.slot !== null || reading.behind.cell !== null)
}
/** Length of the longest short form. */
const MOST_LETTERS = 12
const countOf = (spots: readonly PlaceSpot[]): number => spots.reduce((sum, { ids }) => sum + ids.length, 0)
const holderTypeIn = ({ type, cells }: Pick<Container, 'type' | 'cells'>): Holder['type'] => {
  if (type === 'caseRack') return 'case'
  if (!cells) return 'pocket'
  return type === 'binder' ? 'celledPage' : 'trayCell'
}
