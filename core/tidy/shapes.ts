import { group } from 'd3-array'
import type { Holding } from '#core/catalog'
import { cellTakes, CONTAINER_SHAPES, type ContainerRow, type ContainerShape, containersInOrder } from '#core/room'
import type { TidyFacts } from './facts'
import type { Fittings } from './fittings'
import { holdersIn } from './holders'

/** Container shapes to choose from for a zone: its own first, then common ones. A zone of rows gets rows, one of cells gets cells. */
export function shapesFor(zoneId: string, facts: TidyFacts): readonly ContainerShape[] {
  const own = rowsOfZone(zoneId, facts).map(({ container }) => container)
  const isOfZone = (shape: Pick<ContainerShape, 'cells'>): boolean =>
    own.length === 0 || own.every(({ cells }) => cells !== null) === (shape.cells !== null)
  const alike = group(own.filter(isOfZone), shapeKey)
  const common = CONTAINER_SHAPES.filter(shape => shape.type !== 'ring' && shape.type !== 'board' && isOfZone(shape))
  return [...[...alike.values()].flatMap(([first]) => first ?? []), ...common.filter(shape => !alike.has(shapeKey(shape)))]
}
const shapeKey = ({ type, lanes, lengthMm, inner, cells }: ContainerShape): string => JSON.stringify([type, lanes, lengthMm, inner, cells])
/** The rows of all containers of a zone but the table. */
export const rowsOfZone = (zoneId: string, facts: TidyFacts): readonly ContainerRow[] =>
  containersInOrder(facts, zoneId).filter(row => !row.container.isTable)

/** The shape that takes the most waiting sets; of several, the first of `shapesFor`. O(shapes x sets). */
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

/** Sets that are too large for a cell of the shape. */
export const beyondCell = (waiting: readonly Holding[], { cells }: ContainerShape): readonly Holding[] =>
  waiting.filter(({ size }) => !cellTakes(cells, size))
