import { singularsByRule } from './wordForms'

/** Search words that a word suggests: other words for it, what it is a kind of, and kinds of it. */
export interface RelatedWords {
  readonly synonyms: readonly string[]
  readonly wider: readonly string[]
  readonly narrower: readonly string[]
}

interface Sense {
  readonly synset: number
  readonly rank: number
}

/** Senses of a word that are used: rarer ones suggest nonsense. */
const SENSES = 2
const MOST_NARROWER = 8
const MOST_MEANINGS = 80

/** Endings of verbs and adjectives, by WordNet's own morphology (morphy(7WN)). */
const VERB_ENDS: readonly (readonly [ending: RegExp, stem: string])[] = [
  [/e[ds]$/, 'e'],
  [/e[ds]$/, ''],
  [/ing$/, 'e'],
  [/ing$/, ''],
  [/e(r|st)$/, ''],
  [/e(r|st)$/, 'e'],
]

/** The characters of the file, apart from the letters of its words. */
const [LINE, NOTE, COMMA, ZERO, RANK, BAR] = Array.from('\n#,0:|', each => each.charCodeAt(0)) as [
  number,
  number,
  number,
  number,
  number,
  number,
]
const isEndOfWord = (code: number): boolean => code === COMMA || code === RANK || code === BAR || code === LINE || Number.isNaN(code)

/** A letter as words compare it: lower case, and `_` for the space. All of WordNet is ASCII. */
const plainLetter = (code: number): number => {
  if (code >= 65 && code <= 90) return code + 32
  return code === 32 ? 95 : code
}
/** FNV-1a (Fowler, Noll and Vo), 32 bits. */
const FNV_BASIS = 0x811c9dc5
const FNV_PRIME = 0x01000193

/** Words of a text by a hash of their letters. A word is sliced from the text only when it is needed. */
class WrittenWords {
  private count = 0
  /** For each word: its start, its owner, and the previous word in the same slot. */
  private readonly begins: Int32Array
  private readonly owners: Int32Array
  private readonly before: Int32Array
  /** The last word of each slot. */
  private readonly slots: Int32Array

  constructor(
    private readonly text: string,
    most: number,
  ) {
    this.begins = new Int32Array(most)
    this.owners = new Int32Array(most)
    this.before = new Int32Array(most)
    this.slots = new Int32Array(2 ** Math.ceil(Math.log2(most + 1))).fill(-1)
  }

  /** Adds the word that begins here. Returns its end. */
  add(from: number, owner: number): number {
    let hash = FNV_BASIS
    let at = from
    for (let code = this.text.charCodeAt(at); !isEndOfWord(code); code = this.text.charCodeAt((at += 1)))
      hash = Math.imul(hash ^ plainLetter(code), FNV_PRIME)
    if (at === from) return at
    const slot = hash & (this.slots.length - 1)
    this.begins[this.count] = from
    this.owners[this.count] = owner
    this.before[this.count] = this.slots[slot] ?? -1
    this.slots[slot] = this.count
    this.count += 1
    return at
  }

  /** Every occurrence of the word, in the order of the text: its owner, and its end. */
  find(word: string): readonly { readonly owner: number; readonly end: number }[] {
    let hash = FNV_BASIS
    for (let at = 0; at < word.length; at += 1) hash = Math.imul(hash ^ plainLetter(word.charCodeAt(at)), FNV_PRIME)
    const found: { owner: number; end: number }[] = []
    let each = this.slots[hash & (this.slots.length - 1)] ?? -1
    for (; each >= 0; each = this.before[each] ?? -1) {
      const from = this.begins[each] ?? 0
      if (this.stands(word, from)) found.push({ owner: this.owners[each] ?? 0, end: from + word.length })
    }
    return found.reverse()
  }
  private stands(word: string, from: number): boolean {
    for (let at = 0; at < word.length; at += 1)
      if (plainLetter(this.text.charCodeAt(from + at)) !== plainLetter(word.charCodeAt(at))) return false
    return isEndOfWord(this.text.charCodeAt(from + word.length))
  }
}

/** Reverse index: the things that lead to each of `count` things, one after the other, and where those of each begin. */
function reversed(
  count: number,
  from: readonly number[],
  to: readonly number[],
): { readonly all: Int32Array; readonly begins: Int32Array } {
  const begins = new Int32Array(count + 1)
  for (const each of to) begins[each + 1] = (begins[each + 1] ?? 0) + 1
  for (let at = 0; at < count; at += 1) begins[at + 1] = (begins[at + 1] ?? 0) + (begins[at] ?? 0)
  const [all, next] = [new Int32Array(to.length), begins.slice()]
  to.forEach((each, at) => {
    const here = next[each] ?? to.length
    all[here] = from[at] ?? 0
    next[each] = here + 1
  })
  return { all, begins }
}

/**
 * WordNet 3.1 in the compact form that `scripts/lexicon.mjs` writes: words of one meaning, and the meanings one step up. The file stays
 * one string: a hash index finds where each word is, and a line is parsed when it is asked for. O(file) to read, about a tenth of a
 * second; a few look-ups to ask.
 * @example new Lexicon(text).related('teapot').wider //=> ['pot']
 */
export class Lexicon {
  readonly size: number
  /** Where the line of each meaning begins. */
  private readonly lineAt: readonly number[]
  private readonly words: WrittenWords
  private readonly downs: ReturnType<typeof reversed>

