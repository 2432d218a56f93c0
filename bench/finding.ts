import { readFileSync } from 'node:fs'
import MiniSearch from 'minisearch'
import { Lexicon, tokensOf, WordForms } from '#core/classing'
import { ASK_FIELDS, AskIndex, documentOf, Links, partings } from '#core/finding'
import { makeLarge } from './collection'
import { median, percentile, report } from './measure'

const COUNT = 20_000
/** Asks of one and of several words, with forms and without. */
const ASKS = 'harbours,happy birthdays,tide pool,ferns,letters home,light,anchors rope,thankyou,352,kelp study'.split(',')
const RUNS = 5

/** Every beginning of every ask, as the worker is asked while it is typed: milliseconds a key. */
function keys(ask: (typed: string) => unknown): readonly number[] {
  const once = (): number[] =>
    ASKS.flatMap(text =>
      Array.from(text, (_, at) => {
        const start = performance.now()
        ask(text.slice(0, at + 1))
        return performance.now() - start
      }),
    )
  const runs = Array.from({ length: RUNS }, once)
  return (runs[0] ?? []).map((_, at) => median(runs.map(run => run[at] ?? 0)))
}
const total = (times: readonly number[]): number => times.reduce((sum, each) => sum + each, 0)
const told = (times: readonly number[]): string =>
  `p50 ${median(times).toFixed(1)}, p95 ${percentile(times, 0.95).toFixed(1)}, all ${total(times).toFixed(0)} ms`

/** An ask against the search library alone, with the same fields and words, and what is linked. */
export function finding(): void {
  const data = makeLarge(COUNT)
  const mapOf = <T extends { readonly id: string }>(records: readonly T[]) => new Map(records.map(record => [record.id, record]))
  const names = { brands: mapOf(data.brands), kinds: mapOf(data.kinds), categories: mapOf(data.categories), themes: mapOf(data.themes) }
  const documents = data.holdings.map(holding => documentOf(holding, names, mapOf(data.series)))
  const library = new MiniSearch({
    fields: ASK_FIELDS.filter(field => field !== 'searchWords'),
    tokenize: tokensOf,
    processTerm: term => term,
    searchOptions: { prefix: word => word.length > 1 },
  })
  library.addAll(documents)
  const index = new AskIndex(WordForms.read(readFileSync('app/assets/words/plurals.txt', 'utf8')))
  index.put(documents)
  const lexicon = new Lexicon(readFileSync('app/assets/words/lexicon.txt', 'utf8'))
  index.knowEnglish(word => lexicon.isEnglish(word))
  const links = new Links([], [], word => lexicon.near(word))
  const alone = keys(typed => library.search(typed, { combineWith: 'AND' }))
  const asked = keys(typed => index.ask(typed))
  const linked = keys(typed => index.linked(typed, links, new Set()))
  report(`${COUNT} sets: the search library alone`, told(alone), 'none given')
  report(`${COUNT} sets: an answer with word forms`, told(asked), 'none given')
  report('  against the library alone', `${(total(asked) / total(alone)).toFixed(2)} x`, '1.5 x')
  report(`${COUNT} sets: what is linked, once typing rests`, told(linked), 'none given')

  const holdings = mapOf(data.holdings)
  const facts = { containerOf: (id: string) => id.slice(-2), hasDie: () => null, wasUsed: () => null }
  const parted = (ask: string): number => {
    const sets = index.ask(ask).hits.flatMap(hit => holdings.get(hit.id) ?? [])
    const start = performance.now()
    partings(sets, { kind: [data.kinds[0]?.id ?? ''] }, facts)
    return performance.now() - start
  }
  const times = ASKS.flatMap(ask => Array.from({ length: RUNS }, () => parted(ask)))
  report(
    `${COUNT} sets: how an answer parts, all eight ways`,
    `p50 ${median(times).toFixed(1)}, p95 ${percentile(times, 0.95).toFixed(1)} ms`,
    '30 ms',
  )
}
