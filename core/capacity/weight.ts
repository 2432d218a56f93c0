import type { Container, ContainerType, Fixture, HolderType, Holding, Kind, RoomSettings } from '#core/catalog'
import { allIn, type ContainerRow } from '#core/room'
import { shelfLift, type LiftLimit } from './lifting'

// Weight of an empty container, common practice; an owner can type the weighed one.
const EMPTY_G: Readonly<Record<ContainerType, number>> = {
  bin: 600,
  binder: 700,
  drawer: 1500,
  caseRack: 1200,
  tray: 500,
  basket: 500,
  ring: 50,
  board: 1500,
}
const UNKNOWN_SET_G = 60

// Height of the lowest shelf and between shelves, common practice.
const LOWEST_MM: Readonly<Record<Fixture['type'], number>> = { bookcase: 80, cabinet: 100, cart: 150, table: 740, wall: 1200 }
const BETWEEN_MM: Readonly<Record<Fixture['type'], number>> = { bookcase: 330, cabinet: 150, cart: 330, table: 300, wall: 300 }

/** Height of a shelf above the floor, measured, or usual for such furniture. */
export function shelfHeightMm(fixture: Fixture, shelf: number): { readonly mm: number; readonly isMeasured: boolean } {
  const measured = fixture.shelfHeightsMm?.[shelf - 1]
  if (measured !== undefined) return { mm: measured, isMeasured: true }
  return {
    mm: LOWEST_MM[fixture.type] + (fixture.shelves - Math.min(shelf, fixture.shelves)) * BETWEEN_MM[fixture.type],
    isMeasured: false,
  }
}

/** Weight of a container with all its contents. */
export function weightOf(
  row: ContainerRow,
  holdingOf: (id: string) => Holding | undefined,
  kindOf: (id: string) => Kind | undefined,
  typeOf: (id: string) => HolderType | undefined,
): number {
  const empty = row.container.emptyWeightG ?? EMPTY_G[row.container.type]
  return allIn(row).reduce((sum, { holder }) => {
    const own = holder.holderTypeId ? (typeOf(holder.holderTypeId)?.weightG ?? 0) : 0
    return (
      sum + own + holder.holdingIds.reduce((sets, id) => sets + (kindOf(holdingOf(id)?.kindId ?? '')?.typicalWeightG ?? UNKNOWN_SET_G), 0)
    )
  }, empty)
}

export interface ContainerLift extends LiftLimit {
  readonly container: Container
  readonly weightKg: number
  /** Weight over limit; above 1 is more than recommended. */
  readonly index: number
  readonly shelfMm: number
  /** The shelf of the same furniture where it is within the limit, or nearest to it. */
  readonly betterShelf: number | null
}
/** Drawers, boards and trays stay in their furniture: they are pulled, not lifted. */
const LIFTED: ReadonlySet<ContainerType> = new Set(['bin', 'binder', 'caseRack', 'tray', 'basket'])

/** A container's weight against the recommended limit for lifting it from its shelf; null: it is not lifted. */
export function liftOf(container: Container, weightG: number, fixture: Fixture, lifting: RoomSettings['lifting']): ContainerLift | null {
  if (!LIFTED.has(container.type)) return null
  const limitAt = (shelf: number): ReturnType<typeof shelfLift> => shelfLift(shelfHeightMm(fixture, shelf).mm, lifting)
  const here = limitAt(container.shelf)
  const weightKg = weightG / 1000
  // Heavy ones go where lifting is easiest; on a tie, to the lower shelf.
  const best = Array.from({ length: fixture.shelves }, (_, at) => at + 1).sort(
    (a, b) => limitAt(b).limitKg - limitAt(a).limitKg || b - a,
  )[0]
  const isBetter = best !== undefined && best !== container.shelf && limitAt(best).limitKg > here.limitKg
  return {
    container,
    weightKg,
    limitKg: here.limitKg,
    multipliers: here.multipliers,
    index: here.limitKg > 0 ? weightKg / here.limitKg : Infinity,
    shelfMm: shelfHeightMm(fixture, container.shelf).mm,
    betterShelf: weightKg > here.limitKg && isBetter ? best : null,
  }
}
/** Above this height a heavy thing is above many people's shoulders: a lower shelf is proposed, whatever the equation says. */
export const SHOULDER_MM = 1300
/** A weight that hurts when it falls on a foot or a head. */
export const HEAVY_G = 3000
