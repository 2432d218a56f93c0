import type { Holding } from '#core/catalog'
import { type UseTally, wasUsed } from '#core/fetching'
import { writeDetails } from '../details'
import type { ListLine } from './writeList'

/** A set with the names of what it refers to. */
export interface ListedSet {
  readonly holding: Holding
  readonly code: string
  readonly brand: string
  readonly kind: string
  readonly category: string
  readonly themes: readonly string[]
  /** Where it is, where it has a place. */
  readonly address: string | null
  /** What the log says of its use. */
  readonly used: UseTally | undefined
}

/** A set as a line of the list. Sizes in millimetres, as they are kept. */
export function lineOf({ holding, address, used, ...said }: ListedSet): ListLine {
  return {
    ...said,
    number: holding.number,
    name: holding.name,
    size: holding.size ? `${holding.size.widthMm} x ${holding.size.heightMm} mm` : '',
    words: holding.words,
    searchWords: holding.searchWords,
    ...writeDetails(holding),
    used: used?.isCounted ? `${used.times}x` : yesOrNo(wasUsed(used)),
    matchingDie: yesOrNo(holding.hasMatchingDie),
    place: address ?? holding.placeText,
  }
}
const yesOrNo = (is: boolean | null): string => {
  if (is === null) return ''
  return is ? 'yes' : 'no'
}
