import { group, rollup } from 'd3-array'
import type { Container, HolderType, Holding, Zone } from '#core/catalog'
import { thicknessIn } from '#core/capacity'
import { zoneFor } from '#core/filing'
import { fitContainer } from '#core/holders'
import { orderHolders, runLanes, type SpreadFacts } from '#core/refiling'
import {
  type AddressPatterns,
  allIn,
  cellsPerPage,
  cellTakes,
  CONTAINER_SHAPES,
  type ContainerRow,
  type ContainerShape,
  containersInOrder,
  namesAlong,
} from '#core/room'
import { type FamilyChoice, MOST_OF_A_FAMILY, type NewContainer, type NewFixture, shelvesFor } from '#core/room/places'
import { SUM_EPSILON_MM } from '#core/units'
import type { Fitting, Fittings } from './fittings'

/** The room as it is, and what there is to put sets into. */
export interface TidyFacts extends SpreadFacts {
  readonly holderTypes: ReadonlyMap<string, HolderType>
  readonly patterns: AddressPatterns
}
/** What is settled for a zone, by the proposal or by its owner. */
export interface TidyChoice {
  /** One of `shapesFor` its zone. */
  readonly shapeId: string
  /** Inside, along the row; null: as its shape is. */
  readonly lengthMm: number | null
  readonly fixture: FamilyChoice['fixture']
}
export interface HolderCount {
  /** null: pages of which no type is known. */
  readonly typeId: string | null
  readonly count: number
  /** More than are on hand. */
  readonly toGet: number
}
/** What the waiting sets of one zone need. */
export interface ZoneTidy {
  readonly zone: Zone
  readonly waiting: readonly Holding[]
  /** Most first. */
  readonly holders: readonly HolderCount[]
  /** What was chosen for sets of which nobody has said it. */
  readonly sits: readonly { readonly holdingId: string; readonly holderTypeId: string }[]
  /** Of no known size: counted as most of their kind. */
  readonly assumed: number
  /** Of no known size, and nothing to count them by: they are in the run, and in no holder. */
  readonly unknown: number
  /** None of the owner's types takes them as they are. */
  readonly fitsNone: readonly Holding[]
  /** Too wide or too high for what they would stand in, in their holders; or for a cell. */
  readonly tooLarge: readonly Holding[]
  /** How long their row is; null: they go into cells. */
  readonly runMm: number | null
  /** Holders that its rule has filed already. */
  readonly filed: number
  /** Containers that are there, and more that it takes. */
  readonly there: number
  readonly made: readonly NewContainer[]
  /** So many more would be needed that it is no room: none is made. null: it is one. */
  readonly tooMany: number | null
}
export interface TidyPlan {
  readonly zones: readonly ZoneTidy[]
  /** No zone takes these. */
  readonly unclaimed: readonly Holding[]
  readonly fixtures: readonly NewFixture[]
  readonly containers: readonly NewContainer[]
}

/** What a zone may have more of: what it has already, and then common shapes; rows where it has rows, else cells as well. */
export function shapesFor(zoneId: string, facts: TidyFacts): readonly ContainerShape[] {
  const own = rowsOfZone(zoneId, facts).map(({ container }) => container)
  const isOfZone = (shape: Pick<ContainerShape, 'cells'>): boolean =>
    own.length === 0 || own.every(({ cells }) => cells !== null) === (shape.cells !== null)
  const alike = group(own.filter(isOfZone), shapeKey)
  const common = CONTAINER_SHAPES.filter(shape => shape.type !== 'ring' && shape.type !== 'board' && isOfZone(shape))
  return [...[...alike.values()].flatMap(([first]) => first ?? []), ...common.filter(shape => !alike.has(shapeKey(shape)))]
}
const shapeKey = ({ type, lanes, lengthMm, inner, cells }: ContainerShape): string => JSON.stringify([type, lanes, lengthMm, inner, cells])
const rowsOfZone = (zoneId: string, facts: TidyFacts): readonly ContainerRow[] =>
  containersInOrder(facts, zoneId).filter(row => !row.container.isTable)

/** The shape that takes most of what waits, of these the one that is there already or comes first. O(shapes x sets). */
export function proposeShape(zoneId: string, waiting: readonly Holding[], fittings: Fittings, facts: TidyFacts): ContainerShape | null {
  const rated = shapesFor(zoneId, facts)
    // Rows unless the zone has cells: a page is a way of keeping that its owner chooses.
    .filter((shape, _, all) => shape.cells === null || all.every(({ cells }) => cells !== null))
    .map(shape => ({
      shape,
      tooLarge: shape.cells ? beyondCell(waiting, shape).length : holdersIn(waiting, fittings, shape, facts).tooLarge.length,
    }))
  return (
    rated.reduce<(typeof rated)[number] | null>((best, each) => (best && best.tooLarge <= each.tooLarge ? best : each), null)?.shape ?? null
  )
}

