import type { IndexBook } from '#core/catalog'
import { PAPERS } from '../page'
import { columnWidth, type EntryChoices, MARGIN } from './entries'
import type { BookEntry, BookHeading } from './wanted'

export interface LeafLine {
  readonly heading: BookHeading
  readonly entry: BookEntry
}
/** The room of a leaf, in points. */
export interface LeafShape {
  readonly columnWidth: number
  readonly columnHeight: number
  /** Of one side. */
  readonly columns: number
  readonly sides: 1 | 2
  readonly entryHeight: (entry: BookEntry) => number
}
/** Where a heading or an entry begins: its column, counted over both sides, and its distance from the top. */
export interface Spot {
  readonly column: number
  readonly top: number
  readonly line: LeafLine
  /** The heading above the entry; null: the entry continues the heading before. */
  readonly head: 'first' | 'again' | null
  /** Distance of the entry below its heading. */
  readonly headHeight: number
}

export const HEAD_HEIGHT = 32
const FOOT_HEIGHT = 24
export const LINE_HEIGHTS = { first: 17, more: 11, below: 5 } as const
const HEADING = { title: 24, seeAlso: 11, above: 7 } as const

export function leafShape(book: EntryChoices & Pick<IndexBook, 'sides' | 'columns'>): LeafShape {
  const hasDetail = book.hasBrand || book.hasSize || book.hasKind
  const [more, both] = [hasDetail ? LINE_HEIGHTS.more : 0, book.code === 'both' ? LINE_HEIGHTS.more : 0]
  const texts = LINE_HEIGHTS.first + more + both
  return {
    columnWidth: columnWidth(book),
    columnHeight: PAPERS[book.paper].heightPt - 2 * MARGIN - HEAD_HEIGHT - FOOT_HEIGHT,
    columns: book.columns,
    sides: book.sides,
    entryHeight: ({ picture }) => Math.max(texts, picture ? picture.heightPt + 2 : 0) + LINE_HEIGHTS.below,
  }
}

const headingHeight = ({ seeAlso }: BookHeading): number => HEADING.title + (seeAlso.length > 0 ? HEADING.seeAlso : 0)

/**
 * Lays lines down one column and on in the next, as many as the leaf has room for; fewer than given means that the leaf is full. A heading
 * never stands alone at the foot of a column, and is repeated where its entries continue. `share`: how much of the leaf may be filled; the
 * first line is always taken. O(lines).
 */
export function flow(lines: readonly LeafLine[], shape: LeafShape, share = 1): readonly Spot[] {
  const spots: Spot[] = []
  const columns = shape.columns * shape.sides
  const most = columns * shape.columnHeight * share
  let [column, y] = [0, 0]
  for (const line of lines) {
    const before = spots.at(-1)?.line.heading.key
    const height = shape.entryHeight(line.entry)
    const isNew = before !== line.heading.key
    let above = isNew && y > 0 ? HEADING.above : 0
    let headHeight = isNew ? headingHeight(line.heading) : 0
    let head: Spot['head'] = isNew ? 'first' : null
    if (y + above + headHeight + height > shape.columnHeight) {
      ;[column, y, above] = [column + 1, 0, 0]
      headHeight = headingHeight(line.heading)
      head = isNew ? 'first' : 'again'
    }
    const bottom = y + above + headHeight + height
    if (column >= columns || (spots.length > 0 && column * shape.columnHeight + bottom > most)) return spots
    spots.push({ column, top: y + above, line, head, headHeight })
    y = bottom
  }
  return spots
}

/** The share of a leaf that a line takes behind another line. */
export function shareOf({ heading, entry }: LeafLine, before: LeafLine | undefined, shape: LeafShape): number {
  const head = heading.key === before?.heading.key ? 0 : headingHeight(heading) + HEADING.above
  return (shape.entryHeight(entry) + head) / (shape.columnHeight * shape.columns * shape.sides)
}
