import { group } from 'd3-array'
import { thicknessIn } from '#core/capacity'
import type { Container, Holding, Zone } from '#core/catalog'
import { zoneFor } from '#core/filing'
import { orderHolders, runLanes } from '#core/refiling'
import { type ContainerRow, type ContainerShape, namesAlong } from '#core/room'
import { type FamilyChoice, MOST_OF_A_FAMILY, type NewContainer, type NewFixture, shelvesFor } from '#core/room/places'
import type { TidyFacts } from './facts'
import type { Fittings } from './fittings'
import { countsOf, type HolderCount, holdersIn, inHand, lacking, lengthsIn } from './holders'
import { lanesMore, pagesFor } from './lanesAndPages'
import { beyondCell, rowsOfZone, shapesFor } from './shapes'

/** The containers that a zone gets more of: as proposed, or as the owner chose. */
export interface TidyChoice {
  /** One of `shapesFor` its zone. */
  readonly shapeId: string
  /** Inside length of a row; null: the length of the shape. */
  readonly lengthMm: number | null
  readonly fixture: FamilyChoice['fixture']
}
/** The holders and containers that the waiting sets of one zone need. */
export interface ZoneTidy {
  readonly zone: Zone
  readonly waiting: readonly Holding[]
  /** Most first. */
  readonly holders: readonly HolderCount[]
  /** The holder type proposed for each set whose record names none. */
  readonly sits: readonly { readonly holdingId: string; readonly holderTypeId: string }[]
  /** Sets of unknown size, counted with the holder type that most of their kind have. */
  readonly assumed: number
  /** Sets of unknown size with no set of known size to go by: counted in the run, but with no holder. */
  readonly unknown: number
  /** Sets that no holder type of the owner takes unfolded and uncut. */
  readonly fitsNone: readonly Holding[]
  /** Sets whose holder is too wide or too high for the container, or that are too large for a cell. */
  readonly tooLarge: readonly Holding[]
  /** Length of the row that they fill, in mm; null: they go into cells. */
  readonly runMm: number | null
  /** Holders in the zone that are filed by its rule already. */
  readonly filed: number
  /** Containers that the zone has, and the ones to be added. */
  readonly there: number
  readonly made: readonly NewContainer[]
  /** Number of containers needed, if that is more than a room can have: then none is made. Else null. */
  readonly tooMany: number | null
}
export interface TidyPlan {
  readonly zones: readonly ZoneTidy[]
  /** Sets that no zone takes. */
  readonly unclaimed: readonly Holding[]
  readonly fixtures: readonly NewFixture[]
  readonly containers: readonly NewContainer[]
}

/**
 * The holders and containers that waiting sets need, zone by zone: holders counted by type, the run in the order of the zone's
 * rule merged with what stands there, and the fewest containers that take this run with the zone's reserve kept free.
 * `firstName` gives the name that counting starts from ("Bin 0"). O(n log n).
 */
export function planTidy(
  waiting: readonly Holding[],
  fittings: Fittings,
  choices: ReadonlyMap<string, TidyChoice>,
  facts: TidyFacts,
  firstName: (type: Container['type']) => Pick<Container, 'name' | 'code'>,
): TidyPlan {
  const byZone = group(waiting, holding => zoneFor(holding, facts.zones)?.id ?? null)
  const fixtures = new Map<string, NewFixture>()
  const containers: NewContainer[] = []
  const zones = [...facts.zones]
    .sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1))
    .flatMap((zone): ZoneTidy[] => {
      const own = byZone.get(zone.id)
      const choice = choices.get(zone.id)
      const shape = choice && shapesFor(zone.id, facts).find(({ id }) => id === choice.shapeId)
      if (!own || !choice || !shape) return []
      const sized = { ...shape, lengthMm: choice.lengthMm ?? shape.lengthMm }
      const { more, ...needs } = sized.cells ? cellNeeds(zone, own, sized, facts) : rowNeeds(zone, own, sized, fittings, facts)
      return [{ ...needs, ...make(zone, sized, more, choice.fixture) }]
    })
  return { zones, unclaimed: byZone.get(null) ?? [], fixtures: [...fixtures.values()], containers }

  function make(
    zone: Zone,
    { id: _id, ...shape }: ContainerShape,
    count: number,
    fixture: TidyChoice['fixture'],
  ): Pick<ZoneTidy, 'made' | 'tooMany'> {
    if (count === 0) return { made: [], tooMany: null }
    if (count > MOST_OF_A_FAMILY) return { made: [], tooMany: count }
    const { type, lanes, lengthMm, inner, cells, emptyWeightG } = shape
    const { ref, shelfOf } = shelvesFor(fixture, shape, count, facts.fixtures, fixtures)
    const standing = [...[...facts.rows.values()].map(({ container }) => container), ...containers.map(each => ({ ...each, id: '' }))]
    const first = { ...firstName(type), type, lanes, cells }
    const made = namesAlong(first, standing, facts.patterns, count).map((names, at): NewContainer => ({
      ...names,
      type,
      lanes,
      lengthMm,
      inner,
      cells,
      emptyWeightG,
      zoneId: zone.id,
      key: `${zone.id} ${at}`,
      fixture: ref,
      shelf: shelfOf(at),
    }))
    containers.push(...made)
    return { made, tooMany: null }
  }
}

