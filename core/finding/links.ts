import type { WordLink } from '#core/catalog'
import { plainLetters, tokensOf, WordForms } from '#core/classing'
import { SHORT_WORDS } from '#core/grammar'

/** Why one word leads to another: by the owner's own link, the short words of the craft, a see-also of a theme, what the words mean. */
export const LINKED_BY = ['yours', 'craft', 'theme', 'searchWord', 'meaning'] as const
export type LinkedBy = (typeof LINKED_BY)[number]

/** What the owner said about two words or phrases. */
export type OwnLink = Pick<WordLink, 'word' | 'goesWith' | 'isRuledOut'>
/** Something else to search for where `word` is asked. */
export interface LinkTarget {
  readonly text: string
  readonly by: LinkedBy
}

const CRAFT = SHORT_WORDS.flatMap(({ long, said }) => said.map((short): readonly [string, string] => [short, long]))

/** A word or phrase as a key of links: plain letters, single spaces. @example phraseOf(' Mother’s  Day ') //=> 'mothers day' */
export const phraseOf = (text: string): string => tokensOf(text).join(' ')
/** A key for two phrases, whichever was named first. @example pairOf('Mum', 'Mother’s Day') //=> 'mothers day|mum' */
export const pairOf = (a: string, b: string): string => [phraseOf(a), phraseOf(b)].sort().join('|')

/** An index of pairs by phrase, in both directions. `keyOf`: one key for every form of a phrase. */
function mapOf(pairs: Iterable<readonly [string, string]>, keyOf: (text: string) => string): ReadonlyMap<string, readonly string[]> {
  const map = new Map<string, string[]>()
  const note = (from: string, to: string): void => {
    const known = map.get(keyOf(from))
    if (known) known.push(to)
    else map.set(keyOf(from), [to])
  }
  for (const [a, b] of pairs) {
    note(a, b)
    note(b, a)
  }
  return map
}

/** A theme, and the themes that it refers to. */
export interface SeeAlso {
  readonly name: string
  readonly seeAlso: readonly string[]
}

/** All links of a room. `meanings`: words one step away in the lexicon, if there is one. */
export class Links {
  private readonly own: ReadonlyMap<string, readonly string[]>
  private readonly craft: ReadonlyMap<string, readonly string[]>
  private readonly themes: ReadonlyMap<string, readonly string[]>
  private readonly ruledOut: ReadonlySet<string>

  constructor(
    links: readonly OwnLink[],
    themes: readonly SeeAlso[] = [],
    private readonly meanings: ((word: string) => readonly string[]) | null = null,
    private readonly forms = new WordForms(),
  ) {
    const keyOf = (text: string): string => this.keyOf(text)
    this.own = mapOf(
      links.filter(link => !link.isRuledOut).map(link => [link.word, link.goesWith]),
      keyOf,
    )
    this.craft = mapOf(CRAFT, keyOf)
    this.themes = mapOf(
      themes.flatMap(({ name, seeAlso }) => seeAlso.map(other => [name, other] as const)),
      keyOf,
    )
    this.ruledOut = new Set(links.filter(link => link.isRuledOut).map(link => this.pairKey(link.word, link.goesWith)))
  }

  /** One key for every form of a phrase: of each word, the shortest form. */
  private keyOf(phrase: string): string {
    const shortest = (word: string): string =>
      [word, ...this.forms.keysOf(word)].reduce((short, key) =>
        key.length < short.length || (key.length === short.length && key < short) ? key : short,
      )
    return tokensOf(phrase).map(shortest).join(' ')
  }
  private pairKey(a: string, b: string): string {
    return [this.keyOf(a), this.keyOf(b)].sort().join('|')
  }

  /**
   * What a word or phrase is linked to, the owner's own links first; without duplicates and links that were ruled out.
   * @example new Links([]).targetsOf('bday') //=> [{ text: 'birthday', by: 'craft' }]
   */
  targetsOf(phrase: string): readonly LinkTarget[] {
    const [asked, key] = [phraseOf(phrase), this.keyOf(phrase)]
    const found: Readonly<Record<LinkedBy, readonly string[]>> = {
      yours: this.own.get(key) ?? [],
      craft: this.craft.get(key) ?? [],
      theme: this.themes.get(key) ?? [],
      searchWord: [],
      meaning: this.meanings?.(asked).filter(word => plainLetters(word) !== asked) ?? [],
    }
    const seen = new Set([key])
    return LINKED_BY.flatMap(by => found[by].map(text => ({ text, by }))).filter(({ text }) => {
      const target = this.keyOf(text)
      const isNew = target !== '' && !seen.has(target) && !this.ruledOut.has(this.pairKey(asked, text))
      seen.add(target)
      return isNew
    })
  }
}
