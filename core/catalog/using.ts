import { z } from 'zod'
import { Id, Moment, PartialDate } from './basics'
import { LIMITS, USE_SOURCES } from './choices'

/**
 * A day on which a set was used; or its use as a whole, as an older list or a person states it. How often and when last are counted from
 * these, and stored nowhere else.
 */
export const Use = z.object({
  id: Id,
  holdingId: Id,
  /** null: unknown. */
  on: PartialDate.nullable(),
  /** How often; 0: not used until this was noted; null: used an unknown number of times. */
  times: z.number().int().nonnegative().nullable(),
  from: z.enum(USE_SOURCES),
})
export type Use = z.infer<typeof Use>

/** One set on a pull list. */
export const PullLine = z.object({
  holdingId: Id,
  /** The set that it goes along with; null: it was asked for itself. */
  alongWithId: Id.nullable(),
  /** Ids it was taken out of: its holders (two if it was cut in two), or itself if it was in none. */
  takenFromIds: z.array(Id).max(2),
})
export type PullLine = z.infer<typeof PullLine>

/** Sets to fetch, as one walk through the room. */
export const PullList = z.object({
  id: Id,
  /** Empty: it has none. */
  name: z.string().max(LIMITS.name),
  createdAt: Moment,
  lines: z.array(PullLine).max(LIMITS.pullLines),
})
export type PullList = z.infer<typeof PullList>
