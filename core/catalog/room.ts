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

/** Furniture. Shelves (or drawers, or tiers) count from the top. */
export const Fixture = z.object({
  id: Id,
  name: Name,
  type: z.enum(FIXTURE_TYPES),
  shelves: z.number().int().min(1).max(LIMITS.shelves),
  rank: z.number(),
  /** Heights of the shelf boards above the floor, from the top; null: usual for this type of furniture. */
  shelfHeightsMm: z.array(z.number().min(0).max(4000)).max(LIMITS.shelves).nullable(),
  widthMm: LengthMm.nullable(),
  /** Daylight falls on it. */
  isSunlit: z.boolean(),
})
export type Fixture = z.infer<typeof Fixture>

/** Pages of equal cells, as in a binder: a place is page and cell, not a position in a row. */
export const CellGrid = z.object({
  rows: z.number().int().min(1).max(LIMITS.cellsASide),
  columns: z.number().int().min(1).max(LIMITS.cellsASide),
  pages: z.number().int().min(1).max(LIMITS.pages),
  isTwoSided: z.boolean(),
  /** Inner size of a cell; null: not measured, so everything is taken to fit. */
  cellSize: SizeMm.nullable(),
  /** When a freed cell is used again: when the pages are full, first of all, or never. */
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
  /** A patch of table for holders during a re-filing: it has an address, but nothing is filed there. */
  isTable: z.boolean(),
})
export type Container = z.infer<typeof Container>

/** A divider with its tab. It is an entry of the row; the holders behind it, up to the next divider, are its section. */
export const Section = z.object({
  id: Id,
  containerId: Id,
  lane: z.number().int().min(1).max(LIMITS.lanes),
  order: OrderKey,
  title: Name,
  colour: z.number().int().min(0).max(5),
  /** What it stands for in the filing rule: new sets of it go behind the tab. */
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
  /** Share of each container that is kept free for growth. */
  growthReserve: z.number().min(0).max(0.9),
  capHoldings: z.number().int().positive().nullable(),
  /** Template for labels of its sets; null: that of the room. */
  labelTemplate: z.enum(SET_LABELS).nullable(),
  /** What goes into a holder with the set, by the habit of the zone. */
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
  /** Flat and empty, between the seams. Of a celled page, one cell. null: it takes any size. */
  inner: SizeMm.nullable(),
  closure: z.enum(CLOSURES),
  /** Largest thickness at which it closes, or that a stiff one takes; null: no known limit. */
  maxThicknessMm: LengthMm.nullable(),
  /** One layer of its film. */
  filmMm: ThinMm,
  emptyThicknessMm: LengthMm.nullable(),
  /** Snaps and stiff backs. */
  extraBulkMm: ThinMm,
  weightG: z.number().min(0).max(20_000).nullable(),
  /** The types of container it goes into; empty: any. */
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

/** A holder of one or more sets, and its place: in a row (`order`) or in a cell (`cell`). */
export const Holder = z.object({
  id: Id,
  holderTypeId: Id.nullable(),
  type: z.enum(HOLDER_TYPES),
  containerId: Id,
  lane: z.number().int().min(1).max(LIMITS.lanes),
  order: OrderKey,
  cell: Cell.nullable(),
  /**
   * Its position is unknown: only its page may be known. Then it has no cell, and its order is the one in which the list or the owner
   * named it. null: its position is known.
   */
  somewhere: z.object({ page: z.number().int().min(1).max(LIMITS.pages).nullable() }).nullable(),
  /** Why it is pinned outside of the filing rule ("kept on the desk, used daily"); null: it is not pinned. */
  apartBecause: z.string().trim().min(1).max(200).nullable(),
  holdingIds: z.array(Id).min(1).max(2000),
})
export type Holder = z.infer<typeof Holder>

/** A measured length of a lane, and its contents at that time by kind and holder: the thickness of a filled holder is learnt from these. */
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

/** The holders that a lane shall hold, front to back, with a divider in front of each group. */
export const LaneTarget = z.object({
  containerId: Id,
  lane: z.number().int().min(1).max(LIMITS.lanes),
  holderIds: z.array(Id).max(20_000),
  tabs: z.array(Section.pick({ title: true, colour: true, standsFor: true }).extend({ beforeHolderId: Id })).max(2000),
})
export type LaneTarget = z.infer<typeof LaneTarget>

/** A re-filing under way: its aim, and what was done. The remaining steps follow from the aim and the room. */
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
  /** Free length of table beside the shelves, and the container for what lies there. */
  tableMm: LengthMm,
  tableContainerId: Id,
  armfulMm: LengthMm,
  stepsDone: z.number().int().nonnegative(),
  liftsDone: z.number().int().nonnegative(),
  /** Minutes worked on it, by the times at which steps were ticked. */
  minutesWorked: z.number().nonnegative(),
  lastStepAt: Moment.nullable(),
})
export type Refiling = z.infer<typeof Refiling>
