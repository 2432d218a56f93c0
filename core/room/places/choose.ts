import { type CODE_READINGS, type ContainerType, type Fixture, LIMITS } from '#core/catalog'
import { CONTAINER_SHAPES, type ContainerShape } from '../building'
import { cellSpots, familiesOf, inSpots, type ListedPlace, marksOf, type PlaceFamily } from './families'

/** What the figures of a family mean. */
export type FamilyMeaning =
  /** Each figure or letter is a container. */
  | 'containers'
  /** The figures are numbered slots of one container, such as the cases of a rack. */
  | 'slots'
  /** Pages of cells, in one binder. */
  | 'pages'
  /** The sets are out of their place. */
  | 'out'
  /** No place: the sets have none yet. */
  | 'none'

/** The reason for a proposed meaning. */
export type MeaningBecause =
  | 'caseWord'
  | 'containerWord'
  | 'letters'
  | 'manyFigures'
  | 'pageCode'
  | 'outWord'
  | 'notSaid'
  | 'ownNumber'
  | 'unread'

/** What is decided for a family, by the proposal or by the owner. */
export interface FamilyChoice {
  readonly as: FamilyMeaning
  readonly type: ContainerType
  /** The id of one of `CONTAINER_SHAPES`: the sizes to begin from. */
  readonly shapeId: string
  /** For pages: rows and columns of cells. */
  readonly grid: { readonly rows: number; readonly columns: number }
  /** Codes such as 12-308: page 3, cell 08, or the 308th cell. */
  readonly reading: (typeof CODE_READINGS)[number]
  /** Furniture of the room, or new furniture of this name; families that use the same name share it. */
  readonly fixture: { readonly id: string } | Pick<Fixture, 'name' | 'type'>
  readonly zoneId: string
}

/** More containers of one word than this are no containers. */
export const MOST_OF_A_FAMILY = 400
/** Unknown letters with more figures than this are numbers of sets. */
const MOST_UNKNOWN = 60

/** Rows and columns of a page by its number of cells, by common practice; else as square as possible. */
function gridOf(cells: number): { readonly rows: number; readonly columns: number } {
  const most = LIMITS.cellsASide
  const pairs = Array.from({ length: most }, (_, at) => at + 1).flatMap(columns =>
    cells % columns === 0 && cells / columns <= most && cells / columns >= columns ? [{ rows: cells / columns, columns }] : [],
  )
  return pairs.at(-1) ?? { rows: most, columns: Math.min(most, Math.ceil(cells / most)) }
}

const shapesOfType = (type: ContainerType): readonly ContainerShape[] => CONTAINER_SHAPES.filter(shape => shape.type === type)
/** The chosen shape, or the first of its type: every type has one. */
export const shapeFor = (type: ContainerType, shapeId: string): ContainerShape =>
  CONTAINER_SHAPES.find(shape => shape.id === shapeId && shape.type === type) ?? (shapesOfType(type)[0] as ContainerShape)

/** Least number of cells of a page of this family, according to the list; null: the list does not say. */
function cellsNamed(family: PlaceFamily): number | null {
  const code = cellSpots(family)[0]
  if (code) return code.reading.cells
  const cells = inSpots(family).flatMap(({ reading }) => reading.behind.cell ?? [])
  return cells.length > 0 ? cells.reduce((most, cell) => Math.max(most, cell), 1) : null
}
export const namesPages = (family: PlaceFamily): boolean => inSpots(family).some(({ reading }) => reading.behind.page !== null)

/** The most likely meaning of a family, with the reason. */
export function meaningOf(family: PlaceFamily): { readonly as: FamilyMeaning; readonly because: MeaningBecause } {
  if (family.as === 'out') return { as: 'out', because: 'outWord' }
  if (family.as === 'cell') return { as: 'pages', because: 'pageCode' }
  if (family.as === 'unknown') return { as: 'none', because: 'notSaid' }
  if (family.as === 'number') return { as: 'none', because: 'ownNumber' }
  if (family.as === 'unread') return { as: 'none', because: 'unread' }
  const marks = marksOf(family)
  const isCounted = marks.some(mark => /^\d/.test(mark))
  if (family.sort === 'caseRack' && isCounted) return { as: 'slots', because: 'caseWord' }
  const most = family.sort === null ? MOST_UNKNOWN : MOST_OF_A_FAMILY
  if (marks.length > most || marks.some(mark => Number(mark) > MOST_OF_A_FAMILY)) return { as: 'none', because: 'manyFigures' }
  return { as: 'containers', because: family.sort === null ? 'letters' : 'containerWord' }
}

/**
 * Sets without a place that no list gives a place for. O(n).
 * @example nowhereOf([{ id: 'a', text: 'Bin 4' }, { id: 'b', text: '??' }, { id: 'c', text: '' }]) //=> ['b', 'c']
 */
export function nowhereOf(placeless: readonly ListedPlace[]): readonly string[] {
  const named = familiesOf(placeless.filter(({ text }) => text !== '')).filter(family => meaningOf(family).as !== 'none')
  const somewhere = new Set(named.flatMap(({ spots }) => spots.flatMap(({ ids }) => ids)))
  return placeless.map(({ id }) => id).filter(id => !somewhere.has(id))
}

/** A choice to begin with, all of it changeable. `fixtureFor` names new furniture. */
export function proposeChoice(
  family: PlaceFamily,
  zoneId: string,
  fixtureFor: (type: ContainerType) => FamilyChoice['fixture'],
): FamilyChoice {
  const { as } = meaningOf(family)
  const ofSort = family.sort === null || family.sort === 'shelf' ? 'bin' : family.sort
  const ofSlots = as === 'slots' ? 'caseRack' : ofSort
  const type: ContainerType = as === 'pages' || namesPages(family) ? 'binder' : ofSlots
  const cells = cellsNamed(family)
  const pages = shapesOfType('binder').flatMap(shape =>
    shape.cells ? [{ id: shape.id, count: shape.cells.rows * shape.cells.columns }] : [],
  )
  const page = pages.toSorted((a, b) => a.count - b.count).find(each => each.count >= (cells ?? 1))
  return {
    as,
    type,
    shapeId: (type === 'binder' ? page?.id : shapeFor(type, '').id) ?? '',
    grid: gridOf(family.as === 'cell' ? (cells ?? 4) : (page?.count ?? 4)),
    reading: 'cell',
    fixture: fixtureFor(type),
    zoneId,
  }
}
