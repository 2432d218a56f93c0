import { SUM_EPSILON_MM } from '#core/units'
import { longestIncreasing } from './lis'
import { type Block, Waiting } from './waiting'

/** A lane or the table as it is: its holders, front to back. */
export interface Shelf {
  readonly key: string
  readonly capacityMm: number
  /** Length used by holders that the plan does not touch: pinned, or filed by another rule. */
  readonly othersMm: number
  readonly ids: readonly string[]
}
/** The holders that each lane shall hold, front to back. Every id is in some lane now, or on the table. */
export type Aim = ReadonlyMap<string, readonly string[]>

/** The lanes while the plan is made. */
export class Shelves {
  readonly stay: number
  readonly move: number
  readonly #used = new Map<string, number>()
  readonly #capacity = new Map<string, number>()
  /** For each lane, by index in the aim: which holders are at their target. */
  readonly #settled = new Map<string, Uint8Array>()
  readonly #order = new Map<string, { readonly to: string; readonly at: number }>()
  constructor(
    private readonly shelves: readonly Shelf[],
    private readonly aim: Aim,
    readonly lengthOf: (id: string) => number,
  ) {
    for (const [to, ids] of aim) ids.forEach((id, at) => this.#order.set(id, { to, at }))
    let stay = 0
    for (const { key, capacityMm, othersMm, ids } of shelves) {
      this.#capacity.set(key, capacityMm)
      this.#used.set(key, othersMm + ids.reduce((sum, id) => sum + lengthOf(id), 0))
      const settled = new Uint8Array(aim.get(key)?.length ?? 0)
      this.#settled.set(key, settled)
      const own = ids.flatMap(id => {
        const order = this.#order.get(id)
        return order?.to === key ? [order.at] : []
      })
      for (const at of longestIncreasing(own)) {
        settled[own[at] ?? 0] = 1
        stay += 1
      }
    }
    this.stay = stay
    this.move = this.#order.size - stay
  }
  usedMm(key: string): number {
    return this.#used.get(key) ?? 0
  }
  freeMm(key: string): number {
    return (this.#capacity.get(key) ?? 0) - this.usedMm(key)
  }
  laneTooShort(): { readonly lane: string; readonly needMm: number; readonly haveMm: number } | null {
    for (const { key, capacityMm, othersMm } of this.shelves) {
      const needMm = othersMm + (this.aim.get(key) ?? []).reduce((sum, id) => sum + this.lengthOf(id), 0)
      // A lane that is over-full may stay so, but may not be filled beyond its capacity.
      if (needMm > Math.max(capacityMm, this.usedMm(key)) + SUM_EPSILON_MM) return { lane: key, needMm, haveMm: capacityMm }
    }
    return null
  }
  isSettled(id: string): boolean {
    const order = this.#order.get(id)
    return !order || this.#settled.get(order.to)?.[order.at] === 1
  }
  /** Runs of holders that are consecutive now and in the aim, at most an armful long. */
  blocks(armfulMm: number): Waiting {
    const waiting = new Waiting()
    for (const { key, ids } of this.shelves) {
      let block: { ids: string[]; to: string; lengthMm: number } | null = null
      let last: { to: string; at: number } | null = null
      const close = (): void => {
        if (block) waiting.add({ from: key, block })
        block = null
        last = null
      }
      for (const id of ids) {
        const order = this.#order.get(id)
        if (!order || (order.to === key && this.isSettled(id))) {
          close()
          continue
        }
        const lengthMm = this.lengthOf(id)
        const now: { ids: string[]; to: string; lengthMm: number } | null = block
        const before: { to: string; at: number } | null = last
        if (now && before && order.to === now.to && order.at === before.at + 1 && now.lengthMm + lengthMm <= armfulMm + SUM_EPSILON_MM) {
          now.ids.push(id)
          now.lengthMm += lengthMm
        } else {
          close()
          block = { ids: [id], to: order.to, lengthMm }
        }
        last = order
      }
      close()
    }
    // Front to back in the order of the aim: lanes are filled in the order of work.
    for (const entries of waiting.into.values())
      entries.sort((a, b) => (this.#order.get(a.block.ids[0] ?? '')?.at ?? 0) - (this.#order.get(b.block.ids[0] ?? '')?.at ?? 0))
    return waiting
  }
  /** Carries an armful; returns the holder behind which it was set down. */
  carry(from: string, to: string, block: Block, isForGood: boolean): string | null {
    this.#used.set(from, this.usedMm(from) - block.lengthMm)
    this.#used.set(to, this.usedMm(to) + block.lengthMm)
    if (!isForGood) return null
    const [settled, ids] = [this.#settled.get(to) ?? new Uint8Array(), this.aim.get(to) ?? []]
    const first = this.#order.get(block.ids[0] ?? '')?.at ?? 0
    let behind = first - 1
    while (behind >= 0 && settled[behind] !== 1) behind -= 1
    for (const id of block.ids) settled[this.#order.get(id)?.at ?? 0] = 1
    return ids[behind] ?? null
  }
}
