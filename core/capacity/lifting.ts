import type { RoomSettings } from '#core/catalog'

/**
 * The revised lifting equation: Waters, Putz-Anderson and Garg, Applications Manual for the Revised NIOSH Lifting Equation,
 * DHHS (NIOSH) Publication 94-110 (1994). RWL = LC x HM x VM x DM x AM x FM x CM, metric form, LC = 23 kg. Guidance for
 * healthy adults and no more.
 */
const LOAD_CONSTANT_KG = 23

type Grip = RoomSettings['lifting']['grip']
export interface Lift {
  /** Horizontal distance of the hands from the ankles. */
  readonly horizontalCm: number
  /** Height of the hands above the floor where the lift begins. */
  readonly verticalCm: number
  /** Vertical distance of the lift. */
  readonly travelCm: number
  readonly twistDeg: number
  readonly perMinute: number
  readonly hours: 1 | 2 | 8
  readonly grip: Grip
}
interface Multipliers {
  readonly horizontal: number
  readonly vertical: number
  readonly distance: number
  readonly asymmetry: number
  readonly frequency: number
  readonly coupling: number
}
export interface LiftLimit {
  /** Recommended weight limit. */
  readonly limitKg: number
  readonly multipliers: Multipliers
}

// Table 5 of the manual, from memory: lifts a minute; up to 1, 2 and 8 hours, hands below and from 75 cm on.
const FREQUENCY: readonly (readonly [number, ...number[]])[] = [
  [0.2, 1, 1, 0.95, 0.95, 0.85, 0.85],
  [0.5, 0.97, 0.97, 0.92, 0.92, 0.81, 0.81],
  [1, 0.94, 0.94, 0.88, 0.88, 0.75, 0.75],
  [2, 0.91, 0.91, 0.84, 0.84, 0.65, 0.65],
  [3, 0.88, 0.88, 0.79, 0.79, 0.55, 0.55],
  [4, 0.84, 0.84, 0.72, 0.72, 0.45, 0.45],
  [5, 0.8, 0.8, 0.6, 0.6, 0.35, 0.35],
  [6, 0.75, 0.75, 0.5, 0.5, 0.27, 0.27],
  [7, 0.7, 0.7, 0.42, 0.42, 0.22, 0.22],
  [8, 0.6, 0.6, 0.35, 0.35, 0.18, 0.18],
  [9, 0.52, 0.52, 0.3, 0.3, 0, 0.15],
  [10, 0.45, 0.45, 0.26, 0.26, 0, 0.13],
  [11, 0.41, 0.41, 0, 0.23, 0, 0],
  [12, 0.37, 0.37, 0, 0.21, 0, 0],
  [13, 0, 0.34, 0, 0, 0, 0],
  [14, 0, 0.31, 0, 0, 0, 0],
  [15, 0, 0.28, 0, 0, 0, 0],
]
const KNUCKLE_CM = 75

function frequencyMultiplier({ perMinute, hours, verticalCm }: Lift): number {
  // Between two lines of the table, the stricter one holds.
  const line = FREQUENCY.find(([lifts]) => perMinute <= lifts)
  const column = 1 + { 1: 0, 2: 2, 8: 4 }[hours] + Number(verticalCm >= KNUCKLE_CM)
  return line?.[column] ?? 0
}

/** Table 7 of the manual. */
function couplingMultiplier(grip: Grip, verticalCm: number): number {
  return { good: 1, fair: verticalCm < KNUCKLE_CM ? 0.95 : 1, poor: 0.9 }[grip]
}

/** The recommended limit. A reach beyond 63 cm, a height beyond 175 cm or a turn beyond 135 degrees gives 0. */
export function liftLimit(lift: Lift): LiftLimit {
  const { horizontalCm, verticalCm, travelCm, twistDeg, grip } = lift
  const multipliers: Multipliers = {
    horizontal: horizontalCm > 63 ? 0 : Math.min(1, 25 / Math.max(25, horizontalCm)),
    vertical: verticalCm > 175 || verticalCm < 0 ? 0 : 1 - 0.003 * Math.abs(verticalCm - KNUCKLE_CM),
    distance: travelCm > 175 ? 0 : Math.min(1, 0.82 + 4.5 / Math.max(25, travelCm)),
    asymmetry: twistDeg > 135 ? 0 : 1 - 0.0032 * twistDeg,
    frequency: frequencyMultiplier(lift),
    coupling: couplingMultiplier(grip, verticalCm),
  }
  return { multipliers, limitKg: Object.values(multipliers).reduce((product: number, each: number) => product * each, LOAD_CONSTANT_KG) }
}

/** The lift of a container between its shelf and the height it is carried at, by the owner's way of lifting; the stricter end counts. */
export function shelfLift(shelfHeightMm: number, lifting: RoomSettings['lifting']): LiftLimit & { readonly lift: Lift } {
  const ends = [shelfHeightMm, lifting.carryToMm].map((verticalMm): Lift => ({
    horizontalCm: lifting.reachMm / 10,
    verticalCm: verticalMm / 10,
    travelCm: Math.abs(shelfHeightMm - lifting.carryToMm) / 10,
    twistDeg: lifting.twistDeg,
    perMinute: lifting.perMinute,
    hours: lifting.hours,
    grip: lifting.grip,
  }))
  const limits = ends.map(lift => ({ lift, ...liftLimit(lift) }))
  return limits.reduce((strictest, each) => (each.limitKg < strictest.limitKg ? each : strictest))
}
