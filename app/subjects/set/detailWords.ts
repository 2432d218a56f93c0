import type { Detail, Details, KeptPackaging } from '#core/catalog'
import { money, partialDay } from '#core/grammar'

/** How a detail of a set is called, typed and shown: alike on a strip, on the slip and in a list. */
interface DetailWords<V> {
  readonly label: string
  /** The field it is typed in: one line, some lines, or a choice. */
  readonly as: 'line' | 'lines' | { readonly choices: Readonly<Record<string, string>> }
  readonly show: (value: NonNullable<V>) => string
}
const PACKAGING_NAMES: Readonly<Record<KeptPackaging, string>> = {
  whole: 'kept whole',
  folded: 'kept, folded',
  part: 'a part of it',
  instructions: 'only the instructions',
  gone: 'gone',
}
const asTyped = (text: string): string => text

/** In the order in which they are typed and shown. */
export const detailWords: { readonly [D in Detail]: DetailWords<Details[D]> } = {
  acquiredOn: { label: 'When you got it', as: 'line', show: partialDay },
  price: { label: 'Price', as: 'line', show: ({ minor, currency }) => money(minor, currency) },
  packaging: { label: 'Packaging', as: { choices: PACKAGING_NAMES }, show: kept => PACKAGING_NAMES[kept] },
  notes: { label: 'Notes', as: 'lines', show: asTyped },
}
export const DETAILS_SHOWN = Object.keys(detailWords) as readonly Detail[]
/** Details of some lines stand last. */
export const isShort = (name: Detail): boolean => detailWords[name].as !== 'lines'
/** A detail as it is shown; empty: nothing is known. */
export function detailText<D extends Detail>(name: D, value: Details[D]): string {
  const words: DetailWords<Details[D]> = detailWords[name]
  return value === null ? '' : words.show(value)
}
