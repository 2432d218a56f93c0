import { brandStem, plainWords } from './normalise'
import { jaroWinkler } from './jaroWinkler'

/** `same`: very likely the same thing. `edition`: the same name in another size, number or brand. `similar`: only alike. */
export type LookAlikeVerdict = 'same' | 'edition' | 'similar'

export interface LookAlike {
  readonly id: string
  readonly verdict: LookAlikeVerdict
  /** 0 to 1. */
  readonly likeness: number
}

export interface NamedThing {
  readonly id: string
  readonly name: string
  /** The brand's id; null: it is not in the table yet. */
  readonly brandId: string | null
}

/** Words that distinguish editions of one design. */
const EDITION_WORDS = new Set([
  'mini',
  'small',
  'large',
  'tall',
  'wide',
  'jumbo',
  'new',
  'edition',
  'set',
  'part',
  'volume',
  'zero',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'ii',
  'iii',
  'iv',
])
const SAME = 0.95
const SIMILAR = 0.86
/** Words less alike than this count as different. */
const WORD_ALIKE = 0.84
const MOST_CANDIDATES = 120
/** Names that share fewer letters cannot be alike. */
const LEAST_SHARE = 0.5
const MOST_SHOWN = 5

interface Entry {
  readonly thing: NamedThing
  readonly words: readonly string[]
  readonly core: string
  readonly letters: number
}

/**
 * Finds sets with names like a typed one. Names are compared word by word in any order, each word with its likest (Jaro-Winkler), as
 * people swap words and misspell them. The words of all names are a small vocabulary: similar words are found there first, by their
 * bigrams, and only names with such words are compared. So a key press among 20,000 sets costs a few milliseconds.
 */
export class LookAlikes {
  private readonly entries = new Map<string, Entry>()
  private readonly byWord = new Map<string, Set<string>>()
  private readonly wordsByPair = new Map<string, Set<string>>()

  put(thing: NamedThing): void {
    this.remove(thing.id)
    const entry = entryOf(thing)
    this.entries.set(thing.id, entry)
    for (const word of entry.words) {
      if (!this.byWord.has(word)) for (const pair of pairsOf(word)) addTo(this.wordsByPair, pair, word)
      addTo(this.byWord, word, thing.id)
    }
  }

  remove(id: string): void {
    const entry = this.entries.get(id)
    if (!entry) return
    this.entries.delete(id)
    for (const word of entry.words) {
      const ids = this.byWord.get(word)
      ids?.delete(id)
      if (ids?.size !== 0) continue
      this.byWord.delete(word)
      for (const pair of pairsOf(word)) this.wordsByPair.get(pair)?.delete(word)
    }
  }

  /** The likest first, at most five; `exceptId` is left out. */
  ask(name: string, brandId: string | null, exceptId: string | null = null): readonly LookAlike[] {
    const asked = entryOf({ id: '', name, brandId })
    if (asked.words.join('').length < 3) return []
    return this.candidates(asked.words)
      .filter(entry => entry.thing.id !== exceptId)
      .flatMap(entry => judge(asked, entry) ?? [])
      .sort((a, b) => b.likeness - a.likeness || (a.id < b.id ? -1 : 1))
      .slice(0, MOST_SHOWN)
  }

  /** The sets with the most letters in similar words, as a share of the letters of both names. */
  private candidates(words: readonly string[]): readonly Entry[] {
    const letters = new Map<string, number>()
    for (const asked of new Set(words)) {
      for (const [word, alike] of this.alikeWords(asked)) {
        for (const id of this.byWord.get(word) ?? []) letters.set(id, (letters.get(id) ?? 0) + alike * (asked.length + word.length))
      }
    }
    const askedLetters = lettersOf(words)
    const scored = [...letters].flatMap(([id, alike]) => {
      const entry = this.entries.get(id)
      return entry ? [{ entry, share: alike / (askedLetters + entry.letters) }] : []
    })
    return scored
      .filter(({ share }) => share >= LEAST_SHARE)
      .sort((a, b) => b.share - a.share || (a.entry.thing.id < b.entry.thing.id ? -1 : 1))
      .slice(0, MOST_CANDIDATES)
      .map(each => each.entry)
  }

