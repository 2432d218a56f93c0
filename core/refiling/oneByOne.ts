import { SUM_EPSILON_MM } from '#core/units'

/** A holder that goes to another lane. */
export interface Mover {
  readonly id: string
  /** null: it lies on the table already. */
  readonly from: string | null
  readonly to: string
  readonly lengthMm: number
}
export interface OneByOne {
  /** The largest length of table in use at any time. */
  readonly tableMm: number
  /** The mover of each move, and whether it goes onto the table or to its target lane. */
  readonly moves: readonly { readonly mover: Mover; readonly isOntoTable: boolean }[]
}

/** With more movers there are too many states: each has three positions. */
export const MOST_MOVERS = 9
const [AWAY, TABLE, THERE] = [0, 1, 2]
/** The next positions of a mover, by its position. */
const NEXT: readonly (readonly number[])[] = [[THERE, TABLE], [THERE], []]

/**
 * The order of moves, one holder at a time, that needs the least table: a minimax path over all states (each mover at its start, on the
 * table, or at its target). O(3^movers); at most `MOST_MOVERS` movers. `freeMm` is the free length of each lane now. null: no order exists
 * with the table that there is.
 */
export function leastTable(movers: readonly Mover[], freeMm: (lane: string) => number): OneByOne | null {
  const start = movers.reduce((code, mover, at) => code + (mover.from === null ? TABLE : AWAY) * 3 ** at, 0)
  const placeOf = (code: number, at: number): number => Math.floor(code / 3 ** at) % 3
  const lying = (code: number): number => movers.reduce((mm, mover, at) => mm + (placeOf(code, at) === TABLE ? mover.lengthMm : 0), 0)
  const free = (code: number, lane: string): number =>
    movers.reduce((mm, { from, to, lengthMm }, at) => {
      const place = placeOf(code, at)
      return mm + (from === lane && place !== AWAY ? lengthMm : 0) - (to === lane && place === THERE ? lengthMm : 0)
    }, freeMm(lane))
  const best = new Map([[start, { tableMm: lying(start), before: -1, mover: -1, isDone: false }]])
  for (;;) {
    let code = -1
    for (const [each, { tableMm, isDone }] of best) if (!isDone && (code < 0 || tableMm < (best.get(code)?.tableMm ?? 0))) code = each
    const now = best.get(code)
    if (!now) return null
    if (movers.every((_, at) => placeOf(code, at) === THERE)) return { tableMm: now.tableMm, moves: wayTo(code) }
    best.set(code, { ...now, isDone: true })
    movers.forEach((mover, at) => {
      const place = placeOf(code, at)
      for (const next of NEXT[place] ?? []) {
        if (next === THERE && mover.lengthMm > free(code, mover.to) + SUM_EPSILON_MM) continue
        const then = code + (next - place) * 3 ** at
        const tableMm = Math.max(now.tableMm, lying(then))
        const known = best.get(then)
        if (!known || (!known.isDone && tableMm < known.tableMm - SUM_EPSILON_MM))
          best.set(then, { tableMm, before: code, mover: at, isDone: false })
      }
    })
  }

  function wayTo(end: number): OneByOne['moves'] {
    const moves: OneByOne['moves'][number][] = []
    for (let code = end; code !== start;) {
      const { before, mover: at } = best.get(code) as { before: number; mover: number }
      const mover = movers[at]
      if (mover) moves.unshift({ mover, isOntoTable: placeOf(code, at) === TABLE })
      code = before
    }
    return moves
  }
}
