import type { Holding, Kind, Series } from '#core/catalog'
import { codeText, writeCode } from './code'

/** A run of numbers that no set has: given and gone, or never given. */
export interface Gap {
  readonly from: number
  readonly to: number
}
/** A text on one thing that is the code of another. */
export interface DoubleCode {
  readonly text: string
  readonly holdingIds: readonly string[]
}

type Written = Pick<Series, 'prefix' | 'padding' | 'suffixBy'>
type KindOf = (id: string) => Pick<Kind, 'suffix'> | undefined

/**
 * Whether two series could print the same figure: their prefixes are equal or differ only in figures (`A` and `A1` both print A12).
 * Suffixes do not count, as they may be left off.
 */
export function mayClash(a: Pick<Series, 'prefix'>, b: Pick<Series, 'prefix'>): boolean {
  const [short, long] = [a.prefix, b.prefix].map(prefix => prefix.trim().toLowerCase()).sort((x, y) => x.length - y.length)
  return (long ?? '').startsWith(short ?? '') && /^\d*$/.test((long ?? '').slice((short ?? '').length))
}

/**
 * Runs of numbers, up to the highest, that no set has. O(n log n).
 * @example gapsIn([1, 2, 5], 6) //=> [{ from: 3, to: 4 }, { from: 6, to: 6 }]
 */
export function gapsIn(numbers: readonly number[], highest: number): readonly Gap[] {
  const gaps: Gap[] = []
  let expected = 1
  for (const number of [...new Set(numbers)].sort((a, b) => a - b)) {
    if (number > expected) gaps.push({ from: expected, to: number - 1 })
    expected = number + 1
  }
  if (highest >= expected) gaps.push({ from: expected, to: highest })
  return gaps
}

const writtenCode = (holding: Holding, series: Written, kindOf: KindOf): string =>
  codeText(writeCode(series, holding.number, kindOf(holding.kindId ?? '') ?? null))
const plain = (text: string): string => text.replace(/\s+/g, '').toLowerCase()

/** Codes and written numbers that more than one set has. O(n). */
export function doublesIn(
  holdings: readonly Holding[],
  seriesOf: (id: string) => Written | undefined,
  kindOf: KindOf,
): readonly DoubleCode[] {
  const owners = new Map<string, { readonly text: string; readonly ids: Set<string> }>()
  for (const holding of holdings) {
    const series = seriesOf(holding.seriesId)
    const texts = [
      ...(series ? [writeCode(series, holding.number, null).figure, writtenCode(holding, series, kindOf)] : []),
      ...holding.aliases.map(alias => alias.text),
    ]
    for (const text of texts) {
      const entry = owners.get(plain(text)) ?? { text, ids: new Set<string>() }
      entry.ids.add(holding.id)
      owners.set(plain(text), entry)
    }
  }
  return [...owners.values()]
    .filter(({ ids }) => ids.size > 1)
    .map(({ text, ids }) => ({ text, holdingIds: [...ids] }))
    .sort((a, b) => (a.text < b.text ? -1 : 1))
}

/**
 * Texts that can be read two ways (common practice): 12-203 is the 12-cell page 2, cell 03, or a running serial.
 * @example hasTwoReadings('12-203') //=> true
 */
export function hasTwoReadings(text: string): boolean {
  const match = /^\s*(\d{1,2})-(\d{1,2})(\d{2})\s*$/.exec(text)
  return match !== null && Number(match[1]) >= 1 && Number(match[3]) >= 1 && Number(match[3]) <= Number(match[1])
}

export interface LabelLine {
  readonly id: string
  readonly was: string
  readonly becomes: string
}

/** Sets whose label is out of date once the series is written differently. Only labelled sets count. */
export function staleLabels(
  holdings: readonly Holding[],
  before: Written & { readonly id: string },
  after: Written,
  kindOf: KindOf,
): readonly LabelLine[] {
  const isLabelled = ({ state }: Holding): boolean => !['draft', 'toClass', 'toPocket', 'toLabel', 'gone'].includes(state)
  return holdings
    .filter(holding => holding.seriesId === before.id && isLabelled(holding))
    .map(holding => ({
      id: holding.id,
      was: holding.labelText ?? writtenCode(holding, before, kindOf),
      becomes: writtenCode(holding, after, kindOf),
    }))
    .filter(({ was, becomes }) => was !== becomes)
}

/** Labels that disagree with their record: the kind, or how the series is written, changed after labelling. */
export function labelsThatDisagree(
  holdings: readonly Holding[],
  seriesOf: (id: string) => Written | undefined,
  kindOf: KindOf,
): readonly LabelLine[] {
  return holdings.flatMap(holding => {
    const series = seriesOf(holding.seriesId)
    const becomes = series ? writtenCode(holding, series, kindOf) : ''
    return holding.labelText !== null && series && becomes !== holding.labelText
      ? [{ id: holding.id, was: holding.labelText, becomes }]
      : []
  })
}
