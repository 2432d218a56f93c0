import type { DateOrder } from '#core/catalog'

export type DateReading =
  | { readonly ok: true; readonly date: string; readonly hadShortYear: boolean }
  /** Both readings are possible and the file does not decide. */
  | { readonly ok: false; readonly code: 'orderUnknown' | 'shortYear' | 'unread' }

const MONTHS = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
] as const
const NUMERIC = /^(\d{1,2})([/.-])(\d{1,2})\2(\d{4}|\d{2})$/
const ISO = /^(\d{4})-(\d{1,2})(?:-(\d{1,2}))?$/
const NAMED = /^(?:(\d{1,2})(?:st|nd|rd|th)?\s+)?([a-z]{3,9})\.?(?:\s+(\d{1,2})(?:st|nd|rd|th)?,?)?,?\s+(\d{4})$/

/**
 * Which order the dates of a column are in, by those that leave no choice: 2/15/14 can only have the month first.
 * `evidence` counts them; with none, or with some for each, nobody knows.
 */
export function dateOrderOf(texts: Iterable<string>): {
  readonly order: DateOrder | null
  readonly monthFirst: number
  readonly dayFirst: number
} {
  let [monthFirst, dayFirst] = [0, 0]
  for (const text of texts) {
    const match = NUMERIC.exec(text.trim())
    if (!match) continue
    const [first, second] = [Number(match[1]), Number(match[3])]
    if (first > 12 && second <= 12) dayFirst += 1
    if (second > 12 && first <= 12) monthFirst += 1
  }
  const order = monthFirst > 0 && dayFirst === 0 ? 'monthFirst' : dayFirst > 0 && monthFirst === 0 ? 'dayFirst' : null
  return { order, monthFirst, dayFirst }
}

/**
 * Reads a date to as much as it says: a day, a month (`Dec 2011` is 2011-12) or a year. Years of two digits are the
 * latest such year not after `thisYear`, if the caller allows it (`shortYears`).
 * @example readDate('2/15/14', { order: 'monthFirst', shortYears: true, thisYear: 2026 })
 * //=> { ok: true, date: '2014-02-15', hadShortYear: true }
 */
export function readDate(
  text: string,
  how: { readonly order: DateOrder | null; readonly shortYears: boolean; readonly thisYear: number },
): DateReading {
  const plain = text.trim().toLowerCase()
  if (/^\d{4}$/.test(plain)) return dated(Number(plain), null, null)
  const iso = ISO.exec(plain)
  if (iso) return dated(Number(iso[1]), Number(iso[2]), iso[3] ? Number(iso[3]) : null)
  const named = NAMED.exec(plain)
  if (named) {
    const month = MONTHS.findIndex(name => name.startsWith(named[2] ?? '?')) + 1
    const day = named[1] ?? named[3]
    return month === 0 || (named[1] && named[3]) ? { ok: false, code: 'unread' } : dated(Number(named[4]), month, day ? Number(day) : null)
  }
  const numeric = NUMERIC.exec(plain)
  return numeric ? fromNumbers(numeric, how) : { ok: false, code: 'unread' }
}

function fromNumbers(
  match: RegExpExecArray,
  how: { readonly order: DateOrder | null; readonly shortYears: boolean; readonly thisYear: number },
): DateReading {
  const [first, second] = [Number(match[1]), Number(match[3])]
  const written = match[4] ?? ''
  const isShort = written.length === 2
  const order = first > 12 ? 'dayFirst' : second > 12 ? 'monthFirst' : first === second ? 'monthFirst' : how.order
  if (!order) return { ok: false, code: 'orderUnknown' }
  if (isShort && !how.shortYears) return { ok: false, code: 'shortYear' }
  const year = isShort ? latestYear(Number(written), how.thisYear) : Number(written)
  const [month, day] = order === 'monthFirst' ? [first, second] : [second, first]
  return dated(year, month, day, isShort)
}

function latestYear(short: number, thisYear: number): number {
  const century = Math.floor(thisYear / 100) * 100
  return century + short <= thisYear ? century + short : century - 100 + short
}

function dated(year: number, month: number | null, day: number | null, hadShortYear = false): DateReading {
  if (year < 1800 || year > 2200) return { ok: false, code: 'unread' }
  if (month === null) return { ok: true, date: String(year), hadShortYear }
  const lastDay = new Date(Date.UTC(year, month, 0)).getUTCDate()
  if (month < 1 || month > 12 || (day !== null && (day < 1 || day > lastDay))) return { ok: false, code: 'unread' }
  const parts = [String(year), String(month).padStart(2, '0'), ...(day === null ? [] : [String(day).padStart(2, '0')])]
  return { ok: true, date: parts.join('-'), hadShortYear }
}
