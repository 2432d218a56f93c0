/** The reasons of a choice: the words with the most weight, and the number of examples it was learnt from. */
export interface Ranked {
  readonly label: string
  /** Log of prior times likelihood, comparable between labels of one ranking only. */
  readonly logScore: number
  /** The label's share of the total, 0 to 1. */
  readonly share: number
  readonly because: readonly string[]
  readonly examples: number
}

interface Label {
  examples: number
  priorExamples: number
  words: number
  readonly counts: Map<string, number>
}

const BECAUSE_WORDS = 3

/**
 * Multinomial naive Bayes with add-one smoothing: Manning, Raghavan and Schuetze 2008, sec. 13.2. Learns and unlearns one example at a
 * time, O(words); ranks in O(labels * words). Unknown words are ignored. An example may weigh less than one: a prior that fades as real
 * examples come in.
 * @example (bayes => (bayes.learn('Harbour', ['anchor', 'rope']), bayes.rank(['anchor'])[0]?.label))(new NaiveBayes())
 * //=> 'Harbour'
 */
export class NaiveBayes {
  private readonly labels = new Map<string, Label>()
  private readonly vocabulary = new Map<string, number>()
  private examples = 0

  learn(label: string, words: readonly string[], weight = 1): void {
    this.change(label, words, weight, weight === 1 ? 1 : 0)
  }

  /** Undoes `learn` of the same example and weight. */
  unlearn(label: string, words: readonly string[], weight = 1): void {
    this.change(label, words, -weight, weight === 1 ? -1 : 0)
  }

  private change(name: string, words: readonly string[], weight: number, counted: number): void {
    const label = this.labels.get(name) ?? { examples: 0, priorExamples: 0, words: 0, counts: new Map<string, number>() }
    this.labels.set(name, label)
    label.examples += counted
    label.priorExamples += weight
    this.examples += weight
    for (const word of words) {
      label.words += weight
      add(label.counts, word, weight)
      add(this.vocabulary, word, weight)
    }
    if (label.priorExamples < EMPTY) this.labels.delete(name)
  }

  /** All labels, most probable first; ties by name. Empty if nothing was learnt or no word is known. */
  rank(words: readonly string[]): readonly Ranked[] {
    const known = words.filter(word => this.vocabulary.has(word))
    if (known.length === 0 || this.labels.size === 0) return []
    const scored = [...this.labels].map(([name, label]) => ({ name, label, logScore: this.logScore(label, known) }))
    const highest = Math.max(...scored.map(each => each.logScore))
    const total = scored.reduce((sum, each) => sum + Math.exp(each.logScore - highest), 0)
    return scored
      .sort((a, b) => b.logScore - a.logScore || (a.name < b.name ? -1 : 1))
      .map(({ name, label, logScore }) => ({
        label: name,
        logScore,
        share: Math.exp(logScore - highest) / total,
        examples: label.examples,
        because: this.because(label, known),
      }))
  }

  private logScore(label: Label, words: readonly string[]): number {
    return words.reduce((sum, word) => sum + Math.log(this.likelihood(label, word)), Math.log(label.priorExamples / this.examples))
  }

  private likelihood(label: Label, word: string): number {
    return ((label.counts.get(word) ?? 0) + 1) / (label.words + this.vocabulary.size)
  }

  /** Words of the label, by how much more frequent they are there than anywhere. */
  private because(label: Label, words: readonly string[]): readonly string[] {
    const everywhere = [...this.labels.values()].reduce((sum, each) => sum + each.words, 0)
    const lift = (word: string): number => this.likelihood(label, word) / ((this.vocabulary.get(word) ?? 0) / Math.max(1, everywhere))
    return [...new Set(words)]
      .filter(word => label.counts.has(word))
      .sort((a, b) => lift(b) - lift(a) || (a < b ? -1 : 1))
      .slice(0, BECAUSE_WORDS)
  }
}

/** A smaller count is a rounding error of what was unlearned. */
const EMPTY = 1e-9

function add(counts: Map<string, number>, word: string, weight: number): void {
  const now = (counts.get(word) ?? 0) + weight
  if (now < EMPTY) counts.delete(word)
  else counts.set(word, now)
}
