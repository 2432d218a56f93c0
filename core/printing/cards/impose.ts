import { PT_PER_MM } from '#core/units'
import type { Page, PageItem } from '../page'

/** A piece to cut out of a printed sheet: a card, a divider, the label of a tab. */
export interface CutPiece {
  /** As `Label.of`. */
  readonly of: string
  /** Its id before it was in the room. */
  readonly before?: string
  readonly widthMm: number
  readonly heightMm: number
  /** From the upper left corner of the piece. */
  readonly items: readonly PageItem[]
  /** Its name in the question whether it came out well. */
  readonly name: string
  /** Its text, to notice when it changes. */
  readonly says: readonly string[]
}
export interface SheetMm {
  readonly widthMm: number
  readonly heightMm: number
}
export interface Imposed {
  readonly pages: readonly Page[]
  /** The sheet as it lies: landscape if it holds more pieces so. */
  readonly sheet: SheetMm
  /** Pieces larger than the sheet. */
  readonly tooLarge: readonly string[]
}

/** Largest blank edge that printers leave: common practice. Room for marks between two pieces; length of the marks. */
const MARGIN_MM = 3
const GAP_MM = 5
const MARK = { fromMm: 0.5, lengthMm: 1.8, weightPt: 0.3 }
const SLACK_MM = 0.01

/**
 * Lays pieces on sheets with cut marks, row by row in their order, so that the stack that is cut is in order. No piece is turned, as it
 * could not be read with the others; sheets are landscape if they then hold more pieces, or fewer are needed. O(pieces).
 */
export function imposePieces(pieces: readonly CutPiece[], sheet: SheetMm): Imposed {
  const upright = impose(pieces, sheet)
  const across = impose(pieces, { widthMm: sheet.heightMm, heightMm: sheet.widthMm })
  const fewer = across.tooLarge.length - upright.tooLarge.length || across.pages.length - upright.pages.length
  return fewer < 0 ? across : upright
}

function impose(pieces: readonly CutPiece[], sheet: SheetMm): Imposed {
  const [wide, high] = [sheet.widthMm - 2 * MARGIN_MM, sheet.heightMm - 2 * MARGIN_MM]
  const isTooLarge = ({ widthMm, heightMm }: CutPiece): boolean => widthMm > wide + SLACK_MM || heightMm > high + SLACK_MM
  const pages: PageItem[][] = []
  let [x, y, rowHigh] = [Infinity, Infinity, 0]
  for (const piece of pieces) {
    if (isTooLarge(piece)) continue
    if (x + piece.widthMm > wide + SLACK_MM) [x, y, rowHigh] = [0, y + rowHigh + GAP_MM, 0]
    if (y + piece.heightMm > high + SLACK_MM) {
      pages.push([])
      ;[x, y, rowHigh] = [0, 0, 0]
    }
    pages.at(-1)?.push(...placed(piece, MARGIN_MM + x, MARGIN_MM + y))
    x += piece.widthMm + GAP_MM
    rowHigh = Math.max(rowHigh, piece.heightMm)
  }
  return {
    pages: pages.map((items, at) => ({ label: String(at + 1), side: 'front', bookmark: null, items })),
    sheet,
    tooLarge: pieces.filter(isTooLarge).map(({ of }) => of),
  }
}

function placed({ items, widthMm, heightMm }: CutPiece, leftMm: number, topMm: number): readonly PageItem[] {
  const [left, top] = [leftMm * PT_PER_MM, topMm * PT_PER_MM]
  return [
    ...items.map(item => ({ ...item, x: item.x + left, y: item.y + top, ...movedEnd(item, left) })),
    ...marks(leftMm, topMm, widthMm, heightMm),
  ]
}
const movedEnd = (item: PageItem, left: number): { readonly toX?: number } => (item.type === 'rule' ? { toX: item.toX + left } : {})

/** Two short lines at each corner, outside the piece. */
function marks(leftMm: number, topMm: number, widthMm: number, heightMm: number): readonly PageItem[] {
  const line = (xMm: number, yMm: number, isAcross: boolean): PageItem => ({
    type: 'area',
    x: xMm * PT_PER_MM - (isAcross ? 0 : MARK.weightPt / 2),
    y: yMm * PT_PER_MM - (isAcross ? MARK.weightPt / 2 : 0),
    widthPt: isAcross ? MARK.lengthMm * PT_PER_MM : MARK.weightPt,
    heightPt: isAcross ? MARK.weightPt : MARK.lengthMm * PT_PER_MM,
    ink: 'black',
  })
  const [near, far] = [MARK.fromMm + MARK.lengthMm, MARK.fromMm]
  return [leftMm, leftMm + widthMm].flatMap((xMm, right) =>
    [topMm, topMm + heightMm].flatMap((yMm, foot) => [
      line(right ? xMm + far : xMm - near, yMm, true),
      line(xMm, foot ? yMm + far : yMm - near, false),
    ]),
  )
}
