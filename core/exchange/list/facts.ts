import { groupSpellings, isNotSaid, type SpellingGroup } from '#core/classing'
import { type DateOrder, type KindFamily, LIMITS } from '#core/catalog'
import { endOfRun, isFarBeyond, readBareNumber } from '#core/numbering'
import { type LengthUnit, readSize } from '#core/units'
import { min } from 'd3-array'
import { nameOf } from './cells'
import { dateOrderOf, readDate } from './dates'
import type { ListField } from './fields'
import { kindGuesser, type KindReading } from './kinds'
import { hardThemes, hasSoftSign, themesOf } from './parts'
import type { ListTable } from './table'

/** The part of the catalogue that reading a list needs. */
export interface KnownNames {
  readonly brands: readonly { readonly id: string; readonly name: string; readonly variants: readonly string[] }[]
  readonly kinds: readonly { readonly id: string; readonly name: string; readonly family: KindFamily }[]
  readonly categories: readonly { readonly id: string; readonly name: string }[]
  readonly themes: readonly { readonly id: string; readonly name: string }[]
  /** The highest number of the running series by now. */
  readonly highestNumber: number
}

export interface Tally {
  readonly text: string
  readonly count: number
}

/** What the file as a whole says about cells that one by one could mean two things. */
export interface FileFacts {
  readonly sizes: {
    readonly unitless: readonly Tally[]
    readonly inInches: number
    readonly inCentimetres: number
    readonly recommended: LengthUnit | null
  }
  readonly dates: {
    readonly undecided: readonly Tally[]
    readonly monthFirst: number
    readonly dayFirst: number
    readonly recommended: DateOrder | null
    readonly shortYears: readonly Tally[]
  }
  /** Bare x in a column of yes and no. Where the column holds nothing else they are ticks. */
  readonly ticks: { readonly [F in 'used' | 'matchingDie']: { readonly texts: readonly Tally[]; readonly recommended: boolean | null } }
  /** Themes with a stroke, a plus or an `&` in them, and what each is read as. */
  readonly themes: readonly (Tally & { readonly parts: readonly string[] })[]
  /** Numbers far above the others, and above the run there is: product codes, perhaps. `from` is the first of them. */
  readonly farNumbers: { readonly texts: readonly Tally[]; readonly from: number | null }
  readonly kinds: readonly (Tally & { readonly recommended: KindReading })[]
  readonly brands: readonly SpellingGroup[]
}

/** How many written sizes must agree on a unit before it is proposed for those that have none. */
const AGREEING_SIZES = 3

export function tally(texts: Iterable<string>): readonly Tally[] {
  const counts = new Map<string, number>()
  for (const text of texts) if (text.trim() !== '') counts.set(text, (counts.get(text) ?? 0) + 1)
  return [...counts].map(([text, count]) => ({ text, count })).sort((a, b) => b.count - a.count || (a.text < b.text ? -1 : 1))
}

export function cellsOf(table: ListTable, columns: readonly ListField[], field: ListField): readonly string[] {
  const column = columns.indexOf(field)
  return column < 0 ? [] : table.rows.map(row => row[column] ?? '')
}

/** `tell` hears how many written brands have been compared with the others. O(rows + brands squared). */
export function gatherFacts(
  table: ListTable,
  columns: readonly ListField[],
  known: KnownNames,
  thisYear: number,
  tell?: (done: number, total: number) => void,
): FileFacts {
  const cells = (field: ListField): readonly string[] => cellsOf(table, columns, field)
  const guessKind = kindGuesser(known.kinds)
  return {
    sizes: sizeFacts(tally(cells('size'))),
    dates: dateFacts(tally(cells('acquiredOn')), thisYear),
    ticks: { used: tickFacts(cells('used')), matchingDie: tickFacts(cells('matchingDie')) },
    themes: themeFacts(cells('themes')),
    farNumbers: farFacts(tally(cells('number').map(text => text.trim())), known.highestNumber),
    kinds: tally(cells('kind').map(text => text.trim())).flatMap(each =>
      isNotSaid(each.text)
        ? []
        : [{ ...each, recommended: each.text.length > LIMITS.name ? { as: 'keep' as const } : guessKind(each.text) }],
    ),
    brands: groupSpellings(
      new Map(tally(cells('brand').map(nameOf)).flatMap(each => (isNotSaid(each.text) ? [] : [[each.text, each.count]]))),
      known.brands,
      tell,
    ),
  }
}

/** Some people mean yes by it, others no. */
export const TICK = /^x$/i

function tickFacts(cells: readonly string[]): FileFacts['ticks']['used'] {
  const texts = tally(cells.map(text => text.trim()))
  const ticks = texts.filter(each => TICK.test(each.text))
  return { texts: ticks, recommended: ticks.length > 0 && ticks.length === texts.length ? true : null }
}

function themeFacts(cells: readonly string[]): FileFacts['themes'] {
  const read = themesOf(cells)
  return tally(cells.flatMap(hardThemes).map(text => text.trim()))
    .filter(each => hasSoftSign(each.text))
    .map(each => ({ ...each, parts: read(each.text) }))
}

function farFacts(texts: readonly Tally[], highest: number): FileFacts['farNumbers'] {
  const read = texts.flatMap(each => {
    const number = readBareNumber(each.text)
    return number === null ? [] : [{ ...each, number }]
  })
  const end = Math.max(highest, endOfRun(read.flatMap(({ number, count }) => Array.from({ length: count }, () => number))))
  const far = read.filter(({ number }) => isFarBeyond(number, end))
  return { texts: far.map(({ text, count }) => ({ text, count })), from: min(far, each => each.number) ?? null }
}

function sizeFacts(sizes: readonly Tally[]): FileFacts['sizes'] {
  const unitless: Tally[] = []
  let [inInches, inCentimetres] = [0, 0]
  for (const each of sizes) {
    const reading = readSize(each.text)
    if (!reading.ok) {
      if (reading.code === 'unitMissing') unitless.push(each)
    } else if (reading.unitFrom !== 'name') {
      if (reading.unit === 'in') inInches += each.count
      else inCentimetres += each.count
    }
  }
  // Proposed only where every size that has a unit agrees, and never for centimetres: a bare 6x8 in a metric list is
  // as likely a trade size in inches.
  const recommended = inInches >= AGREEING_SIZES && inCentimetres === 0 ? 'in' : null
  return { unitless, inInches, inCentimetres, recommended }
}

function dateFacts(dates: readonly Tally[], thisYear: number): FileFacts['dates'] {
  const { order, monthFirst, dayFirst } = dateOrderOf(dates.flatMap(each => Array.from({ length: each.count }, () => each.text)))
  const read = (text: string, shortYears: boolean, assumed: DateOrder | null) => readDate(text, { order: assumed, shortYears, thisYear })
  const undecided = dates.filter(each => {
    const reading = read(each.text, true, null)
    return !reading.ok && reading.code === 'orderUnknown'
  })
  const shortYears = dates.filter(each => {
    const reading = read(each.text, true, order ?? 'monthFirst')
    return reading.ok && reading.hadShortYear
  })
  return { undecided, monthFirst, dayFirst, recommended: order, shortYears }
}
