import { NaiveBayes, type Ranked } from './naiveBayes'
import { plainWords } from './normalise'

export const SUGGESTED_FIELDS = ['kind', 'category', 'theme'] as const
export type ClassField = (typeof SUGGESTED_FIELDS)[number]

/** Evidence for a class: the facts of a set before it is classed. */
export interface ClassFacts {
  readonly name: string
  readonly words: readonly string[]
  readonly brandId: string | null
}

export interface Suggestion {
  readonly field: ClassField
  /** Id of the kind, category or theme. */
  readonly id: string
  readonly share: number
  /** Words of the set that are evidence for it; `brand:` and an id is the brand. */
  readonly because: readonly string[]
  /** Own sets that it was learnt from; 0: only the meaning of the word is evidence. */
  readonly examples: number
}

interface Learnt {
  readonly words: readonly string[]
  readonly labels: readonly (readonly [ClassField, string])[]
}

/** A class known only by its own name counts as half a set; own sets soon outweigh it. */
const PRIOR_WEIGHT = 0.5
/** A less likely class is not worth showing. */
const LEAST_SHARE: Readonly<Record<ClassField, number>> = { kind: 0.4, category: 0.4, theme: 0.15 }
const SET_APART = 1.25
const MOST: Readonly<Record<ClassField, number>> = { kind: 1, category: 1, theme: 3 }
const SAYS_NOTHING = new Set([
  'the',
  'and',
  'for',
  'with',
  'you',
  'your',
  'are',
  'from',
  'set',
  'a',
  'an',
  'of',
  'to',
  'in',
  'is',
  'it',
  'be',
  'by',
  'on',
  'at',
  'my',
  'me',
  'our',
  'all',
  'was',
  'were',
  'has',
  'have',
  'this',
  'that',
  'here',
])

/** The words that a class is learnt and guessed from. The brand is one of them. */
function classWords({ name, words, brandId }: ClassFacts): readonly string[] {
  const said = [name, ...words].flatMap(plainWords).filter(word => !SAYS_NOTHING.has(word))
  return brandId ? [...said, `brand:${brandId}`] : said
}

/**
 * Suggests kind, category and themes of a set, learnt from the owner's catalogue. The names of classes and related words are a weak prior
 * while the catalogue is small. Nothing is ever filled in from it unasked.
 */
export class SuggestIndex {
  private readonly bayes: Readonly<Record<ClassField, NaiveBayes>> = {
    kind: new NaiveBayes(),
    category: new NaiveBayes(),
    theme: new NaiveBayes(),
  }
  private readonly learnt = new Map<string, Learnt>()
  private readonly priors = new Map<string, readonly string[]>()

  /** Sets the names of the classes of a field, with their synonyms; replaces earlier ones. */
  setClasses(
    field: ClassField,
    classes: readonly { readonly id: string; readonly name: string }[],
    relatedTo: (word: string) => readonly string[] = () => [],
  ): void {
    for (const [key, words] of this.priors) {
      if (!key.startsWith(`${field}/`)) continue
      this.bayes[field].unlearn(key.slice(field.length + 1), words, PRIOR_WEIGHT)
      this.priors.delete(key)
    }
    for (const { id, name } of classes) {
      const key = `${field}/${id}`
      const own = plainWords(name)
      const words = [...new Set([...own, ...own.flatMap(relatedTo).flatMap(plainWords)])].filter(word => !SAYS_NOTHING.has(word))
      this.priors.set(key, words)
      this.bayes[field].learn(id, words, PRIOR_WEIGHT)
    }
  }

  /** Learns from a set as it is classed now; replaces what was learnt from it before. */
  learn(
    id: string,
    facts: ClassFacts,
    classes: { readonly kindId: string | null; readonly categoryId: string | null; readonly themeIds: readonly string[] },
  ): void {
    this.forget(id)
    const words = classWords(facts)
    const labels: (readonly [ClassField, string])[] = classes.themeIds.map(theme => ['theme', theme] as const)
    if (classes.kindId) labels.push(['kind', classes.kindId])
    if (classes.categoryId) labels.push(['category', classes.categoryId])
    for (const [field, label] of labels) this.bayes[field].learn(label, words)
    this.learnt.set(id, { words, labels })
  }

  forget(id: string): void {
    const known = this.learnt.get(id)
    for (const [field, label] of known?.labels ?? []) this.bayes[field].unlearn(label, known?.words ?? [])
    this.learnt.delete(id)
  }

  /** The likeliest classes of each field that have evidence. O(classes * words). */
  suggest(facts: ClassFacts): readonly Suggestion[] {
    const words = classWords(facts)
    return SUGGESTED_FIELDS.flatMap(field => {
      const ranking = this.bayes[field].rank(words)
      const isWorthALook = (ranked: Ranked, at: number): boolean =>
        ranked.share >= LEAST_SHARE[field] ||
        // Without own sets, the meaning of one word is the only evidence: it must set the first class apart from the second.
        (at === 0 && ranked.examples === 0 && ranked.share >= SET_APART * (ranking[1]?.share ?? 0))
      return ranking
        .filter((ranked, at) => ranked.because.length > 0 && isWorthALook(ranked, at))
        .slice(0, MOST[field])
        .map(ranked => toSuggestion(field, ranked))
    })
  }

  /**
   * How often the first suggestion is right by leave-one-out: each set is guessed without having been learnt. Any of a set's themes counts
   * as right. Sets without the class do not count.
   */
  leaveOneOut(
    field: ClassField,
    sets: readonly { readonly id: string; readonly facts: ClassFacts }[],
  ): { readonly right: number; readonly suggested: number; readonly all: number } {
    let [right, suggested, all] = [0, 0, 0]
    for (const { id, facts } of sets) {
      const known = this.learnt.get(id)
      const own = known?.labels.filter(([each]) => each === field).map(([, label]) => label) ?? []
      if (!known || own.length === 0) continue
      for (const [each, label] of known.labels) this.bayes[each].unlearn(label, known.words)
      const first = this.suggest(facts).find(each => each.field === field)
      for (const [each, label] of known.labels) this.bayes[each].learn(label, known.words)
      all += 1
      if (first) suggested += 1
      if (first && own.includes(first.id)) right += 1
    }
    return { right, suggested, all }
  }
}

function toSuggestion(field: ClassField, { label, share, because, examples }: Ranked): Suggestion {
  return { field, id: label, share, because, examples }
}
