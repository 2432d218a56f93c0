import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { clipText, HOLES, type Measure, PAPERS } from './page'

const measure: Measure = (text, _font, sizePt) => [...text].reduce((sum, letter) => sum + (/[il ]/.test(letter) ? 0.25 : 0.5), 0) * sizePt

test('a clipped text fits, is the beginning of the whole, and a letter more would not fit (property)', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 60, unit: 'grapheme' }), fc.integer({ min: 6, max: 300 }), (text, width) => {
      const clipped = clipText(text, 'text', 10, width, measure)
      expect(measure(clipped, 'text', 10)).toBeLessThanOrEqual(width)
      if (measure(text, 'text', 10) <= width) return expect(clipped).toBe(text)
      const kept = clipped.slice(0, -1)
      expect(text.startsWith(kept)).toBe(true)
      const next = [...text].slice(0, [...kept].length + 1).join('')
      // What ends in spaces ends before them.
      if (next.trimEnd() === next) expect(measure(`${next}…`, 'text', 10)).toBeGreaterThan(width)
    }),
  )
})

test('sheets are as large as their standards have them, and holes lie on them', () => {
  // ISO 216: each size is half of the one before, its sides as 1 to the root of 2, rounded to a millimetre.
  expect(PAPERS.A4.heightPt / PAPERS.A4.widthPt).toBeCloseTo(Math.SQRT2, 2)
  expect(PAPERS.A5.heightPt).toBeCloseTo(PAPERS.A4.widthPt, 9)
  // ANSI/ASME Y14.1: 8 1/2 x 11 in; half of it.
  expect([PAPERS.Letter, PAPERS.halfLetter].map(({ widthPt, heightPt }) => [widthPt / 72, heightPt / 72])).toEqual([
    [8.5, 11],
    [5.5, 8.5],
  ])
  // ISO 838: four holes on A4 are 240 mm from the first to the last, and 28.5 mm from the ends of the sheet.
  const { count, apartMm } = HOLES.four
  expect((297 - (count - 1) * apartMm) / 2).toBeCloseTo(28.5, 6)
})
