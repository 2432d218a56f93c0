import MiniSearch, { type AsPlainObject, type Options, type Query, type SearchOptions, type SearchResult } from 'minisearch'
import { inTwoLetters, plainLetters, spelledWords, WordForms } from '#core/classing'
import { ASK_FIELDS, type AskDocument, type AskField } from './document'
import { LINKED_BY, type LinkedBy, type Links } from './links'
import { type KnownWord, Vocabulary } from './vocabulary'

export interface Hit {
  readonly id: string
  readonly accession: number
  /** Why it is an answer: field by field, the word of the set that matched. */
  readonly because: readonly { readonly field: AskField; readonly word: string }[]
}

export interface Answer {
  readonly ask: string
  /**
   * `all`: every word of the ask is in each hit, as it is asked or in another form; those as asked come first. `some`: no set has
   * all of them. `near`: spelt a little differently.
   */
  readonly mode: 'all' | 'some' | 'near' | 'none' | 'tooShort'
  readonly hits: readonly Hit[]
  /** Words of the ask that no set has at all: honest absence. */
  readonly absent: readonly string[]
}

/** A set that says the same otherwise: which words of the ask it was reached from, and through which. */
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
/** Shorter words are not looked up in other spellings: too many would be near. */
const NEAR_FROM_LETTERS = 4

/** Accepted search words are not searched here; `linked()` returns them. */
const OWN_FIELDS = ASK_FIELDS.filter(field => field !== 'searchWords')
/** Of a longer ask only the first words are linked. */
const MOST_LINKED_WORDS = 6
/** Small words, asked along with others: where no set has them all, these do not count. */
const FILLERS = new Set('a an and at by das der for from in les of on or the to und with'.split(' '))

/** An index as plain data, for JSON. It can be read again by the code that wrote it only. */
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
  /** No word that only begins with it will do. */
  readonly isWhole?: boolean
}

/**
 * The index of all sets, held in a worker. Ranking is BM25+ (MiniSearch); ties go by number. `forms` says which words are one.
 *
 * @example AskIndex.read(new AskIndex().write()).ask('kelp').mode //=> 'none'
 */
export class AskIndex {
  private readonly index: MiniSearch<AskDocument>
  private readonly vocabulary: Vocabulary
  /** Kept beside the index: fields stored in it would be copied into every result of every key press. */
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

  /** To be read again later, which takes a third of the time that making it anew does. */
  write(): WrittenIndex {
    return { index: this.index.toJSON(), accessions: [...this.accessions], words: this.vocabulary.all() }
  }

  static read(written: WrittenIndex, forms = new WordForms()): AskIndex {
    return new AskIndex(forms, written)
  }

  /** From now on the ends of German compounds are found as well. */
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
   * Every word is matched from its start, whole words first. A single letter or figure matches whole words only (the
   * suffix W, the number 3): as the last of several words it is one that has only just been begun, and does not count
   * yet; alone, and matching nothing, it is no ask yet (`tooShort`). Behind what has the words as they are asked come the sets
   * that have a form of them: a plural, another spelling, a word written in two. `without`: words that no hit may have.
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
   * Sets that do not have the words of the ask and say the same otherwise: one word of it, or a few in a row, stands for what
   * it is linked to, and all others are there. Those of the owner's links first, each set once. `but`: sets of the answer itself.
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
      // What was accepted as a search word is written on the set itself.
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
    // What begins with the word is found by the word itself.
    return { text, forms: forms.filter(form => !form.startsWith(text)), parts: this.vocabulary.partsOf(text) }
  }

  private search(query: Query, options: SearchOptions = {}): SearchResult[] {
    return this.index.search(query, { combineWith: 'AND', ...options })
  }

  /** What has every word in some form, and not all of them as asked. */
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

  /** All sets that have one of the words, in any form. */
  private idsWith(words: readonly string[]): ReadonlySet<string> {
    const queries = words.flatMap(word => spelledWords(word)).map(word => treeOf([this.askedWord(word)]))
    return new Set(queries.length > 0 ? this.search({ combineWith: 'OR', queries }).map(({ id }) => String(id)) : [])
  }

  /** The best first, as the index sorted them; equals by number. The why of a hit is worked out when somebody looks at it. */
  private toHits(results: readonly SearchResult[]): readonly Hit[] {
    const hits = results.map(result => new FoundHit(result, this.accessions.get(result.id as string) ?? 0))
    const byNumber = (a: FoundHit, b: FoundHit): number => a.accession - b.accession || (a.id < b.id ? -1 : 1)
    for (let from = 0, to = 1; from < hits.length; from = to, to += 1) {
      // Most equals stand in order already: they came in with their numbers.
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

/** One, two or three words in a row, the longest first. */
const spansOf = (words: number): readonly { readonly from: number; readonly to: number }[] =>
  [3, 2, 1].flatMap(length => Array.from({ length: Math.max(0, words - length + 1) }, (_, from) => ({ from, to: from + length })))

const WHOLE: SearchOptions = { prefix: false }
/** Each word as it is asked, or in one of its forms. */
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

/** A word written as one is met by its parts where these stand in one and the same field. */
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
