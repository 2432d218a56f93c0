import {
  BLANK_DETAILS,
  type DateOrder,
  type Detail,
  DETAIL_NAMES,
  detailLength,
  type Details,
  eachDetail,
  KEPT_PACKAGINGS,
  type OpenQuestion,
} from '#core/catalog'
import { readPrice, writePrice } from './list/cells'
import { readDate } from './list/dates'

/** How dates and prices are meant. */
interface DetailHabits {
  /** null: a date that can be read in two ways is not read. */
  readonly order: DateOrder | null
  readonly shortYears: boolean
  readonly thisYear: number
  readonly currency: string
}
/** `ask`: the question that the text leaves open; null: the text belongs in the notes. */
type DetailReading<V> = { readonly ok: true; readonly value: V } | { readonly ok: false; readonly ask: OpenQuestion['code'] | null }
interface DetailText<V> {
  readonly write: (value: V) => string
  /** Reads a text that is not empty. */
  readonly read: (text: string, habits: DetailHabits) => DetailReading<V>
}

/** A detail that is kept as it is typed. */
const asTyped: DetailText<string> = { write: text => text, read: text => ({ ok: true, value: text }) }
const TEXTS: { readonly [D in Detail]: DetailText<Details[D]> } = {
  acquiredOn: {
    write: date => date ?? '',
    read: (text, habits) => {
      const reading = readDate(text, habits)
      if (reading.ok) return { ok: true, value: reading.date }
      return { ok: false, ask: reading.code === 'orderUnknown' ? 'dateOrderUnknown' : 'dateUnread' }
    },
  },
  price: {
    write: price => (price ? writePrice(price) : ''),
    read: (text, { currency }) => {
      const price = readPrice(text, currency)
      return price ? { ok: true, value: { ...price } } : { ok: false, ask: 'priceUnread' }
    },
  },
  packaging: {
    write: packaging => packaging ?? '',
    read: text => {
      const kept = KEPT_PACKAGINGS.find(each => each === text.toLowerCase())
      return kept ? { ok: true, value: kept } : { ok: false, ask: null }
    },
  },
  notes: asTyped,
}

/** The text of each detail, as a field or a list shows it. */
export const writeDetails = (set: Details): Record<Detail, string> =>
  eachDetail(name => (TEXTS[name] as DetailText<unknown>).write(set[name]))

/**
 * All details by their texts; an empty text is blank. A text that cannot be read, or is too long, is blank as well, and
 * `unread` hears of it.
 */
export function readDetails(
  textOf: (name: Detail) => string,
  habits: DetailHabits,
  unread: (name: Detail, ask: OpenQuestion['code'] | null) => void,
): Details {
  const details: Record<string, unknown> = { ...BLANK_DETAILS }
  for (const name of DETAIL_NAMES) {
    const text = textOf(name)
    if (text.trim() === '') continue
    if (text.length > detailLength(name)) {
      unread(name, null)
      continue
    }
    const reading = (TEXTS[name] as DetailText<unknown>).read(text, habits)
    if (reading.ok) details[name] = reading.value
    else unread(name, reading.ask)
  }
  return details as Details
}
