import type { FitWay, HolderType } from '#core/catalog'
import { EPSILON_MM } from '#core/units'
import type { Contents } from './contents'
import { type FitHabits, fitHolder, type NoFit } from './fit'

/** A set with what goes in; null: its size is not known. */
export interface SizedSet {
  readonly id: string
  readonly contents: Contents | null
}
export interface OneSizeReport {
  /** Sets by the best way in which they fit. */
  readonly byWay: ReadonlyMap<FitWay, readonly string[]>
  readonly without: readonly { readonly id: string; readonly why: NoFit }[]
  readonly unknown: readonly string[]
  /** Holders that all those that fit would take, and how many more than are there. */
  readonly holders: number
  readonly toGet: number
}

/** "One size for all?": how every set would fit into one type. O(sets). */
export function oneSizeForAll(type: HolderType, sets: readonly SizedSet[], habits: FitHabits): OneSizeReport {
  const byWay = new Map<FitWay, string[]>()
  const without: { id: string; why: NoFit }[] = []
  const unknown: string[] = []
  let holders = 0
  for (const { id, contents } of sets) {
    const result = contents && fitHolder(contents, type, habits)
    if (!result) unknown.push(id)
    else if (!result.fits) without.push({ id, why: result.why })
    else {
      const [answer] = result.answers
      if (!answer) continue
      byWay.set(answer.way, [...(byWay.get(answer.way) ?? []), id])
      holders += answer.holders
    }
  }
  return { byWay, without, unknown, holders, toGet: Math.max(0, holders - type.stockOnHand) }
}

export interface Replacement {
  readonly type: HolderType
  /** Difference in inner width and height, larger is positive. */
  readonly widerMm: number
  readonly tallerMm: number
  /** Sets that fit into the old one, plainly or with the owner's ways, and would not into this. */
  readonly noLonger: readonly string[]
}

/** "This pocket is no longer sold": the nearest types of its kind by inner size, and who would no longer fit. O(types x sets). */
export function replacementsFor(
  old: HolderType,
  types: readonly HolderType[],
  sets: readonly SizedSet[],
  habits: FitHabits,
): readonly Replacement[] {
  const { inner } = old
  if (!inner) return []
  const fits = (type: HolderType, contents: Contents | null): boolean => contents !== null && fitHolder(contents, type, habits).fits
  const held = sets.filter(({ contents }) => fits(old, contents))
  return types
    .flatMap((type): Replacement[] =>
      type.id === old.id || type.isRetired || type.type !== old.type || !type.inner
        ? []
        : [
            {
              type,
              widerMm: type.inner.widthMm - inner.widthMm,
              tallerMm: type.inner.heightMm - inner.heightMm,
              noLonger: held.filter(({ contents }) => !fits(type, contents)).map(({ id }) => id),
            },
          ],
    )
    .sort((a, b) => apart(a) - apart(b) || (a.type.id < b.type.id ? -1 : 1))
}
function apart({ widerMm, tallerMm }: Replacement): number {
  const mm = Math.abs(widerMm) + Math.abs(tallerMm)
  return mm < EPSILON_MM ? 0 : mm
}
