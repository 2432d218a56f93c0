import { type FitWay, type HolderType, type Holding, type Kind, START_HABITS, type Zone } from '#core/catalog'
import { zoneFor } from '#core/filing'
import { adviseHolder, contentsOf, type FitAnswer, type FitHabits, type HolderChoice, standsByItself } from '#core/holders'

/** A holder type that takes a set, and how the set lies in it. */
export interface Fitting {
  readonly typeId: string
  readonly answer: Pick<FitAnswer, 'lies' | 'sticksOutMm'>
}
/** By set id, the holder types that take it, best first; empty: none does; null: its size is not known. */
export type Fittings = ReadonlyMap<string, readonly Fitting[] | null>

/** A whole room is not planned on sets that are laid out anew, trimmed or cut in two. */
const NOT_PLANNED: readonly FitWay[] = ['rearranged', 'trim', 'cutInTwo']

/**
 * The holder types that take each set as it is, by the habits of its zone and the owner's ranking of the ways to fit. A set that
 * stands by itself needs no holder. Sets of equal contents are computed once. O(different sets x types).
 */
export function fittingsOf(
  waiting: readonly Holding[],
  types: readonly HolderType[],
  kinds: ReadonlyMap<string, Kind>,
  zones: readonly Zone[],
  habits: FitHabits,
): Fittings {
  const planned: FitHabits = { ...habits, fitOrder: habits.fitOrder.filter(way => !NOT_PLANNED.includes(way)) }
  const sold = types.filter(type => !type.isRetired)
  const bare = sold.find(type => type.type === 'none')
  const known = new Map<string, readonly Fitting[]>()
  return new Map(
    waiting.map((holding): [string, readonly Fitting[] | null] => {
      const kind = kinds.get(holding.kindId ?? '') ?? null
      const contents = contentsOf(holding, kind, zoneFor(holding, zones)?.habits ?? START_HABITS)
      if (bare && standsByItself(kind))
        return [holding.id, [{ typeId: bare.id, answer: { lies: holding.size ?? NO_SIZE, sticksOutMm: 0 } }]]
      if (!contents) return [holding.id, null]
      const key = JSON.stringify(contents)
      const fittings = known.get(key) ?? adviseHolder(contents, sold, planned, null).choices.flatMap(fittingFrom)
      known.set(key, fittings)
      return [holding.id, fittings]
    }),
  )
}
const NO_SIZE = { widthMm: 0, heightMm: 0 }

/** Leaves out types without an inner size (a ring, no holder): they take every set. */
function fittingFrom({ type, answer: { lies, sticksOutMm } }: HolderChoice): readonly Fitting[] {
  return type.inner ? [{ typeId: type.id, answer: { lies, sticksOutMm } }] : []
}
