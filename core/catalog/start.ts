import type { Category, Kind, Theme } from './authority'
import { emptyCatalogue } from './blank'
import { FIT_WAYS, START_LIFTING, START_MARKS } from './choices'
import type { RoomSettings, Series } from './numbers'
import type { Fixture, Zone } from './room'
import { START_HOLDER_TYPES } from './startHolders'
import type { CatalogueData } from './tables'

// Thickness and weight of one filled holder, common practice; the room learns thickness from measured lengths.
const START_KINDS: readonly Omit<Kind, 'id' | 'rank'>[] = [
  {
    name: 'Clear',
    family: 'stamp',
    suffix: null,
    typicalThicknessMm: 5,
    typicalWeightG: 45,
    isLightSensitive: true,
    mayTrim: true,
    mayCut: true,
  },
  {
    name: 'Cling',
    family: 'stamp',
    suffix: null,
    typicalThicknessMm: 6,
    typicalWeightG: 55,
    isLightSensitive: true,
    mayTrim: true,
    mayCut: true,
  },
  {
    name: 'Rubber, unmounted',
    family: 'stamp',
    suffix: null,
    typicalThicknessMm: 5,
    typicalWeightG: 40,
    isLightSensitive: true,
    mayTrim: true,
    mayCut: true,
  },
  {
    name: 'Wood mounted',
    family: 'stamp',
    suffix: 'W',
    typicalThicknessMm: 25,
    typicalWeightG: 90,
    isLightSensitive: false,
    mayTrim: false,
    mayCut: false,
  },
  {
    name: 'Foam',
    family: 'stamp',
    suffix: null,
    typicalThicknessMm: 12,
    typicalWeightG: 40,
    isLightSensitive: true,
    mayTrim: true,
    mayCut: true,
  },
  {
    name: 'Roller',
    family: 'stamp',
    suffix: 'R',
    typicalThicknessMm: 40,
    typicalWeightG: 150,
    isLightSensitive: false,
    mayTrim: false,
    mayCut: false,
  },
  {
    name: 'Own-made',
    family: 'stamp',
    suffix: null,
    typicalThicknessMm: 8,
    typicalWeightG: 60,
    isLightSensitive: false,
    mayTrim: true,
    mayCut: true,
  },
  {
    name: 'Thin die',
    family: 'die',
    suffix: 'D',
    typicalThicknessMm: 3,
    typicalWeightG: 35,
    isLightSensitive: false,
    mayTrim: false,
    mayCut: false,
  },
  {
    name: 'Steel die',
    family: 'die',
    suffix: 'SD',
    typicalThicknessMm: 20,
    typicalWeightG: 220,
    isLightSensitive: false,
    mayTrim: false,
    mayCut: false,
  },
  {
    name: 'Stencil',
    family: 'stencil',
    suffix: 'S',
    typicalThicknessMm: 1.5,
    typicalWeightG: 20,
    isLightSensitive: false,
    mayTrim: true,
    mayCut: false,
  },
  {
    name: 'Embossing folder',
    family: 'folder',
    suffix: 'E',
    typicalThicknessMm: 4,
    typicalWeightG: 35,
    isLightSensitive: false,
    mayTrim: false,
    mayCut: false,
  },
]
/** An insert card in every pocket, nothing else: the commonest habit. */
export const START_HABITS: Zone['habits'] = { insert: true, magnet: false, packaging: 'none', dies: 'apart' }
/** Unmeasured furniture. */
export const PLAIN_FIXTURE: Pick<Fixture, 'shelfHeightsMm' | 'widthMm' | 'isSunlit'> = {
  shelfHeightsMm: null,
  widthMm: null,
  isSunlit: false,
}
const START_CATEGORIES: readonly string[] = [
  'Sentiments',
  'Alphabets',
  'Numbers',
  'Images',
  'Borders',
  'Backgrounds',
  'Shapes',
  'Frames and tags',
]

/**
 * Two lines on 12 mm tape, as one chain. A machine cuts about an inch behind its print head, and leaves as much behind a label that is
 * printed alone: common practice.
 */
