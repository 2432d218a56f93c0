import { plainLetters, plainWords } from '#core/classing'
import { NUMBER_WORDS, romanOf } from '#core/grammar'

/** A name that ends in a number: the comparable text before it (its stem), and the number. */
export interface SeriesName {
  readonly stem: string
  readonly number: number
}
/** The owned sets of one series, and the missing numbers between them. */
export interface NumberedSeries {
  readonly stem: string
  /** The name without its number, as one of the sets has it. */
  readonly name: string
  readonly owned: readonly { readonly number: number; readonly id: string }[]
  /** Numbers not owned, from 1 to the highest that is owned or asked for. */
  readonly lacking: readonly number[]
  /** The number in the ask, if it has one. */
  readonly asked: number | null
}

/** From two: a single i is a word more often than a number. */
const ROMAN = new Map(NUMBER_WORDS.map((_, number) => [romanOf(number), number] as const).slice(2))
const WORDS = new Map(NUMBER_WORDS.map((word, number) => [word, number] as const).slice(1))
const ENDS_IN_NUMBER = new RegExp(`(?:\\d|${[...WORDS.keys(), ...ROMAN.keys()].join('|')})\\s*$`, 'i')
const BEFORE_NUMBER = /(?:[\s,.#:-]+(?:no|nr|number|part|vol|volume|set|book|teil|band|tome)\.?)?[\s.#:]*$/

const comparable = (name: string): string => plainWords(plainLetters(name)).join(' ')

/**
 * Reads a name as one of a numbered series; null: it has no number at its end.
 * @example readSeries('Tide Tables No. 4') //=> { stem: 'tide tables', number: 4 }
 * @example readSeries('Harbour Lights III') //=> { stem: 'harbour lights', number: 3 }
 * @example readSeries('Almanac 1996') //=> null
 */
export function readSeries(name: string): SeriesName | null {
  // Cheap test first: few names end in a number.
  if (!ENDS_IN_NUMBER.test(name)) return null
  const plain = plainLetters(name).trim()
  const last = /(?:^|[\s#.:-])([\p{L}\d]+)$/u.exec(plain)?.[1] ?? ''
  // Three or more figures are a year or a product code.
  const number = /^\d{1,2}$/.test(last) ? Number(last) : (ROMAN.get(last) ?? WORDS.get(last) ?? 0)
  if (number < 1) return null
  const stem = ` ${plain.slice(0, plain.length - last.length)}`
    .replace(BEFORE_NUMBER, '')
    .replace(/[\s,.#:-]+$/, '')
    .trim()
  return stem === '' ? null : { stem: comparable(stem), number }
}

/**
 * The series that a name belongs to, with or without its number: what is owned and what is missing. null: fewer than two sets are owned,
 * or the one owned set has the only number. O(holdings).
 */
export function seriesOf(
  name: string,
  brandId: string | null,
  holdings: Iterable<{ readonly id: string; readonly name: string; readonly brandId: string | null }>,
): NumberedSeries | null {
  const read = readSeries(name)
  const stem = read?.stem ?? comparable(name)
  const owned: { number: number; id: string; name: string }[] = []
  for (const each of holdings) {
    const own = readSeries(each.name)
    if (own?.stem === stem && (brandId === null || each.brandId === null || each.brandId === brandId))
      owned.push({ number: own.number, id: each.id, name: each.name })
  }
  owned.sort((a, b) => a.number - b.number || (a.id < b.id ? -1 : 1))
  const numbers = new Set(owned.map(each => each.number))
  const [asked, first] = [read?.number ?? null, owned[0]]
  const highest = Math.max(asked ?? 0, ...numbers)
  if (!first || highest < 2) return null
  const lacking = Array.from({ length: highest }, (_, at) => at + 1).filter(number => !numbers.has(number))
  return {
    stem,
    name: writtenAs(first.name.trim(), stem),
    owned: owned.map(({ number, id }) => ({ number, id })),
    lacking,
    asked,
  }
}

/** The part of the name that is its stem, as written. */
function writtenAs(name: string, stem: string): string {
  for (let end = 1; end <= name.length; end += 1) if (comparable(name.slice(0, end)) === stem) return name.slice(0, end)
  return name
}
