import { readSize } from '#core/units'
import { readPrice, readUse, readYesNo } from './cells'
import { readDate } from './dates'

/** What a column of a list can be. `notes` takes everything that no other field holds. */
export const LIST_FIELDS = [
  'number',
  'name',
  'brand',
  'kind',
  'category',
  'themes',
  'size',
  'words',
  'searchWords',
  'notes',
  'acquiredOn',
  'price',
  'used',
  'matchingDie',
  'place',
  'packaging',
  'code',
] as const
export type ListField = (typeof LIST_FIELDS)[number]

interface FieldSign {
  /** Headings that name the field, as people write them. */
  readonly heading: RegExp
  /** Does a cell look like one? null: nothing to tell by. */
  readonly looksLike: ((text: string) => boolean) | null
}

const anyDate = { order: 'monthFirst', shortYears: true, thisYear: 2100 } as const

export const FIELD_SIGNS: Readonly<Record<ListField, FieldSign>> = {
  number: { heading: /^(#|no\.?|nr\.?|number|set number|accession|id|index)$/i, looksLike: text => /^#?\d{1,6}$/.test(text) },
  name: { heading: /\b(name|title|set|stamp set)\b/i, looksLike: null },
  brand: { heading: /\b(brand|company|maker|manufacturer|make|from whom)\b/i, looksLike: null },
  kind: {
    heading: /\b(type|kind|material|sort|mount)\b/i,
    looksLike: text => /\b(clear|cling|wood|rubber|die|dies|stencil|polymer)/i.test(text),
  },
  category: { heading: /\b(category|design|class)\b/i, looksLike: null },
  themes: { heading: /\b(themes?|topics?|occasions?|subjects?|tags?)\b/i, looksLike: null },
  size: { heading: /\b(size|dimensions?|measures?)\b/i, looksLike: text => readSize(text, 'in').ok },
  words: { heading: /^(words?|sentiments?|phrases?|text|words on it|keywords?)$/i, looksLike: null },
  searchWords: { heading: /^(search words?)$/i, looksLike: null },
  notes: { heading: /\b(notes?|comments?|remarks?|description|keywords?)\b/i, looksLike: text => text.length > 60 || text.includes('\n') },
  acquiredOn: {
    heading: /\b(date|bought|acquired|purchased|since|when|added)\b/i,
    looksLike: text => readDate(text, anyDate).ok && !/^\d{1,4}$/.test(text),
  },
  price: {
    heading: /\b(price|paid|cost|value)\b/i,
    looksLike: text => /[$€£]|[.,]\d{2}$/.test(text) && readPrice(text, 'EUR') !== null,
  },
  used: {
    heading: /\b(used|uses|inked|times used)\b/i,
    looksLike: text => /^\d+\s*x$/i.test(text) || (readUse(text) !== null && !/^\d+$/.test(text)),
  },
  matchingDie: { heading: /\b(die|dies)\b.*|\bmatching\b/i, looksLike: text => readYesNo(text) !== null },
  place: {
    heading: /\b(where|place|location|stored|storage|bin|drawer|shelf|address)\b/i,
    looksLike: text => /^(bin|drawer|binder|box|cd|shelf|case)\b/i.test(text),
  },
  packaging: { heading: /^packag(e|ing)$/i, looksLike: null },
  code: { heading: /^code$/i, looksLike: null },
}
