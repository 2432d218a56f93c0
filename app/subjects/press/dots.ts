import type { PageItem } from '#core/printing'
import { PT_PER_INCH } from '#core/units'
import type { Faces } from './faces'

/** What a label machine puts down: columns of dots from the upper edge to the lower, eight dots a byte, the first one highest. */
export interface Dots {
  readonly columns: number
  readonly rows: number
  readonly bytes: Uint8Array
}
/** Dots to the inch of common label machines. */
const DOTS_PER_INCH = 180
const PER_PT = DOTS_PER_INCH / PT_PER_INCH
/** A dot is black where at least half of it is covered. */
const HALF = 128

/** Texts and areas as dots; letters by their outlines, so that no font has to be installed. */
export function dotsOf(items: readonly PageItem[], widthPt: number, heightPt: number, faces: Faces): Dots {
  const [columns, rows] = [Math.max(1, Math.round(widthPt * PER_PT)), Math.max(1, Math.round(heightPt * PER_PT))]
  const context = new OffscreenCanvas(columns, rows).getContext('2d', { willReadFrequently: true })
  if (!context) throw new Error('no canvas to draw labels on')
  for (const item of items) {
    if (item.type === 'area') {
      // Edges of a code lie on dots: half a dot would blur it.
      const [left, top] = [Math.round(item.x * PER_PT), Math.round(item.y * PER_PT)]
      context.fillRect(left, top, Math.round((item.x + item.widthPt) * PER_PT) - left, Math.round((item.y + item.heightPt) * PER_PT) - top)
    } else if (item.type === 'text') drawText(context, item, faces)
  }
  const { data } = context.getImageData(0, 0, columns, rows)
  const bytesAColumn = Math.ceil(rows / 8)
  const bytes = new Uint8Array(columns * bytesAColumn)
  for (let column = 0; column < columns; column += 1)
    for (let row = 0; row < rows; row += 1)
      if ((data[(row * columns + column) * 4 + 3] ?? 0) >= HALF) bytes[column * bytesAColumn + (row >> 3)]! |= 0x80 >> (row & 7)
  return { columns, rows, bytes }
}

function drawText(context: OffscreenCanvasRenderingContext2D, item: Extract<PageItem, { type: 'text' }>, faces: Faces): void {
  let { x } = item
  for (const run of faces.runs(item.text, item.font)) {
    const size = item.sizePt * PER_PT
    context.save()
    context.translate(x * PER_PT, item.y * PER_PT)
    for (const { d, advance } of faces.outlines(run)) {
      context.save()
      context.scale(size, -size)
      if (d) context.fill(new Path2D(d))
      context.restore()
      context.translate(advance * size, 0)
    }
    context.restore()
    x += faces.runWidth(run) * item.sizePt
  }
}
