import { group } from 'd3-array'
import type { BookWay } from '#core/catalog'
import { compareNames } from '#core/grammar'
import { readSeries, seriesOf } from '#core/finding'
import { entryOf, type EntryChoices } from './entries'
import { inContext } from './inContext'
import type { BookEntry, BookHeading, BookSource, NamedHeading, WantedWay } from './wanted'

/** Titles of headings that have no record. */
export interface WayWords {
  readonly noTheme: string
  readonly noCategory: string
  readonly noKind: string
  readonly noBrand: string
  readonly noPlace: string
  readonly numbers: (first: number, last: number, numbering: string) => string
  /** A number of a series that is missing. */
  readonly gap: (number: number) => string
}

type Builder = (sources: readonly BookSource[], choices: EntryChoices, words: WayWords) => readonly BookHeading[]

/** Numbers under one heading. */
const HUNDRED = 100
const byNumber = (a: BookSource, b: BookSource): number =>
  compareNames(a.numbering, b.numbering) || a.accession - b.accession || (a.id < b.id ? -1 : 1)

/** Every set under each of its headings; sets without one at the end. */
function underNames(
  headingsOf: (source: BookSource) => readonly NamedHeading[],
  without: (words: WayWords) => string,
  order: (a: BookSource, b: BookSource) => number = byNumber,
): Builder {
  return (sources, choices, words) => {
    const sorted = [...sources].sort(order)
    const named = new Map(sorted.flatMap(source => headingsOf(source).map(each => [each.id, each] as const)))
    const under = group(
      sorted.flatMap(source => [...new Set(headingsOf(source).map(({ id }) => id))].map(id => ({ id, source }))),
      ({ id }) => id,
    )
    const headings = [...named.values()]
      .sort((a, b) => compareNames(a.name, b.name) || (a.id < b.id ? -1 : 1))
      .map(({ id, name, ...more }): BookHeading => ({
        key: id,
        title: name,
        seeAlso: 'seeAlso' in more ? (more.seeAlso as readonly string[]) : [],
        leaf: 'sharesPage' in more && more.sharesPage ? 'letter' : 'byCount',
        entries: (under.get(id) ?? []).map(({ source }) => entryOf(source, choices)),
      }))
    const none = sorted.filter(source => headingsOf(source).length === 0)
    return [
      ...headings,
      { key: 'none', title: without(words), seeAlso: [], leaf: 'own', entries: none.map(each => entryOf(each, choices)) },
    ]
  }
}

/** The number of a maker's own box or plate, as far as it is known. */
const byMakersNumber = (a: BookSource, b: BookSource): number =>
  (a.makersNumber === '' ? 1 : 0) - (b.makersNumber === '' ? 1 : 0) || compareNames(a.makersNumber, b.makersNumber) || byNumber(a, b)

const numbers: Builder = (sources, choices, words) => {
  const hundreds = group([...sources].sort(byNumber), source => `${source.numbering} ${Math.floor(source.accession / HUNDRED)}`)
  return [...hundreds].map(([key, all]) => {
    const first = Math.floor((all[0]?.accession ?? 0) / HUNDRED) * HUNDRED
    const title = words.numbers(Math.max(1, first), first + HUNDRED - 1, all[0]?.numbering ?? '')
    return { key, title, seeAlso: [], leaf: 'own', entries: all.map(source => entryOf(source, choices)) }
  })
}

const places: Builder = (sources, choices, words) => {
  const standing = sources
    .flatMap(source => (source.place ? [{ source, place: source.place }] : []))
    .sort((a, b) => a.place.rank - b.place.rank || a.place.position - b.place.position || byNumber(a.source, b.source))
  const headings = [...group(standing, ({ place }) => place.id)].map(([key, all]): BookHeading => ({
    key,
    title: all[0]?.place.heading ?? '',
    seeAlso: [],
    leaf: 'own',
    entries: all.map(({ source }) => entryOf(source, choices)),
  }))
  const homeless = sources.filter(({ place }) => place === null).sort(byNumber)
  const entries = homeless.map(source => entryOf(source, choices))
  return [...headings, { key: 'none', title: words.noPlace, seeAlso: [], leaf: 'own', entries }]
}