/** What a zone needs, and how many more containers of the shape that is. */
type ZoneNeeds = Omit<ZoneTidy, 'made' | 'tooMany'> & { readonly more: number }

const rowsLike = (zone: Zone, shape: ContainerShape, facts: TidyFacts): readonly ContainerRow[] =>
  rowsOfZone(zone.id, facts).filter(({ container }) => (container.cells === null) === (shape.cells === null))

/** In cells: pages of the cells that the shape has. */
function cellNeeds(zone: Zone, waiting: readonly Holding[], shape: ContainerShape, facts: TidyFacts): ZoneNeeds {
  const rows = rowsLike(zone, shape, facts)
  const tooLarge = beyondCell(waiting, shape)
  const { pages, more } = pagesFor(waiting.length - tooLarge.length, shape, rows, zone.growthReserve)
  const page = [...facts.holderTypes.values()].find(
    ({ type, cells }) => type === 'celledPage' && cells?.rows === shape.cells?.rows && cells?.columns === shape.cells?.columns,
  )
  return {
    zone,
    waiting,
    holders: shape.type === 'binder' && pages > 0 ? [{ typeId: page?.id ?? null, count: pages, toGet: lacking(pages, page) }] : [],
    sits: [],
    assumed: 0,
    unknown: waiting.filter(({ size }) => !size).length,
    fitsNone: [],
    tooLarge,
    runMm: null,
    filed: 0,
    there: rows.length,
    more,
  }
}

/** In rows: a holder for each set, and lanes for the run of them all. */
function rowNeeds(zone: Zone, waiting: readonly Holding[], shape: ContainerShape, fittings: Fittings, facts: TidyFacts): ZoneNeeds {
  const rows = rowsLike(zone, shape, facts)
  const { typeOf, ...sitting } = holdersIn(waiting, fittings, shape, facts)
  const lengthOfSet = (holding: Holding): number => {
    const type = holding.sitsIn ?? facts.holderTypes.get(typeOf.get(holding.id) ?? '')?.type ?? 'pocket'
    return thicknessIn(holding, { type }, id => facts.authority.kinds.get(id), facts.learnt).mm
  }
  const lengthOf = lengthsIn(rows, waiting, lengthOfSet, facts)
  const filed = rows.flatMap(row => row.placements).filter(({ holder }) => holder.apartBecause === null)
  const ordered = orderHolders([...filed, ...waiting.flatMap(inHand)], zone.filingRule, zone.habits.dies, facts)
  const lanes = lanesMore(
    ordered.map(({ holderId }) => lengthOf(holderId)),
    runLanes(rows, lengthOf, zone.growthReserve).map(({ capacityMm }) => capacityMm),
    shape.lengthMm * (1 - zone.growthReserve),
  )
  return {
    zone,
    waiting,
    holders: countsOf(waiting, typeOf, facts.holderTypes),
    ...sitting,
    runMm: waiting.reduce((sum, each) => sum + inHand(each).length * lengthOfSet(each), 0),
    filed: filed.length,
    there: rows.length,
    more: Math.ceil(lanes / shape.lanes),
  }
}
