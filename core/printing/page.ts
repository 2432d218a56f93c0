import type { BookHoles, BookPaper } from '#core/catalog'
import { HALF_INCH_MM, MM_PER_INCH, PT_PER_MM } from '#core/units'

/** Points, 72 to the inch, measured from the top left corner of the sheet as one reads. */
export interface PageSize {
  readonly widthPt: number
  readonly heightPt: number
}

const inMm = (widthMm: number, heightMm: number): PageSize => ({ widthPt: widthMm * PT_PER_MM, heightPt: heightMm * PT_PER_MM })

/**
 * ISO 216: A4 is 210 x 297 mm, A5 148 x 210 mm. ANSI/ASME Y14.1: Letter is 8 1/2 x 11 in; half of it 5 1/2 x 8 1/2 in. Albums of
 * 12 x 12 in: common practice.
 */
export const PAPERS: Readonly<Record<BookPaper, PageSize>> = {
  A4: inMm(210, 297),
  Letter: { widthPt: 612, heightPt: 792 },
  A5: inMm(148, 210),
  halfLetter: { widthPt: 396, heightPt: 612 },
  square12: { widthPt: 864, heightPt: 864 },
}

/**
 * Where holes are punched: how far apart along the edge, and how far their middle is from it. ISO 838: 80 mm apart, 12 mm from the
 * edge, for four holes each 80 mm from the next. Three holes: 4 1/4 in apart, common practice.
 */
export const HOLES: Readonly<
  Record<Exclude<BookHoles, 'none'>, { readonly count: number; readonly apartMm: number; readonly inMm: number }>
> = {
  two: { count: 2, apartMm: 80, inMm: 12 },
  four: { count: 4, apartMm: 80, inMm: 12 },
  three: { count: 3, apartMm: 4.25 * MM_PER_INCH, inMm: HALF_INCH_MM },
}

export type FontName = 'text' | 'bold' | 'title'
/** Names of inks, whose colours the renderer decides; `black` is always black, as machines read codes. */
export type Ink = 'night' | 'quiet' | 'line' | 'ridge' | 'black' | `tab${0 | 1 | 2 | 3 | 4 | 5}`

/** `y` of a text is its baseline; `y` of a picture or a link its upper edge. */
export type PageItem =
  | {
      readonly type: 'text'
      readonly x: number
      readonly y: number
      readonly sizePt: number
      readonly font: FontName
      readonly ink: Ink
      readonly text: string
    }
  | {
      readonly type: 'picture'
      readonly x: number
      readonly y: number
      readonly widthPt: number
      readonly heightPt: number
      readonly hash: string
      /** Strength of its ink, 0 to 1: a card lies beneath its stamps, which are to be seen on it. Left out: 1. */
      readonly inkShare?: number
    }
  | { readonly type: 'rule'; readonly x: number; readonly y: number; readonly toX: number; readonly weightPt: number; readonly ink: Ink }
  | { readonly type: 'hole'; readonly x: number; readonly y: number }
  /** An outline, or an area of ink. */
  | {
      readonly type: 'outline' | 'area'
      readonly x: number
      readonly y: number
      readonly widthPt: number
      readonly heightPt: number
      readonly ink: Ink
    }
  /** A link to the front of a leaf of the same book. */
  | {
      readonly type: 'link'
      readonly x: number
      readonly y: number
      readonly widthPt: number
      readonly heightPt: number
      readonly toLabel: string
    }

/** One side of a leaf. */
export interface Page {
  readonly label: string
  readonly side: 'front' | 'back'
  /** Its name in a reader's list of bookmarks, under its way in; empty: none. */
  readonly bookmark: { readonly way: string; readonly title: string } | null
  readonly items: readonly PageItem[]
}

/** Width of a text in points: the renderer knows its fonts, the layout does not. */
export type Measure = (text: string, font: FontName, sizePt: number) => number

/**
 * The text, or as much of it as fits with an ellipsis. O(log n) measurements.
 * @example clipText('Kelp Study', 'text', 9, 30, monospaced) //=> 'Kelp…'
 */
export function clipText(text: string, font: FontName, sizePt: number, widthPt: number, measure: Measure): string {
  if (measure(text, font, sizePt) <= widthPt) return text
  const letters = [...text]
  let [low, high] = [0, letters.length]
  while (low < high) {
    const middle = Math.ceil((low + high) / 2)
    if (measure(`${letters.slice(0, middle).join('').trimEnd()}…`, font, sizePt) <= widthPt) low = middle
    else high = middle - 1
  }
  return `${letters.slice(0, low).join('').trimEnd()}…`
}

/**
 * The text on at most so many lines: broken at spaces; a word that is too long, and text that finds no line, end in an ellipsis. O(words)
 * measurements.
 * @example wrapText('Kelp Study No. 4', 'text', 9, 60, 2, monospaced) //=> ['Kelp Study', 'No. 4']
 */
export function wrapText(
  text: string,
  font: FontName,
  sizePt: number,
  widthPt: number,
  lines: number,
  measure: Measure,
): readonly string[] {
  const rows: string[] = []
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const [last, isFirst] = [rows.at(-1) ?? '', rows.length === 0]
    if (!isFirst && (measure(`${last} ${word}`, font, sizePt) <= widthPt || rows.length === lines))
      rows[rows.length - 1] = `${last} ${word}`
    else rows.push(word)
  }
  return rows.map(row => clipText(row, font, sizePt, widthPt, measure))
}
