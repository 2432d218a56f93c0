import MiniSearch, { type AsPlainObject, type Options, type SearchResult } from 'minisearch'
import { ASK_FIELDS, type AskDocument, type AskField, tokensOf } from './document'

export interface Hit {
  readonly id: string
  readonly accession: number
  /** Why it is an answer: field by field, the word of the set that matched. */
  readonly because: readonly { readonly field: AskField; readonly word: string }[]
}

export interface Answer {
  readonly ask: string
  /** `all`: every word of the ask is in each hit. `some`: no set has all of them. `near`: spelt a little differently. */
  readonly mode: 'all' | 'some' | 'near' | 'none' | 'tooShort'
  readonly hits: readonly Hit[]
  /** Words of the ask that no set has at all: honest absence. */
  readonly absent: readonly string[]
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

const OPTIONS: Options<AskDocument> = {
  fields: [...ASK_FIELDS],
  tokenize: tokensOf,
  processTerm: term => term,
  searchOptions: { prefix: word => word.length > 1, boost: { ...BOOSTS }, weights: { prefix: 0.5, fuzzy: 0.3 } },
}

/** An index as plain data, for JSON. It can be read again by the code that wrote it only. */
export interface WrittenIndex {
  readonly index: AsPlainObject
  readonly accessions: readonly (readonly [string, number])[]
}

/**
 * The index of all sets, held in a worker. Ranking is BM25+ (MiniSearch); ties go by number.
 *
 * @example AskIndex.read(new AskIndex().write()).ask('kelp').mode //=> 'none'
 */
export class AskIndex {
  constructor(
    private readonly index = new MiniSearch<AskDocument>(OPTIONS),
    /** Kept beside the index: fields stored in it would be copied into every result of every key press. */
    private readonly accessions = new Map<string, number>(),
  ) {}

  /** To be read again later, which takes a third of the time that making it anew does. */
  write(): WrittenIndex {
    return { index: this.index.toJSON(), accessions: [...this.accessions] }
  }

  static read({ index, accessions }: WrittenIndex): AskIndex {
    return new AskIndex(MiniSearch.loadJS(index, OPTIONS), new Map(accessions))
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
   * yet; alone, and matching nothing, it is no ask yet (`tooShort`).
   */
  ask(text: string): Answer {
    const typed = [...new Set(tokensOf(text))]
    const isBegun = typed.length > 1 && typed.at(-1)?.length === 1 && !text.endsWith(' ')
    const words = isBegun ? typed.slice(0, -1) : typed
    if (words.length === 0) return { ask: text, mode: 'tooShort', hits: [], absent: [] }
    const asked = words.join(' ')
    const all = this.index.search(asked, { combineWith: 'AND' })
    if (all.length > 0) return { ask: text, mode: 'all', hits: this.toHits(all), absent: [] }
    if (words.length === 1 && asked.length === 1) return { ask: text, mode: 'tooShort', hits: [], absent: [] }
    const near = this.index.search(asked, {
      combineWith: 'AND',
      fuzzy: word => (word.length >= NEAR_FROM_LETTERS && !/\d/.test(word) ? 0.25 : false),
    })
    const absent = words.filter(word => this.index.search(word).length === 0)
    if (near.length > 0) return { ask: text, mode: 'near', hits: this.toHits(near), absent }
    const some = words.length > 1 ? this.index.search(asked, { combineWith: 'OR' }) : []
    return { ask: text, mode: some.length > 0 ? 'some' : 'none', hits: this.toHits(some), absent }
  }

  /** The best first, as the index sorted them; equals by number. The why of a hit is worked out when somebody looks at it. */
  private toHits(results: readonly SearchResult[]): readonly Hit[] {
    const hits = results.map(result => new FoundHit(result, this.accessions.get(String(result.id)) ?? 0))
    for (let from = 0, to = 1; from < hits.length; from = to, to += 1) {
      while (to < hits.length && hits[to]?.score === hits[from]?.score) to += 1
      if (to - from < 2) continue
      const equals = hits.slice(from, to).sort((a, b) => a.accession - b.accession || (a.id < b.id ? -1 : 1))
      for (const [index, hit] of equals.entries()) hits[from + index] = hit
    }
    return hits
  }
}

class FoundHit implements Hit {
  readonly id: string
  constructor(
    private readonly result: SearchResult,
    readonly accession: number,
  ) {
    this.id = String(result.id)
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
