import type { Container, HolderType } from '#core/catalog'
import type { Contents } from './contents'
import { type ContainerFit, fitContainer, type FitHabits, fitHolder, type NoFit } from './fit'
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
}

const SHEET_UP_TO_MM = 8
const areaOf = (type: HolderType): number => (type.inner ? type.inner.widthMm * type.inner.heightMm : Infinity)

/**
 * What a set could sit in, best first: what its container takes before what it does not, then by the owner's ranking of
 * the ways (boxes after, for what is as thin as a sheet), then the smallest, so that no pocket is larger than it need be. Retired types
 * come last. O(types).
 */
export function adviseHolder(
  contents: Contents,
  types: readonly HolderType[],
  habits: FitHabits,
  container: Pick<Container, 'type' | 'lanes' | 'inner' | 'cells'> | null,
): HolderAdvice {
  const choices: HolderChoice[] = []
  const refused: { type: HolderType; why: NoFit }[] = []
  for (const type of types) {
    const result = fitHolder(contents, type, habits)
    if (!result.fits) {
      refused.push({ type, why: result.why })
      continue
    }
    const [answer, ...others] = result.answers
    if (answer) choices.push({ type, answer, others, container: container && fitContainer(type, answer, container) })
  }
  const isTaken = (choice: HolderChoice): number => (choice.container === null || choice.container.fits ? 0 : 1)
  // A sheet stands in film; a box is for what is thick (common practice).
  const isBoxed = ({ type }: HolderChoice): number =>
    Number(contents.thicknessMm <= SHEET_UP_TO_MM && (type.type === 'box' || type.type === 'trayCell'))
  const rank = (choice: HolderChoice): number => habits.fitOrder.indexOf(choice.answer.way)
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
  return { choices, refused }
}

/** The next larger types that take it with nothing cut, turned or left open, smallest first. */
export function nextSizesUp(contents: Contents, from: HolderType, types: readonly HolderType[], habits: FitHabits): readonly HolderType[] {
  const isPlain = (type: HolderType): boolean => {
    const result = fitHolder(contents, type, habits)
    return result.fits && result.answers.some(({ way }) => way === 'loose' || way === 'fits' || way === 'snug')
  }
  return types
    .filter(type => type.type === from.type && !type.isRetired && type.inner !== null && areaOf(type) > areaOf(from) && isPlain(type))
    .sort((a, b) => areaOf(a) - areaOf(b) || (a.id < b.id ? -1 : 1))
}
