import { MM_PER_INCH } from '#core/units'

/** The stand-in label machine: what it is told, what it does with its tape, and the strip that comes out of it as a grey picture. */

/** Dots to the inch, across the tape and along it. */
export const DOTS_PER_INCH = 180
const DOTS_PER_MM = DOTS_PER_INCH / MM_PER_INCH
/** Each label says how long it is, and sends its dots: they may differ by the rounding to a dot. */
const SLACK_DOTS = 1

export interface DotLabel {
  readonly columns: number
  readonly rows: number
  /** Column after column, eight dots a byte, the highest first. */
  readonly bytes: Uint8Array
}
export interface LabelJob {
  /** The tape that the job was laid out for, and the tape that is in the machine. */
  readonly tapeWidthMm: number
  readonly loadedWidthMm: number
  /** What is left on the reel behind the print head. */
  readonly leftMm: number
  readonly beforeMm: number
  readonly afterMm: number
  /** Behind a label that is printed by itself. */
  readonly singlyAfterMm: number
  readonly toCutterMm: number
  readonly isChained: boolean
  /** The last ones are fed out; else they stay inside until the next job. */
  readonly isFed: boolean
  /** What lies in front of the head since the last cut: blank tape, and behind it what an earlier job printed. */
  readonly blankMm: number
  readonly held: readonly DotLabel[]
  readonly labels: readonly (DotLabel & { readonly order: number; readonly lengthMm: number })[]
}
export type LabelJobFault =
  | { readonly code: 'otherTape'; readonly haveMm: number }
  | { readonly code: 'tooHigh'; readonly order: number }
  | { readonly code: 'outOfOrder'; readonly order: number }
  | { readonly code: 'otherLength'; readonly order: number }
  /** What is said to be inside cannot have been printed. */
  | { readonly code: 'notHeld' }
export interface Strip {
  readonly widthPx: number
  readonly heightPx: number
  readonly pixels: Uint8Array
}
export type LabelOutcome =
  | { readonly ok: false; readonly fault: LabelJobFault }
  | {
      readonly ok: true
      /** How many came out, those that were held first; how many of the last are inside. */
      readonly out: number
      readonly held: number
      /** So many could not be printed: the tape came to its end. */
      readonly unprinted: number
      readonly leftMm: number
      readonly blankMm: number
      /** How much tape came out. */
      readonly stripMm: number
      readonly strip: Strip | null
    }

const isWhole = ({ columns, rows, bytes }: DotLabel): boolean => bytes.length === columns * Math.ceil(rows / 8)

function faultOf({ tapeWidthMm, loadedWidthMm, held, labels }: LabelJob): LabelJobFault | null {
  if (tapeWidthMm !== loadedWidthMm) return { code: 'otherTape', haveMm: loadedWidthMm }
  const highest = Math.floor(tapeWidthMm * DOTS_PER_MM)
  if (held.some(label => label.rows > highest || !isWhole(label))) return { code: 'notHeld' }
  for (const [at, label] of labels.entries()) {
    const { order, rows, columns, lengthMm } = label
    if (order !== at + 1) return { code: 'outOfOrder', order }
    if (rows > highest) return { code: 'tooHigh', order }
    const isAsLong = Math.abs(columns - lengthMm * DOTS_PER_MM) <= SLACK_DOTS && isWhole(label)
    if (!isAsLong) return { code: 'otherLength', order }
  }
  return null
}

/**
 * Does a job. Singly, each label is fed to the cutter and cut, with the blank tape that lay before the head in front of it. Chained,
 * what has passed the cutter is cut behind its last whole label, and the rest stays inside until it is fed out. O(dots).
 */
