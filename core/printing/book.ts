import { clipText, type FontName, type Ink, type Measure, type Page, type PageItem, type PageSize } from './page'

/** One set on paper: the same facts wherever it stands in the index. */
export interface IndexEntry {
  readonly id: string
  readonly figure: string
  readonly suffix: string
  readonly name: string
  readonly brand: string
  readonly address: string
  /** Picture and its width over height, where there is one. */
  readonly picture: { readonly hash: string; readonly ratio: number } | null
}
export interface IndexGroup {
  readonly heading: string
  readonly entries: readonly IndexEntry[]
}
/** A way through the index: by theme, by number or by place. */
export interface IndexPart {
  readonly title: string
  readonly groups: readonly IndexGroup[]
}
/** The words that the layout sets around the entries. */
export interface BookWords {
  readonly roomName: string
  readonly madeOn: string
  readonly pageOf: (page: number, pages: number) => string
  readonly continued: (heading: string) => string
  readonly range: (first: string, last: string) => string
}

const MARGIN = 40
const HEAD = 34
const FOOT = 26
const COLUMN_GAP = 22
const COLUMNS = 2
const ENTRY_HEIGHT = 44
const GROUP_HEIGHT = 24
const THUMB = 38

interface Open {
  items: PageItem[]
  headings: string[]
  title: string
}

/**
 * Lays the parts out in two columns, each part on a page of its own. A heading never stands alone at the foot of a
 * column, and is repeated ("continued") where its entries run on. O(entries).
 */
export function layBook(parts: readonly IndexPart[], paper: PageSize, words: BookWords, measure: Measure): readonly Page[] {
  const columnWidth = (paper.widthPt - 2 * MARGIN - (COLUMNS - 1) * COLUMN_GAP) / COLUMNS
  const bottom = paper.heightPt - MARGIN - FOOT
  const open: Open[] = []
  for (const part of parts) {
    let page: Open = startPage(open, part.title)
    let [column, y] = [0, MARGIN + HEAD]
    const nextColumn = (): void => {
      column += 1
      y = MARGIN + HEAD
      if (column === COLUMNS) {
        page = startPage(open, part.title)
        column = 0
      }
    }
    const left = (): number => MARGIN + column * (columnWidth + COLUMN_GAP)
    for (const group of part.groups) {
      if (group.entries.length === 0) continue
      if (y + GROUP_HEIGHT + ENTRY_HEIGHT > bottom) nextColumn()
      y = setHeading(page, group.heading, group.heading, left(), y, columnWidth, measure)
      for (const entry of group.entries) {
        if (y + ENTRY_HEIGHT > bottom) {
          nextColumn()
          y = setHeading(page, group.heading, words.continued(group.heading), left(), y, columnWidth, measure)
        }
        page.items.push(...setEntry(entry, left(), y, columnWidth, measure))
        y += ENTRY_HEIGHT
      }
      y += 6
    }
  }
  return open.map((page, index) => ({ items: [...runningHead(page, index + 1, open.length, paper, words, measure), ...page.items] }))
}

function startPage(open: Open[], title: string): Open {
  const page: Open = { items: [], headings: [], title }
  open.push(page)
  return page
}

function text(x: number, y: number, sizePt: number, font: FontName, ink: Ink, content: string): PageItem {
  return { type: 'text', x, y, sizePt, font, ink, text: content }
}

function setHeading(page: Open, heading: string, shown: string, x: number, y: number, width: number, measure: Measure): number {
  page.headings.push(heading)
  page.items.push(text(x, y + 14, 12, 'title', 'ridge', clipText(shown, 'title', 12, width, measure)), {
    type: 'rule',
    x,
    y: y + 19,
    toX: x + width,
    weightPt: 0.8,
    ink: 'ridge',
  })
  return y + GROUP_HEIGHT
}

/** Picture at the left, number and name beside it, brand and address below: one glance, one line of sight. */
function setEntry(entry: IndexEntry, x: number, y: number, width: number, measure: Measure): readonly PageItem[] {
  const textX = x + THUMB + 8
  const textWidth = width - THUMB - 8
  const numberWidth = measure(entry.figure, 'title', 13)
  const suffixWidth = entry.suffix ? measure(entry.suffix, 'bold', 8) + 3 : 0
  const nameX = textX + numberWidth + suffixWidth + 7
  return [
    ...setPicture(entry, x, y + 2),
    text(textX, y + 15, 13, 'title', 'night', entry.figure),
    ...(entry.suffix ? [text(textX + numberWidth + 2, y + 15, 8, 'bold', 'quiet', entry.suffix)] : []),
    text(nameX, y + 15, 9.5, 'bold', 'night', clipText(entry.name, 'bold', 9.5, x + width - nameX, measure)),
    text(textX, y + 26, 8.5, 'text', 'quiet', clipText(entry.brand, 'text', 8.5, textWidth, measure)),
    text(textX, y + 37, 9, 'text', 'night', clipText(entry.address, 'text', 9, textWidth, measure)),
    { type: 'rule', x, y: y + ENTRY_HEIGHT - 1, toX: x + width, weightPt: 0.3, ink: 'line' },
  ]
}

function setPicture(entry: IndexEntry, x: number, y: number): readonly PageItem[] {
  if (!entry.picture) return []
  const { hash, ratio } = entry.picture
  const [widthPt, heightPt] = ratio >= 1 ? [THUMB, THUMB / ratio] : [THUMB * ratio, THUMB]
  return [{ type: 'picture', hash, widthPt, heightPt, x: x + (THUMB - widthPt) / 2, y: y + (THUMB - heightPt) / 2 }]
}

function runningHead(page: Open, number: number, pages: number, paper: PageSize, words: BookWords, measure: Measure): readonly PageItem[] {
  const right = paper.widthPt - MARGIN
  const first = page.headings[0] ?? ''
  const last = page.headings.at(-1) ?? ''
  const range = first === last ? first : words.range(first, last)
  const titleWidth = measure(page.title, 'title', 13)
  const shownRange = clipText(range, 'text', 10, right - MARGIN - titleWidth - 24, measure)
  const folio = words.pageOf(number, pages)
  const footY = paper.heightPt - MARGIN
  return [
    text(MARGIN, MARGIN + 12, 13, 'title', 'night', page.title),
    text(right - measure(shownRange, 'text', 10), MARGIN + 12, 10, 'text', 'quiet', shownRange),
    { type: 'rule', x: MARGIN, y: MARGIN + 19, toX: right, weightPt: 1.2, ink: 'night' },
    text(
      MARGIN,
      footY,
      8.5,
      'text',
      'quiet',
      clipText(`${words.roomName}  ·  ${words.madeOn}`, 'text', 8.5, (right - MARGIN) * 0.7, measure),
    ),
    text(right - measure(folio, 'text', 8.5), footY, 8.5, 'text', 'quiet', folio),
  ]
}
