import type { Cell, Container } from '#core/catalog'
import { plainLetters } from '#core/classing'

/** A set that may come next, and the text on its label. */
export interface Offered {
  readonly id: string
  /** Its number as written: `12W`, `B1079`. */
  readonly figure: string
  readonly name: string
}

/**
 * The sets that a person may mean by a number or by words of a name: the exact number first, then numbers that begin with it, then names
 * in which each typed word begins a word. Ties keep their order. O(sets).
 * @example offersFor('2', [{ id: 'a', figure: '21', name: 'Kelp' }, { id: 'b', figure: '2', name: 'Gull' }])[0].id //=> 'b'
 */
export function offersFor<O extends Offered>(text: string, among: readonly O[]): readonly O[] {
  const typed = plainLetters(text.trim())
  if (typed === '') return among
  const words = typed.split(/\s+/)
  const rankOf = ({ figure, name }: O): number => {
    const own = plainLetters(figure)
    if (own === typed) return 0
    if (own.startsWith(typed)) return 1
    const named = plainLetters(name).split(/[^\p{L}\p{N}]+/u)
    return words.every(word => named.some(each => each.startsWith(word))) ? 2 : 3
  }
  return among
    .map(each => ({ each, rank: rankOf(each) }))
    .filter(({ rank }) => rank < 3)
    .sort((a, b) => a.rank - b.rank)
    .map(({ each }) => each)
}

type Grid = NonNullable<Container['cells']>
/**
 * The cells of pages in walking order: a page cell by cell, the back of a cell after its front. Taken cells are skipped. Ends with the
 * last page.
 * @example [...cellsFrom({ rows: 1, columns: 2, pages: 2, isTwoSided: false }, 2)].length //=> 2
 */
export function* cellsFrom(
  { rows, columns, pages, isTwoSided }: Pick<Grid, 'rows' | 'columns' | 'pages' | 'isTwoSided'>,
  fromPage: number,
  isTaken: (cell: Cell) => boolean = () => false,
): Generator<Cell> {
  for (let page = fromPage; page <= pages; page += 1)
    for (const side of isTwoSided ? (['front', 'back'] as const) : (['front'] as const))
      for (let at = 1; at <= rows * columns; at += 1) {
        const cell = { page, cell: at, side }
        if (!isTaken(cell)) yield cell
      }
}
