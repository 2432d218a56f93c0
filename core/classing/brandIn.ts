import { plainWords } from './normalise'

/** A brand named in a text, and the text without it. */
export interface NamedBrand {
  readonly brandId: string
  readonly rest: string
}

/**
 * The brand whose name, variant or abbreviation is in a text, the longest match first; null: none. O(words x spellings).
 * @example brandIn('tide tables plumb bob', [{ id: 'b', name: 'Plumb Bob', variants: [], abbreviation: null }])?.rest //=> 'tide tables'
 */
export function brandIn(
  text: string,
  brands: Iterable<{
    readonly id: string
    readonly name: string
    readonly variants: readonly string[]
    readonly abbreviation: string | null
  }>,
): NamedBrand | null {
  const words = plainWords(text)
  let best: { brandId: string; from: number; count: number } | null = null
  for (const { id, name, variants, abbreviation } of brands) {
    for (const spelling of [name, ...variants, ...(abbreviation ? [abbreviation] : [])]) {
      const own = plainWords(spelling)
      if (own.length === 0 || own.length <= (best?.count ?? 0)) continue
      const from = words.findIndex((_, at) => own.every((word, step) => words[at + step] === word))
      if (from >= 0) best = { brandId: id, from, count: own.length }
    }
  }
  return best && { brandId: best.brandId, rest: words.filter((_, at) => at < best.from || at >= best.from + best.count).join(' ') }
}
