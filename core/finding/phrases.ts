import { tokensOf } from '#core/classing'

/** Most words of a name that are examined. */
const LONGEST = 6

/**
 * Parts an ask of words into what belongs together: a name that stands in it with all its words is one, every other word is one.
 * To make O(names), to part O(words).
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
