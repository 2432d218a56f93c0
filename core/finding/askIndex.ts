import MiniSearch, { type AsPlainObject, type Options, type Query, type SearchOptions, type SearchResult } from 'minisearch'
import { inTwoLetters, plainLetters, spelledWords, WordForms } from '#core/classing'
import { ASK_FIELDS, type AskDocument, type AskField } from './document'
import { LINKED_BY, type LinkedBy, type Links } from './links'
import { type KnownWord, Vocabulary } from './vocabulary'

export interface Hit {
  readonly id: string
  readonly accession: number
  /** Why it matches: for each field, the word of the set that matched. */
  readonly because: readonly { readonly field: AskField; readonly word: string }[]
}

export interface Answer {
  readonly ask: string
  /**
   * `all`: each hit has every word of the ask, as asked or in another form; words as asked rank first. `some`: no set has all words.
   * `near`: spelt a little differently.
   */
  readonly mode: 'all' | 'some' | 'near' | 'none' | 'tooShort'
  readonly hits: readonly Hit[]
  /** Words of the ask that no set has. */
  readonly absent: readonly string[]
}

/** A set found by linked words: which words of the ask led to it, and through which link. */
export interface LinkedHit {
  readonly id: string
  readonly accession: number
  readonly word: string
  readonly through: string
  readonly by: LinkedBy
}

const BOOSTS: Readonly<Partial<Record<AskField, number>>> = {
  number: 6,
  name: 4,
  words: 3,
  themes: 3,
  category: 2,
  brand: 2,
  aliases: 3,
  searchWords: 1.5,
}
/** Shorter words are not searched with other spellings: too many words would be near. */
const NEAR_FROM_LETTERS = 4

/** Accepted search words are not searched here; `linked()` returns them. */
const OWN_FIELDS = ASK_FIELDS.filter(field => field !== 'searchWords')
/** Only the first words of a longer ask are linked. */
const MOST_LINKED_WORDS = 6
/** Small words that may be missing: where no set has all words, these are not required. */
const FILLERS = new Set('a an and at by das der for from in les of on or the to und with'.split(' '))

/** An index as plain data, for JSON. Only the build that wrote it can read it. */
export interface WrittenIndex {
  readonly index: AsPlainObject
  readonly accessions: readonly (readonly [string, number])[]
  readonly words: readonly KnownWord[]
}

/** One word of an ask, with its forms. */
interface AskedWord {
  readonly text: string
  readonly forms: readonly string[]
  readonly parts: readonly (readonly [string, string])[]
  /** Prefix matches do not count. */
  readonly isWhole?: boolean
}

/**
 * The index of all sets, held in a worker. Ranking is BM25+ (MiniSearch); ties by number. `forms` gives the other forms of a word.
 * @example AskIndex.read(new AskIndex().write()).ask('kelp').mode //=> 'none'
 */
export class AskIndex {
  private readonly index: MiniSearch<AskDocument>
  private readonly vocabulary: Vocabulary
  /** Kept outside the index: stored fields would be copied into every result of every key press. */
  private readonly accessions: Map<string, number>

  constructor(forms = new WordForms(), written: WrittenIndex | null = null) {
    this.vocabulary = new Vocabulary(forms)
    this.accessions = new Map(written?.accessions)
    const options: Options<AskDocument> = {
      fields: [...ASK_FIELDS],
      tokenize: spelledWords,
      processTerm: word => {
        const term = plainLetters(word)
        this.vocabulary.add(term, inTwoLetters(word))
        return term
      },
      searchOptions: {
        fields: OWN_FIELDS,
        processTerm: term => term,
        prefix: word => word.length > 1,
        boost: { ...BOOSTS },
        weights: { prefix: 0.5, fuzzy: 0.3 },
      },
    }
    this.index = written ? MiniSearch.loadJS(written.index, options) : new MiniSearch(options)
    for (const [word, other] of written?.words ?? []) this.vocabulary.add(word, other ?? null)
  }

  /** To be read again later, in a third of the time that building takes. */
  write(): WrittenIndex {
    return { index: this.index.toJSON(), accessions: [...this.accessions], words: this.vocabulary.all() }
  }

  static read(written: WrittenIndex, forms = new WordForms()): AskIndex {
    return new AskIndex(forms, written)
  }

  /** From now on compounds of German words are matched by their last part. */
  knowEnglish(isEnglish: (word: string) => boolean): void {
    this.vocabulary.isEnglish = isEnglish
  }

  put(documents: readonly AskDocument[]): void {
    for (const document of documents) {
      this.accessions.set(document.id, document.accession)
      if (this.index.has(document.id)) this.index.replace(document)
      else this.index.add(document)
    }
  }

  remove(ids: readonly string[]): void {
    for (const id of ids) if (this.index.has(id)) this.index.discard(id)
  }

