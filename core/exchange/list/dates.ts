import type { DateOrder } from '#core/catalog'
import { monthOf } from './months'

export type DateReading =
  | { readonly ok: true; readonly date: string; readonly hadShortYear: boolean }
  /** Both readings are possible and the file does not decide. */
  | { readonly ok: false; readonly code: 'orderUnknown' | 'shortYear' | 'unread' }

const NUMERIC = /^(\d{1,2})([/.-])\s?(\d{1,2})\2\s?(\d{4}|\d{2})$/
const YEAR_FIRST = /^(\d{4})([/.-])(\d{1,2})(?:\2(\d{1,2}))?$/
const MONTH_AND_YEAR = /^(\d{1,2})[/.-](\d{4})$/
const WORD = String.raw`(\p{L}[\p{L}\p{Mn}]{2,9})\.?`
/** 15. März 2019, 15-Mar-2019, Mar '19, Mar-19, 1er mars 2019, 3 de marzo de 2019. */
const DAY_FIRST = new RegExp(
  String.raw`^(?:(\d{1,2})(?:st|nd|rd|th|er|\.)?[\s-]+(?:de |of )?)?${WORD},?[\s-]*(?:de |del )?['’]?(\d{4}|\d{2})$`,
  'u',
)
/** Mar 15, 2019; Mar-15-2019. */
const MONTH_FIRST = new RegExp(String.raw`^${WORD}[\s-]+(\d{1,2})(?:st|nd|rd|th)?,?[\s-]+['’]?(\d{4}|\d{2})$`, 'u')
/** A time of day behind a date says nothing here. A run of blanks is tried from its head alone: a cell can be long. */
const TIME = /(?<![\sT,])[\sT,]+\d{1,2}[:.]\d{2}(?:[:.]\d{2}(?:\.\d+)?)?\s*(?:[ap]\.?m\.?|uhr|z)?$/iu

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
    const match = NUMERIC.exec(withoutTime(text))
    if (!match) continue
    const [first, second] = [Number(match[1]), Number(match[3])]
    if (first > 12 && second <= 12) dayFirst += 1
    if (second > 12 && first <= 12) monthFirst += 1
  }
  const order = monthFirst > 0 ? 'monthFirst' : 'dayFirst'
  return { order: monthFirst > 0 === dayFirst > 0 ? null : order, monthFirst, dayFirst }
}

/**
 * Reads a date as precisely as it is written: a day, a month (`Dec 2011` is 2011-12) or a year. If `shortYears` is set, a year of two
 * digits is the latest such year not after `thisYear`.
 * @example readDate('2/15/14', { order: 'monthFirst', shortYears: true, thisYear: 2026 })
 * //=> { ok: true, date: '2014-02-15', hadShortYear: true }
 */
export function readDate(
  text: string,
  how: { readonly order: DateOrder | null; readonly shortYears: boolean; readonly thisYear: number },
): DateReading {
  const plain = withoutTime(text)
  if (/^\d{4}$/.test(plain)) return dated(Number(plain), null, null)
  const yearFirst = YEAR_FIRST.exec(plain)
  if (yearFirst) return dated(Number(yearFirst[1]), Number(yearFirst[3]), yearFirst[4] ? Number(yearFirst[4]) : null)
  const monthAndYear = MONTH_AND_YEAR.exec(plain)
  if (monthAndYear) return dated(Number(monthAndYear[2]), Number(monthAndYear[1]), null)
  const monthFirst = MONTH_FIRST.exec(plain)
  if (monthFirst) return fromName(monthFirst[1], monthFirst[2], monthFirst[3], how)
  const dayFirst = DAY_FIRST.exec(plain)
  if (dayFirst) return fromName(dayFirst[2], dayFirst[1], dayFirst[3], how, /['’-]/.test(plain))
  const numeric = NUMERIC.exec(plain)
  return numeric ? fromNumbers(numeric, how) : UNREAD
}

const withoutTime = (text: string): string => text.trim().toLowerCase().replace(TIME, '')

type How = Parameters<typeof readDate>[1]
const UNREAD: DateReading = { ok: false, code: 'unread' }

function fromName(name = '', day: string | undefined, written = '', how: How, isClearYear = true): DateReading {
  const month = monthOf(name)
  if (month === null) return UNREAD
  const isShort = written.length === 2
  // `Mar 19` may be a day of any year.
  if (isShort && !day && !isClearYear) return UNREAD
  if (isShort && !how.shortYears) return { ok: false, code: 'shortYear' }
  const year = isShort ? latestYear(Number(written), how.thisYear) : Number(written)
  return dated(year, month, day ? Number(day) : null, isShort)
}

/** The order in which two figures can be read; null: in both. */
function orderOf(first: number, second: number): DateOrder | null {
  if (first > 12) return 'dayFirst'
  return second > 12 || first === second ? 'monthFirst' : null
}
function fromNumbers(match: RegExpExecArray, how: How): DateReading {
  const [first, second] = [Number(match[1]), Number(match[3])]
  const written = match[4] ?? ''
  const isShort = written.length === 2
  const order = orderOf(first, second) ?? how.order
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
  if (year < 1800 || year > 2200) return UNREAD
  if (month === null) return { ok: true, date: String(year), hadShortYear }
  const lastDay = new Date(Date.UTC(year, month, 0)).getUTCDate()
  if (month < 1 || month > 12 || (day !== null && (day < 1 || day > lastDay))) return UNREAD
  const parts = [String(year), String(month).padStart(2, '0'), ...(day === null ? [] : [String(day).padStart(2, '0')])]
  return { ok: true, date: parts.join('-'), hadShortYear }
}
