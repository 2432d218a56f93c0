import { z } from 'zod'
import { Id, LengthMm, Moment, MoneyMinor, Name, OrderKey, SizeMm, Text } from './basics'
import {
  CELL_REUSES,
  CLOSURES,
  CONTAINER_TYPES,
  DIE_PLACES,
  FILING_KEYS,
  FIXTURE_TYPES,
  HOLDER_TYPES,
  LIMITS,
  PACKAGINGS,
  SET_LABELS,
} from './choices'

/** Furniture. Shelves (or drawers, or tiers) count from the top, as one reads. */
export const Fixture = z.object({
  id: Id,
  name: Name,
  type: z.enum(FIXTURE_TYPES),
  shelves: z.number().int().min(1).max(LIMITS.shelves),
  rank: z.number(),
  /** How high each shelf board lies above the floor, from the top; null: as is usual for furniture of this type. */
  shelfHeightsMm: z.array(z.number().min(0).max(4000)).max(LIMITS.shelves).nullable(),
  widthMm: LengthMm.nullable(),
  /** Daylight falls on it. */
  isSunlit: z.boolean(),
})
export type Fixture = z.infer<typeof Fixture>

/** Pages of equal cells, as in a binder: a place there is page and cell, not a position in a row. */
export const CellGrid = z.object({
  rows: z.number().int().min(1).max(LIMITS.cellsASide),
  columns: z.number().int().min(1).max(LIMITS.cellsASide),
  pages: z.number().int().min(1).max(LIMITS.pages),
  isTwoSided: z.boolean(),
  /** Inner size of a cell; null: never measured, anything is taken to fit. */
  cellSize: SizeMm.nullable(),
  /** When a cell that was freed is used again: after the pages are full, before anything else, or never. */
  reuse: z.enum(CELL_REUSES),
})
export type CellGrid = z.infer<typeof CellGrid>

export const Container = z.object({
  id: Id,
  fixtureId: Id,
  shelf: z.number().int().min(1).max(LIMITS.shelves),
  rank: z.number(),
  name: Name,
  /** Short form in addresses: `B4` in `B4-11`. Unique in the room. */
  code: z.string().trim().min(1).max(12),
  type: z.enum(CONTAINER_TYPES),
  lanes: z.number().int().min(1).max(LIMITS.lanes),
  lengthMm: LengthMm,
  inner: SizeMm.nullable(),
  cells: CellGrid.nullable(),
  zoneId: Id,
  emptyWeightG: z.number().min(0).max(50_000).nullable(),
  /** A patch of table that things lie on while they are re-filed: a place with an address, where nothing is filed. */
  isTable: z.boolean(),
})
export type Container = z.infer<typeof Container>

/** A divider with its tab. It stands in the row among the holders; what follows it, up to the next, is its section. */
export const Section = z.object({
  id: Id,
  containerId: Id,
  lane: z.number().int().min(1).max(LIMITS.lanes),
  order: OrderKey,
  title: Name,
  colour: z.number().int().min(0).max(5),
  /** What it stands for in the filing rule, so that a new set knows on which side of the tab it goes. */
  standsFor: z.object({ by: z.enum(['brand', 'theme', 'category', 'kind']), id: Id }).nullable(),
})
export type Section = z.infer<typeof Section>

export const FilingKey = z.object({
  by: z.enum(FILING_KEYS),
  /**
   * `alphabetical` (a brand by its successor, where it has one; `asItself`: by its own name), the owner's `own` order, or
   * `ascending` for numbers, sizes and dates.
   */
  order: z.enum(['alphabetical', 'asItself', 'own', 'ascending']),
})
export type FilingKey = z.infer<typeof FilingKey>
export const FilingRule = z.object({ keys: z.array(FilingKey).min(1).max(3) })
export type FilingRule = z.infer<typeof FilingRule>

/** Containers that share one filing rule. A set goes to the first zone (by rank) that takes its kind. */
export const Zone = z.object({
  id: Id,
  name: Name,
  rank: z.number(),
  filingRule: FilingRule,
  /** Empty: takes every kind. */
  takesKindIds: z.array(Id),
  /** Of each container, this share is kept free for growth. */
  growthReserve: z.number().min(0).max(0.9),
  capHoldings: z.number().int().positive().nullable(),
  /** What labels of its sets say; null: as in the rest of the room. */
  labelTemplate: z.enum(SET_LABELS).nullable(),
  /** What goes into a holder besides the set, by the habit of the zone. */
  habits: z.object({ insert: z.boolean(), magnet: z.boolean(), packaging: z.enum(PACKAGINGS), dies: z.enum(DIE_PLACES) }),
})
export type Zone = z.infer<typeof Zone>

const ThinMm = z.number().min(0).max(500)

