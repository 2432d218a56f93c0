import type { WordForms } from '#core/classing'

/** A word of the room, and its other spelling if it has one (`mowe`, `moewe`). */
export type KnownWord = readonly [word: string, other?: string]

/** Shorter words are the end of too many others, and the part before them has to be a word as well. */
const END_FROM = 4
const FRONT_FROM = 3
/** Endings of German nouns: Bäume, Bilder, Karten, Sterns. */
const ENDINGS = ['', 'e', 'er', 'en', 'n', 's', 'es']
/** The parts of a compound have at least so many letters. */
const PART_FROM = 2

/** All words of a room by their forms. Words of removed sets stay: they match nothing. */
export class Vocabulary {
  private readonly others = new Map<string, Set<string>>()
  private readonly byKey = new Map<string, string[]>()
  /** Words added since the last question: their forms are computed when first needed. */
  private waiting: KnownWord[] = []

  constructor(
    public forms: WordForms,
    /** An English word is not read as a compound of two German ones. */
    public isEnglish: ((word: string) => boolean) | null = null,
  ) {}

  /** Numbers of sets are not words. */
  add(word: string, other: string | null): void {
    if (/^[1-9]\d\d/.test(word)) return
    const known = this.others.get(word)
    if (known && (other === null || known.has(other))) return
    if (!known) this.others.set(word, new Set(other === null ? [] : [other]))
    else if (other !== null) known.add(other)
    this.waiting.push(other === null ? [word] : [word, other])
  }

  has = (word: string): boolean => this.others.has(word)

  all(): readonly KnownWord[] {
    return [...this.others].flatMap(([word, others]): KnownWord[] =>
      others.size > 0 ? [...others].map((other): KnownWord => [word, other]) : [[word]],
    )
  }

  /** Other words of the room that are forms of this one: its plural, another spelling, its figure. `other`: its spelling in two letters. */
  formsOf(word: string, other: string | null): readonly string[] {
    this.catchUp()
    const keys = [...this.forms.keysOf(word), ...(other === null ? [] : this.forms.keysOf(other))]
    return [...new Set(keys.flatMap(key => this.byKey.get(key) ?? []))].filter(each => each !== word)
  }

  /** Compounds that end in the word: Weihnachtsbaum of Baum. O(words). Empty until the English word list is loaded. */
  endingIn(word: string): readonly string[] {
    const { isEnglish } = this
    if (!isEnglish || word.length < END_FROM || /\d/.test(word)) return []
    const ends = ENDINGS.map(ending => word + ending)
    const isCompound = (each: string): boolean =>
      each.length >= word.length + FRONT_FROM && ends.some(end => each.endsWith(end)) && !isEnglish(each)
    const found: string[] = []
    for (const each of this.others.keys()) if (isCompound(each)) found.push(each)
    return found
  }

  /** Pairs of words of the room that form this word. @example `thankyou` is `thank` and `you` */
  partsOf(word: string): readonly (readonly [string, string])[] {
    const cuts = Array.from({ length: Math.max(0, word.length - 2 * PART_FROM + 1) }, (_, at) => at + PART_FROM)
    return cuts.map(at => [word.slice(0, at), word.slice(at)] as const).filter(([front, end]) => this.has(front) && this.has(end))
  }

  private catchUp(): void {
    for (const [word, other] of this.waiting)
      for (const key of [...this.forms.keysOf(word), ...(other === undefined ? [] : [other])]) {
        const known = this.byKey.get(key)
        if (!known) this.byKey.set(key, [word])
        else if (!known.includes(word)) known.push(word)
      }
    this.waiting = []
  }
}
