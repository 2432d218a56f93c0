import { z } from 'zod'
import { CurrencyCode, MoneyMinor, PartialDate, Text } from './basics'
import { KEPT_PACKAGINGS, LIMITS } from './choices'

/** Signs that the field of a detail takes, where its own schema does not say it. */
const TYPED_AT_MOST = 4000

const detail = <S extends z.ZodType>(schema: S, blank: z.infer<S>, typedAtMost = TYPED_AT_MOST) => ({ schema, blank, typedAtMost })

/**
 * The details of a set: facts that are typed into one field and stand for no record of their own. This is the one list of them.
 * To add one, see "How to add" in docs/architecture.md.
 */
const DETAILS = {
  acquiredOn: detail(PartialDate.nullable(), null),
  price: detail(z.object({ minor: MoneyMinor, currency: CurrencyCode }).nullable(), null),
  /** What is kept of its packaging; null: not known. */
  packaging: detail(z.enum(KEPT_PACKAGINGS).nullable(), null),
  notes: detail(Text, '', LIMITS.text),
} as const
export type Detail = keyof typeof DETAILS
export type Details = { [D in Detail]: z.infer<(typeof DETAILS)[D]['schema']> }
export const DETAIL_NAMES = Object.keys(DETAILS) as readonly Detail[]

/** Something of each detail. @example eachDetail(name => name.length).price //=> 5 */
export const eachDetail = <V>(of: (name: Detail) => V): Record<Detail, V> =>
  Object.fromEntries(DETAIL_NAMES.map(name => [name, of(name)])) as Record<Detail, V>

export const DETAIL_SCHEMAS = eachDetail(name => DETAILS[name].schema) as { [D in Detail]: (typeof DETAILS)[D]['schema'] }
/** Nothing is known of a set. */
export const BLANK_DETAILS = Object.freeze(eachDetail(name => DETAILS[name].blank)) as Readonly<Details>
/** How many signs the field of a detail takes. */
export const DETAIL_SIGNS = eachDetail(name => DETAILS[name].typedAtMost)
/** Each detail as it is typed: text that nobody has read yet. */
export const TYPED_DETAILS = eachDetail(name => z.string().max(DETAIL_SIGNS[name]))
