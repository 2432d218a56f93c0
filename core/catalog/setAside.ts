import { z } from 'zod'
import { Id, Moment } from './basics'
import { LIMITS } from './choices'
import { TABLE_NAMES } from './tableNames'

/** A record that its table could not take, kept as the JSON that it was until somebody mends it or lets it go. */
export const SetAside = z.object({
  id: Id,
  from: z.enum(TABLE_NAMES),
  /** The record as JSON. */
  text: z.string().max(LIMITS.setAside),
  /** What its table did not take, for who looks closely. */
  fault: z.string().max(LIMITS.fault),
  at: Moment,
})
export type SetAside = z.infer<typeof SetAside>
