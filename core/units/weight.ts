/** The heaviest weight that anybody types here, in grams. */
const MAX_WEIGHT_G = 50_000

/**
 * A weight in grams as people write it; null: nothing is written; `unread`: it cannot be read.
 * @example readGrams('12,5 g') //=> 12.5
 */
export function readGrams(text: string): number | null | 'unread' {
  const written = text.trim()
  if (written === '') return null
  const [, figures = ''] = /^(\d+(?:[.,]\d+)?)\s*g?$/i.exec(written) ?? []
  const grams = Number.parseFloat(figures.replace(',', '.'))
  return grams <= MAX_WEIGHT_G ? grams : 'unread'
}
