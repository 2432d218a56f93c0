import type { Detail, Holding } from '#core/catalog'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { DETAILS_SHOWN, detailText, detailWords, isShort } from './detailWords'
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
  function factsOf(holding: Holding, also: readonly Fact[] = []): readonly Fact[] {
    const detailOf = (name: Detail): Fact => [detailWords[name].label, detailText(name, holding[name])]
    return [
      [slipWords.brand, lookUp('brands', holding.brandId)?.name],
      [slipWords.kind, lookUp('kinds', holding.kindId)?.name],
      [slipWords.category, lookUp('categories', holding.categoryId)?.name],
      [slipWords.themes, holding.themeIds.map(id => lookUp('themes', id)?.name).join(', ')],
      [slipWords.size, holding.size ? sizeText(holding.size) : ''],
      [slipWords.words, holding.words.join(', ')],
      [slipWords.searchWords, holding.searchWords.join(', ')],
      [slipWords.pieces, holding.pieces.map(pieceText).join('; ')],
      [slipWords.aliases, holding.aliases.map(alias => slipWords.alias(alias.text, alias.reading)).join(', ')],
      ...DETAILS_SHOWN.filter(isShort).map(detailOf),
      ...also,
      ...DETAILS_SHOWN.filter(name => !isShort(name)).map(detailOf),
    ].flatMap(([label, text]) => (label && text ? [[label, text] as const] : []))
  }
  return { factsOf, nameOf }
}
