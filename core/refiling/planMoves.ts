import { SUM_EPSILON_MM } from '#core/units'
import { leastTable, MOST_MOVERS, type Mover } from './oneByOne'
import { type Aim, type Shelf, Shelves } from './shelves'
import { type Block, type Entry, Waiting } from './waiting'

/** Holders that are carried and set down together. */
export interface StepPart {
  readonly ids: readonly string[]
  /** Set down directly behind this holder; null: at the front. */
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
 * From the room to the aim by lifting the fewest holders: in each lane the longest run that is in the order of the aim stays; holders that
 * are together now and in the aim are carried together, an armful at a time. The order of the steps is feasible: nothing is set down
 * without room, and what has to wait lies on the table. The plan depends on room and aim alone, so that it can be made anew after every
 * step. If the table is too small, `needMm` is a size with which the plan works. O(n log n) plus, for each lane, what leaves and enters
 * it; a dozen times that if the table is too small.
 */
export function planMoves(
  shelves: readonly Shelf[],
  aim: Aim,
  lengthOf: (id: string) => number,
  { armfulMm, table }: MoveLimits,
): MovesPlan {
  const short = new Shelves(shelves, aim, lengthOf).laneTooShort()
  if (short) return { ok: false, code: 'laneTooShort', ...short }
  // Armfuls are quicker; one by one also works where armfuls block each other.
  const withTable = (capacityMm: number): Extract<MovesPlan, { ok: true }> | null =>
    carryAll(new Shelves(shelves, aim, lengthOf), shelves, armfulMm, armfulMm, { ...table, capacityMm }) ??
    carryAll(new Shelves(shelves, aim, lengthOf), shelves, 0, armfulMm, { ...table, capacityMm })
  const plan = withTable(table.capacityMm)
  if (plan) return plan
  const exact = carryOneByOne(new Shelves(shelves, aim, lengthOf), shelves, table.key)
  if (exact && exact.tableMm <= table.capacityMm + SUM_EPSILON_MM) return exact.plan
  if (exact) return { ok: false, code: 'tableTooSmall', needMm: exact.tableMm, haveMm: table.capacityMm }
  let [tooSmall, enough] = [Math.floor(table.capacityMm), Math.ceil(mostThatMayLie(shelves, aim, lengthOf, table.key))]
  while (enough - tooSmall > 1) {
    const middle = Math.floor((tooSmall + enough) / 2)
    if (withTable(middle)) enough = middle
    else tooSmall = middle
  }
  return { ok: false, code: 'tableTooSmall', needMm: enough, haveMm: table.capacityMm }
}

/** The few movers, one at a time, with the least table; null: there are too many for it. */
function carryOneByOne(
  state: Shelves,
  shelves: readonly Shelf[],
  tableKey: string,
): { readonly plan: Extract<MovesPlan, { ok: true }>; readonly tableMm: number } | null {
  const all = [...state.blocks(0).into].flatMap(([to, entries]) => entries.map(entry => ({ to, ...entry })))
  const across = all.filter(each => each.from !== each.to)
  if (across.length > MOST_MOVERS) return null
  const blockOf = new Map(all.map(({ block }) => [block.ids[0] ?? '', block]))
  const movers = across.map(({ from, to, block }): Mover => {
    return { id: block.ids[0] ?? '', from: from === tableKey ? null : from, to, lengthMm: block.lengthMm }
  })
  const way = leastTable(movers, key => state.freeMm(key))
  if (!way) return null
  const steps: Step[] = []
  const go = (id: string, from: string, to: string): void => {
    const block = blockOf.get(id)
    if (!block) return
    steps.push({ from, to, parts: [{ ids: block.ids, behindId: state.carry(from, to, block, to !== tableKey) }], lengthMm: block.lengthMm })
  }
  const lying = new Set(movers.filter(mover => mover.from === null).map(mover => mover.id))
  for (const { mover, isOntoTable } of way.moves) {
    go(mover.id, mover.from === null || lying.has(mover.id) ? tableKey : mover.from, isOntoTable ? tableKey : mover.to)
    if (isOntoTable) lying.add(mover.id)
  }
  for (const { from, to, block } of all) if (from === to) go(block.ids[0] ?? '', from, to)
  const lifts = steps.length
  return { plan: { ok: true, steps, stay: state.stay, move: state.move, lifts }, tableMm: way.tableMm }
}

/** A length of table on which everything that moves can wait. In whole mm, rounded up. */
function mostThatMayLie(shelves: readonly Shelf[], aim: Aim, lengthOf: (id: string) => number, tableKey: string): number {
  const moving = [...aim.values()].flat().reduce((sum, id) => sum + lengthOf(id), 0)
  return moving + (shelves.find(shelf => shelf.key === tableKey)?.ids ?? []).reduce((sum, id) => sum + lengthOf(id), 0) + 1
}

/** All steps; null: the table is too short. Blocks are at most `blockMm` long; an armful may be several blocks. */
function carryAll(
  state: Shelves,
  shelves: readonly Shelf[],
  blockMm: number,
  armfulMm: number,
  table: MoveLimits['table'],
): Extract<MovesPlan, { ok: true }> | null {
  const steps: Step[] = []
  const go = (from: string, to: string, blocks: readonly Block[]): void => {
    const parts = blocks.map((block): StepPart => ({ ids: block.ids, behindId: state.carry(from, to, block, to !== table.key) }))
    steps.push({ from, to, parts, lengthMm: blocks.reduce((sum, block) => sum + block.lengthMm, 0) })
  }
  const keys = shelves.map(shelf => shelf.key)
  const waiting = state.blocks(blockMm)
  const open = new Set(keys.filter(key => (waiting.into.get(key)?.length ?? 0) > 0))
  for (;;) {
    const lane = keys.find(key => open.has(key))
    if (lane === undefined) {
      if (waiting.count === 0) break
      const freed = waiting.splitToFit(keys, state) ?? makeRoom(state, waiting, keys, table, go)
      if (freed === null) return null
      open.add(freed)
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

/**
 * Nothing fits where it goes, so one armful is laid on the table to make room. Returns the lane it came out of; null: nothing more goes
 * onto the table.
 */
function makeRoom(
  state: Shelves,
  waiting: Waiting,
  keys: readonly string[],
  table: MoveLimits['table'],
  go: (from: string, to: string, blocks: readonly Block[]) => void,
): string | null {
  const onTable = state.usedMm(table.key)
  let best: { from: string; entry: Entry; lacks: number } | null = null
  for (const from of keys) {
    if (from === table.key || (waiting.into.get(from)?.length ?? 0) === 0) continue
    const least = Math.min(...(waiting.into.get(from) ?? []).map(entry => entry.block.lengthMm))
    for (const entry of waiting.outOf(from)) {
      if (onTable + entry.block.lengthMm > table.capacityMm + SUM_EPSILON_MM) continue
      const lacks = Math.max(0, least - state.freeMm(from) - entry.block.lengthMm)
      const isBetter =
        !best ||
        lacks < best.lacks - SUM_EPSILON_MM ||
        (lacks < best.lacks + SUM_EPSILON_MM && entry.block.lengthMm < best.entry.block.lengthMm - SUM_EPSILON_MM)
      if (isBetter) best = { from, entry, lacks }
    }
  }
  if (best) {
    go(best.from, table.key, [best.entry.block])
    waiting.moved(best.entry, table.key)
    return best.from
  }
  const isSplit = waiting.splitLargest(
    keys.filter(key => key !== table.key),
    id => state.lengthOf(id),
  )
  return isSplit ? makeRoom(state, waiting, keys, table, go) : null
}
