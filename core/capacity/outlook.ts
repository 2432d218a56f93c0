import { group } from 'd3-array'
import type { Holding, Zone } from '#core/catalog'
import { dayOf } from '#core/units'
import type { Fill } from './fill'

/** The free room, its part reserved for growth, and how long it lasts. */
export interface Outlook {
  readonly usedMm: number
  readonly lengthMm: number
  readonly freeMm: number
  /** Kept free for growth by the zone. */
  readonly reserveMm: number
  /** Free beyond the reserve; negative: the reserve is in use. */
  readonly spareMm: number
  /** Overflow: what does not close any more. */
  readonly overMm: number
  /** Length that came in during the last year. */
  readonly yearlyMm: number
  /** Years until it is full at that rate; null: nothing comes in; 0: full now. */
  readonly yearsLeft: number | null
  readonly state: 'over' | 'full' | 'reserve' | 'room'
}

/** With less free length, nothing more goes in. */
const LEAST_FREE_MM = 4

function stateOf({ overMm, freeMm, reserveMm }: Pick<Outlook, 'overMm' | 'freeMm' | 'reserveMm'>): Outlook['state'] {
  if (overMm > 0) return 'over'
  if (freeMm < LEAST_FREE_MM) return 'full'
  return freeMm < reserveMm ? 'reserve' : 'room'
}

/**
 * The free room of a container, or of all containers of a zone.
 * @example outlookOf([{ usedMm: 90, lengthMm: 100, share: 0.9, isMeasured: true }], 0.2, 20).state //=> 'reserve'
 */
export function outlookOf(fills: readonly Fill[], growthReserve: number, yearlyMm: number): Outlook {
  const [usedMm, lengthMm] = [fills.reduce((sum, fill) => sum + fill.usedMm, 0), fills.reduce((sum, fill) => sum + fill.lengthMm, 0)]
  const freeMm = fills.reduce((sum, fill) => sum + Math.max(0, fill.lengthMm - fill.usedMm), 0)
  const overMm = fills.reduce((sum, fill) => sum + Math.max(0, fill.usedMm - fill.lengthMm), 0)
  const reserveMm = growthReserve * lengthMm
  const yearsLeft = yearlyMm > 0 ? freeMm / yearlyMm : null
  const state = stateOf({ overMm, freeMm, reserveMm })
  return { usedMm, lengthMm, freeMm, reserveMm, spareMm: freeMm - reserveMm, overMm, yearlyMm, yearsLeft, state }
}

/** The day on which a set came: stated by its owner, else when it was taken in. A year or month alone counts as its middle. */
function arrivedOn({ acquiredOn, createdAt }: Holding): string {
  if (!acquiredOn) return dayOf(new Date(createdAt))
  if (acquiredOn.length === 4) return `${acquiredOn}-07-01`
  return acquiredOn.length === 7 ? `${acquiredOn}-15` : acquiredOn
}

/** Arrivals during the year before `today`: number of sets and their depth in mm. O(n). */
export function arrivalsOf(
  holdings: Iterable<Holding>,
  today: string,
  thicknessMm: (holding: Holding) => number,
): { readonly sets: number; readonly mm: number } {
  const from = `${Number(today.slice(0, 4)) - 1}${today.slice(4)}`
  let [sets, mm] = [0, 0]
  for (const holding of holdings) {
    const day = arrivedOn(holding)
    if (day <= from || day > today) continue
    sets += 1
    mm += thicknessMm(holding)
  }
  return { sets, mm }
}

export type CapState =
  | { readonly state: 'none' }
  | { readonly state: 'under' | 'at' | 'over'; readonly cap: number; readonly count: number }

/** A zone against the most sets that its owner wants in it, with `more` sets about to arrive. */
export function capOf(zone: Pick<Zone, 'capHoldings'>, count: number, more = 0): CapState {
  if (zone.capHoldings === null) return { state: 'none' }
  const then = count + more
  const within = then === zone.capHoldings ? 'at' : 'under'
  return { state: then > zone.capHoldings ? 'over' : within, cap: zone.capHoldings, count }
}

/** Arrivals during the year before `today`, by the zone that takes them. Sets that no zone takes are left out. O(n). */
export function arrivalsByZone(
  holdings: Iterable<Holding>,
  today: string,
  zoneOf: (holding: Holding) => string | null,
  thicknessMm: (holding: Holding) => number,
): ReadonlyMap<string, ReturnType<typeof arrivalsOf>> {
  const zones = group([...holdings], zoneOf)
  return new Map([...zones].flatMap(([id, own]) => (id === null ? [] : [[id, arrivalsOf(own, today, thicknessMm)] as const])))
}