  /** Words of the vocabulary that are similar to a word, with their similarity. */
  private alikeWords(asked: string): readonly (readonly [word: string, alike: number])[] {
    const shared = new Map<string, number>()
    for (const pair of pairsOf(asked)) for (const word of this.wordsByPair.get(pair) ?? []) shared.set(word, (shared.get(word) ?? 0) + 1)
    return [...shared]
      .filter(([word, count]) => word === asked || count * 3 >= Math.min(word.length, asked.length))
      .map(([word]) => [word, jaroWinkler(asked, word)] as const)
      .filter(([, alike]) => alike >= WORD_ALIKE)
  }
}

function addTo(sets: Map<string, Set<string>>, key: string, value: string): void {
  const set = sets.get(key)
  if (set) set.add(value)
  else sets.set(key, new Set([value]))
}

/** A word that a name says again is one word here: it is found once. */
const lettersOf = (words: readonly string[]): number => [...new Set(words)].join('').length

function entryOf(thing: NamedThing): Entry {
  const words = plainWords(thing.name)
  const core = words.filter(word => !EDITION_WORDS.has(word) && !/^\d+$/.test(word))
  return { thing, words, core: (core.length > 0 ? core : words).join(' '), letters: lettersOf(words) }
}

/** Bigrams, with the beginning of the word marked: what survives most slips. */
function pairsOf(word: string): ReadonlySet<string> {
  const marked = ` ${word}`
  return new Set(Array.from({ length: marked.length - 1 }, (_, at) => marked.slice(at, at + 2)))
}

function judge(asked: Entry, known: Entry): LookAlike | null {
  const likeness = nameLikeness(asked.words, known.words)
  const { id, brandId } = known.thing
  const isOtherBrand = brandId !== null && asked.thing.brandId !== null && brandId !== asked.thing.brandId
  const isSameCore = asked.core === known.core && asked.words.join(' ') !== known.words.join(' ')
  if (likeness >= SAME && !isOtherBrand && !isSameCore) return { id, verdict: 'same', likeness }
  if (isSameCore || likeness >= SAME) return { id, verdict: 'edition', likeness: Math.max(likeness, SIMILAR) }
  return likeness >= SIMILAR ? { id, verdict: 'similar', likeness } : null
}

/**
 * Mean similarity of each word of both names to its likest word in the other; long words weigh more.
 * @example nameLikeness(['kelp', 'study'], ['study', 'kelp']) //=> 1
 */
export function nameLikeness(a: readonly string[], b: readonly string[]): number {
  if (a.length === 0 || b.length === 0) return 0
  const oneWay = (from: readonly string[], to: readonly string[]): number => {
    const letters = from.reduce((sum, word) => sum + word.length, 0)
    return from.reduce((sum, word) => {
      const best = to.reduce((most, other) => Math.max(most, jaroWinkler(word, other)), 0)
      return sum + ((best >= WORD_ALIKE ? best : 0) * word.length) / letters
    }, 0)
  }
  return (oneWay(a, b) + oneWay(b, a)) / 2
}

/** The brands that a typed name may mean: an exact one, or similar ones. */
export function brandsLike(
  typed: string,
  brands: readonly { readonly id: string; readonly name: string; readonly variants: readonly string[] }[],
): readonly { readonly id: string; readonly likeness: number }[] {
  const stem = brandStem(typed)
  if (stem.length < 3) return []
  return brands
    .map(brand => ({
      id: brand.id,
      likeness: Math.max(...[brand.name, ...brand.variants].map(name => jaroWinkler(stem, brandStem(name)))),
    }))
    .filter(each => each.likeness >= NEAR_BRAND)
    .sort((a, b) => b.likeness - a.likeness || (a.id < b.id ? -1 : 1))
}
/** At this similarity two brand names usually differ by one slip of the pen. */
const NEAR_BRAND = 0.9
