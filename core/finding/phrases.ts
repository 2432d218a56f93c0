import { tokensOf } from '#core/classing'

/** Most words of a name that are examined. */
const LONGEST = 6

/**
 * Splits the words of an ask into phrases: a name whose words are all there is one phrase, every other word its own. O(names) to build,
 * O(words) to split.
 * @example phraseReader(['Salt Lantern', 'Alphabets'])('alphabet salt lantern') //=> ['alphabet', 'salt lantern']
 */
export function phraseReader(names: Iterable<string>): (text: string) => readonly string[] {
  const known = new Set([...names].map(name => tokensOf(name).join(' ')))
  return text => {
    const words = tokensOf(text)
    const found: string[] = []
    for (let at = 0; at < words.length;) {
      let length = Math.min(LONGEST, words.length - at)
      while (length > 1 && !known.has(words.slice(at, at + length).join(' '))) length -= 1
      found.push(words.slice(at, at + length).join(' '))
      at += length
    }
    return found
  }
}
