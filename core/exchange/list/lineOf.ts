import type { Holding } from '#core/catalog'
import { writePrice } from './cells'
import type { ListLine } from './writeList'

/** What a set refers to, as a list says it. */
export interface Said {
  readonly code: string
  readonly brand: string
  readonly kind: string
  readonly category: string
  readonly themes: readonly string[]
  /** Where it is, where it has a place. */
  readonly address: string | null
}

/** A set as a line of the list. Sizes in millimetres, as they are kept. */
export function lineOf(holding: Holding, { address, ...said }: Said): ListLine {
  return {
    ...said,
    number: holding.number,
    name: holding.name,
    size: holding.size ? `${holding.size.widthMm} x ${holding.size.heightMm} mm` : '',
    words: holding.words,
    searchWords: holding.searchWords,
    notes: holding.notes,
    acquiredOn: holding.acquiredOn ?? '',
    price: holding.price ? writePrice(holding.price) : '',
    used: holding.useCount !== null ? `${holding.useCount}x` : yesOrNo(holding.isUsed),
    matchingDie: yesOrNo(holding.hasMatchingDie),
    place: address ?? holding.placeText,
    packaging: holding.packaging ?? '',
  }
}
const yesOrNo = (is: boolean | null): string => (is === null ? '' : is ? 'yes' : 'no')
