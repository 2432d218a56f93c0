import { PT_PER_MM } from '#core/units'
import { clipText, type Measure, type Page, type PageItem, type PageSize } from '../page'

/** One line of a short list: its beginning (a number, a mark), its text, and its end. */
export interface ListLine {
  readonly code: string
  readonly text: string
  readonly detail: string
  /** A heading of the lines below it. */
  readonly isHeading?: boolean
}
export interface ShortList {
  readonly title: string
  readonly lead: string
  readonly lines: readonly ListLine[]
  /** A box to tick in front of each line. */
  readonly hasTicks: boolean
}
export interface ListWords {
  readonly foot: string
  readonly page: (nth: number, count: number) => string
}

const MARGIN = 15 * PT_PER_MM
const [LINE_PT, HEADING_PT, HEAD_PT, FOOT_PT] = [17, 26, 52, 24]
const [TEXT_PT, TICK_PT] = [10.5, 9]
const CODE_PT = 62
const GAP_PT = 10

/** A short list on as many sheets as it needs, the title on each. O(lines). */
export function layList({ title, lead, lines, hasTicks }: ShortList, size: PageSize, words: ListWords, measure: Measure): readonly Page[] {
  const bottom = size.heightPt - MARGIN - FOOT_PT
  const pages: { readonly items: PageItem[]; y: number }[] = []
  const open = (): { readonly items: PageItem[]; y: number } => {
    const page = { items: [...head(title, pages.length === 0 ? lead : '', size, measure)], y: MARGIN + HEAD_PT }
    pages.push(page)
    return page
  }
  let page = open()
  lines.forEach((line, at) => {
    // A heading never stands alone at the foot of a page.
    const needs = line.isHeading ? HEADING_PT + (lines[at + 1] ? LINE_PT : 0) : LINE_PT
    if (page.y + needs > bottom) page = open()
    page.items.push(...drawLine(line, page.y, hasTicks, size, measure))
    page.y += line.isHeading ? HEADING_PT : LINE_PT
  })
  return pages.map(({ items }, at) => ({
    label: String(at + 1),
    side: 'front',
    bookmark: at === 0 ? { way: '', title } : null,
    items: [...items, ...foot(words.foot, words.page(at + 1, pages.length), size, measure)],
  }))
}

function head(title: string, lead: string, { widthPt }: PageSize, measure: Measure): readonly PageItem[] {
  const room = widthPt - 2 * MARGIN
  return [
    { type: 'text', x: MARGIN, y: MARGIN + 16, sizePt: 17, font: 'title', ink: 'night', text: clipText(title, 'title', 17, room, measure) },
    { type: 'rule', x: MARGIN, y: MARGIN + 23, toX: widthPt - MARGIN, weightPt: 1.2, ink: 'night' },
    ...(lead === ''
      ? []
      : [
          {
            type: 'text' as const,
            x: MARGIN,
            y: MARGIN + 36,
            sizePt: 9,
            font: 'text' as const,
            ink: 'quiet' as const,
            text: clipText(lead, 'text', 9, room, measure),
          },
        ]),
  ]
}

function drawLine(line: ListLine, top: number, hasTicks: boolean, { widthPt }: PageSize, measure: Measure): readonly PageItem[] {
  const right = widthPt - MARGIN
  if (line.isHeading) {
    const y = top + HEADING_PT - 7
    return [
      {
        type: 'text',
        x: MARGIN,
        y,
        sizePt: 12,
        font: 'title',
        ink: 'ridge',
        text: clipText(line.text, 'title', 12, right - MARGIN, measure),
      },
    ]
  }
  const y = top + LINE_PT - 5
  const left = MARGIN + (hasTicks ? TICK_PT + GAP_PT : 0)
  const textX = left + (line.code === '' ? 0 : CODE_PT)
  const detail = clipText(line.detail, 'text', TEXT_PT - 1, (right - textX) * 0.6, measure)
  const detailWide = detail === '' ? 0 : measure(detail, 'text', TEXT_PT - 1)
  const text = clipText(line.text, 'text', TEXT_PT, right - textX - (detailWide > 0 ? detailWide + GAP_PT : 0), measure)
  const box: PageItem = { type: 'outline', x: MARGIN, y: y - TICK_PT + 1, widthPt: TICK_PT, heightPt: TICK_PT, ink: 'quiet' }
  const code = clipText(line.code, 'bold', TEXT_PT, CODE_PT - GAP_PT / 2, measure)
  return [
    ...(hasTicks ? [box] : []),
    ...texts(left, y, TEXT_PT, 'bold', 'night', code),
    ...texts(textX, y, TEXT_PT, 'text', 'night', text),
    ...texts(right - detailWide, y, TEXT_PT - 1, 'text', 'quiet', detail),
    { type: 'rule', x: MARGIN, y: top + LINE_PT, toX: right, weightPt: 0.3, ink: 'line' },
  ]
}
const texts = (x: number, y: number, sizePt: number, font: 'text' | 'bold', ink: 'night' | 'quiet', text: string): readonly PageItem[] =>
  text === '' ? [] : [{ type: 'text', x, y, sizePt, font, ink, text }]

function foot(left: string, right: string, { widthPt, heightPt }: PageSize, measure: Measure): readonly PageItem[] {
  const y = heightPt - MARGIN
  const rightWide = measure(right, 'bold', 9)
  return [
    ...texts(MARGIN, y, 8.5, 'text', 'quiet', clipText(left, 'text', 8.5, widthPt - 2 * MARGIN - rightWide - GAP_PT, measure)),
    ...texts(widthPt - MARGIN - rightWide, y, 9, 'bold', 'night', right),
  ]
}
