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

/** Senses of a word that are looked at: rarer ones suggest nonsense. */
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

/**
 * WordNet 3.1 in the compact form that `scripts/lexicon.mjs` writes: words of one meaning and the meanings one step up.
 * Reading takes O(file), about a tenth of a second; asking is a few look-ups.
 * @example new Lexicon(text).related('teapot').wider //=> ['pot']
 */
export class Lexicon {
  private readonly synsets: readonly (readonly string[])[]
  private readonly ups: readonly (readonly number[])[]
  private readonly downs = new Map<number, number[]>()
  private readonly senses = new Map<string, Sense[]>()

  constructor(text: string) {
    const lines = text.split('\n').filter(line => line !== '' && !line.startsWith('#'))
    this.ups = lines.map(line =>
      line
        .slice(line.lastIndexOf('|') + 1)
        .split(',')
        .filter(Boolean)
        .map(Number),
    )
    this.synsets = lines.map((line, synset) =>
      line
        .slice(0, line.lastIndexOf('|'))
        .split(',')
        .filter(Boolean)
        .map(written => {
          const [lemma = '', rank = '1'] = written.split(':')
          const word = lemma.replaceAll('_', ' ')
          const key = word.toLowerCase()
          const senses = this.senses.get(key)
          if (senses) senses.push({ synset, rank: Number(rank) })
          else this.senses.set(key, [{ synset, rank: Number(rank) }])
          return word
        }),
    )
    this.ups.forEach((ups, synset) => {
      for (const up of ups) {
        const downs = this.downs.get(up)
        if (downs) downs.push(synset)
        else this.downs.set(up, [synset])
      }
    })
  }

  get size(): number {
    return this.synsets.length
  }

  /** The word as the lexicon has it: itself, or the singular of it; null when it has neither. */
  lemmaOf(word: string): string | null {
    const plain = word.toLowerCase().trim()
    if (this.senses.has(plain)) return plain
    return singularsByRule(plain).find(each => this.senses.has(each)) ?? null
  }

  /** What the commonest meanings of the word suggest, the word itself left out. Empty lists for an unknown word. */
  related(word: string): RelatedWords {
    const lemma = this.lemmaOf(word)
    const senses = [...(this.senses.get(lemma ?? '') ?? [])]
      .sort((a, b) => a.rank - b.rank || a.synset - b.synset)
      .filter(sense => sense.rank <= SENSES)
    const [first] = senses
    const wordsOf = (synsets: readonly number[]): string[] => synsets.flatMap(synset => this.synsets[synset] ?? [])
    const own = new Set([lemma ?? '', word.toLowerCase().trim()])
    const take = (words: readonly string[]): string[] =>
      [...new Set(words.filter(each => each !== each.toUpperCase() || each.length === 1))].filter(each => {
        const isNew = !own.has(each.toLowerCase())
        own.add(each.toLowerCase())
        return isNew
      })
    const synonyms = take(wordsOf(senses.map(sense => sense.synset)))
    const wider = take(wordsOf(first ? (this.ups[first.synset] ?? []) : []))
    return { synonyms, wider, narrower: take(wordsOf(first ? (this.downs.get(first.synset) ?? []) : [])).slice(0, MOST_NARROWER) }
  }

  /**
   * Everything that speaks for the word as a class: itself and its singular, and of its commonest meanings the other
   * words, one step up, and two steps down. Broad on purpose: it weighs little, and own sets soon outweigh it.
   * @example new Lexicon(text).meaning('borders').includes('edge') //=> true
   */
  meaning(word: string): readonly string[] {
    const lemma = this.lemmaOf(word)
    if (lemma === null) return [word]
    const forms = singularsByRule(lemma).filter(each => this.senses.has(each))
    const senses = [lemma, ...forms]
      .flatMap(each => this.senses.get(each) ?? [])
      .filter(sense => sense.rank <= SENSES)
      .map(sense => sense.synset)
    const below = senses.flatMap(each => this.downs.get(each) ?? [])
    const all = [...senses, ...senses.flatMap(each => this.ups[each] ?? []), ...below, ...below.flatMap(each => this.downs.get(each) ?? [])]
    return [...new Set([word, lemma, ...forms, ...all.slice(0, MOST_MEANINGS).flatMap(each => this.synsets[each] ?? [])])]
  }

  /**
   * Other words for the word, and what its commonest meaning is a kind of: one step away, of which a search may make a link.
   * @example new Lexicon(text).near('teapot') //=> ['pot']
   */
  near(word: string): readonly string[] {
    const { synonyms, wider, narrower } = this.related(word)
    return [...synonyms, ...wider, ...narrower]
  }

  /**
   * Is it a word of plain English, also in the forms of its verbs and adjectives (`sheltering`, `taller`)?
   * @example new Lexicon(text).isEnglish('edged') //=> true
   */
  isEnglish(word: string): boolean {
    const isVerb = (): boolean => VERB_ENDS.some(([ending, stem]) => ending.test(word) && this.senses.has(word.replace(ending, stem)))
    return this.lemmaOf(word) !== null || isVerb()
  }
}
