import type { Holding, Series } from '#core/catalog'
import { codeOf, codeText } from '#core/numbering'
import type { Authority } from '#core/filing'

/** The fields of a set that can be asked. Reasons are told in this order. */
export const ASK_FIELDS = [
  'number',
  'name',
  'words',
  'themes',
  'category',
  'brand',
  'kind',
  'searchWords',
  'aliases',
  'notes',
  'place',
] as const
export type AskField = (typeof ASK_FIELDS)[number]

export type AskDocument = { readonly id: string; readonly accession: number } & Readonly<Record<AskField, string>>

/** The text of each field of a set, as the index reads it. Variant spellings of the brand are included. */
export function documentOf(holding: Holding, authority: Authority, series: ReadonlyMap<string, Series>): AskDocument {
  const kind = holding.kindId ? authority.kinds.get(holding.kindId) : undefined
  const brand = holding.brandId ? authority.brands.get(holding.brandId) : undefined
  const code = codeText(codeOf(holding, { series, kinds: authority.kinds }))
  return {
    id: holding.id,
    accession: holding.number,
    number: `${holding.number} ${code} ${code.replaceAll(' ', '')}`,
    name: holding.name,
    words: [...holding.words, ...holding.pieces.flatMap(piece => piece.words)].join('\n'),
    themes: holding.themeIds.map(id => authority.themes.get(id)?.name ?? '').join('\n'),
    category: holding.categoryId ? (authority.categories.get(holding.categoryId)?.name ?? '') : '',
    brand: brand ? [brand.name, ...brand.variants, brand.abbreviation ?? ''].join('\n') : '',
    kind: kind?.name ?? '',
    searchWords: holding.searchWords.join('\n'),
    aliases: holding.aliases.map(alias => alias.text).join('\n'),
    notes: holding.notes,
    place: holding.placeText,
  }
}
