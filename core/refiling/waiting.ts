/** What stands together now and in the aim, an armful at the most. */
export interface Block {
  readonly ids: readonly string[]
  readonly to: string
  readonly lengthMm: number
}
export const EPSILON_MM = 1e-6

export interface Entry {
  from: string
  block: Block
}
/** Armfuls that are still to be carried, by where they go. */
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
    return this.into.get(lane)?.find(({ from, block }) => from === lane || block.lengthMm <= state.freeMm(lane) + EPSILON_MM) ?? null
  }
  /** What else comes from the same lane into this one, as much as the arms and the lane take, front to back. */
  armfulFrom(lane: string, first: Entry, armfulMm: number, freeMm: number): readonly Entry[] {
    const most = Math.min(armfulMm, freeMm) + EPSILON_MM
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
  /** Halves an armful that is too much for the table. False when all are single holders. */
  splitLargest(lanes: readonly string[], lengthOf: (id: string) => number): boolean {
    const all = lanes
      .flatMap(lane => this.outOf(lane))
      .filter(entry => entry.block.ids.length > 1)
      .sort((a, b) => b.block.lengthMm - a.block.lengthMm)
    const [entry] = all
    if (!entry) return false
    const { ids, to } = entry.block
    const half = Math.ceil(ids.length / 2)
    const list = this.into.get(to) ?? []
    const parts = [ids.slice(0, half), ids.slice(half)].map((some): Entry => ({
      from: entry.from,
      block: { ids: some, to, lengthMm: some.reduce((sum, id) => sum + lengthOf(id), 0) },
    }))
    this.into.set(
      to,
      list.flatMap(each => (each === entry ? parts : [each])),
    )
    this.count += 1
    return true
  }
}
