import { plainLetters } from '#core/classing'
import { type PlaceReading, readPlace } from './read'
import type { PlaceSort } from './words'

/** A set, and the place that its list states. */
export interface ListedPlace {
  readonly id: string
  readonly text: string
}
/** One place: its spellings, and the sets that are said to be there, in list order. */
export interface PlaceSpot<R extends PlaceReading | null = PlaceReading | null> {
  readonly texts: readonly string[]
  readonly ids: readonly string[]
  readonly reading: R
}
/** Places of one sort: a word with figures, codes of pages of one size, or texts that name no place. */
export interface PlaceFamily {
  readonly key: string
  readonly as: PlaceReading['as'] | 'unread'
  readonly sort: PlaceSort | null
  /** The most frequent spelling of the word, with a capital: `CD`, `Bin`; empty: no word. */
  readonly word: string
  /** In the order of the list. */
  readonly spots: readonly PlaceSpot[]
  readonly sets: number
}

/** The key of a family. */
function familyKey(reading: PlaceReading | null): string {
  if (!reading) return 'unread'
  if (reading.as === 'in') return `in/${reading.family}`
  return reading.as === 'cell' ? `cell/${reading.cells}` : reading.as
}
/** The key of a place within its family. */
function spotKey(reading: PlaceReading | null, text: string): string {
  if (!reading) return plainLetters(text.trim()).replace(/\s+/g, ' ')
  if (reading.as === 'cell') return `${reading.page}/${reading.cell}/${reading.isBack}`
  if (reading.as === 'number') return reading.text
  if (reading.as !== 'in') return ''
  const { page, cell, slot, side } = reading.behind
  return [reading.mark, page, cell, slot, side].join('/')
}

interface Gathered {
  readonly reading: PlaceReading | null
  readonly spots: Map<string, { readonly texts: Set<string>; readonly ids: string[]; readonly reading: PlaceReading | null }>
  readonly words: Map<string, number>
}

/**
 * The places of a list by family, the most frequent first; every set with a text is in one place of one family. O(n).
 * @example familiesOf([{ id: 'a', text: 'Bin 4' }, { id: 'b', text: 'bin #4' }])[0].spots.length //=> 1
 */
export function familiesOf(listed: readonly ListedPlace[]): readonly PlaceFamily[] {
  const read = new Map<string, PlaceReading | null>()
  const families = new Map<string, Gathered>()
  for (const { id, text } of listed) {
    if (text.trim() === '') continue
    const known = read.get(text)
    const reading = known === undefined ? readPlace(text) : known
    if (known === undefined) read.set(text, reading)
    const key = familyKey(reading)
    const family = families.get(key) ?? { reading, spots: new Map(), words: new Map() }
    families.set(key, family)
    const word = reading?.as === 'in' ? (/\p{L}+/u.exec(text)?.[0] ?? '') : ''
    family.words.set(word, (family.words.get(word) ?? 0) + 1)
    const at = spotKey(reading, text)
    const spot = family.spots.get(at) ?? { texts: new Set(), ids: [], reading }
    family.spots.set(at, spot)
    spot.ids.push(id)
    spot.texts.add(text)
  }
  return [...families]
    .map(([key, { reading, spots, words }]): PlaceFamily => {
      const all = [...spots.values()].map(spot => ({ ...spot, texts: [...spot.texts] }))
      return {
        key,
        as: reading?.as ?? 'unread',
        sort: reading?.as === 'in' ? reading.sort : null,
        word: capital(mostOf(words)),
        spots: all,
        sets: all.reduce((sum, spot) => sum + spot.ids.length, 0),
      }
    })
    .sort((a, b) => b.sets - a.sets || (a.key < b.key ? -1 : 1))
}

const mostOf = (words: ReadonlyMap<string, number>): string => [...words].sort(([a, n], [b, m]) => m - n || (a < b ? -1 : 1))[0]?.[0] ?? ''
const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1)

type InSpot = PlaceSpot<Extract<PlaceReading, { as: 'in' }>>
type CellSpot = PlaceSpot<Extract<PlaceReading, { as: 'cell' }>>
export const inSpots = (family: PlaceFamily): readonly InSpot[] => family.spots.filter((spot): spot is InSpot => spot.reading?.as === 'in')
export const cellSpots = (family: PlaceFamily): readonly CellSpot[] =>
  family.spots.filter((spot): spot is CellSpot => spot.reading?.as === 'cell')

/** Figures in their order, before letters. */
const markRank = (mark: string): number => (/^\d+$/.test(mark) ? Number(mark) : Infinity)
/** The marks of the containers of a family, each once: `['1', '2', '10', 'A']`. */
export const marksOf = (family: PlaceFamily): readonly string[] =>
  [...new Set(inSpots(family).map(({ reading }) => reading.mark))].sort((a, b) => {
    if (markRank(a) === markRank(b)) return a < b ? -1 : 1
    return markRank(a) - markRank(b)
  })
