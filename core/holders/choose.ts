import type { Container, FitWay, HolderKind, HolderType, Holding, Kind } from '#core/catalog'
import type { Contents } from './contents'
import { type ContainerFit, fitContainer, type FitHabits, fitHolder, type NoFit, shareOfTries } from './fit'
import { TRIES_A_QUESTION } from './packing'
import type { FitAnswer } from './ways'

/** One type with its best answer, and whether the container takes it filled. */
export interface HolderChoice {
  readonly type: HolderType
  readonly answer: FitAnswer
  readonly others: readonly FitAnswer[]
  readonly container: ContainerFit | null
}
export interface HolderAdvice {
  /** Best first. */
  readonly choices: readonly HolderChoice[]
  readonly refused: readonly { readonly type: HolderType; readonly why: NoFit }[]
  /** Types for which not every layout of the pieces was tried: whether they take the set is not known. */
  readonly unsure: readonly HolderType[]
}

const SHEET_UP_TO_MM = 8
/** Inner area over contents above which a pocket is far too large: contents slide about, and it takes up room. */
const FAR_TOO_LARGE = 1.5
const areaOf = (type: HolderType): number => (type.inner ? type.inner.widthMm * type.inner.heightMm : Infinity)

/**
 * Holder types for a set, best first: those that its container takes; then by the owner's ranking of the ways to fit (boxes last for thin
 * things, far too large pockets after close ones); then the smallest. Retired types come last. O(types), with one budget of tries for all
 * layouts of pieces.
 */
export function adviseHolder(
  contents: Contents,
  types: readonly HolderType[],
  habits: FitHabits,
  container: Pick<Container, 'type' | 'lanes' | 'inner' | 'cells'> | null,
): HolderAdvice {
  const choices: HolderChoice[] = []
  const refused: { type: HolderType; why: NoFit }[] = []
  const unsure: HolderType[] = []
  const all = { left: TRIES_A_QUESTION }
  types.forEach((type, at) => {
    const { tries, done } = shareOfTries(all, types.length - at)
    const result = fitHolder(contents, type, habits, tries)
    done()
    if (!result.fits) return void (result.isCertain ? refused.push({ type, why: result.why }) : unsure.push(type))
    const [answer, ...others] = result.answers
    if (answer) choices.push({ type, answer, others, container: container && fitContainer(type, answer, container) })
  })
  const isTaken = (choice: HolderChoice): number => (choice.container === null || choice.container.fits ? 0 : 1)
  // Sheets go into film, thick things into a box (common practice).
  const isBoxed = ({ type }: HolderChoice): number =>
    Number(contents.thicknessMm <= SHEET_UP_TO_MM && (type.type === 'box' || type.type === 'trayCell'))
  const lastPlain = Math.max(...PLAIN_WAYS.map(way => habits.fitOrder.indexOf(way)))
  const isFarTooLarge = ({ type, answer: { way, lies } }: HolderChoice): boolean =>
    PLAIN_WAYS.includes(way) && type.inner !== null && areaOf(type) > FAR_TOO_LARGE * lies.widthMm * lies.heightMm
  const rank = (choice: HolderChoice): number => (isFarTooLarge(choice) ? lastPlain : habits.fitOrder.indexOf(choice.answer.way))
  choices.sort(
    (a, b) =>
      Number(a.type.isRetired) - Number(b.type.isRetired) ||
      isTaken(a) - isTaken(b) ||
      Number(a.type.inner === null) - Number(b.type.inner === null) ||
      isBoxed(a) - isBoxed(b) ||
      rank(a) - rank(b) ||
      areaOf(a.type) - areaOf(b.type) ||
      a.type.rank - b.type.rank ||
      (a.type.id < b.type.id ? -1 : 1),
  )
  return { choices, refused, unsure }
}

/** Nothing cut, turned or left open. */
export const PLAIN_WAYS: readonly FitWay[] = ['loose', 'fits', 'snug']

/** The next larger types that take it with nothing cut, turned or left open, smallest first. */
export function nextSizesUp(contents: Contents, from: HolderType, types: readonly HolderType[], habits: FitHabits): readonly HolderType[] {
  const plain: FitHabits = { ...habits, fitOrder: habits.fitOrder.filter(way => PLAIN_WAYS.includes(way)) }
  return types
    .filter(
      type =>
        type.type === from.type &&
        !type.isRetired &&
        type.inner !== null &&
        areaOf(type) > areaOf(from) &&
        fitHolder(contents, type, plain).fits,
    )
    .sort((a, b) => areaOf(a) - areaOf(b) || (a.id < b.id ? -1 : 1))
}

/** The holder type of the latest set of the same kind: a likely choice where the size decides nothing. O(sets). */
export function latestHolder(holding: Holding, others: Iterable<Holding>): HolderKind | null {
  let latest: Holding | null = null
  for (const other of others) {
    if (other.id !== holding.id && other.sitsIn && other.kindId === holding.kindId && other.number > (latest?.number ?? 0)) latest = other
  }
  return latest?.sitsIn ?? null
}

/** Thick enough to stand without a holder, and to hurt when it falls: a block, a roller. */
const STANDS_FROM_MM = 20
export const standsByItself = (kind: Kind | null | undefined): boolean =>
  kind?.family === 'stamp' && kind.typicalThicknessMm >= STANDS_FROM_MM
