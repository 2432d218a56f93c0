/** Points, 72 to the inch, measured from the top left corner of the sheet as one reads. */
export interface PageSize {
  readonly widthPt: number
  readonly heightPt: number
}

const PT_PER_MM = 72 / 25.4

/** ISO 216 A4, 210 x 297 mm; ANSI/ASME Y14.1 Letter, 8 1/2 x 11 in. */
export const PAPERS: Readonly<Record<'A4' | 'Letter', PageSize>> = {
  A4: { widthPt: 210 * PT_PER_MM, heightPt: 297 * PT_PER_MM },
  Letter: { widthPt: 612, heightPt: 792 },
}

export type FontName = 'text' | 'bold' | 'title'
/** Names of inks, so that the one who draws decides the colour. */
export type Ink = 'night' | 'quiet' | 'line' | 'ridge'

/** `y` of a text is its baseline; `y` of a picture its upper edge. */
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
    }
  | { readonly type: 'rule'; readonly x: number; readonly y: number; readonly toX: number; readonly weightPt: number; readonly ink: Ink }

export interface Page {
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
