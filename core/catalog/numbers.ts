import { z } from 'zod'
import { CurrencyCode, Id, Moment, Name } from './basics'

/** How the numbers of a series are written. Changing it changes the writing, never which set a number means. */
export const Series = z.object({
  id: Id,
  name: Name,
  prefix: z.string().max(12),
  padding: z.number().int().min(0).max(8),
  suffixBy: z.enum(['none', 'kind']),
  isRunning: z.boolean(),
})
export type Series = z.infer<typeof Series>

/**
 * The number register: one line for every number ever given, kept for ever, also when the giving was undone.
 * `id` is the series and the number, which makes a second giving impossible in the database itself.
 */
export const RegisterLine = z.object({
  id: z.string().regex(/^[0-9A-HJKMNP-TV-Z]{26}:\d{1,7}$/),
  seriesId: Id,
  number: z.number().int().positive(),
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
  /** Screen pixels a millimetre takes, once the owner has laid a bank card on the screen. */
  pxPerMm: z.number().min(1).max(40).nullable(),
})
export type RoomSettings = z.infer<typeof RoomSettings>