/**
 * The room that waiting sets need, by zone: holders by type, the length of their run in the order of the zone's rule beside what
 * stands there, and as few more containers as take it with the zone's reserve kept free. `firstName` is what the first of a sort
 * would be called, less one. O(n log n).
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
      return own && choice && shape ? [planZone(zone, own, { ...shape, lengthMm: choice.lengthMm ?? shape.lengthMm }, choice.fixture)] : []
    })
  return { zones, unclaimed: byZone.get(null) ?? [], fixtures: [...fixtures.values()], containers }

  function planZone(zone: Zone, own: readonly Holding[], shape: ContainerShape, fixture: TidyChoice['fixture']): ZoneTidy {
    const rows = rowsOfZone(zone.id, facts).filter(({ container }) => (container.cells === null) === (shape.cells === null))
    if (shape.cells) {
      const tooLarge = beyondCell(own, shape)
      const { pages, more } = pagesFor(own.length - tooLarge.length, shape, rows, zone.growthReserve)
      const type = [...facts.holderTypes.values()].find(
        each => each.type === 'celledPage' && each.cells?.rows === shape.cells?.rows && each.cells?.columns === shape.cells?.columns,
      )
      const holders = shape.type === 'binder' && pages > 0 ? [{ typeId: type?.id ?? null, count: pages, toGet: lacking(pages, type) }] : []
      const rest = { sits: [], assumed: 0, unknown: own.filter(({ size }) => !size).length, fitsNone: [], tooLarge, runMm: null }
      return { zone, waiting: own, holders, ...rest, filed: 0, there: rows.length, ...make(zone, shape, more, fixture) }
    }
    const sitting = holdersIn(own, fittings, shape, facts)
    const typeOf = (id: string): HolderType | undefined => facts.holderTypes.get(sitting.typeOf.get(id) ?? '')
    const lengthOfSet = (holding: Holding): number =>
      thicknessIn(
        holding,
        { type: holding.sitsIn ?? typeOf(holding.id)?.type ?? 'pocket' },
        id => facts.authority.kinds.get(id),
        facts.learnt,
      ).mm
    const lengthOf = lengthsIn(rows, own, lengthOfSet, facts)
    const filed = rows.flatMap(row => row.placements).filter(({ holder }) => holder.apartBecause === null)
    const ordered = orderHolders([...filed, ...own.flatMap(inHand)], zone.filingRule, zone.habits.dies, facts)
    const lanes = lanesMore(
      ordered.map(({ holderId }) => lengthOf(holderId)),
      runLanes(rows, lengthOf, zone.growthReserve).map(({ capacityMm }) => capacityMm),
      shape.lengthMm * (1 - zone.growthReserve),
    )
    return {
      zone,
      waiting: own,
      holders: countsOf(own, sitting.typeOf, facts.holderTypes),
      sits: sitting.chosen,
      assumed: sitting.assumed,
      unknown: sitting.unknown,
      fitsNone: sitting.fitsNone,
      tooLarge: sitting.tooLarge,
      runMm: own.reduce((sum, each) => sum + inHand(each).length * lengthOfSet(each), 0),
      filed: filed.length,
      there: rows.length,
      ...make(zone, shape, Math.ceil(lanes / shape.lanes), fixture),
    }
  }

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

/** Which type each set goes into, in a container of a shape: as was said, as fits best, or as most of its kind. */
function holdersIn(waiting: readonly Holding[], fittings: Fittings, shape: ContainerShape, { holderTypes }: TidyFacts) {
  const typeOf = new Map<string, string>()
  const chosen: { holdingId: string; holderTypeId: string }[] = []
  const [fitsNone, tooLarge, unsized]: [Holding[], Holding[], Holding[]] = [[], [], []]
  const goesIn = ({ typeId, answer }: Fitting): boolean => {
    const type = holderTypes.get(typeId)
    return type !== undefined && fitContainer(type, answer, shape).fits
  }
  for (const holding of waiting) {
    const all = fittings.get(holding.id) ?? null
    // What was said of it stands, and of that type what fits.
    const said = holding.holderTypeId
    const own = (all ?? []).filter(({ typeId }) =>
      said ? typeId === said : !holding.sitsIn || holderTypes.get(typeId)?.type === holding.sitsIn,
    )
    const best = own.find(goesIn) ?? own.find(({ typeId }) => stands(holderTypes.get(typeId), shape)) ?? own[0]
    if (best && !goesIn(best)) tooLarge.push(holding)
    if (said) typeOf.set(holding.id, said)
    else if (best) {
      typeOf.set(holding.id, best.typeId)
      chosen.push({ holdingId: holding.id, holderTypeId: best.typeId })
    } else (all ? fitsNone : unsized).push(holding)
  }
  const sized = waiting.filter(({ id }) => typeOf.has(id))
  const usual = new Map([...group(sized, ({ kindId }) => kindId)].map(([kindId, own]) => [kindId, commonest(own, typeOf)]))
  const ofAll = commonest(sized, typeOf)
  const guessed = unsized.flatMap(({ id, kindId }) => {
    const typeId = usual.get(kindId) ?? ofAll
    return typeId ? [[id, typeId] as const] : []
  })
  for (const [id, typeId] of guessed) typeOf.set(id, typeId)
  return { typeOf, chosen, fitsNone, tooLarge, assumed: guessed.length, unknown: unsized.length - guessed.length }
}
const stands = (type: HolderType | undefined, { type: container }: ContainerShape): boolean =>
  type !== undefined && (type.standsIn.length === 0 || type.standsIn.includes(container))

