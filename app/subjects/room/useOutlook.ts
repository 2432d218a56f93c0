import { computed } from 'vue'
import type { Holding, Zone } from '#core/catalog'
import {
  arrivalsByZone,
  capOf,
  type CapState,
  type ContainerLift,
  HEAVY_G,
  liftOf,
  type Outlook,
  outlookOf,
  shelfHeightMm,
  SHOULDER_MM,
  thicknessIn,
  weightOf,
} from '#core/capacity'
import { zoneFor } from '#core/filing'
import { type ContainerRow, setsIn } from '#core/room'
import { dayOf } from '#core/units'
import { useCatalogue } from '~/data/useCatalogue'
import { useFills } from './useFills'

export interface ContainerOutlook {
  readonly row: ContainerRow
  readonly outlook: Outlook
  readonly share: number
  readonly isMeasured: boolean
}
export interface ZoneOutlook {
  readonly zone: Zone
  readonly outlook: Outlook
  readonly cap: CapState
  readonly containers: readonly ContainerOutlook[]
}
export interface HeavyContainer {
  readonly lift: ContainerLift
  readonly isTooHeavy: boolean
  readonly isHigh: boolean
  readonly isShelfMeasured: boolean
}

/** How full, how heavy and for how long: by container and by zone. */
export function useOutlook() {
  const catalogue = useCatalogue()
  const fills = useFills()
  const today = dayOf(new Date())
  const arrivals = computed(() => {
    const { zones } = catalogue.facts
    const mmOf = (holding: Holding): number =>
      thicknessIn(holding, { type: holding.sitsIn ?? 'pocket' }, id => catalogue.tables?.kinds.get(id), catalogue.learnt).mm
    return arrivalsByZone(catalogue.tables?.holdings.values() ?? [], today, holding => zoneFor(holding, zones)?.id ?? null, mmOf)
  })

  const zones = computed((): readonly ZoneOutlook[] =>
    [...catalogue.facts.zones]
      .sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1))
      .map(zone => {
        const rows = catalogue.containers.filter(row => row.container.zoneId === zone.id && !row.container.isTable)
        const yearly = arrivals.value.get(zone.id)?.mm ?? 0
        const total = rows.reduce((sum, row) => sum + (row.container.cells ? 0 : row.container.lengthMm * row.container.lanes), 0)
        const containers = rows.flatMap((row): ContainerOutlook[] => {
          const fill = fills.value.get(row.container.id)
          // What comes in spreads over the lanes of the zone by their length.
          const part = total > 0 ? (yearly * row.container.lengthMm * row.container.lanes) / total : 0
          return fill ? [{ row, outlook: outlookOf([fill], zone.growthReserve, part), share: fill.share, isMeasured: fill.isMeasured }] : []
        })
        const inRows = rows.flatMap(row => (row.container.cells ? [] : (fills.value.get(row.container.id) ?? [])))
        return {
          zone,
          containers,
          outlook: outlookOf(inRows, zone.growthReserve, yearly),
          cap: capOf(
            zone,
            rows.reduce((sum, row) => sum + setsIn(row), 0),
          ),
        }
      }),
  )

  const heavy = computed((): readonly HeavyContainer[] =>
    catalogue.containers
      .flatMap((row): HeavyContainer[] => {
        const fixture = catalogue.tables?.fixtures.get(row.container.fixtureId)
        if (!fixture || row.container.isTable) return []
        const grams = weightOf(
          row,
          id => catalogue.tables?.holdings.get(id),
          id => catalogue.tables?.kinds.get(id),
          id => catalogue.tables?.holderTypes.get(id),
        )
        const lift = liftOf(row.container, grams, fixture, catalogue.settings.lifting)
        if (!lift) return []
        return [
          {
            lift,
            isTooHeavy: lift.index > 1,
            isHigh: grams > HEAVY_G && lift.shelfMm >= SHOULDER_MM,
            isShelfMeasured: shelfHeightMm(fixture, row.container.shelf).isMeasured,
          },
        ]
      })
      .sort((a, b) => b.lift.index - a.lift.index),
  )

  return { zones, heavy, newPerYear: (zoneId: string): number => arrivals.value.get(zoneId)?.sets ?? 0 }
}