/** Numbered series: each number in order, with a line for each missing number. */
const series: Builder = (sources, choices, words) => {
  const holdings = sources.map(({ id, name, brand }) => ({ id, name, brandId: brand?.id ?? null }))
  const byId = new Map(sources.map(source => [source.id, source]))
  const headings = new Map<string, BookHeading>()
  const numbered = group(
    holdings.filter(({ name }) => readSeries(name) !== null),
    ({ name, brandId }) => `${readSeries(name)?.stem ?? ''} ${brandId ?? ''}`,
  )
  for (const [key, all] of numbered) {
    const found = all[0] && seriesOf(all[0].name, all[0].brandId, all)
    if (!found || found.owned.length < 2) continue
    const owned = found.owned.flatMap(({ number, id }) => {
      const source = byId.get(id)
      return source ? [{ number, entry: entryOf(source, choices) }] : []
    })
    const gaps = found.lacking.map(number => ({ number, entry: gapOf(number, words) }))
    const entries = [...owned, ...gaps].sort((a, b) => a.number - b.number).map(({ entry }) => entry)
    headings.set(key, { key, title: found.name, seeAlso: [], leaf: 'letter', entries })
  }
  return [...headings.values()].sort((a, b) => compareNames(a.title, b.title) || (a.key < b.key ? -1 : 1))
}
const gapOf = (number: number, words: WayWords): BookEntry => ({
  key: `gap ${number}`,
  holdingId: null,
  figure: '',
  suffix: '',
  name: words.gap(number),
  detail: '',
  address: '',
  picture: null,
  phrase: null,
})

/** Every phrase and thing on a set, under each of its words. */
const words: Builder = (sources, choices) => {
  const lines = [...sources].sort(byNumber).flatMap(source =>
    [...new Set(source.words)].flatMap(phrase =>
      inContext(phrase).map(({ word, before, written, behind }) => ({
        word,
        behind,
        entry: {
          ...entryOf(source, { ...choices, picture: 'none' as const }, `${source.id} ${phrase}`.slice(0, 400)),
          phrase: [before, written, behind] as const,
        },
      })),
    ),
  )
  return [...group(lines, ({ word }) => word)]
    .sort(([a], [b]) => compareNames(a, b))
    .map(([word, all]) => ({
      key: word.slice(0, 400),
      title: word,
      seeAlso: [],
      leaf: 'letter',
      entries: all.sort((a, b) => compareNames(a.behind, b.behind)).map(({ entry }) => entry),
    }))
}

const one = (heading: NamedHeading | null): readonly NamedHeading[] => (heading ? [heading] : [])
const BUILDERS: Readonly<Record<BookWay, Builder>> = {
  theme: underNames(
    ({ themes }) => themes,
    ({ noTheme }) => noTheme,
  ),
  category: underNames(
    ({ category }) => one(category),
    ({ noCategory }) => noCategory,
  ),
  kind: underNames(
    ({ kind }) => one(kind),
    ({ noKind }) => noKind,
  ),
  brand: underNames(
    ({ brand }) => one(brand),
    ({ noBrand }) => noBrand,
    byMakersNumber,
  ),
  series,
  word: words,
  number: numbers,
  place: places,
}

/** The ways in, each with its headings and entries in order. O(entries log entries). */
export function wantedWays(
  names: readonly BookWay[],
  sources: readonly BookSource[],
  choices: EntryChoices,
  wayWords: WayWords,
): readonly WantedWay[] {
  return names.map(way => ({ way, headings: BUILDERS[way](sources, choices, wayWords).filter(({ entries }) => entries.length > 0) }))
}
