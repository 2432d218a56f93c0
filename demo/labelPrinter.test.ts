import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { type DotLabel, DOTS_PER_INCH, type LabelJob, runLabelJob } from './labelPrinter'

const MM = DOTS_PER_INCH / 25.4
/** A label of so many dots along the tape; each has a dot pattern of its own. */
function label(columns: number, seed: number): DotLabel {
  const bytes = new Uint8Array(columns)
  for (let at = 0; at < columns; at += 1) bytes[at] = ((at + 1) * (seed + 3) * 37) & 0xff
  return { columns, rows: 8, bytes }
}
const job = (columns: readonly number[], more: Partial<LabelJob> = {}): LabelJob => ({
  tapeWidthMm: 12,
  loadedWidthMm: 12,
  leftMm: 8000,
  beforeMm: 2,
  afterMm: 2,
  singlyAfterMm: 24,
  toCutterMm: 24,
  isChained: true,
  isFed: false,
  blankMm: 24,
  held: [],
  labels: columns.map((each, at) => ({ ...label(each, at), order: at + 1, lengthMm: each / MM })),
  ...more,
})
function done(asked: LabelJob) {
  const outcome = runLabelJob(asked)
  if (!outcome.ok) throw new Error(outcome.fault.code)
  return outcome
}
/** The columns of a strip that bear ink, as bytes: what one reads from left to right. */
function inkOf(outcome: ReturnType<typeof done>): readonly number[] {
  const { strip } = outcome
  if (!strip) return []
  const top = Math.floor((strip.heightPx - 8) / 2)
  return Array.from({ length: strip.widthPx }, (_, x) =>
    Array.from({ length: 8 }, (_each, row) => (strip.pixels[(top + row) * strip.widthPx + x] === 20 ? 0x80 >> row : 0)).reduce(
      (sum, bit) => sum + bit,
      0,
    ),
  ).filter(byte => byte > 0)
}
const inkOfLabels = (labels: readonly DotLabel[]): readonly number[] => labels.flatMap(({ bytes }) => [...bytes].filter(byte => byte > 0))

describe('the stand-in label machine', () => {
  test('refuses what it cannot print, and says which label', () => {
    expect(runLabelJob(job([100], { loadedWidthMm: 24 }))).toEqual({ ok: false, fault: { code: 'otherTape', haveMm: 24 } })
    const [first] = job([100]).labels
    if (!first) throw new Error('no label')
    const with_ = (change: object) => runLabelJob({ ...job([]), labels: [{ ...first, ...change }] })
    expect(with_({ rows: 90, bytes: new Uint8Array(1200) })).toMatchObject({ ok: false, fault: { code: 'tooHigh', order: 1 } })
    expect(with_({ order: 2 })).toMatchObject({ ok: false, fault: { code: 'outOfOrder', order: 2 } })
    expect(with_({ lengthMm: 100 / MM + 1 })).toMatchObject({ ok: false, fault: { code: 'otherLength', order: 1 } })
    expect(with_({ bytes: new Uint8Array(99) })).toMatchObject({ ok: false, fault: { code: 'otherLength', order: 1 } })
  })
  test('chained, as many come out as lie wholly beyond the cutter; fed, the rest; all of them once, in order, as they were sent', () => {
    const lengths = fc.array(fc.integer({ min: 20, max: 500 }), { minLength: 1, maxLength: 12 })
    fc.assert(
      fc.property(lengths, lengths, (one, two) => {
        const [first, more] = [job(one), job(two)]
        const began = done(first)
        const inside = first.labels.slice(began.out)
        const then = done({ ...more, held: inside, blankMm: began.blankMm, leftMm: began.leftMm })
        const held = [...inside, ...more.labels].slice(then.out)
        const fed = done({ ...job([]), held, isFed: true, blankMm: then.blankMm, leftMm: then.leftMm })
        expect([began.out + began.held, then.out + then.held, fed.out]).toEqual([one.length, inside.length + two.length, held.length])
        expect([...inkOf(began), ...inkOf(then), ...inkOf(fed)]).toEqual(inkOfLabels([...first.labels, ...more.labels]))
        // What is still inside reaches from the cut to the head: never less than lies between cutter and head.
        const insideMm = inside.reduce((sum, each) => sum + 4 + each.columns / MM, 0)
        expect(insideMm + began.blankMm).toBeGreaterThanOrEqual(24 - 1e-6)
        // All tape is accounted for: what came out was on the reel, or lay before the head at first.
        expect(fed.blankMm).toBe(24)
        expect(began.stripMm + then.stripMm + fed.stripMm).toBeCloseTo(8000 - fed.leftMm, 6)
      }),
    )
  })
  test('singly, each comes out by itself, with the tape between head and cutter in front of it', () => {
    const outcome = done(job([100, 200], { isChained: false }))
    expect(outcome).toMatchObject({ out: 2, held: 0, unprinted: 0 })
    expect(outcome.stripMm).toBeCloseTo(300 / MM + 2 * (24 + 2 + 24), 6)
    expect(inkOf(outcome)).toEqual(inkOfLabels(job([100, 200]).labels))
  })
  test('the end of the tape: what does not fit is told, and nothing is printed in half', () => {
    const lengthMm = 4 + 200 / MM
    const short = done(job([200, 200, 200], { leftMm: 2 * lengthMm + 24 + 1, isFed: true }))
    expect(short).toMatchObject({ out: 2, held: 0, unprinted: 1 })
    expect(short.leftMm).toBeCloseTo(1, 6)
    expect(done(job([200], { leftMm: 10 }))).toMatchObject({ out: 0, unprinted: 1, strip: null, leftMm: 10 })
    expect(done(job([200], { leftMm: 10, isChained: false }))).toMatchObject({ out: 0, unprinted: 1, strip: null })
  })
})
