import { PT_PER_MM } from '#core/units'
import { shortenText } from '../labels/shorten'
import type { Ink, Measure, PageItem } from '../page'
import type { CutPiece } from './impose'

/** A divider in its row. */
export interface DividerSource {
  /** As `Label.of`: `divider:` and the tab; a planned one is named by what it stands for. */
  readonly of: string
  /** Its id while it was planned. */
  readonly before?: string
  readonly title: string
  /** One of six; it also decides the position of the tab. */
  readonly colour: number
}
export interface DividerShape {
  /** The blank that it is cut from, tab included. */
  readonly widthMm: number
  readonly heightMm: number
  /** Height of the part above the holders. */
  readonly tabMm: number
  /** Tab positions across the lane. */
  readonly positions: number
}

const [PAD_MM, BAR_MM] = [2, 3]
const MOST_PT = 13
const INKS: readonly Ink[] = ['tab0', 'tab1', 'tab2', 'tab3', 'tab4', 'tab5']
const inkOf = (colour: number): Ink => INKS[colour % INKS.length] ?? 'tab0'

/** The face of a tab: a bar in its colour and its title, made smaller and then shorter until it fits. */
function face({ title, colour }: DividerSource, leftMm: number, widthMm: number, heightMm: number, measure: Measure): readonly PageItem[] {
  const roomPt = (widthMm - BAR_MM - 2 * PAD_MM) * PT_PER_MM
  const sizePt = Math.min(
    MOST_PT,
    heightMm * PT_PER_MM * 0.6,
    Math.max(MOST_PT * 0.6, (MOST_PT * roomPt) / measure(title, 'bold', MOST_PT)),
  )
  const text = shortenText(title, each => measure(each, 'bold', sizePt) <= roomPt, null)?.text ?? ''
  const x = (leftMm + BAR_MM + PAD_MM) * PT_PER_MM + (roomPt - measure(text, 'bold', sizePt)) / 2
  return [
    { type: 'area', x: leftMm * PT_PER_MM, y: 0, widthPt: BAR_MM * PT_PER_MM, heightPt: heightMm * PT_PER_MM, ink: inkOf(colour) },
    { type: 'text', x, y: (heightMm * PT_PER_MM) / 2 + sizePt * 0.35, sizePt, font: 'bold', ink: 'night', text },
  ]
}

/** The label of a tab alone, for an existing divider. */
export function dividerTab(source: DividerSource, shape: DividerShape, measure: Measure): CutPiece {
  const widthMm = shape.widthMm / shape.positions
  return {
    of: source.of,
    before: source.before,
    name: source.title,
    widthMm,
    heightMm: shape.tabMm,
    items: face(source, 0, widthMm, shape.tabMm, measure),
    says: [source.title, String(source.colour)],
  }
}

/** A whole divider: its tab at its position, with cut lines for the rest of that height. */
export function dividerFull(source: DividerSource, shape: DividerShape, measure: Measure): CutPiece {
  const { widthMm, heightMm, tabMm, positions } = shape
  const [tabWide, position] = [widthMm / positions, source.colour % positions]
  const [from, to] = [position * tabWide, (position + 1) * tabWide]
  const across = (fromMm: number, toMm: number): PageItem[] =>
    toMm > fromMm ? [{ type: 'rule', x: fromMm * PT_PER_MM, y: tabMm * PT_PER_MM, toX: toMm * PT_PER_MM, weightPt: 0.4, ink: 'quiet' }] : []
  const upright = (xMm: number): PageItem[] =>
    xMm > 0 && xMm < widthMm ? [{ type: 'area', x: xMm * PT_PER_MM, y: 0, widthPt: 0.4, heightPt: tabMm * PT_PER_MM, ink: 'quiet' }] : []
  return {
    of: source.of,
    before: source.before,
    name: source.title,
    widthMm,
    heightMm,
    items: [...face(source, from, tabWide, tabMm, measure), ...across(0, from), ...across(to, widthMm), ...upright(from), ...upright(to)],
    says: [source.title, String(source.colour), `${widthMm.toFixed(1)} x ${heightMm.toFixed(1)}`],
  }
}