  constructor(private readonly text: string) {
    const lineAt: number[] = []
    let marks = 0
    for (let at = 0; at < text.length; at = this.endOfLine(at) + 1)
      if (text.charCodeAt(at) !== NOTE && text.charCodeAt(at) !== LINE) lineAt.push(at)
    for (let at = 0; at < text.length; at += 1) if (text.charCodeAt(at) === COMMA) marks += 1
    this.lineAt = lineAt
    this.size = lineAt.length
    this.words = new WrittenWords(text, lineAt.length + marks)
    const [from, to]: [number[], number[]] = [[], []]
    lineAt.forEach((begin, synset) => {
      const [bar, end] = [text.indexOf('|', begin), this.endOfLine(begin)]
      for (let at = begin; at < bar; at += 1) {
        at = this.words.add(at, synset)
        while (at < bar && text.charCodeAt(at) !== COMMA) at += 1
      }
      for (let at = bar + 1; at < end; at += 1) {
        let up = 0
        for (; at < end && text.charCodeAt(at) !== COMMA; at += 1) up = up * 10 + text.charCodeAt(at) - ZERO
        from.push(synset)
        to.push(up)
      }
    })
    this.downs = reversed(lineAt.length, from, to)
  }

  private endOfLine(at: number): number {
    const end = this.text.indexOf('\n', at)
    return end < 0 ? this.text.length : end
  }
  /** The part of a meaning's line before its bar, or behind it. */
  private lineOf(synset: number, part: 'words' | 'ups'): readonly string[] {
    const at = this.lineAt[synset] ?? 0
    const line = this.text.slice(at, this.endOfLine(at))
    const bar = line.lastIndexOf('|')
    return (part === 'words' ? line.slice(0, bar) : line.slice(bar + 1)).split(',').filter(Boolean)
  }
  private wordsOf(synset: number): readonly string[] {
    return this.lineOf(synset, 'words').map(written => (written.split(':')[0] ?? '').replaceAll('_', ' '))
  }
  private upsOf(synset: number): readonly number[] {
    return this.lineOf(synset, 'ups').map(Number)
  }
  private downsOf(synset: number): readonly number[] {
    const { all, begins } = this.downs
    return [...all.subarray(begins[synset], begins[synset + 1])]
  }

  /** The senses of a word, in the order of the file. A rank is written behind the word unless it is the first. */
  private sensesOf(word: string): readonly Sense[] {
    return this.words.find(word).map(({ owner, end }) => {
      const isRanked = this.text.charCodeAt(end) === RANK
      return { synset: owner, rank: isRanked ? Number.parseInt(this.text.slice(end + 1, end + 4), 10) : 1 }
    })
  }
  private has(word: string): boolean {
    return this.sensesOf(word).length > 0
  }

  /** The word as in the lexicon: itself, or its singular; null: neither is there. */
  lemmaOf(word: string): string | null {
    const plain = word.toLowerCase().trim()
    if (this.has(plain)) return plain
    return singularsByRule(plain).find(each => this.has(each)) ?? null
  }

  /** The words that its commonest meanings suggest, without the word itself; empty for an unknown word. */
  related(word: string): RelatedWords {
    const lemma = this.lemmaOf(word)
    const senses = [...this.sensesOf(lemma ?? '')]
      .sort((a, b) => a.rank - b.rank || a.synset - b.synset)
      .filter(sense => sense.rank <= SENSES)
    const [first] = senses
    const wordsOf = (synsets: readonly number[]): string[] => synsets.flatMap(synset => this.wordsOf(synset))
    const own = new Set([lemma ?? '', word.toLowerCase().trim()])
    const take = (words: readonly string[]): string[] =>
      [...new Set(words.filter(each => each !== each.toUpperCase() || each.length === 1))].filter(each => {
        const isNew = !own.has(each.toLowerCase())
        own.add(each.toLowerCase())
        return isNew
      })
    const synonyms = take(wordsOf(senses.map(sense => sense.synset)))
    const wider = take(wordsOf(first ? this.upsOf(first.synset) : []))
    return { synonyms, wider, narrower: take(wordsOf(first ? this.downsOf(first.synset) : [])).slice(0, MOST_NARROWER) }
  }

  /**
   * Evidence for the word as a class: itself, its singular, and for its commonest meanings their other words, one step up and two steps
   * down. Broad on purpose: it has little weight, and own sets soon outweigh it.
   * @example new Lexicon(text).meaning('borders').includes('edge') //=> true
   */
  meaning(word: string): readonly string[] {
    const lemma = this.lemmaOf(word)
    if (lemma === null) return [word]
    const forms = singularsByRule(lemma).filter(each => this.has(each))
    const senses = [lemma, ...forms]
      .flatMap(each => this.sensesOf(each))
      .filter(sense => sense.rank <= SENSES)
      .map(sense => sense.synset)
    const below = senses.flatMap(each => this.downsOf(each))
    const all = [...senses, ...senses.flatMap(each => this.upsOf(each)), ...below, ...below.flatMap(each => this.downsOf(each))]
    return [...new Set([word, lemma, ...forms, ...all.slice(0, MOST_MEANINGS).flatMap(each => this.wordsOf(each))])]
  }

  /**
   * Synonyms of the word, and the hypernyms of its commonest meaning: one step away, near enough for a search link.
   * @example new Lexicon(text).near('teapot') //=> ['pot']
   */
  near(word: string): readonly string[] {
    const { synonyms, wider, narrower } = this.related(word)
    return [...synonyms, ...wider, ...narrower]
  }

  /**
   * Whether it is an English word, including forms of verbs and adjectives (`sheltering`, `taller`).
   * @example new Lexicon(text).isEnglish('edged') //=> true
   */
  isEnglish(word: string): boolean {
    const isVerb = (): boolean => VERB_ENDS.some(([ending, stem]) => ending.test(word) && this.has(word.replace(ending, stem)))
    return this.lemmaOf(word) !== null || isVerb()
  }
}
