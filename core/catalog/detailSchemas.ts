import { z } from 'zod'
import { CurrencyCode, MoneyMinor, PartialDate, Text } from './basics'
import { KEPT_PACKAGINGS } from './choices'

/**
 * The details of a set: facts that are typed into one field and stand for no record of their own. This is the one list of them.
 * To add one, see "How to add" in docs/architecture.md.
 */
export const DETAIL_SCHEMAS = {
  acquiredOn: PartialDate.nullable(),
  price: z.object({ minor: MoneyMinor, currency: CurrencyCode }).nullable(),
  /** What is kept of its packaging; null: not known. */
  packaging: z.enum(KEPT_PACKAGINGS).nullable(),
  notes: Text,
} as const
