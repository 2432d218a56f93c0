import type { BookWay, IndexBook } from '#core/catalog'
import { PT_PER_MM } from '#core/units'
import { clipText, type FontName, HOLES, type Ink, type Measure, type Page, type PageItem, PAPERS } from '../page'
import { COLUMN_GAP, MARGIN } from './entries'
import { flow, HEAD_HEIGHT, leafShape, LINE_HEIGHTS, type Spot } from './flow'
import { type FrontLeaf, FRONT_HEIGHTS, frontSpots, titleOf } from './front'
import type { Leaf } from './leaves'
import type { BookEntry } from './wanted'

/** The words around the entries. */
export interface BookWords {
  readonly roomName: string
  readonly printedOn: string
  readonly front: string
  readonly ways: Readonly<Record<BookWay, string>>
  readonly continued: (heading: string) => string
  readonly range: (first: string, last: string) => string
  readonly seeAlso: (headings: string) => string
  readonly leaf: (label: string) => string
  readonly back: (label: string) => string
}
/** Everything that drawing a side needs. */
export interface DrawingContext {
  readonly book: IndexBook
  readonly words: BookWords
  readonly measure: Measure
  /** The leaf on which a heading of a way begins; null: it is not in the book. */
  readonly leafOf: (way: BookWay, title: string) => string | null
}
interface Frame {
  readonly left: number
  readonly right: number
  readonly top: number
}

/** The margin for holes is at the left of a front and at the right of a back. */
function frameOf({ paper, bindingMm }: IndexBook, side: Page['side']): Frame {
  const binding = Math.max(MARGIN, bindingMm * PT_PER_MM)
  const { widthPt } = PAPERS[paper]
  const [left, right] = side === 'front' ? [binding, widthPt - MARGIN] : [MARGIN, widthPt - binding]
  return { left, right, top: MARGIN + HEAD_HEIGHT }
}

function text(x: number, y: number, sizePt: number, font: FontName, ink: Ink, content: string): PageItem[] {
  return content === '' ? [] : [{ type: 'text', x, y, sizePt, font, ink, text: content }]
}

/**
 * The printed sides of a leaf: one, or two if the back is used; more if lines written in by hand do not fit. No line is ever left out.
 * O(lines).
 */
export function drawLeaf(leaf: Leaf | FrontLeaf, context: DrawingContext): readonly Page[] {
  const shape = leafShape(context.book)
  const perSide = shape.columns
  const columnOf = (column: number, side: Page['side']): number =>
    frameOf(context.book, side).left + (column % perSide) * (shape.columnWidth + COLUMN_GAP)
  const spots = 'front' in leaf ? frontSpots(leaf.front, shape) : flow(leaf.lines, { ...shape, columns: shape.columns + leaf.lines.length })
  const count = 1 + Math.floor((spots.at(-1)?.column ?? 0) / perSide)
  return Array.from({ length: count }, (_, at): Page => {
    const side = context.book.sides === 2 && at % 2 === 1 ? 'back' : 'front'
    const here = spots.filter(({ column }) => Math.floor(column / perSide) === at)
    const frame = frameOf(context.book, side)
    const items = here.flatMap(spot => {
      const [x, y] = [columnOf(spot.column, side), frame.top + spot.top]
      if (!('isNewLeaf' in spot)) return drawSpot(spot, x, y, shape.columnWidth, leaf as Leaf, context)
      return drawFrontLine(spot.line, x, y, shape.columnWidth, context)
    })
    const titles = here.flatMap(spot => ('isNewLeaf' in spot ? [] : [spot.line.heading.title]))
    const around = [...runningHead(leaf, side, titles, frame, context), ...holes(context.book, side)]
    const title = 'front' in leaf ? context.words.front : titleOf(leaf)
    const begins = at === 0 && !('isContinued' in leaf && leaf.isContinued)
    const bookmark = begins ? { way: 'front' in leaf ? '' : context.words.ways[leaf.way], title } : null
    return { label: leaf.label, side, bookmark, items: [...around, ...items] }
  })
}