export function runLabelJob(job: LabelJob): LabelOutcome {
  const fault = faultOf(job)
  if (fault) return { ok: false, fault }
  const { beforeMm, afterMm, singlyAfterMm, toCutterMm, isChained, isFed } = job
  const lengthOf = ({ columns }: DotLabel): number => beforeMm + columns / DOTS_PER_MM + afterMm
  const pieces: (number | DotLabel | 'cut' | 'mark')[] = []
  let { leftMm } = job
  if (!isChained) {
    let [out, stripMm] = [0, 0]
    // What is inside is printed already: it is fed out first.
    if (job.held.length > 0) {
      leftMm -= Math.min(leftMm, toCutterMm)
      stripMm += job.blankMm
      pieces.push(job.blankMm)
    }
    for (const label of job.held) {
      pieces.push(...(out > 0 ? ['mark' as const] : []), beforeMm, label, afterMm)
      stripMm += lengthOf(label)
      out += 1
    }
    for (const label of job.labels) {
      const needMm = toCutterMm + lengthOf(label) - afterMm + singlyAfterMm
      if (needMm > leftMm) break
      pieces.push(...(out > 0 ? ['cut' as const] : []), toCutterMm + beforeMm, label, singlyAfterMm)
      leftMm -= needMm
      stripMm += needMm
      out += 1
    }
    const unprinted = job.held.length + job.labels.length - out
    return { ok: true, out, held: 0, unprinted, leftMm, blankMm: toCutterMm, stripMm, strip: draw(pieces, job.tapeWidthMm) }
  }
  const { blankMm } = job
  const heldMm = job.held.reduce((sum, each) => sum + lengthOf(each), 0)
  const all: DotLabel[] = [...job.held]
  let printedMm = 0
  for (const label of job.labels) {
    // Enough must be left to feed it out.
    if (printedMm + lengthOf(label) + toCutterMm > leftMm) break
    printedMm += lengthOf(label)
    all.push(label)
  }
  const unprinted = job.held.length + job.labels.length - all.length
  const fedMm = isFed && all.length > 0 ? toCutterMm : 0
  leftMm -= printedMm + fedMm
  // As far as the tape has passed the cutter, measured from its free end.
  const passedMm = blankMm + heldMm + printedMm + fedMm - toCutterMm
  let [endMm, out] = [blankMm, 0]
  for (const label of all) {
    if (endMm + lengthOf(label) > passedMm + 1e-6) break
    endMm += lengthOf(label)
    if (out > 0) pieces.push('mark')
    else if (blankMm > 0) pieces.push(blankMm)
    pieces.push(beforeMm, label, afterMm)
    out += 1
  }
  // Cut behind the last one that is out: blank tape lies there again only once all were fed out.
  const blankBehindMm = out === all.length ? toCutterMm : 0
  return {
    ok: true,
    out,
    held: all.length - out,
    unprinted,
    leftMm,
    blankMm: out === 0 ? blankMm : blankBehindMm,
    stripMm: out > 0 ? endMm : 0,
    strip: draw(out > 0 ? pieces : [], job.tapeWidthMm),
  }
}

const [TAPE, INK, GAP, MARK] = [255, 20, 200, 120]
const GAP_PX = 8

/** The strip from left to right: blank tape, dots, marks to cut at, and a gap where it was cut through. */
function draw(pieces: readonly (number | DotLabel | 'cut' | 'mark')[], tapeWidthMm: number): Strip | null {
  if (pieces.length === 0) return null
  const heightPx = Math.floor(tapeWidthMm * DOTS_PER_MM)
  const widthOf = (piece: (typeof pieces)[number]): number => {
    if (piece === 'cut') return GAP_PX
    if (piece === 'mark') return 1
    return typeof piece === 'number' ? Math.round(piece * DOTS_PER_MM) : piece.columns
  }
  const widthPx = pieces.reduce<number>((sum, piece) => sum + widthOf(piece), 0)
  const pixels = new Uint8Array(widthPx * heightPx).fill(TAPE)
  let x = 0
  for (const piece of pieces) {
    const width = widthOf(piece)
    if (piece === 'cut') for (let y = 0; y < heightPx; y += 1) pixels.fill(GAP, y * widthPx + x, y * widthPx + x + width)
    else if (piece === 'mark') for (let y = 0; y < heightPx; y += 6) pixels.fill(MARK, y * widthPx + x, y * widthPx + x + 1)
    else if (typeof piece !== 'number') {
      const [top, bytesAColumn] = [Math.floor((heightPx - piece.rows) / 2), Math.ceil(piece.rows / 8)]
      for (let column = 0; column < piece.columns; column += 1)
        for (let row = 0; row < piece.rows; row += 1)
          if ((piece.bytes[column * bytesAColumn + (row >> 3)] ?? 0) & (0x80 >> (row & 7))) pixels[(top + row) * widthPx + x + column] = INK
    }
    x += width
  }
  return { widthPx, heightPx, pixels }
}
