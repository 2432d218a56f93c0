import { plainLetters } from './normalise'

/** What English runs on behind an apostrophe. In front of any other it is an article of its own: `l'étoile`. */
const ENGLISH_ENDS = /(\p{L})['\u2019\u2018\u02BC](?=(?:s|t|re|ve|ll|d|m)(?!\p{L}))/gu

/**
 * The words of a text as they are spelt, in small letters: `Mother’s` is one word, `&` is "and", all else that is neither letter
 * nor figure parts words.
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

/** The same in plain letters: what the index holds and what is asked. @example tokensOf('Möwe') //=> ['mowe'] */
export const tokensOf = (text: string): string[] => spelledWords(text).map(plainLetters)

/**
 * The other plain spelling of a word, where it has one: letters with two dots or a ring as those write them who have no key for
 * them. `word` as `spelledWords` gives it.
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