function runningHead(
  leaf: Leaf | FrontLeaf,
  side: Page['side'],
  titles: readonly string[],
  frame: Frame,
  context: DrawingContext,
): readonly PageItem[] {
  const { book, words, measure } = context
  const { left, right } = frame
  const title = leaf.way === 'front' ? words.front : words.ways[leaf.way]
  const [first = '', last = ''] = [titles[0], titles.at(-1)]
  const range = first === last ? first : words.range(first, last)
  const titleWidth = measure(title, 'title', 13)
  const shown = clipText(range, 'text', 10, right - left - titleWidth - 20, measure)
  const folio = side === 'front' ? words.leaf(leaf.label) : words.back(leaf.label)
  const folioWidth = measure(folio, 'bold', 10)
  const footY = PAPERS[book.paper].heightPt - MARGIN
  const foot = clipText(`${words.roomName}  ·  ${words.printedOn}`, 'text', 8.5, right - left - folioWidth - 16, measure)
  return [
    ...text(left, MARGIN + 12, 13, 'title', 'night', title),
    ...text(right - measure(shown, 'text', 10), MARGIN + 12, 10, 'text', 'quiet', shown),
    { type: 'rule', x: left, y: MARGIN + 19, toX: right, weightPt: 1.2, ink: 'night' },
    ...text(left, footY, 8.5, 'text', 'quiet', foot),
    ...text(right - folioWidth, footY, 10, 'bold', 'night', folio),
  ]
}

function holes({ paper, holes: kind }: IndexBook, side: Page['side']): readonly PageItem[] {
  if (kind === 'none') return []
  const { count, apartMm, inMm } = HOLES[kind]
  const { widthPt, heightPt } = PAPERS[paper]
  const x = side === 'front' ? inMm * PT_PER_MM : widthPt - inMm * PT_PER_MM
  return Array.from(
    { length: count },
    (_, at) => ({ type: 'hole', x, y: heightPt / 2 + (at - (count - 1) / 2) * apartMm * PT_PER_MM }) as const,
  )
}

function drawSpot(
  { head, headHeight, line }: Spot,
  x: number,
  y: number,
  width: number,
  leaf: Leaf,
  context: DrawingContext,
): readonly PageItem[] {
  const { measure, words, book } = context
  const { heading, entry } = line
  const isAgain = head === 'again' || (head === 'first' && leaf.isContinued && heading === leaf.lines[0]?.heading)
  const title = isAgain ? words.continued(heading.title) : heading.title
  const headItems: readonly PageItem[] = head
    ? [
        ...text(x, y + 14, 12, 'title', 'ridge', clipText(title, 'title', 12, width, measure)),
        { type: 'rule', x, y: y + 19, toX: x + width, weightPt: 0.8, ink: 'ridge' },
        ...seeAlso(heading.seeAlso, leaf.way, x, y, width, context),
      ]
    : []
  const height = leafShape(book).entryHeight(entry)
  const under: PageItem = { type: 'rule', x, y: y + headHeight + height - 1, toX: x + width, weightPt: 0.3, ink: 'line' }
  return [...headItems, ...drawEntry(entry, x, y + headHeight, width, context), under]
}

/** The "see also" names on one line, each a link to the leaf where it begins. */
function seeAlso(
  names: readonly string[],
  way: BookWay,
  x: number,
  y: number,
  width: number,
  context: DrawingContext,
): readonly PageItem[] {
  const { measure, words, leafOf } = context
  if (names.length === 0) return []
  const size = 8.5
  const widthOf = (some: readonly string[]): number => measure(words.seeAlso(some.join(', ')), 'text', size)
  const links = names.flatMap((name, at): PageItem[] => {
    const [toLabel, end] = [leafOf(way, name), widthOf(names.slice(0, at + 1))]
    const begins = end - measure(name, 'text', size)
    if (toLabel === null || begins >= width) return []
    return [{ type: 'link', x: x + begins, y: y + 20, widthPt: Math.min(end, width) - begins, heightPt: 13, toLabel }]
  })
  return [...text(x, y + 30, size, 'text', 'quiet', clipText(words.seeAlso(names.join(', ')), 'text', size, width, measure)), ...links]
}

const pictureItem = ({ hash, widthPt, heightPt }: NonNullable<BookEntry['picture']>, x: number, y: number): PageItem => ({
  type: 'picture',
  hash,
  widthPt,
  heightPt,
  x,
  y,
})

/** The least width left free for a picture, so that the numbers of a column stand below each other. */
const PICTURE_WIDTH = 38

