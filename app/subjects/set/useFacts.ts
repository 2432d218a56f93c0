import type { Holding } from '#core/catalog'
import { partialDay } from '#core/grammar'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { slipWords } from './words'

/** A heading, and what stands under it. */
export type Fact = readonly [label: string, text: string]

/** What somebody said of a set, under its headings, in the order of the slip. What is not known has no line. */
export function useFacts() {
  const catalogue = useCatalogue()
  const { code, lookUp, sizeText } = useDescribe()
  /** A set as others name it. */
  const nameOf = (id: string): string => {
    const other = catalogue.tables?.holdings.get(id)
    return other ? `${code(other)} ${other.name}` : ''
  }
  const pieceText = ({ words, isMissing, livesWithId }: Holding['pieces'][number]): string =>
    slipWords.piece(words.join(', '), isMissing, livesWithId ? nameOf(livesWithId) : '')
  /** `also`: what follows from where the set is; it stands before the notes. */
  const factsOf = (holding: Holding, also: readonly Fact[] = []): readonly Fact[] =>
    [
      [slipWords.brand, lookUp('brands', holding.brandId)?.name],
      [slipWords.kind, lookUp('kinds', holding.kindId)?.name],
      [slipWords.category, lookUp('categories', holding.categoryId)?.name],
      [slipWords.themes, holding.themeIds.map(id => lookUp('themes', id)?.name).join(', ')],
      [slipWords.size, holding.size ? sizeText(holding.size) : ''],
      [slipWords.words, holding.words.join(', ')],
      [slipWords.acquired, holding.acquiredOn ? partialDay(holding.acquiredOn) : ''],
      [slipWords.searchWords, holding.searchWords.join(', ')],
      [slipWords.pieces, holding.pieces.map(pieceText).join('; ')],
      [slipWords.price, holding.price ? slipWords.money(holding.price.minor, holding.price.currency) : ''],
      [slipWords.aliases, holding.aliases.map(alias => slipWords.alias(alias.text, alias.reading)).join(', ')],
      [takeInWords.packaging, holding.packaging ? takeInWords.packagings[holding.packaging] : ''],
      ...also,
      [slipWords.notes, holding.notes],
    ].flatMap(([label, text]) => (label && text ? [[label, text] as const] : []))
  return { factsOf, nameOf }
}
