import type { Detail } from '#core/catalog'
import { readPlace } from '#core/room/places'
import { readSize } from '#core/units'
import { readPrice, readUse, readYesNo } from './cells'
import { readDate } from './dates'

/**
 * What a column of a list can be, with the heading that a list written here has, in its order. Each detail of a set has a column.
 * `notes` takes everything that no other field holds.
 */
export const LIST_HEADINGS = {
  number: 'Number',
  name: 'Name',
  brand: 'Brand',
  kind: 'Kind',
  category: 'Category',
  themes: 'Themes',
  size: 'Size',
  words: 'Words',
  searchWords: 'Search words',
  notes: 'Notes',
  acquiredOn: 'Date in',
  price: 'Paid',
  used: 'Used',
  matchingDie: 'Matching die',
  place: 'Place',
  packaging: 'Packaging',
  code: 'Code',
} as const satisfies Readonly<Record<Detail, string> & Record<string, string>>
export type ListField = keyof typeof LIST_HEADINGS
export const LIST_FIELDS = Object.keys(LIST_HEADINGS) as readonly ListField[]

const anyDate = { order: 'monthFirst', shortYears: true, thisYear: 2100 } as const

/** Does a cell look like one? A field that is not here tells nothing by its cells. */
export const LOOKS_LIKE: Readonly<Partial<Record<ListField, (text: string) => boolean>>> = {
  number: text => /^#?\d{1,6}$/.test(text),
  kind: text =>
    /\b(clear|cling|wood|rubber|die|dies|stencil|polymer|gummi|holz|bois|hout|madera|legno|stanze|troquel|fustella)/i.test(text),
  size: text => readSize(text, 'in').ok,
  notes: text => text.length > 60 || text.includes('\n'),
  acquiredOn: text => readDate(text, anyDate).ok && !/^\d{1,4}$/.test(text),
  price: text => /[$€£]|[.,]\d{1,2}$/.test(text) && readPrice(text, 'EUR') !== null,
  used: text => /^\d+\s*x$/i.test(text) || (readUse(text) !== null && !/^\d+$/.test(text)),
  matchingDie: text => readYesNo(text) !== null,
  place: text => ['in', 'cell', 'out'].includes(readPlace(text)?.as ?? ''),
}
/** Fields that need cells of their type under any heading: `When` over the names of shops is no date. */
export const MUST_LOOK_LIKE: ReadonlySet<ListField> = new Set(['acquiredOn', 'price'])
