import type { Container, FitWay, HolderType } from '#core/catalog'
import type { Size } from '#core/units'
import type { Contents } from './contents'
import { isFlat, openingFor } from './opening'
import { type FitAnswer, WAYS_TO_FIT } from './ways'

/** The owner's own ranking of the ways, and what they would never do. */
export interface FitHabits {
  readonly fitOrder: readonly FitWay[]
  readonly fitNever: readonly FitWay[]
}
export type NoFit =
  | { readonly code: 'tooWide' | 'tooTall'; readonly needMm: number; readonly haveMm: number }
  | { readonly code: 'tooThick'; readonly needMm: number; readonly haveMm: number }

export type FitResult = { readonly fits: true; readonly answers: readonly FitAnswer[] } | { readonly fits: false; readonly why: NoFit }

/**
 * Does it fit, and what if not: every way that works, in the owner's order; what they would never do is left out. A
 * holder that takes any size takes everything.
 * @example fitHolder(contents, pocket5x7, habits) //=> { fits: true, answers: [{ way: 'snug', spareWidthMm: 0.9, ... }] }
 */
export function fitHolder(contents: Contents, type: HolderType, habits: FitHabits): FitResult {
  if (!type.inner) return { fits: true, answers: [freely(contents)] }
  const answers = habits.fitOrder.filter(way => !habits.fitNever.includes(way)).flatMap(way => WAYS_TO_FIT[way](contents, type) ?? [])
  return answers.length > 0 ? { fits: true, answers } : { fits: false, why: whyNot(contents, type, type.inner) }
}

/** Nothing holds it in: as on a ring or on the board. */
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
  if (type.maxThicknessMm !== null && contents.thicknessMm > type.maxThicknessMm && !isFlat(type))
    return { code: 'tooThick', needMm: contents.thicknessMm, haveMm: type.maxThicknessMm }
  const opening = openingFor(type, contents.thicknessMm, false)
  if (!opening) return { code: 'tooThick', needMm: contents.thicknessMm, haveMm: Math.min(inner.widthMm, type.maxThicknessMm ?? Infinity) }
  const [needShort, needLong] = [Math.min(contents.widthMm, contents.heightMm), Math.max(contents.widthMm, contents.heightMm)]
  const [haveShort, haveLong] = [Math.min(opening.widthMm, opening.heightMm), Math.max(opening.widthMm, opening.heightMm)]
  return needShort > haveShort
    ? { code: 'tooWide', needMm: needShort, haveMm: haveShort }
    : { code: 'tooTall', needMm: needLong, haveMm: haveLong }
}

export type ContainerFit =
  | { readonly fits: true; readonly isMeasured: boolean }
  | { readonly fits: false; readonly code: 'wrongContainer' }
  | { readonly fits: false; readonly code: 'tooWideForLane' | 'tooHighForContainer'; readonly needMm: number; readonly haveMm: number }

/** Seams, and the film beyond them, add so much to each side of a flat holder (common practice: 1/8 in). */
const SEAM_MM = 3.2

/** How large a holder is from outside, standing in its row with what sticks out of it. */
export function outerSize(type: Pick<HolderType, 'type' | 'inner' | 'filmMm'>, answer: Pick<FitAnswer, 'lies' | 'sticksOutMm'>): Size {
  const inner = type.inner ?? answer.lies
  const rim = isFlat(type) ? SEAM_MM : type.filmMm
  return { widthMm: inner.widthMm + 2 * rim, heightMm: inner.heightMm + (isFlat(type) ? SEAM_MM : 2 * rim) + answer.sticksOutMm }
}

/** Does the filled holder go into the container: its lane's width, and the height up to the shelf above? */
export function fitContainer(
  type: HolderType,
  answer: FitAnswer,
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
