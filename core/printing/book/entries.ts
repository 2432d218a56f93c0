import type { IndexBook } from '#core/catalog'
import { PT_PER_MM } from '#core/units'
import { PAPERS } from '../page'
import type { BookEntry, BookSource } from './wanted'

/** The choices that decide how an entry looks. */
export type EntryChoices = Pick<
  IndexBook,
  'code' | 'hasName' | 'hasBrand' | 'hasSize' | 'hasKind' | 'picture' | 'paper' | 'columns' | 'bindingMm'
>

export const MARGIN = 36
export const COLUMN_GAP = 18
/** Longest side of a small picture; and the scale of pictures at a common scale. */
const SMALL = 38
const SCALE = 1 / 4
/** Largest share of a column's width for a picture. */
const WIDEST = 0.55

export function columnWidth({ paper, columns, bindingMm }: Pick<IndexBook, 'paper' | 'columns' | 'bindingMm'>): number {
  const width = PAPERS[paper].widthPt - MARGIN - Math.max(MARGIN, bindingMm * PT_PER_MM)
  return (width - (columns - 1) * COLUMN_GAP) / columns
}

/** The picture as the book shows it. A life-size picture that is too large for its column becomes a small one. */
function pictureOf({ picture, size }: BookSource, choices: EntryChoices): BookEntry['picture'] {
  if (!picture || choices.picture === 'none') return null
  const { hash, ratio } = picture
  const small = ratio >= 1 ? { widthPt: SMALL, heightPt: SMALL / ratio } : { widthPt: SMALL * ratio, heightPt: SMALL }
  const asSmall = { hash, ...small, isSized: false }
  if (choices.picture === 'small' || !size) return asSmall
  const scale = choices.picture === 'life' ? 1 : SCALE
  const sized = { widthPt: size.widthMm * PT_PER_MM * scale, heightPt: size.heightMm * PT_PER_MM * scale }
  const [mostWide, mostHigh] = [columnWidth(choices) * WIDEST, PAPERS[choices.paper].heightPt / 3]
  return sized.widthPt <= mostWide && sized.heightPt <= mostHigh ? { hash, ...sized, isSized: true } : asSmall
}

/** The entry of a set, by the choices of a book. */
export function entryOf(source: BookSource, choices: EntryChoices, key = source.id): BookEntry {
  const { hasBrand, hasKind, hasName, hasSize, code } = choices
  const detail = [hasBrand && source.brand?.name, hasSize && source.size?.text, hasKind && source.kind?.name].filter(Boolean).join(', ')
  return {
    key,
    holdingId: source.id,
    figure: code === 'address' ? source.address : source.figure,
    suffix: code === 'address' ? '' : source.suffix,
    name: hasName ? source.name : '',
    detail,
    address: code === 'both' ? source.address : '',
    picture: pictureOf(source, choices),
    phrase: null,
  }
}
