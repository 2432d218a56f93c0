import type { Step, StepPart } from './planMoves'

/** The holders in each lane and on the table, front to back. */
export type LanesNow = ReadonlyMap<string, readonly string[]>

/**
 * The lanes after a step. Holders put on the table go behind all that lie there. Only the lanes of the step are copied.
 * @example afterStep(
 *   new Map([['a', ['x', 'y']], ['b', ['z']]]),
 *   { from: 'a', to: 'b', lengthMm: 9, parts: [{ ids: ['x'], behindId: 'z' }] },
 *   'table',
 * ) //=> new Map([['a', ['y']], ['b', ['z', 'x']]])
 */
export function afterStep(lanes: LanesNow, { from, to, parts }: Step, tableKey: string): LanesNow {
  const lifted = new Set(parts.flatMap(part => part.ids))
  const left = (lanes.get(from) ?? []).filter(id => !lifted.has(id))
  const target = from === to ? left : [...(lanes.get(to) ?? [])]
  const indexBehind = (id: string | null): number => (id === null ? 0 : target.indexOf(id) + 1)
  for (const { ids, behindId } of parts) target.splice(to === tableKey ? target.length : indexBehind(behindId), 0, ...ids)
  return new Map([...lanes, [from, left], [to, target]])
}

/**
 * Where the parts of a step are set down; consecutive parts are merged, so that each result has another holder in front of it.
 * @example setDowns({ from: 'a', to: 'b', lengthMm: 9, parts: [{ ids: ['x'], behindId: null }, { ids: ['y'], behindId: 'x' }] })
 * //=> [{ ids: ['x', 'y'], behindId: null }]
 */
export function setDowns({ parts }: Step): readonly StepPart[] {
  const joined: { ids: string[]; behindId: string | null }[] = []
  for (const { ids, behindId } of parts) {
    const before = joined.at(-1)
    if (before && before.ids.at(-1) === behindId) before.ids.push(...ids)
    else joined.push({ ids: [...ids], behindId })
  }
  return joined
}
