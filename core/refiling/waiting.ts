import { SUM_EPSILON_MM } from '#core/units'

/** A run of holders that are consecutive now and in the aim, at most an armful long. */
export interface Block {
  readonly ids: readonly string[]
  readonly to: string
  readonly lengthMm: number
}

export interface Entry {
  from: string
  block: Block
}
/** Blocks that are still to be carried, by target lane. */
export class Waiting {
  readonly into = new Map<string, Entry[]>()
  count = 0

  add(entry: Entry): void {
    const there = this.into.get(entry.block.to)
    if (there) there.push(entry)
    else this.into.set(entry.block.to, [entry])
    this.count += 1
  }
  firstThatFits(lane: string, state: { readonly freeMm: (key: string) => number }): Entry | null {
    return this.into.get(lane)?.find(({ from, block }) => from === lane || block.lengthMm <= state.freeMm(lane) + SUM_EPSILON_MM) ?? null
  }
  /** More blocks from the same lane to the same target, as far as arms and lane take them, front to back. */
  armfulFrom(lane: string, first: Entry, armfulMm: number, freeMm: number): readonly Entry[] {
    const most = Math.min(armfulMm, freeMm) + SUM_EPSILON_MM
    let lengthMm = first.block.lengthMm
    return (this.into.get(lane) ?? []).filter(entry => {
      if (entry === first) return true
      if (entry.from !== first.from || lengthMm + entry.block.lengthMm > most) return false
      lengthMm += entry.block.lengthMm
      return true
    })
  }
  done(lane: string, entries: readonly Entry[]): void {
    this.into.set(
      lane,
      (this.into.get(lane) ?? []).filter(each => !entries.includes(each)),
    )
    this.count -= entries.length
  }
  moved(entry: Entry, to: string): void {
    entry.from = to
  }
  outOf(from: string): readonly Entry[] {
    return [...this.into].flatMap(([to, entries]) => (to === from ? [] : entries.filter(entry => entry.from === from)))
  }
  /** Splits a block so that its front, or its back, fits into the free room. Returns the target lane; null: no block can be split so. */
  splitToFit(
    lanes: readonly string[],
    state: { readonly freeMm: (key: string) => number; readonly lengthOf: (id: string) => number },
  ): string | null {
    for (const lane of lanes) {
      const room = state.freeMm(lane) + SUM_EPSILON_MM
      for (const entry of this.into.get(lane) ?? []) {
        const { ids } = entry.block
        if (entry.from === lane || ids.length < 2) continue
        const fits = (some: readonly string[]): boolean => some.reduce((sum, id) => sum + state.lengthOf(id), 0) <= room
        const front = ids.findIndex((_, at) => !fits(ids.slice(0, at + 1)))
        const back = ids.findLastIndex((_, at) => !fits(ids.slice(at)))
        if (front > 0) return this.#part(entry, front, state.lengthOf)
        if (back < ids.length - 1) return this.#part(entry, back + 1, state.lengthOf)
      }
    }
    return null
  }
  /** Splits a block in front of `at`. Returns the target lane. */
  #part(entry: Entry, at: number, lengthOf: (id: string) => number): string {
    const { ids, to } = entry.block
    const parts = [ids.slice(0, at), ids.slice(at)].map((some): Entry => ({
      from: entry.from,
      block: { ids: some, to, lengthMm: some.reduce((sum, id) => sum + lengthOf(id), 0) },
    }))
    this.into.set(
      to,
      (this.into.get(to) ?? []).flatMap(each => (each === entry ? parts : [each])),
    )
    this.count += 1
    return to
  }
  /** Halves a block that is too large for the table. false: all blocks are single holders. */
  splitLargest(lanes: readonly string[], lengthOf: (id: string) => number): boolean {
    const all = lanes
      .flatMap(lane => this.outOf(lane))
      .filter(entry => entry.block.ids.length > 1)
      .sort((a, b) => b.block.lengthMm - a.block.lengthMm)
    const [entry] = all
    if (!entry) return false
    this.#part(entry, Math.ceil(entry.block.ids.length / 2), lengthOf)
    return true
  }
}
