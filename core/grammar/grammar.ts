const cardinal = new Intl.NumberFormat('en')
const ordinalRules = new Intl.PluralRules('en', { type: 'ordinal' })
const SUFFIXES: Readonly<Record<string, string>> = { one: 'st', two: 'nd', few: 'rd', other: 'th' }

export const figure = (count: number): string => cardinal.format(count)
/** @example ordinal(11) //=> '11th' */
export const ordinal = (position: number): string => `${figure(position)}${SUFFIXES[ordinalRules.select(position)]}`
/** @example counted(3, 'set') //=> '3 sets' */
export const counted = (count: number, one: string, many = `${one}s`): string => `${figure(count)} ${count === 1 ? one : many}`

/** @example countedThat(1, 'set', 'stands', 'stand') //=> '1 set stands' */
export const countedThat = (count: number, noun: string, one: string, many: string): string =>
  `${counted(count, noun)} ${count === 1 ? one : many}`

const allOf = new Intl.ListFormat('en-GB', { type: 'conjunction' })
/** @example listOf(['Bin 1', 'Bin 2', 'Binder A']) //=> 'Bin 1, Bin 2 and Binder A' */
export const listOf = (names: readonly string[]): string => allOf.format(names)

/** A text cut to the length of a line. @example short('Kelp Study', 4) //=> 'Kelp ...' */
export const short = (text: string, most = 80): string => (text.length > most ? `${text.slice(0, most)} ...` : text)

const dayFormat = new Intl.DateTimeFormat('en', { day: 'numeric', month: 'long', year: 'numeric' })
const monthFormat = new Intl.DateTimeFormat('en', { month: 'long', year: 'numeric' })
const timeFormat = new Intl.DateTimeFormat('en', { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })

/** A day, month or year, as precisely as it is known; for a moment, the day by this machine's clock. */
export function partialDay(date: string): string {
  if (date.length === 4) return date
  if (date.length === 7) return monthFormat.format(new Date(`${date}-15T12:00:00`))
  return dayFormat.format(new Date(date.length === 10 ? `${date}T12:00:00` : date))
}

export function moment(at: string, now = new Date()): string {
  const then = new Date(at)
  const isToday = then.toDateString() === now.toDateString()
  return isToday ? `today at ${timeFormat.format(then)}` : dayFormat.format(then)
}

export const money = (minor: number, currency: string): string =>
  new Intl.NumberFormat('en', { style: 'currency', currency }).format(minor / 100)
