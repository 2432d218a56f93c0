import { generateKeyBetween } from 'fractional-indexing'
import { z } from 'zod'
import { cleanLine, cleanText } from '#core/grammar'
import { MAX_LENGTH_MM } from '#core/units'
import { KIND_FAMILIES, LIMITS } from './choices'

/** ULID: 26 letters and digits of Crockford's base 32, sortable by time of making. */
export const Id = z.string().regex(/^[0-9A-HJKMNP-TV-Z]{26}$/)
/** A day, or only a month or a year where no more is known: 2011-12-24, 2011-12, 2011. */
export const PartialDate = z.string().regex(/^\d{4}(-(0[1-9]|1[0-2])(-(0[1-9]|[12]\d|3[01]))?)?$/)
export const Moment = z.iso.datetime()
/** One line; what nobody could see or keep in a file is left out of it. */
export const Name = z.string().overwrite(cleanLine).min(1).max(LIMITS.name)
/** Free text. Bounded so that a damaged file cannot fill the browser. */
export const Text = z.string().overwrite(cleanText).max(LIMITS.text)
export const LengthMm = z.number().positive().max(MAX_LENGTH_MM)
/** Whether a key can be generated behind this one. */
function isOrderKey(key: string): boolean {
  try {
    return generateKeyBetween(key, null) > key
  } catch {
    return false
  }
}
/**
 * Fractional index: a string that sorts between its neighbours, so that moving one thing changes one record. Where things
 * are set down in one gap again and again, it grows by a letter about every six times.
 */
export const OrderKey = z.string().min(1).max(4000).refine(isOrderKey)
/** SHA-256 of a picture's bytes: the picture's name, and the proof that it is whole. */
export const PictureHash = z.string().regex(/^[0-9a-f]{64}$/)
export const MoneyMinor = z.number().int().nonnegative().max(LIMITS.moneyMinor)
export const CurrencyCode = z.string().regex(/^[A-Z]{3}$/)
/** A point of a set, from its upper left corner. */
export const PlaceMm = z.object({ xMm: z.number().min(0).max(MAX_LENGTH_MM), yMm: z.number().min(0).max(MAX_LENGTH_MM) })
export const SizeMm = z.object({ widthMm: LengthMm, heightMm: LengthMm })

export const KindFamily = z.enum(KIND_FAMILIES)
export type KindFamily = z.infer<typeof KindFamily>
