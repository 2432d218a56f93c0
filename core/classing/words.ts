import { plainLetters } from './normalise'

/** What follows an apostrophe in English. Before any other letter the apostrophe ends an article: `l'étoile`. */
const ENGLISH_ENDS = /(\p{L})['\u2019\u2018\u02BC](?=(?:s|t|re|ve|ll|d|m)(?!\p{L}))/gu

/**
 * The words of a text in lower case: `Mother’s` is one word, `&` is "and", and anything else that is no letter or figure separates words.
 * @example spelledWords('Mother’s & Pop-up') //=> ['mothers', 'and', 'pop', 'up']
 */
export function spelledWords(text: string): string[] {
  const plain = /[&'\u2018\u2019\u02BC]/.test(text) ? text.replace(/&/g, ' and ').replace(ENGLISH_ENDS, '$1') : text
  return plain
    .normalize('NFKD')
    .toLowerCase()
    .split(/[^\p{L}\p{Mn}\p{N}]+/u)
    .filter(word => /[\p{L}\p{N}]/u.test(word))
}

/** The words in plain letters, for the index and for asks. @example tokensOf('Möwe') //=> ['mowe'] */
export const tokensOf = (text: string): string[] => spelledWords(text).map(plainLetters)

/**
 * The other plain spelling of a word, if it has one: umlauts and rings as people without such keys write them. `word` as `spelledWords`
 * gives it.
 * @example spelledWords('Möwe').map(inTwoLetters) //=> ['moewe']
 */
export function inTwoLetters(word: string): string | null {
  if (!/[\u0308\u030Aø]/.test(word)) return null
  return plainLetters(
    word
      .replace(/([aou])\u0308/g, '$1e')
      .replace(/a\u030A/g, 'aa')
      .replaceAll('ø', 'oe'),
  )
}