/** The type that most of them have, of several the first by its id; null: there are none. */
function commonest(sets: readonly Holding[], typeOf: ReadonlyMap<string, string>): string | null {
  const counts = [
    ...rollup(
      sets,
      own => own.length,
      ({ id }) => typeOf.get(id) ?? '',
    ),
  ]
  return counts.sort(([a, some], [b, others]) => others - some || (a < b ? -1 : 1))[0]?.[0] ?? null
}

/** What was cut in two takes two. */
function inHand({ id, isCutInTwo }: Holding): readonly { readonly holder: { readonly id: string; readonly holdingIds: string[] } }[] {
  return (isCutInTwo ? ['1', '2'] : ['1']).map(half => ({ holder: { id: `${id}/${half}`, holdingIds: [id] } }))
}
const lacking = (count: number, type: HolderType | undefined): number => Math.max(0, count - (type?.stockOnHand ?? 0))

function countsOf(
  own: readonly Holding[],
  typeOf: ReadonlyMap<string, string>,
  types: ReadonlyMap<string, HolderType>,
): readonly HolderCount[] {
  const counts = rollup(
    own.filter(({ id }) => typeOf.has(id)),
    sets => sets.reduce((sum, each) => sum + inHand(each).length, 0),
    ({ id }) => typeOf.get(id) ?? '',
  )
  return [...counts]
    .map(([typeId, count]) => ({ typeId, count, toGet: types.get(typeId)?.type === 'none' ? 0 : lacking(count, types.get(typeId)) }))
    .sort((a, b) => b.count - a.count || (a.typeId < b.typeId ? -1 : 1))
}

function lengthsIn(
  rows: readonly ContainerRow[],
  own: readonly Holding[],
  lengthOfSet: (holding: Holding) => number,
  { holdings, authority, learnt }: TidyFacts,
): (holderId: string) => number {
  const inHolder = (ids: readonly string[], type: Pick<HolderType, 'type'>): number =>
    ids
      .flatMap(id => holdings.get(id) ?? [])
      .reduce((sum, each) => sum + thicknessIn(each, type, id => authority.kinds.get(id), learnt).mm, 0)
  const lengths = new Map([
    ...rows.flatMap(allIn).map(({ holder }) => [holder.id, inHolder(holder.holdingIds, holder)] as const),
    ...own.flatMap(each => inHand(each).map(({ holder }) => [holder.id, lengthOfSet(each)] as const)),
  ])
  return id => lengths.get(id) ?? 0
}

/**
 * How many lanes more a run takes: it goes through those that are there in turn, each as far as it holds, and what is left over goes
 * on in new ones. No other way of cutting it takes fewer. O(items + lanes).
 * @example lanesMore([30, 30, 30], [40], 70) //=> 1
 */
export function lanesMore(lengthsMm: readonly number[], thereMm: readonly number[], moreMm: number): number {
  let [lane, freeMm] = [0, thereMm[0] ?? moreMm]
  for (const lengthMm of lengthsMm) {
    // What is longer than a whole lane has one of its own.
    while (lengthMm > freeMm + SUM_EPSILON_MM && (lane < thereMm.length || freeMm < moreMm)) {
      lane += 1
      freeMm = thereMm[lane] ?? moreMm
    }
    freeMm -= lengthMm
  }
  return lengthsMm.length === 0 ? 0 : Math.max(0, lane + 1 - thereMm.length)
}

const beyondCell = (waiting: readonly Holding[], { cells }: ContainerShape): readonly Holding[] =>
  waiting.filter(({ size }) => !cellTakes(cells, size))

/** Pages that so many sets take beyond the cells that are free, with a share of each kept for new ones; and containers of pages. */
function pagesFor(
  sets: number,
  shape: ContainerShape,
  rows: readonly ContainerRow[],
  reserve: number,
): { readonly pages: number; readonly more: number } {
  const { cells } = shape
  if (!cells) return { pages: 0, more: 0 }
  const cellsOf = (container: Pick<Container, 'cells'>): number =>
    cellsPerPage(container) * (container.cells?.pages ?? 0) * (container.cells?.isTwoSided ? 2 : 1)
  const free = rows.reduce((sum, row) => sum + Math.max(0, cellsOf(row.container) - allIn(row).length), 0)
  const onPage = cellsPerPage(shape) * (cells.isTwoSided ? 2 : 1)
  const pages = Math.ceil(Math.max(0, sets - free) / (onPage * (1 - reserve)))
  return { pages, more: Math.ceil(pages / cells.pages) }
}
