import { LIMITS } from '#core/catalog'

/** A number more than this above the run is no next number: a product code, or a slip of the pen. */
export const FAR = 1000

/** Is a written number so far above the highest of the run that it is asked about? @example isFarBeyond(5_310_472, 352) //=> true */
export const isFarBeyond = (number: number, highest: number): boolean => number > highest + FAR

/**
 * Where the run of some numbers ends: of the parts that lie more than a thousand apart, the one with the most numbers, the
 * lower of two. What lies above it moves no count. 0 for none. O(n log n).
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

/** The next number after `from` that is free; null: past the last that a series gives. */
export function nextFree(from: number, isTaken: (number: number) => boolean): number | null {
  for (let number = from + 1; number <= LIMITS.number; number += 1) if (!isTaken(number)) return number
  return null
}
