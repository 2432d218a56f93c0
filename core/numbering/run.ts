import { LIMITS } from '#core/catalog'

/** A number more than this above the run is a product code, or a slip of the pen. */
export const FAR = 1000

/** Whether a written number is so far above the run that it is asked about. @example isFarBeyond(5_310_472, 352) //=> true */
export const isFarBeyond = (number: number, highest: number): boolean => number > highest + FAR

/**
 * The last number of the run. Numbers more than a thousand apart belong to different parts; the run is the part with the most numbers, on
 * a tie the lower one. 0: no numbers. O(n log n).
 * @example endOfRun([1, 2, 3, 5_310_472]) //=> 3
 */
export function endOfRun(numbers: readonly number[]): number {
  let [end, most, last, count] = [0, 0, 0, 0]
  const close = (): void => {
    if (count > most) [end, most] = [last, count]
    count = 0
  }
  for (const number of [...numbers].sort((a, b) => a - b)) {
    if (count > 0 && number > last + FAR) close()
    last = number
    count += 1
  }
  close()
  return end
}

/** The next free number after `from`; null: past the last that a series gives. */
export function nextFree(from: number, isTaken: (number: number) => boolean): number | null {
  for (let number = from + 1; number <= LIMITS.number; number += 1) if (!isTaken(number)) return number
  return null
}
