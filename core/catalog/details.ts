import type { z } from 'zod'
import { LIMITS } from './choices'
import type { DETAIL_SCHEMAS } from './detailSchemas'

/** Details of a set without their schemas, so that the screen can show them without loading the validator. */
export type Detail = keyof typeof DETAIL_SCHEMAS
export type Details = { [D in Detail]: z.infer<(typeof DETAIL_SCHEMAS)[D]> }

/** Nothing is known of a set. */
export const BLANK_DETAILS: Readonly<Details> = Object.freeze({ acquiredOn: null, price: null, packaging: null, notes: '' })
export const DETAIL_NAMES = Object.keys(BLANK_DETAILS) as readonly Detail[]

/** Something of each detail. @example eachDetail(name => name.length).price //=> 5 */
export const eachDetail = <V>(of: (name: Detail) => V): Record<Detail, V> =>
  Object.fromEntries(DETAIL_NAMES.map(name => [name, of(name)])) as Record<Detail, V>

/** How many characters the field of a detail takes. */
export const detailLength = (name: Detail): number => (name === 'notes' ? LIMITS.text : LIMITS.typed)
