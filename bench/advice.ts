import { readFileSync } from 'node:fs'
import type { CatalogueData } from '#core/catalog'
import { type ClassField, Lexicon, LookAlikes, SUGGESTED_FIELDS, SuggestIndex } from '#core/classing'
import { unzipSync } from 'fflate'
import { makeLarge } from './collection'
import { median, ms, percentile, report } from './measure'

const COUNT = 20_000
const TYPED = ['Evening Limpet Rounds', 'harbor lantern stdy', 'Kelp Study 2', 'Night Ferry Borders'] as const

function learn(data: CatalogueData, lexicon: Lexicon | null): SuggestIndex {
  const index = new SuggestIndex()
  const relatedTo = (word: string): readonly string[] =>
    lexicon ? [...lexicon.related(word).synonyms, ...lexicon.related(word).narrower] : []
  index.setClasses('kind', data.kinds, relatedTo)
  index.setClasses('category', data.categories, relatedTo)
  index.setClasses('theme', data.themes, relatedTo)
  for (const holding of data.holdings) index.learn(holding.id, holding, holding)
  return index
}

/** Every beginning of every name, as the worker is asked while it is typed. */
function keystrokes(ask: (typed: string) => void): readonly number[] {
  return TYPED.flatMap(name =>
    Array.from(name, (_, at) => {
      const start = performance.now()
      ask(name.slice(0, at + 1))
      return performance.now() - start
    }),
  )
}

export function advice(): void {
  const data = makeLarge(COUNT)
  const names = new LookAlikes()
  for (const holding of data.holdings) names.put(holding)
  keystrokes(typed => names.ask(typed, null))
  const likeTimes = keystrokes(typed => names.ask(typed, data.brands[0]?.id ?? null))
  report(
    `${COUNT} sets: look-alike check a keystroke`,
    `p50 ${median(likeTimes).toFixed(1)}, p95 ${percentile(likeTimes, 0.95).toFixed(1)} ms`,
    'p95 10 ms',
  )

  const start = performance.now()
  const lexicon = new Lexicon(readFileSync('app/assets/words/lexicon.txt', 'utf8'))
  report('lexicon: reading it', ms(performance.now() - start), 'none given')
  const suggestions = learn(data, lexicon)
  const suggestTimes = keystrokes(typed => suggestions.suggest({ name: typed, words: ['wish you were here'], brandId: null }))
  report(
    `${COUNT} sets: suggestions a keystroke`,
    `p50 ${median(suggestTimes).toFixed(1)}, p95 ${percentile(suggestTimes, 0.95).toFixed(1)} ms`,
    '20 ms',
  )
  accuracy(lexicon)
}

/** Leave-one-out on the demo room: how often the first suggestion is right, of the sets that have the class. */
function accuracy(lexicon: Lexicon): void {
  const files = unzipSync(readFileSync('.demo/letter-room.zip'), { filter: file => file.name.startsWith('catalogue/') })
  const data = Object.fromEntries(
    Object.entries(files).map(([name, bytes]) => [
      name.slice('catalogue/'.length, -'.json'.length),
      JSON.parse(new TextDecoder().decode(bytes)) as unknown,
    ]),
  ) as unknown as CatalogueData
  const index = learn(data, lexicon)
  const sets = data.holdings.map(holding => ({ id: holding.id, facts: holding }))
  const line = (field: ClassField): string => {
    const { right, suggested, all } = index.leaveOneOut(field, sets)
    return `${Math.round((100 * right) / all)} % of ${all} right, ${Math.round((100 * suggested) / all)} % suggested`
  }
  for (const field of SUGGESTED_FIELDS) report(`  demo room, leave-one-out: ${field}`, line(field), 'none given')
}