/** A product of a common size under a plain name, such as "pocket 5 x 7". */
export const HolderType = z.object({
  id: Id,
  name: Name,
  type: z.enum(HOLDER_TYPES),
  rank: z.number(),
  /** Laid flat and empty, between the seams. Of a celled page, one cell. null: it takes any size. */
  inner: SizeMm.nullable(),
  closure: z.enum(CLOSURES),
  /** As thick as its contents may be for it to close, or at all where it is stiff; null: no limit known. */
  maxThicknessMm: LengthMm.nullable(),
  /** One layer of its film. */
  filmMm: ThinMm,
  emptyThicknessMm: LengthMm.nullable(),
  /** Snaps and stiff backs. */
  extraBulkMm: ThinMm,
  weightG: z.number().min(0).max(20_000).nullable(),
  /** What it stands in; empty: anything. */
  standsIn: z.array(z.enum(CONTAINER_TYPES)),
  cells: z
    .object({
      rows: z.number().int().min(1).max(LIMITS.cellsASide),
      columns: z.number().int().min(1).max(LIMITS.cellsASide),
      isTwoSided: z.boolean(),
    })
    .nullable(),
  packs: z.array(z.object({ pieces: z.number().int().min(1).max(10_000), priceMinor: MoneyMinor.nullable() })).max(20),
  stockOnHand: z.number().int().nonnegative(),
  isRetired: z.boolean(),
  replacedById: Id.nullable(),
  notes: Text,
})
export type HolderType = z.infer<typeof HolderType>

export const Cell = z.object({
  page: z.number().int().min(1).max(LIMITS.pages),
  cell: z
    .number()
    .int()
    .min(1)
    .max(LIMITS.cellsASide ** 2),
  side: z.enum(['front', 'back']),
})
export type Cell = z.infer<typeof Cell>

/** What one or more sets sit in, and where that stands: in a row (`order`) or in a cell of a page (`cell`). */
export const Holder = z.object({
  id: Id,
  holderTypeId: Id.nullable(),
  type: z.enum(HOLDER_TYPES),
  containerId: Id,
  lane: z.number().int().min(1).max(LIMITS.lanes),
  order: OrderKey,
  cell: Cell.nullable(),
  /**
   * Nobody has looked where in its container it stands: the page is known, or nothing. It has no cell then, and its order is the
   * one in which the list or the owner named it. null: its place is known.
   */
  somewhere: z.object({ page: z.number().int().min(1).max(LIMITS.pages).nullable() }).nullable(),
  /** Why it stands outside of the filing rule ("kept on the desk, used daily"); null: it does not. */
  apartBecause: z.string().trim().min(1).max(200).nullable(),
  holdingIds: z.array(Id).min(1).max(2000),
})
export type Holder = z.infer<typeof Holder>

/**
 * The filled length of a lane as somebody measured it, and what stood there at that time, by kind and holder: what the
 * thickness of a filled holder is learnt from.
 */
export const MeasuredLength = z.object({
  id: Id,
  containerId: Id,
  lane: z.number().int().min(1).max(LIMITS.lanes),
  filledMm: LengthMm,
  at: Moment,
  stood: z
    .array(z.object({ kindId: Id.nullable(), holder: z.enum(HOLDER_TYPES), count: z.number().int().positive().max(20_000) }))
    .min(1)
    .max(400),
})
export type MeasuredLength = z.infer<typeof MeasuredLength>

/** Which holders shall stand in a lane, front to back, and the divider in front of the first of each group. */
export const LaneTarget = z.object({
  containerId: Id,
  lane: z.number().int().min(1).max(LIMITS.lanes),
  holderIds: z.array(Id).max(20_000),
  tabs: z.array(Section.pick({ title: true, colour: true, standsFor: true }).extend({ beforeHolderId: Id })).max(2000),
})
export type LaneTarget = z.infer<typeof LaneTarget>

/** A re-filing under way: the aim, and how far it has come. The steps that are left follow from the aim and the room as it stands. */
export const Refiling = z.object({
  id: Id,
  name: Name,
  state: z.enum(['open', 'done', 'left']),
  startedAt: Moment,
  endedAt: Moment.nullable(),
  zoneId: Id,
  ruleBefore: FilingRule,
  rule: FilingRule,
  lanes: z.array(LaneTarget).max(2000),
  /** Free table beside the shelves, and the container that stands for it while things lie there. */
  tableMm: LengthMm,
  tableContainerId: Id,
  armfulMm: LengthMm,
  stepsDone: z.number().int().nonnegative(),
  liftsDone: z.number().int().nonnegative(),
  /** Minutes worked on it, by the moments at which steps were ticked. */
  minutesWorked: z.number().nonnegative(),
  lastStepAt: Moment.nullable(),
})
export type Refiling = z.infer<typeof Refiling>
