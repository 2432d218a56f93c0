/**
 * A longest increasing subsequence, as indexes; ties take the lowest predecessors. Fredman 1975, On computing the length of longest
 * increasing subsequences. O(n log n).
 * @example longestIncreasing([4, 1, 2, 9, 3]) //=> [1, 2, 4]
 */
export function longestIncreasing(values: readonly number[]): readonly number[] {
  const tails: number[] = []
  const before = new Int32Array(values.length).fill(-1)
  values.forEach((value, at) => {
    let [low, high] = [0, tails.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if ((values[tails[middle] ?? 0] ?? 0) < value) low = middle + 1
      else high = middle
    }
    before[at] = low > 0 ? (tails[low - 1] ?? -1) : -1
    tails[low] = at
  })
  const found: number[] = []
  for (let at = tails.at(-1) ?? -1; at >= 0; at = before[at] ?? -1) found.push(at)
  return found.reverse()
}
