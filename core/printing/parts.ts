import { pageLetter } from '#core/classing'
import type { IndexEntry, IndexPart } from './book'

/** A set ready for the index: its entry, its number, the names of all its themes, and where it stands. */
export interface IndexSource {
  readonly entry: IndexEntry
  readonly accession: number
  readonly themes: readonly { readonly name: string; readonly sharesPage: boolean }[]
  /** Container by container in walking order; null: no place yet. */
  readonly place: { readonly heading: string; readonly containerRank: number; readonly position: number } | null
}

export const INDEX_PART_NAMES = ['byTheme', 'byNumber', 'byPlace'] as const
export type IndexPartName = (typeof INDEX_PART_NAMES)[number]

export interface PartWords {
  readonly titles: Readonly<Record<IndexPartName, string>>
  readonly noTheme: string
  readonly noPlace: string
  readonly numberRange: (first: number, last: number) => string
}

/** So many numbers stand under one heading. */
const HUNDRED = 100

const byAccession = (a: IndexSource, b: IndexSource): number => a.accession - b.accession || (a.entry.id < b.entry.id ? -1 : 1)

type Builder = (sources: readonly IndexSource[], words: PartWords) => IndexPart['groups']

function grouped<K>(pairs: readonly (readonly [K, IndexSource])[]): Map<K, IndexSource[]> {
  const groups = new Map<K, IndexSource[]>()
  for (const [key, source] of pairs) {
    const group = groups.get(key)
    if (group) group.push(source)
    else groups.set(key, [source])
  }
  return groups
}

/**
 * Every set stands under every theme it has, with the same number each time. Themes in alphabetical order; those that share a
 * page under their letter.
 */
const byTheme: Builder = (sources, words) => {
  const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' })
  const letters = new Map<string, Set<string>>()
  for (const { name } of sources.flatMap(source => source.themes.filter(theme => theme.sharesPage)))
    letters.set(pageLetter(name), (letters.get(pageLetter(name)) ?? new Set()).add(name))
  const headingOf = ({ name, sharesPage }: IndexSource['themes'][number]): string =>
    sharesPage ? `${pageLetter(name)}: ${[...(letters.get(pageLetter(name)) ?? [])].sort(collator.compare).join(', ')}` : name
  const withTheme = sources.flatMap(source => [...new Set(source.themes.map(headingOf))].map(heading => [heading, source] as const))
  const without = sources.filter(source => source.themes.length === 0)
  const groups = [...grouped(withTheme)]
    .sort(([a], [b]) => collator.compare(a, b))
    .map(([heading, each]) => ({ heading, entries: each.sort(byAccession).map(source => source.entry) }))
  return [...groups, { heading: words.noTheme, entries: without.sort(byAccession).map(source => source.entry) }]
}

const byNumber: Builder = (sources, words) => {
  const pairs = [...sources].sort(byAccession).map(source => [Math.floor(source.accession / HUNDRED), source] as const)
  return [...grouped(pairs)].map(([hundred, each]) => ({
    heading: words.numberRange(Math.max(1, hundred * HUNDRED), hundred * HUNDRED + HUNDRED - 1),
    entries: each.map(source => source.entry),
  }))
}

const byPlace: Builder = (sources, words) => {
  const placed = sources
    .flatMap(source => (source.place ? [{ source, ...source.place }] : []))
    .sort((a, b) => a.containerRank - b.containerRank || a.position - b.position || byAccession(a.source, b.source))
  const groups = [...grouped(placed.map(({ containerRank, source }) => [containerRank, source] as const))].map(([, each]) => ({
    heading: each[0]?.place?.heading ?? '',
    entries: each.map(source => source.entry),
  }))
  const homeless = sources.filter(source => source.place === null).sort(byAccession)
  return [...groups, { heading: words.noPlace, entries: homeless.map(source => source.entry) }]
}

const BUILDERS: Readonly<Record<IndexPartName, Builder>> = { byTheme, byNumber, byPlace }

export function buildParts(names: readonly IndexPartName[], sources: readonly IndexSource[], words: PartWords): readonly IndexPart[] {
  return names.map(name => ({ title: words.titles[name], groups: BUILDERS[name](sources, words) }))
}
