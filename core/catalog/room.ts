import { z } from 'zod'
import { Id, LengthMm, Name, OrderKey, SizeMm, Text } from './basics'

export const FIXTURE_TYPES = ['bookcase', 'cabinet', 'cart', 'table', 'wall'] as const
/** Furniture. Shelves (or drawers, or tiers) count from the top, as one reads. */
export const Fixture = z.object({
  id: Id, name: Name, type: z.enum(FIXTURE_TYPES), shelves: z.number().int().min(1).max(60), rank: z.number(),
})
export type Fixture = z.infer<typeof Fixture>

export const CONTAINER_TYPES = ['bin', 'binder', 'drawer', 'caseRack', 'tray', 'basket', 'ring', 'board'] as const
export type ContainerType = (typeof CONTAINER_TYPES)[number]

/** Pages of equal cells, as in a binder: a place there is page and cell, not a position in a row. */
export const CellGrid = z.object({
  rows: z.number().int().min(1).max(12),
  columns: z.number().int().min(1).max(12),
  pages: z.number().int().min(1).max(500),
  isTwoSided: z.boolean(),
})
export type CellGrid = z.infer<typeof CellGrid>

export const Container = z.object({
  id: Id,
  fixtureId: Id,
  shelf: z.number().int().min(1).max(60),
  rank: z.number(),
  name: Name,
  /** Short form in addresses: `B4` in `B4-11`. Unique in the room. */
  code: z.string().trim().min(1).max(12),
  type: z.enum(CONTAINER_TYPES),
  lanes: z.number().int().min(1).max(4),
  lengthMm: LengthMm,
  inner: SizeMm.nullable(),
  cells: CellGrid.nullable(),
  zoneId: Id,
})
export type Container = z.infer<typeof Container>

/** A divider with its tab. It stands in the row among the holders; what follows it, up to the next, is its section. */
export const Section = z.object({
  id: Id,
  containerId: Id,
  lane: z.number().int().min(1).max(4),
  order: OrderKey,
  title: Name,
  colour: z.number().int().min(0).max(5),
  /** What it stands for in the filing rule, so that a new set knows on which side of the tab it goes. */
  standsFor: z.object({ by: z.enum(['brand', 'theme', 'category', 'kind']), id: Id }).nullable(),
})
export type Section = z.infer<typeof Section>

export const FILING_KEYS = ['brand', 'theme', 'category', 'kind', 'sizeClass', 'series', 'number', 'name', 'date'] as const
export const FilingKey = z.object({
  by: z.enum(FILING_KEYS),
  /** `alphabetical`, the owner's `own` order, or `ascending` for numbers, sizes and dates. */
  order: z.enum(['alphabetical', 'own', 'ascending']),
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
})
export type Zone = z.infer<typeof Zone>

export const HOLDER_TYPES = ['pocket', 'sleeve', 'case', 'celledPage', 'bag', 'ring', 'trayCell', 'box', 'none'] as const
/** A product of a common size under a plain name, such as "pocket 5 x 7". */
export const HolderType = z.object({
  id: Id, name: Name, type: z.enum(HOLDER_TYPES), inner: SizeMm.nullable(), emptyThicknessMm: LengthMm.nullable(),
  stockOnHand: z.number().int().nonnegative(), replacedById: Id.nullable(), notes: Text,
})
export type HolderType = z.infer<typeof HolderType>

export const Cell = z.object({
  page: z.number().int().min(1).max(500), cell: z.number().int().min(1).max(144), side: z.enum(['front', 'back']),
})
export type Cell = z.infer<typeof Cell>

/** What one or more sets sit in, and where that stands: in a row (`order`) or in a cell of a page (`cell`). */
export const Holder = z.object({
  id: Id,
  holderTypeId: Id.nullable(),
  type: z.enum(HOLDER_TYPES),
  containerId: Id,
  lane: z.number().int().min(1).max(4),
  order: OrderKey,
  cell: Cell.nullable(),
  holdingIds: z.array(Id).min(1).max(60),
})
export type Holder = z.infer<typeof Holder>
