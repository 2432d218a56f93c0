import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** Seeded chance: the same seed draws the same room, stroke for stroke. */
export interface Chance {
  /** 0 <= x < 1 */
  unit(): number
  between(low: number, high: number): number
  /** Whole numbers, both ends included. */
  whole(low: number, high: number): number
  pick<T>(from: readonly T[]): T
  some<T>(from: readonly T[], count: number): T[]
}

export function chance(seed: number): Chance {
  const source = xoroshiro128plus(seed)
  const unit = (): number => uniformInt(source, 0, 0xfffffff) / 0x10000000
  const whole = (low: number, high: number): number => uniformInt(source, low, high)
  return {
    unit,
    whole,
    between: (low, high) => low + unit() * (high - low),
    pick: from => from[whole(0, from.length - 1)] as never,
    some: (from, count) => {
      const left = [...from]
      return Array.from({ length: Math.min(count, left.length) }, () => left.splice(whole(0, left.length - 1), 1)[0] as never)
    },
  }
}