function drawEntry(entry: BookEntry, x: number, y: number, width: number, context: DrawingContext): readonly PageItem[] {
  const { measure, book } = context
  const { figure, suffix, name, detail, address, picture, phrase } = entry
  const hasPictures = book.picture !== 'none' && phrase === null
  const pictureWidth = Math.max(PICTURE_WIDTH, picture?.widthPt ?? 0)
  const textX = hasPictures ? x + pictureWidth + 8 : x
  const textWidth = x + width - textX
  const first = y + 13
  const shownFigure = clipText(figure, 'title', 13, textWidth, measure)
  const figureWidth = figure === '' ? 0 : measure(shownFigure, 'title', 13)
  const suffixWidth = suffix ? measure(suffix, 'bold', 8) + 3 : 0
  const nameX = textX + figureWidth + suffixWidth + (figure === '' ? 0 : 7)
  const items: PageItem[] = [
    ...(picture ? [pictureItem(picture, x + (pictureWidth - picture.widthPt) / 2, y + 1)] : []),
    ...text(textX, first, 13, 'title', 'night', shownFigure),
    ...text(textX + figureWidth + 2, first, 8, 'bold', 'quiet', suffix),
  ]
  const hasDetail = book.hasBrand || book.hasSize || book.hasKind
  if (phrase) items.push(...drawPhrase(phrase, nameX, first, x + width - nameX, measure))
  else items.push(...text(nameX, first, 9.5, 'bold', 'night', clipText(name, 'bold', 9.5, Math.max(0, x + width - nameX), measure)))
  const more = phrase ? [name, detail].filter(Boolean).join(', ') : detail
  let lineY = first + LINE_HEIGHTS.more
  if (hasDetail) {
    items.push(...text(textX, lineY, 8.5, 'text', 'quiet', clipText(more, 'text', 8.5, textWidth, measure)))
    lineY += LINE_HEIGHTS.more
  }
  items.push(...text(textX, lineY, 9, 'text', 'night', clipText(address, 'text', 9, textWidth, measure)))
  return items
}

/** The leaf on which each heading begins. O(lines). */
export function leafFinder(leaves: readonly Leaf[]): DrawingContext['leafOf'] {
  const begins = new Map<string, string>()
  for (const { way, label, lines } of leaves)
    for (const { heading } of lines) {
      const key = `${way} ${heading.title}`
      if (!begins.has(key)) begins.set(key, label)
    }
  return (way, title) => begins.get(`${way} ${title}`) ?? null
}

/** A phrase with its key word in bold. A long phrase loses its end, or its beginning if the key word would go. */
function drawPhrase(
  [before, word, behind]: NonNullable<BookEntry['phrase']>,
  x: number,
  y: number,
  width: number,
  measure: Measure,
): readonly PageItem[] {
  const size = 9.5
  const wordWidth = measure(word, 'bold', size)
  let shown = before
  while (shown !== '' && measure(shown, 'text', size) + wordWidth > width * 0.75)
    shown = shown.length > 2 ? `…${shown.slice(2).trimStart()}` : ''
  const beforeWidth = measure(shown, 'text', size)
  const clipped = clipText(word, 'bold', size, width - beforeWidth, measure)
  const behindX = x + beforeWidth + measure(clipped, 'bold', size)
  return [
    ...text(x, y, size, 'text', 'night', shown),
    ...text(x + beforeWidth, y, size, 'bold', 'night', clipped),
    ...(behindX < x + width - size
      ? text(behindX, y, size, 'text', 'night', clipText(behind, 'text', size, x + width - behindX, measure))
      : []),
  ]
}

function drawFrontLine(
  { as, text: content, toLabel, mark }: FrontLeaf['front'][number],
  x: number,
  y: number,
  width: number,
  context: DrawingContext,
): readonly PageItem[] {
  const { measure } = context
  if (as === 'title') return text(x, y + 20, 14, 'title', 'ridge', clipText(content, 'title', 14, width, measure))
  if (as === 'way') return text(x, y + 17, 10.5, 'bold', 'night', clipText(content, 'bold', 10.5, width, measure))
  const markWidth = mark === '' ? 0 : Math.max(44, measure(mark, 'bold', 9.5) + 8)
  const labelWidth = measure(toLabel, 'bold', 9.5)
  const shown = clipText(content, 'text', 9.5, width - markWidth - labelWidth - 8, measure)
  return [
    ...text(x, y + 10, 9.5, 'bold', 'night', mark),
    ...text(x + markWidth, y + 10, 9.5, 'text', 'night', shown),
    ...text(x + width - labelWidth, y + 10, 9.5, 'bold', 'night', toLabel),
    ...(toLabel === '' ? [] : [{ type: 'link', x, y, widthPt: width, heightPt: FRONT_HEIGHTS.line, toLabel } as const]),
  ]
}
