/**
 * The day of a moment by the clock of this machine, as ISO 8601 writes it.
 * @example dayOf(new Date(2026, 10, 27, 23, 30)) //=> '2026-11-27'
 */
export const dayOf = (moment: Date): string =>
  [moment.getFullYear(), moment.getMonth() + 1, moment.getDate()].map(part => String(part).padStart(2, '0')).join('-')

/**
 * Whether a day, a month or a year is later than the day `today`. A month or a year that has begun is not.
 * @example isLater('2026-11', '2026-11-27') //=> false
 */
export const isLater = (date: string, today: string): boolean => date > today.slice(0, date.length)
