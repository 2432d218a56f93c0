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

/** How the numbers of a series are written. Changing it changes the writing, never which set a number means. */
export const Series = z.object({
  id: Id,
  name: Name,
  prefix: z.string().max(24),
  padding: z.number().int().min(0).max(8),
  suffixBy: z.enum(['none', 'kind']),
  isRunning: z.boolean(),
  /** What a number counts. Of `all` but the first, each brand, container or page size has a series of its own below it. */
  countsBy: z.enum(NUMBER_SCHOOLS),
  /** The series it is one of, and for what: the key of a brand, a container or a maker's letters. */
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
  /** How a dated list of this room is read where its dates do not tell; null: nobody said. */
  dateOrder: z.enum(DATE_ORDERS).nullable(),
  /** How shelves are counted where the screen names one. The record counts from the top. */
  shelvesFrom: z.enum(SHELVES_FROM),
  /** Screen pixels a millimetre takes, once the owner has laid a bank card on the screen. */
  pxPerMm: z.number().min(1).max(40).nullable(),
  /** How many sets the owner has or expects: what the method of taking in was chosen by. */
  collection: z.enum(COLLECTIONS).nullable(),
  /** The stages of taking in that the owner works by, besides capture and file. */
  stages: z.array(z.enum(OPTIONAL_STAGES)),
  /** Where sets stand until there is time: "for now". */
  forNowContainerId: Id.nullable(),
  /** Photos byte for byte as they came; otherwise scaled down to what the screen and paper can show. */
  keepsOriginals: z.boolean(),
  /** How addresses are written, by type of container, where the owner has a way of their own. */
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
  /** Ways of fitting in the owner's own order, and those the owner would never do: they are never proposed. */
  fitOrder: z.array(z.enum(FIT_WAYS)),
  fitNever: z.array(z.enum(FIT_WAYS)),
  /** What is printed or stuck on a set for each way in which it goes with another; empty: nothing. */
  marks: z.record(z.enum(WAYS), z.string().trim().max(4)),
  labels: LabelHabits,
})
export type RoomSettings = z.infer<typeof RoomSettings>
