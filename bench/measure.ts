/** The value below which a share of the measurements lie. */
export function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN
}
export const median = (values: readonly number[]): number => percentile(values, 0.5)

/** What this machine does in a fixed piece of work, so that numbers of two runs can be compared: sorting 400,000 seeded numbers. */
export function baselineMs(): number {
  const runs = Array.from({ length: 5 }, () => {
    let seed = 1
    const numbers = Float64Array.from({ length: 400_000 }, () => (seed = (seed * 16807) % 2147483647))
    const start = performance.now()
    numbers.sort()
    return performance.now() - start
  })
  return median(runs)
}

export function report(what: string, measured: string, aim: string): void {
  console.log(`${what.padEnd(62)} ${measured.padStart(24)}   aim: ${aim}`)
}
export const ms = (value: number): string => `${Math.round(value)} ms`