export const START_LABELS: RoomSettings['labels'] = {
  template: 'brandAboveName',
  hasCode: false,
  tapeWidthMm: 12,
  edgeMm: 1,
  beforeMm: 2,
  afterMm: 2,
  singlyAfterMm: 24,
  toCutterMm: 24,
  longestMm: 80,
  isChained: true,
}

export const START_SETTINGS: Readonly<RoomSettings> = {
  id: 'room',
  roomName: 'My craft room',
  unit: 'in',
  trimmerTicks: 16,
  reducedFractions: true,
  paper: 'A4',
  currency: 'EUR',
  isDemo: false,
  dateOrder: null,
  shelvesFrom: 'top',
  pxPerMm: null,
  collection: null,
  stages: ['class', 'fit', 'label'],
  forNowContainerId: null,
  keepsOriginals: true,
  marks: { ...START_MARKS },
  addressPatterns: {},
  lifting: { ...START_LIFTING },
  fitOrder: [...FIT_WAYS],
  fitNever: [],
  labels: START_LABELS,
}

/** One running number over all kinds: the commonest school, and the default. */
export function startSeries(id: string): Series {
  return { id, name: 'Running number', prefix: '', padding: 0, suffixBy: 'kind', isRunning: true, countsBy: 'all', partOf: null }
}

/**
 * The contents of "start empty": kinds and categories that nearly everybody needs, one zone, one shelf and one bin, so that the first set
 * has a place to go.
 */
export function startCatalogue(newId: () => string): CatalogueData {
  const data = emptyCatalogue()
  data.settings.push({ ...START_SETTINGS })
  data.kinds.push(...START_KINDS.map((kind, rank): Kind => ({ id: newId(), ...kind, rank })))
  data.categories.push(...START_CATEGORIES.map((name, rank): Category => ({ id: newId(), name, rank, seeAlsoIds: [] })))
  data.series.push(startSeries(newId()))
  data.holderTypes.push(...START_HOLDER_TYPES.map((type, rank) => ({ ...type, id: newId(), rank })))
  const fixture = { id: newId(), name: 'Shelf', type: 'bookcase' as const, shelves: 3, rank: 0, ...PLAIN_FIXTURE }
  const zone = {
    id: newId(),
    name: 'Everything',
    rank: 0,
    filingRule: {
      keys: [
        { by: 'theme' as const, order: 'alphabetical' as const },
        { by: 'brand' as const, order: 'alphabetical' as const },
        { by: 'name' as const, order: 'alphabetical' as const },
      ],
    },
    takesKindIds: [],
    growthReserve: 0.1,
    capHoldings: null,
    labelTemplate: null,
    habits: START_HABITS,
  }
  data.fixtures.push(fixture)
  data.zones.push(zone)
  data.containers.push({
    id: newId(),
    fixtureId: fixture.id,
    shelf: 2,
    rank: 0,
    name: 'Bin 1',
    code: 'B1',
    type: 'bin',
    lanes: 1,
    lengthMm: 300,
    inner: null,
    cells: null,
    zoneId: zone.id,
    emptyWeightG: null,
    isTable: false,
  })
  return data
}

/** A theme at the end of the owner's order. */
export function newTheme(id: string, name: string, existing: readonly Theme[]): Theme {
  return { id, name, rank: nextRank(existing), seeAlsoIds: [], sharesPage: false }
}
export function newCategory(id: string, name: string, existing: readonly Category[]): Category {
  return { id, name, rank: nextRank(existing), seeAlsoIds: [] }
}
/** A new kind: a stamp of common thickness that must not be cut, until the owner says otherwise. */
export function newKind(id: string, name: string, existing: readonly Kind[]): Kind {
  return {
    id,
    name,
    family: 'stamp',
    suffix: null,
    typicalThicknessMm: 5,
    typicalWeightG: 60,
    isLightSensitive: false,
    mayTrim: false,
    mayCut: false,
    rank: nextRank(existing),
  }
}

/** @example nextRank([{ rank: 0 }, { rank: 4 }]) //=> 5 */
export function nextRank(existing: readonly { readonly rank: number }[]): number {
  return existing.reduce((highest, each) => Math.max(highest, each.rank), -1) + 1
}
