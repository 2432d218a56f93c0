import { z } from 'zod'
import { CurrencyCode, Id, Moment, Name } from './basics'
import {
  COLLECTIONS,
  CONTAINER_TYPES,
  DATE_ORDERS,
  FIT_WAYS,
  GRIPS,
  LIMITS,
  NUMBER_SCHOOLS,
  OPTIONAL_STAGES,
  SHELVES_FROM,
  WAYS,
} from './choices'
import { LabelHabits } from './labels'

/** How the numbers of a series are written. A change alters the writing, never the set that a number means. */
export const Series = z.object({
  id: Id,
  name: Name,
  prefix: z.string().max(24),
  padding: z.number().int().min(0).max(8),
  suffixBy: z.enum(['none', 'kind']),
  isRunning: z.boolean(),
  /** What a number counts. Except for `all`, each brand, container or page size has a series of its own below this one. */
  countsBy: z.enum(NUMBER_SCHOOLS),
  /** The series above it, and the key of its brand, container or maker's letters within that. */
  partOf: z.object({ seriesId: Id, key: z.string().max(80) }).nullable(),
})
export type Series = z.infer<typeof Series>

/**
 * The number register: one line for every number ever given, kept for ever, also when the giving was undone.
 * `id` is the series and the number, which makes a second giving impossible in the database itself.
 */
export const RegisterLine = z.object({
  id: z.string().regex(/^[0-9A-HJKMNP-TV-Z]{26}:\d{1,7}$/),
  seriesId: Id,
  number: z.number().int().positive().max(LIMITS.number),
  holdingId: Id,
  givenTo: z.string().max(700),
  how: z.enum(['issued', 'adopted']),
  at: Moment,
})
export type RegisterLine = z.infer<typeof RegisterLine>

export const RoomSettings = z.object({
  id: z.literal('room'),
  roomName: Name,
  unit: z.enum(['in', 'cm']),
  trimmerTicks: z.union([z.literal(8), z.literal(16), z.literal(32)]),
  reducedFractions: z.boolean(),
  paper: z.enum(['A4', 'Letter']),
  currency: CurrencyCode,
  isDemo: z.boolean(),
  /** How dates of a list are read if they do not show their order; null: not known. */
  dateOrder: z.enum(DATE_ORDERS).nullable(),
  /** How shelves are counted where the screen names one. The record counts from the top. */
  shelvesFrom: z.enum(SHELVES_FROM),
  /** Screen pixels a mm, once the owner has laid a bank card on the screen. */
  pxPerMm: z.number().min(1).max(40).nullable(),
  /** Number of sets that the owner has or expects: the way of taking in was chosen by it. */
  collection: z.enum(COLLECTIONS).nullable(),
  /** The stages of taking in that the owner works by, besides capture and file. */
  stages: z.array(z.enum(OPTIONAL_STAGES)),
  /** The container where sets wait until there is time: "for now". */
  forNowContainerId: Id.nullable(),
  /** true: photos are kept byte for byte; else scaled down to what screen and paper can show. */
  keepsOriginals: z.boolean(),
  /** The owner's patterns of addresses, by type of container. */
  addressPatterns: z.partialRecord(z.enum(CONTAINER_TYPES), z.string().trim().min(1).max(60)),
  /** What lifting a container takes, as the owner does it: hands in front of the ankles, lifts a minute, turn of the body. */
  lifting: z.object({
    reachMm: z.number().min(250).max(630),
    perMinute: z.number().min(0.2).max(15),
    hours: z.union([z.literal(1), z.literal(2), z.literal(8)]),
    twistDeg: z.number().min(0).max(135),
    carryToMm: z.number().min(0).max(1750),
    grip: z.enum(GRIPS),
  }),
  /** The owner's order of the ways to fit, and the ways that are never proposed. */
  fitOrder: z.array(z.enum(FIT_WAYS)),
  fitNever: z.array(z.enum(FIT_WAYS)),
  /** The mark on a set for each way of going together; empty: none. */
  marks: z.record(z.enum(WAYS), z.string().trim().max(4)),
  labels: LabelHabits,
})
export type RoomSettings = z.infer<typeof RoomSettings>