  get size(): number {
    return this.index.documentCount
  }

  /**
   * Words match from their start; whole words rank first. A single letter or figure matches whole words only (the suffix W, the number 3).
   * As the last of several words it is taken as just begun and not required; alone and without a match it is no ask yet (`tooShort`). Sets
   * with a form of the words (a plural, another spelling, a word written in two) rank behind those with the words as asked. `without`:
   * words that no hit may have.
   */
  ask(text: string, without: readonly string[] = []): Answer {
    const spelt = [...new Set(spelledWords(text))]
    const isBegun = spelt.length > 1 && spelt.at(-1)?.length === 1 && !text.endsWith(' ')
    const words = (isBegun ? spelt.slice(0, -1) : spelt).map(word => this.askedWord(word))
    const isUnwanted = this.idsWith(without)
    const answerOf = (mode: Answer['mode'], results: readonly SearchResult[], absent: readonly string[] = []): Answer => ({
      ask: text,
      mode,
      hits: this.toHits(isUnwanted.size > 0 ? results.filter(({ id }) => !isUnwanted.has(String(id))) : results),
      absent,
    })
    const [first] = words
    if (!first) return answerOf(without.length > 0 ? 'all' : 'tooShort', without.length > 0 ? this.search(MiniSearch.wildcard) : [])
    const asked = words.map(word => word.text).join(' ')
    const exact = this.search(asked)
    const more = this.searchForms(words, exact)
    if (exact.length + more.length > 0) {
      const answer = answerOf('all', exact)
      return more.length > 0 ? { ...answer, hits: [...answer.hits, ...answerOf('all', more).hits] } : answer
    }
    if (words.length === 1 && first.text.length === 1) return answerOf('tooShort', [])
    const counting = words.filter(word => !FILLERS.has(word.text))
    if (counting.length > 0 && counting.length < words.length) {
      const found = this.search(treeOf(counting))
      if (found.length > 0) return answerOf('all', found)
    }
    const near = this.search(asked, { fuzzy: word => (word.length >= NEAR_FROM_LETTERS && !/\d/.test(word) ? 0.25 : false) })
    const absent = words.filter(word => this.search(treeOf([word])).length === 0).map(word => word.text)
    if (near.length > 0) return answerOf('near', near, absent)
    const some = words.length > 1 ? this.search({ combineWith: 'OR', queries: words.map(word => treeOf([word])) }) : []
    return answerOf(some.length > 0 ? 'some' : 'none', some, absent)
  }

  /**
   * Sets that match through links: one word of the ask, or a few in a row, replaced by a linked phrase, with all other words present. Sets
   * found by the owner's links first, each set once. `but`: sets of the answer itself.
   */
  linked(text: string, links: Links, but: ReadonlySet<string>, without: readonly string[] = []): readonly LinkedHit[] {
    const words = [...new Set(spelledWords(text))].slice(0, MOST_LINKED_WORDS).map(word => this.askedWord(word))
    const unwanted = this.idsWith(without)
    const found = new Map<string, LinkedHit>()
    for (const { from, to } of spansOf(words.length)) {
      const phrase = words.slice(from, to).map(word => word.text)
      const targets = links.targetsOf(phrase.join(' ')).filter(target => spelledWords(target.text).every(word => this.isKnown(word)))
      const others = [...words.slice(0, from), ...words.slice(to)].filter(word => !FILLERS.has(word.text))
      const rest = others.length > 0 ? new Set(this.search(treeOf(others)).map(({ id }) => String(id))) : null
      const note = (results: readonly SearchResult[], through: string, by: LinkedBy): void => {
        for (const result of results) {
          const id = String(result.id)
          if (but.has(id) || unwanted.has(id) || (rest && !rest.has(id))) continue
          const hit = { id, accession: this.accessions.get(id) ?? 0, word: phrase.join(' '), through, by }
          const known = found.get(id)
          if (!known || LINKED_BY.indexOf(by) < LINKED_BY.indexOf(known.by)) found.set(id, hit)
        }
      }
      for (const { text: target, by } of targets)
        note(this.search(treeOf(spelledWords(target).map(word => ({ ...this.askedWord(word), isWhole: true })))), target, by)
      // Accepted search words are stored on the set itself.
      const accepted = this.search(treeOf(words.slice(from, to)), { fields: ['searchWords'] })
      note(accepted, phrase.join(' '), 'searchWord')
    }
    return [...found.values()].sort(
      (a, b) => LINKED_BY.indexOf(a.by) - LINKED_BY.indexOf(b.by) || a.accession - b.accession || (a.id < b.id ? -1 : 1),
    )
  }

  private isKnown(spelt: string): boolean {
    const word = this.askedWord(spelt)
    return this.vocabulary.has(word.text) || word.forms.length > 0
  }

