import { addTo, type FitWay, type HolderType } from '#core/catalog'
import { EPSILON_MM } from '#core/units'
import type { Contents } from './contents'
import { type FitHabits, fitHolder, type FitResult, type NoFit, shareOfTries } from './fit'
import { TRIES_A_QUESTION, type Tries } from './packing'

/** A set with its contents; null: its size is not known. */
export interface SizedSet {
  readonly id: string
  readonly contents: Contents | null
}
export interface OneSizeReport {
  /** Ids of sets by the best way in which they fit. */
  readonly byWay: ReadonlyMap<FitWay, readonly string[]>
  readonly without: readonly { readonly id: string; readonly why: NoFit }[]
  readonly unknown: readonly string[]
  /** Sets for which not every layout of the pieces was tried: whether they fit is not known. */
  readonly unsure: readonly string[]
  /** Holders needed for all sets that fit, and how many more than are on hand. */
  readonly holders: number
  readonly toGet: number
}

/** Some seconds for a whole collection. */
const ALL_TRIES = 10 * TRIES_A_QUESTION

/** "One size for all?": how every set would fit into one holder type. O(sets), with one budget of tries for all layouts. */
export function oneSizeForAll(type: HolderType, sets: readonly SizedSet[], habits: FitHabits): OneSizeReport {
  const byWay = new Map<FitWay, string[]>()
  const without: { id: string; why: NoFit }[] = []
  const unknown: string[] = []
  const unsure: string[] = []
  let holders = 0
  const all = { left: ALL_TRIES }
  sets.forEach(({ id, contents }, at) => {
    if (!contents) return void unknown.push(id)
    const { tries, done } = shareOfTries(all, sets.length - at)
    const result = fitHolder(contents, type, habits, tries)
    done()
    if (!result.fits) return void (result.isCertain ? without.push({ id, why: result.why }) : unsure.push(id))
    const [answer] = result.answers
    if (!answer) return
    addTo(byWay, answer.way, id)
    holders += answer.holders
  })
  return { byWay, without, unknown, unsure, holders, toGet: Math.max(0, holders - type.stockOnHand) }
}

export interface Replacement {
  readonly type: HolderType
  /** Difference in inner width and height, larger is positive. */
  readonly widerMm: number
  readonly tallerMm: number
  /** Sets that fit the old type, in any of the owner's ways, but not this one. */
  readonly noLonger: readonly string[]
}

/** "This pocket is no longer sold": the nearest types of its kind by inner size, and the sets that would no longer fit. O(types x sets). */
export function replacementsFor(
  old: HolderType,
  types: readonly HolderType[],
  sets: readonly SizedSet[],
  habits: FitHabits,
): readonly Replacement[] {
  const { inner } = old
  if (!inner) return []
  const all: Tries = { left: ALL_TRIES }
  let questions = (types.length + 1) * sets.length
  const fit = (type: HolderType, contents: Contents): FitResult => {
    const { tries, done } = shareOfTries(all, (questions -= 1))
    const result = fitHolder(contents, type, habits, tries)
    done()
    return result
  }
  const fits = (type: HolderType, contents: Contents | null): boolean => contents !== null && fit(type, contents).fits
  /** Only proven misfits: a search that ran out of budget proves nothing. */
  const isRefused = (type: HolderType, contents: Contents | null): boolean => {
    const result = contents && fit(type, contents)
    return !result || (!result.fits && result.isCertain)
  }
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
              noLonger: held.filter(({ contents }) => isRefused(type, contents)).map(({ id }) => id),
            },
          ],
    )
    .sort((a, b) => apart(a) - apart(b) || (a.type.id < b.type.id ? -1 : 1))
}
function apart({ widerMm, tallerMm }: Replacement): number {
  const mm = Math.abs(widerMm) + Math.abs(tallerMm)
  return mm < EPSILON_MM ? 0 : mm
}
