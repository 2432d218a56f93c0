/**
 * Likeness of two words, 0 to 1: Jaro's share of common letters and their order, raised by Winkler's bonus of 0.1 for
 * each of up to four equal first letters. Winkler 1990. O(n * m).
 * @example jaroWinkler('martha', 'marhta').toFixed(3) //=> '0.961'
 */
export function jaroWinkler(a: string, b: string): number {
  if (a === b) return 1
  const reach = Math.max(0, Math.floor(Math.max(a.length, b.length) / 2) - 1)
  const matchedInB = new Array<boolean>(b.length).fill(false)
  const commonA: string[] = []
  for (let i = 0; i < a.length; i += 1) {
    for (let j = Math.max(0, i - reach); j < Math.min(b.length, i + reach + 1); j += 1) {
      if (matchedInB[j] || a[i] !== b[j]) continue
      matchedInB[j] = true
      commonA.push(a[i] as string)
      break
    }
  }
  const common = commonA.length
  if (common === 0) return 0
  const commonB = [...b].filter((_, j) => matchedInB[j])
  const transposed = commonA.filter((letter, index) => letter !== commonB[index]).length / 2
  const jaro = (common / a.length + common / b.length + (common - transposed) / common) / 3
  let prefix = 0
  while (prefix < 4 && prefix < Math.min(a.length, b.length) && a[prefix] === b[prefix]) prefix += 1
  return jaro + prefix * 0.1 * (1 - jaro)
}