  private askedWord(spelt: string): AskedWord {
    const text = plainLetters(spelt)
    const forms = [...this.vocabulary.formsOf(text, inTwoLetters(spelt)), ...this.vocabulary.endingIn(text)]
    // Forms that begin with the word are found by its prefix already.
    return { text, forms: forms.filter(form => !form.startsWith(text)), parts: this.vocabulary.partsOf(text) }
  }

  private search(query: Query, options: SearchOptions = {}): SearchResult[] {
    return this.index.search(query, { combineWith: 'AND', ...options })
  }

  /** Sets that have every word in some form, but not all as asked. */
  private searchForms(words: readonly AskedWord[], exact: readonly SearchResult[]): readonly SearchResult[] {
    const joined = words.slice(1).flatMap((word, at) => {
      const both = `${words[at]?.text ?? ''}${word.text}`
      return this.vocabulary.has(both) ? [[...words.slice(0, at), { text: both, forms: [], parts: [] }, ...words.slice(at + 2)]] : []
    })
    const trees = [...(words.some(word => word.forms.length + word.parts.length > 0) ? [words] : []), ...joined].map(treeOf)
    if (trees.length === 0) return []
    const known = new Set(exact.map(({ id }) => String(id)))
    const found = this.search({ combineWith: 'OR', queries: trees }).filter(({ id }) => !known.has(String(id)))
    const split = words.flatMap(word => word.parts)
    return split.length === 0 ? found : found.filter(result => words.every(word => isMet(word, result)))
  }

  /** All sets that have any of the words, in any form. */
  private idsWith(words: readonly string[]): ReadonlySet<string> {
    const queries = words.flatMap(word => spelledWords(word)).map(word => treeOf([this.askedWord(word)]))
    return new Set(queries.length > 0 ? this.search({ combineWith: 'OR', queries }).map(({ id }) => String(id)) : [])
  }

  /** In the order of the index; ties by number. The reasons of a hit are computed when somebody looks at it. */
  private toHits(results: readonly SearchResult[]): readonly Hit[] {
    const hits = results.map(result => new FoundHit(result, this.accessions.get(result.id as string) ?? 0))
    const byNumber = (a: FoundHit, b: FoundHit): number => a.accession - b.accession || (a.id < b.id ? -1 : 1)
    for (let from = 0, to = 1; from < hits.length; from = to, to += 1) {
      // Ties are mostly in order already: sets came in by number.
      let isInOrder = true
      for (; to < hits.length && hits[to]?.score === hits[from]?.score; to += 1)
        isInOrder &&= byNumber(hits[to - 1] as FoundHit, hits[to] as FoundHit) < 0
      if (isInOrder) continue
      const equals = hits.slice(from, to).sort(byNumber)
      for (const [index, hit] of equals.entries()) hits[from + index] = hit
    }
    return hits
  }
}

/** Spans of one, two or three words, the longest first. */
const spansOf = (words: number): readonly { readonly from: number; readonly to: number }[] =>
  [3, 2, 1].flatMap(length => Array.from({ length: Math.max(0, words - length + 1) }, (_, from) => ({ from, to: from + length })))

const WHOLE: SearchOptions = { prefix: false }
/** Each word as asked, or in one of its forms. */
function treeOf(words: readonly AskedWord[]): Query {
  return {
    combineWith: 'AND',
    queries: words.map(({ text, forms, parts, isWhole }) => ({
      combineWith: 'OR',
      queries: [
        isWhole ? { ...WHOLE, queries: [text] } : text,
        ...(forms.length > 0 ? [{ ...WHOLE, combineWith: 'OR' as const, queries: [...forms] }] : []),
        ...parts.map(pair => ({ ...WHOLE, combineWith: 'AND' as const, queries: [...pair] })),
      ],
    })),
  }
}

/** A compound matches its parts if they are in one field. */
function isMet({ text, forms, parts }: AskedWord, { match }: SearchResult): boolean {
  const words = Object.keys(match)
  if (words.some(word => word.startsWith(text) || forms.includes(word))) return true
  return parts.some(([front, end]) => match[front]?.some(field => match[end]?.includes(field)))
}

class FoundHit implements Hit {
  readonly id: string
  constructor(
    private readonly result: SearchResult,
    readonly accession: number,
  ) {
    this.id = result.id as string
  }
  get score(): number {
    return this.result.score
  }
  get because(): Hit['because'] {
    return reasons(this.result.match)
  }
}

function reasons(match: SearchResult['match']): Hit['because'] {
  const found = Object.entries(match).flatMap(([word, fields]) => fields.map(field => ({ field: field as AskField, word })))
  return found.sort((a, b) => ASK_FIELDS.indexOf(a.field) - ASK_FIELDS.indexOf(b.field)).slice(0, 4)
}
