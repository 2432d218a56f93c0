import { compareNames } from '#core/grammar'
import { tokensOf } from './words'

/**
 * The names that a typed text may mean, best first: the name itself, names that begin with it, names with a word that does, names that
 * contain it. Ties go by the alphabet; capitals and accents do not count. An empty text matches every name.
 * @example bestMatches('plu', ['Slack-water', 'Duplum', 'Old Plum', 'Plumb Bob'], 8) //=> ['Plumb Bob', 'Old Plum', 'Duplum']
 */
export function bestMatches(typed: string, names: readonly string[], most: number): readonly string[] {
  const wanted = plain(typed)
  return names
    .flatMap(name => {
      const rank = rankOf(wanted, plain(name))
      return rank === null ? [] : [{ name, rank }]
    })
    .sort((a, b) => a.rank - b.rank || compareNames(a.name, b.name))
    .slice(0, most)
    .map(each => each.name)
}

const plain = (text: string): string => tokensOf(text).join(' ')

function rankOf(wanted: string, name: string): number | null {
  if (name === wanted) return 0
  if (name.startsWith(wanted)) return 1
  if (name.includes(` ${wanted}`)) return 2
  return name.includes(wanted) ? 3 : null
}
