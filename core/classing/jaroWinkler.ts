const PREFIX = 4
const BONUS = 0.1
/** Marks of the letters that are matched; kept from call to call, as words are compared by the million. */
let [ofA, ofB] = [new Uint8Array(64), new Uint8Array(64)]

/**
 * Likeness of two words, 0 to 1: Jaro's share of common letters and their order, raised by Winkler's bonus of 0.1 for
 * each of up to four equal first letters. Winkler 1990. O(n * m).
 * @example jaroWinkler('martha', 'marhta').toFixed(3) //=> '0.961'
 */
export function jaroWinkler(a: string, b: string): number {
  if (a === b) return 1
  const longest = Math.max(a.length, b.length)
  if (longest > ofA.length) [ofA, ofB] = [new Uint8Array(longest), new Uint8Array(longest)]
  else {
    ofA.fill(0, 0, longest)
    ofB.fill(0, 0, longest)
  }
  const reach = Math.max(0, Math.floor(longest / 2) - 1)
  let common = 0
  for (let i = 0; i < a.length; i += 1) {
    const [letter, end] = [a.charCodeAt(i), Math.min(b.length, i + reach + 1)]
    for (let j = Math.max(0, i - reach); j < end; j += 1) {
      if (ofB[j] === 1 || letter !== b.charCodeAt(j)) continue
      ofA[i] = ofB[j] = 1
      common += 1
      break
    }
  }
  if (common === 0) return 0
  let [atB, swapped] = [0, 0]
  for (let i = 0; i < a.length; i += 1) {
    if (ofA[i] === 0) continue
    while (ofB[atB] === 0) atB += 1
    if (a.charCodeAt(i) !== b.charCodeAt(atB)) swapped += 1
    atB += 1
  }
  return withBonus((common / a.length + common / b.length + (common - swapped / 2) / common) / 3, a, b)
}
function withBonus(jaro: number, a: string, b: string): number {
  let prefix = 0
  while (prefix < PREFIX && prefix < Math.min(a.length, b.length) && a.charCodeAt(prefix) === b.charCodeAt(prefix)) prefix += 1
  return jaro + prefix * BONUS * (1 - jaro)
}

/** A bit for each letter that is in a word; letters may share one. At most 30, so that they stay small numbers. */
function bitsOf(text: string): number {
  let bits = 0
  for (let at = 0; at < text.length; at += 1) bits |= 1 << (text.charCodeAt(at) % 30)
  return bits
}
function countOf(bits: number): number {
  let count = 0
  for (let rest = bits; rest !== 0; rest &= rest - 1) count += 1
  return count
}
/**
 * Words, to ask which of them may be alike: a letter that only one of two words has is common to neither, so most pairs need not be
 * compared. Lengths and letters lie side by side: thousands are looked through in the time that one is compared.
 */
export class WordShapes {
  private readonly lengths: number[] = []
  private readonly bits: number[] = []

  add(text: string): void {
    this.lengths.push(text.length)
    this.bits.push(bitsOf(text))
  }
  /** Where the words stand that `jaroWinkler` may find at least so alike, in the order they were added; never one too few. O(words). */
  mayReach(text: string, least: number): readonly number[] {
    const [length, bits] = [text.length, bitsOf(text)]
    // All of the bonus, and no letter swapped.
    const leastJaro = (least - PREFIX * BONUS) / (1 - PREFIX * BONUS) - 1e-9
    const found: number[] = []
    for (let at = 0; at < this.lengths.length; at += 1) {
      const [otherLength, otherBits] = [this.lengths[at] as number, this.bits[at] as number]
      const common = Math.min(length - countOf(bits & ~otherBits), otherLength - countOf(otherBits & ~bits))
      if ((common / length + common / otherLength + 1) / 3 >= leastJaro) found.push(at)
    }
    return found
  }
}
