import { type Aim, type Shelf, Shelves } from './shelves'
import { type Block, type Entry, EPSILON_MM, Waiting } from './waiting'

/** What stands together and is set down together. */
export interface StepPart {
  readonly ids: readonly string[]
  /** Directly behind this one; null: to the front. */
  readonly behindId: string | null
}
/** One armful: taken out of one lane, and set down in another or on the table, part by part, front to back. */
export interface Step {
  readonly from: string
  readonly to: string
  readonly parts: readonly StepPart[]
  readonly lengthMm: number
}
/** @example idsOf({ from: 'a', to: 'b', lengthMm: 9, parts: [{ ids: ['x'], behindId: null }] }) //=> ['x'] */
export const idsOf = (step: Step): readonly string[] => step.parts.flatMap(part => part.ids)
export type MovesPlan =
  | {
      readonly ok: true
      readonly steps: readonly Step[]
      /** Holders that stay where they are. */ readonly stay: number
      readonly move: number
      /** Each time one is lifted: a stop on the table makes two. */ readonly lifts: number
    }
  | { readonly ok: false; readonly code: 'laneTooShort'; readonly lane: string; readonly needMm: number; readonly haveMm: number }
  | { readonly ok: false; readonly code: 'tableTooSmall'; readonly needMm: number; readonly haveMm: number }

export interface MoveLimits {
  readonly armfulMm: number
  readonly table: { readonly key: string; readonly capacityMm: number }
}

/**
 * From the room as it is to the aim by lifting the fewest holders: in each lane the longest run that is in the aim's
 * order stays; what stands together and shall stand together is carried together, an armful at a time. The order of the
 * steps is feasible: nothing is set down where there is no room, and what must wait lies on the table. The plan depends
 * on the room and the aim alone, so that it can be worked out anew after every step. O(n log n) and the sum over lanes
 * of what leaves and enters them.
 */
export function planMoves(
  shelves: readonly Shelf[],
  aim: Aim,
  lengthOf: (id: string) => number,
  { armfulMm, table }: MoveLimits,
): MovesPlan {
  const state = new Shelves(shelves, aim, lengthOf)
  const short = state.laneTooShort()
  if (short) return { ok: false, code: 'laneTooShort', ...short }
  const steps: Step[] = []
  const go = (from: string, to: string, blocks: readonly Block[]): void => {
    const parts = blocks.map((block): StepPart => ({ ids: block.ids, behindId: state.carry(from, to, block, to !== table.key) }))
    steps.push({ from, to, parts, lengthMm: blocks.reduce((sum, block) => sum + block.lengthMm, 0) })
  }
  const keys = shelves.map(shelf => shelf.key)
  const waiting = state.blocks(armfulMm)
  const open = new Set(keys.filter(key => (waiting.into.get(key)?.length ?? 0) > 0))
  for (;;) {
    const lane = keys.find(key => open.has(key))
    if (lane === undefined) {
      if (waiting.count === 0) break
      const moved = makeRoom(state, waiting, keys, table, go)
      if (!moved.ok) return { ok: false, code: 'tableTooSmall', needMm: moved.needMm, haveMm: table.capacityMm }
      open.add(moved.freed)
      continue
    }
    const found = waiting.firstThatFits(lane, state)
    if (!found) {
      open.delete(lane)
      continue
    }
    const armful = waiting.armfulFrom(lane, found, armfulMm, found.from === lane ? Infinity : state.freeMm(lane))
    go(
      found.from,
      lane,
      armful.map(entry => entry.block),
    )
    waiting.done(lane, armful)
    if (found.from !== lane) open.add(found.from)
  }
  return { ok: true, steps, stay: state.stay, move: state.move, lifts: steps.reduce((sum, step) => sum + idsOf(step).length, 0) }
}

/** Nothing fits where it shall go: one armful is laid on the table, so that what waits for its room can go in. */
function makeRoom(
  state: Shelves,
  waiting: Waiting,
  keys: readonly string[],
  table: MoveLimits['table'],
  go: (from: string, to: string, blocks: readonly Block[]) => void,
): { readonly ok: true; readonly freed: string } | { readonly ok: false; readonly needMm: number } {
  const onTable = state.usedMm(table.key)
  let smallest = Infinity
  let best: { from: string; entry: Entry; lacks: number } | null = null
  for (const from of keys) {
    if (from === table.key || (waiting.into.get(from)?.length ?? 0) === 0) continue
    const least = Math.min(...(waiting.into.get(from) ?? []).map(entry => entry.block.lengthMm))
    for (const entry of waiting.outOf(from)) {
      smallest = Math.min(smallest, entry.block.lengthMm)
      if (onTable + entry.block.lengthMm > table.capacityMm + EPSILON_MM) continue
      const lacks = Math.max(0, least - state.freeMm(from) - entry.block.lengthMm)
      if (!best || lacks < best.lacks - EPSILON_MM) best = { from, entry, lacks }
    }
  }
  if (best) {
    go(best.from, table.key, [best.entry.block])
    waiting.moved(best.entry, table.key)
    return { ok: true, freed: best.from }
  }
  const split = waiting.splitLargest(
    keys.filter(key => key !== table.key),
    id => state.lengthOf(id),
  )
  return split ? makeRoom(state, waiting, keys, table, go) : { ok: false, needMm: onTable + (smallest === Infinity ? 0 : smallest) }
}
