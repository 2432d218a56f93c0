import type { Category, Kind, Theme } from './authority'
import type { RoomSettings, Series } from './numbers'
import { type CatalogueData, emptyCatalogue } from './tables'

// Thickness of one filled holder in a lane, common practice; the room learns better from measured lengths.
const START_KINDS: readonly Omit<Kind, 'id' | 'rank'>[] = [
  { name: 'Clear', family: 'stamp', suffix: null, typicalThicknessMm: 5 },
  { name: 'Cling', family: 'stamp', suffix: null, typicalThicknessMm: 6 },
  { name: 'Rubber, unmounted', family: 'stamp', suffix: null, typicalThicknessMm: 5 },
  { name: 'Wood mounted', family: 'stamp', suffix: 'W', typicalThicknessMm: 25 },
  { name: 'Foam', family: 'stamp', suffix: null, typicalThicknessMm: 12 },
  { name: 'Roller', family: 'stamp', suffix: 'R', typicalThicknessMm: 40 },
  { name: 'Own-made', family: 'stamp', suffix: null, typicalThicknessMm: 8 },
  { name: 'Thin die', family: 'die', suffix: 'D', typicalThicknessMm: 3 },
  { name: 'Steel die', family: 'die', suffix: 'D', typicalThicknessMm: 20 },
  { name: 'Stencil', family: 'stencil', suffix: 'S', typicalThicknessMm: 1.5 },
  { name: 'Embossing folder', family: 'folder', suffix: 'E', typicalThicknessMm: 4 },
]
const START_CATEGORIES: readonly string[] = [
  'Sentiments', 'Alphabets', 'Numbers', 'Images', 'Borders', 'Backgrounds', 'Shapes', 'Frames and tags',
]

export const START_SETTINGS: Readonly<RoomSettings> = {
  id: 'room', roomName: 'My craft room', unit: 'in', trimmerTicks: 16, reducedFractions: true,
  paper: 'A4', currency: 'EUR', isDemo: false, pxPerMm: null,
}

/** One running number over all kinds: the commonest school, and the default. */
export function startSeries(id: string): Series {
  return { id, name: 'Running number', prefix: '', padding: 0, suffixBy: 'kind', isRunning: true }
}

/**
 * What "start empty" gives: the kinds and categories that nearly everybody needs, one zone, one shelf and one bin,
 * so that the very first set has a place to go.
 */
export function startCatalogue(newId: () => string): CatalogueData {
  const data = emptyCatalogue()
  data.settings.push({ ...START_SETTINGS })
  data.kinds.push(...START_KINDS.map((kind, rank): Kind => ({ id: newId(), ...kind, rank })))
  data.categories.push(...START_CATEGORIES.map((name, rank): Category => ({ id: newId(), name, rank, seeAlsoIds: [] })))
  data.series.push(startSeries(newId()))
  const fixture = { id: newId(), name: 'Shelf', type: 'bookcase' as const, shelves: 3, rank: 0 }
  const zone = {
    id: newId(), name: 'Everything', rank: 0,
    filingRule: { keys: [{ by: 'theme' as const, order: 'alphabetical' as const }, { by: 'brand' as const, order: 'alphabetical' as const }, { by: 'name' as const, order: 'alphabetical' as const }] },
    takesKindIds: [], growthReserve: 0.1, capHoldings: null,
  }
  data.fixtures.push(fixture)
  data.zones.push(zone)
  data.containers.push({
    id: newId(), fixtureId: fixture.id, shelf: 2, rank: 0, name: 'Bin 1', code: 'B1', type: 'bin',
    lanes: 1, lengthMm: 300, inner: null, cells: null, zoneId: zone.id,
  })
  return data
}

/** A theme at the end of the owner's order. */
export function newTheme(id: string, name: string, existing: readonly Theme[]): Theme {
  return { id, name, rank: nextRank(existing), seeAlsoIds: [] }
}

/** @example nextRank([{ rank: 0 }, { rank: 4 }]) //=> 5 */
export function nextRank(existing: readonly { readonly rank: number }[]): number {
  return existing.reduce((highest, each) => Math.max(highest, each.rank), -1) + 1
}
