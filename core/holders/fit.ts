import type { Container, FitWay, HolderType } from '#core/catalog'
import type { Size } from '#core/units'
import type { Contents } from './contents'
import { isFlat, isTooThick, openingFor } from './opening'
import { TRIES_A_QUESTION, type Tries } from './packing'
import { type FitAnswer, SNUG_MM, UNTRIED, WAYS_TO_FIT, whole } from './ways'

/** The owner's ranking of the ways to fit, and the ways never to use. */
export interface FitHabits {
  readonly fitOrder: readonly FitWay[]
  readonly fitNever: readonly FitWay[]
}
export type NoFit =
  /** Always `needMm > haveMm`. */
  | { readonly code: 'tooWide' | 'tooTall' | 'tooThick'; readonly needMm: number; readonly haveMm: number }
  /** It fits only in ways that the owner never uses. */
  | { readonly code: 'onlyNever' }

export type FitResult =
  | { readonly fits: true; readonly answers: readonly FitAnswer[] }
  | { readonly fits: false; readonly isCertain: true; readonly why: NoFit }
  /** Not every layout of its pieces was tried: it may fit after all. */
  | { readonly fits: false; readonly isCertain: false }

/**
 * Whether it fits, and in which ways, in the owner's order; ways that the owner never uses are left out. A holder that takes any size
 * takes everything.
 * @example fitHolder(contents, pocket, habits).answers[0].way //=> 'loose'
 */
export function fitHolder(contents: Contents, type: HolderType, habits: FitHabits, tries: Tries = { left: TRIES_A_QUESTION }): FitResult {
  if (!type.inner) return { fits: true, answers: [freely(contents)] }
  const found = habits.fitOrder.filter(way => !habits.fitNever.includes(way)).flatMap(way => WAYS_TO_FIT[way](contents, type, tries) ?? [])
  const answers = found.filter(each => each !== UNTRIED)
  if (answers.length > 0) return { fits: true, answers }
  return found.length > 0 ? { fits: false, isCertain: false } : { fits: false, isCertain: true, why: whyNot(contents, type, type.inner) }
}

/** Splits one budget over many questions: each may use an equal share of the rest, and what it leaves goes to the later ones. */
export function shareOfTries(all: Tries, questions: number): { readonly tries: Tries; readonly done: () => void } {
  const before = Math.max(0, Math.floor(all.left / Math.max(1, questions)))
  const tries = { left: before }
  return { tries, done: () => void (all.left -= before - Math.max(0, tries.left)) }
}

/** Nothing encloses it, as on a ring or the board. */
function freely({ widthMm, heightMm }: Contents): FitAnswer {
  const lies = { widthMm, heightMm }
  return {
    way: 'loose',
    opening: lies,
    lies,
    angleDeg: 0,
    spareWidthMm: 0,
    spareHeightMm: 0,
    isIrreversible: false,
    holders: 1,
    trimWidthMm: 0,
    trimHeightMm: 0,
    sticksOutMm: 0,
    laid: [],
  }
}

function whyNot(contents: Contents, type: HolderType, inner: Size): NoFit {
  const { thicknessMm } = contents
  const limit = type.maxThicknessMm ?? Infinity
  if (isTooThick(type, thicknessMm) && !isFlat(type)) return { code: 'tooThick', needMm: thicknessMm, haveMm: limit }
  const opening = openingFor(type, thicknessMm, false)
  if (!opening) return { code: 'tooThick', needMm: thicknessMm, haveMm: Math.min(limit, inner.widthMm, inner.heightMm * 2) }
  const lacksOpen = lacks(whole(contents), opening)
  if (lacksOpen) return lacksOpen
  // Large enough while open: only the closing does not go.
  const shut = openingFor(type, thicknessMm, true)
  if (!shut) return { code: 'tooThick', needMm: thicknessMm, haveMm: limit }
  return lacks(whole(contents), shut) ?? { code: 'onlyNever' }
}

/** The side that is too large for the opening in either orientation. Less than the play too large also counts. */
function lacks(size: Size, opening: Size): NoFit | null {
  const [needShort, needLong] = [Math.min(size.widthMm, size.heightMm), Math.max(size.widthMm, size.heightMm)]
  const [haveShort, haveLong] = [Math.min(opening.widthMm, opening.heightMm), Math.max(opening.widthMm, opening.heightMm)]
  for (const play of [0, SNUG_MM]) {
    if (needShort + play > haveShort) return { code: 'tooWide', needMm: needShort + play, haveMm: haveShort }
    if (needLong + play > haveLong) return { code: 'tooTall', needMm: needLong + play, haveMm: haveLong }
  }
  return null
}

export type ContainerFit =
  | { readonly fits: true; readonly isMeasured: boolean }
  | { readonly fits: false; readonly code: 'wrongContainer' }
  | { readonly fits: false; readonly code: 'tooWideForLane' | 'tooHighForContainer'; readonly needMm: number; readonly haveMm: number }

/** Seams and the film beyond them add so much to each side of a flat holder (common practice: 1/8 in). */
const SEAM_MM = 3.2

/** Outer size of a holder standing in its row, with anything that sticks out of it. */
export function outerSize(type: Pick<HolderType, 'type' | 'inner' | 'filmMm'>, answer: Pick<FitAnswer, 'lies' | 'sticksOutMm'>): Size {
  const inner = type.inner ?? answer.lies
  const rim = isFlat(type) ? SEAM_MM : type.filmMm
  return { widthMm: inner.widthMm + 2 * rim, heightMm: inner.heightMm + (isFlat(type) ? SEAM_MM : 2 * rim) + answer.sticksOutMm }
}

/** Whether the filled holder goes into the container: within the width of its lane, and under the shelf above. */
export function fitContainer(
  type: HolderType,
  answer: Pick<FitAnswer, 'lies' | 'sticksOutMm'>,
  container: Pick<Container, 'type' | 'lanes' | 'inner' | 'cells'>,
): ContainerFit {
  if (type.standsIn.length > 0 && !type.standsIn.includes(container.type)) return { fits: false, code: 'wrongContainer' }
  if (!container.inner || container.cells) return { fits: true, isMeasured: false }
  const outer = outerSize(type, answer)
  const laneMm = container.inner.widthMm / container.lanes
  if (outer.widthMm > laneMm) return { fits: false, code: 'tooWideForLane', needMm: outer.widthMm, haveMm: laneMm }
  if (outer.heightMm > container.inner.heightMm)
    return { fits: false, code: 'tooHighForContainer', needMm: outer.heightMm, haveMm: container.inner.heightMm }
  return { fits: true, isMeasured: true }
}
